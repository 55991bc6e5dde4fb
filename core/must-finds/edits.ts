import { MEANING_LEVELS, listProposals, tryChange, type OfferedTerm, type ProposedChange } from '../compare';
import type { Change, Project, Term } from '../project';
import { listFailingParts, type PartReader, type QueryPart } from './why-missed';
import { NEAR_KINDS, listNearTerms, type NearKind } from './near-terms';
import type { Vocabulary } from '../vocabulary';

/** A term that a record has, as it is offered, and how near to the concept it is. */
export interface AddedTerm {
  readonly offered: OfferedTerm;
  readonly kind: NearKind;
}

/** A change of the draft that would let missed records in. */
export interface Edit {
  readonly proposal: ProposedChange;
  /** The term that it adds, if it adds one that a record has. */
  readonly added?: AddedTerm;
  /** The parts that it mends, each for one record: what `listObstacles` names. */
  readonly mends: ReadonlySet<string>;
  /** The must-finds that it lets in alone, by their ids. */
  readonly catches: readonly string[];
}

/** What keeps records out: for each record the keys of its failing parts, each with the record's place. */
export interface Obstacles {
  readonly mustFind: string;
  readonly database: string;
  readonly parts: readonly QueryPart[];
  readonly keys: readonly string[];
}

/** What keeps the records of some databases out of a draft; an obstacle is named by database, record and part. */
export function listObstacles(readers: readonly PartReader[], project: Project): Obstacles[] {
  return readers.flatMap((reader) =>
    listFailingParts(reader, project.working).map((parts, at) => {
      const { mustFind, database } = reader.misses[at]!;
      return { mustFind, database, parts, keys: parts.map(({ key }) => nameObstacle(database, at, key)) };
    }),
  );
}

function nameObstacle(database: string, at: number, part: string): string {
  return `${database} ${at} ${part}`;
}

/** What the terms of records are called where they are offered. */
const NEAR_WORDS: Readonly<Record<NearKind, string>> = {
  form: 'another form',
  'related heading': 'a heading near to its own',
  heading: 'a heading of the record',
  keyword: 'an author keyword',
  'title word': 'a word of the title',
};

function adds(change: Change, term: Term): boolean {
  return change.kind === 'add-terms' && change.terms.includes(term);
}

/** So many terms are tried: the nearest, and of these what most records have. */
const MAX_OFFERED = 80;

/** A missed record with the parts that keep it out. */
export interface MissedPlace {
  readonly reader: PartReader;
  readonly at: number;
  readonly parts: readonly QueryPart[];
}

/** The missed records of all databases, with the parts of a draft that keep each of them out. */
export function listMissedPlaces(readers: readonly PartReader[], project: Project): MissedPlace[] {
  return readers.flatMap((reader) =>
    listFailingParts(reader, project.working).map((parts, at) => ({ reader, at, parts })),
  );
}

/** Terms that a record has in the place of the concepts that it does not meet. */
export function listTermsInPlace(
  { reader, at, parts }: MissedPlace,
  project: Project,
  vocabularyOf: (database: string) => Vocabulary | undefined,
): AddedTerm[] {
  const { concepts } = project.working;
  const { record, database } = reader.misses[at]!;
  return parts.flatMap((part) => {
    const concept = concepts.find(({ block }) => part.kind === 'piece' && block === part.block);
    if (!concept) return [];
    const others = concepts.filter((other) => other !== concept && !other.off);
    return listNearTerms(record, concept, others, vocabularyOf(database)).map(({ kind, text }) => {
      const term: Term = { id: `near ${concept.id} ${text}`, text, off: false };
      return { offered: { concept: concept.id, term, from: NEAR_WORDS[kind] }, kind };
    });
  });
}

/** Of the terms of all records the ones that are tried: the nearest, and of these what most records have. */
export function chooseTerms(terms: readonly AddedTerm[]): AddedTerm[] {
  const found = new Map<string, { added: AddedTerm; times: number }>();
  for (const added of terms) {
    const { id } = added.offered.term;
    const known = found.get(id);
    if (known) known.times++;
    else found.set(id, { added, times: 1 });
  }
  const strangenessOf = ({ kind }: AddedTerm): number => NEAR_KINDS.indexOf(kind);
  return [...found.values()]
    .sort((a, b) => strangenessOf(a.added) - strangenessOf(b.added) || b.times - a.times)
    .slice(0, MAX_OFFERED)
    .map(({ added }) => added);
}

/** What changes are tried against. */
export interface EditTrial {
  readonly readers: readonly PartReader[];
  readonly project: Project;
  readonly terms: readonly AddedTerm[];
  readonly obstacles: readonly Obstacles[];
  readonly all: ReadonlySet<string>;
}

/** What keeps the records out of a draft before anything is tried; `terms` are those that could be added. */
export function createEditTrial(
  readers: readonly PartReader[],
  project: Project,
  terms: readonly AddedTerm[],
): EditTrial {
  const obstacles = listObstacles(readers, project);
  return { readers, project, terms, obstacles, all: new Set(obstacles.flatMap(({ keys }) => keys)) };
}

/** The changes that are worth a try, the terms that could be added among them. */
export function listTried({ project, terms }: EditTrial, thisYear: number): ProposedChange[] {
  return listProposals(
    project,
    thisYear,
    terms.map(({ offered }) => offered),
  );
}

/** What a change lets in, by the neutral meaning of the query; nothing if it is no help. */
export function tryEdit(trial: EditTrial, proposal: ProposedChange): Edit | undefined {
  const { readers, project, terms, obstacles, all } = trial;
  const changed = tryChange(project, proposal.change);
  if (!changed) return undefined;
  const left = new Set<string>();
  for (const { keys } of listObstacles(readers, changed)) for (const key of keys) left.add(key);
  const mends = new Set([...all].filter((key) => !left.has(key)));
  // What mends one part by breaking another is no help.
  if (mends.size === 0 || [...left].some((key) => !all.has(key))) return undefined;
  const isCaught = ({ keys }: Obstacles): boolean => keys.length > 0 && keys.every((key) => mends.has(key));
  const catches = [...new Set(obstacles.filter(isCaught).map(({ mustFind }) => mustFind))];
  const added = terms.find(({ offered }) => adds(proposal.change, offered.term));
  return { proposal, ...(added && { added }), mends, catches };
}

/** Those first that change what is asked the least and are nearest to it, then those that let the most in. */
export function sortEdits(edits: readonly Edit[]): Edit[] {
  const levelOf = ({ proposal }: Edit): number => MEANING_LEVELS.indexOf(proposal.level);
  // What the query has already comes before what only a record has.
  const strangenessOf = ({ added }: Edit): number => (added ? 1 + NEAR_KINDS.indexOf(added.kind) : 0);
  return edits.toSorted(
    (a, b) =>
      levelOf(a) - levelOf(b) ||
      strangenessOf(a) - strangenessOf(b) ||
      b.catches.length - a.catches.length ||
      b.mends.size - a.mends.size,
  );
}

/** All changes that let at least one of the records through a part that keeps it out, the best first; long work. */
export function listEdits(
  readers: readonly PartReader[],
  project: Project,
  thisYear: number,
  vocabularyOf: (database: string) => Vocabulary | undefined,
): Edit[] {
  const terms = listMissedPlaces(readers, project).flatMap((place) =>
    listTermsInPlace(place, project, vocabularyOf),
  );
  const trial = createEditTrial(readers, project, chooseTerms(terms));
  return sortEdits(listTried(trial, thisYear).flatMap((proposal) => tryEdit(trial, proposal) ?? []));
}
