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

/** Terms that the records have in the place of concepts that they do not meet. */
function listAddedTerms(
  readers: readonly PartReader[],
  project: Project,
  vocabularyOf: (database: string) => Vocabulary | undefined,
): AddedTerm[] {
  const { concepts } = project.working;
  const found = new Map<string, AddedTerm & { times: number }>();
  for (const reader of readers)
    listFailingParts(reader, project.working).forEach((parts, at) => {
      const { record, database } = reader.misses[at]!;
      for (const part of parts) {
        const concept = concepts.find(({ block }) => part.kind === 'piece' && block === part.block);
        if (!concept) continue;
        const others = concepts.filter((other) => other !== concept && !other.off);
        for (const { kind, text } of listNearTerms(record, concept, others, vocabularyOf(database))) {
          const key = `${concept.id} ${text}`;
          const known = found.get(key);
          if (known) known.times++;
          else {
            const term: Term = { id: `near ${key}`, text, off: false };
            const offered = { concept: concept.id, term, from: NEAR_WORDS[kind] };
            found.set(key, { offered, kind, times: 1 });
          }
        }
      }
    });
  const strangenessOf = ({ kind }: AddedTerm): number => NEAR_KINDS.indexOf(kind);
  return [...found.values()]
    .sort((a, b) => strangenessOf(a) - strangenessOf(b) || b.times - a.times)
    .slice(0, MAX_OFFERED);
}

/**
 * The changes that let at least one of the records through a part that keeps it out, by the neutral meaning of the
 * query: those first that change what is asked the least and are nearest to it, then those that let the most in.
 */
export function listEdits(
  readers: readonly PartReader[],
  project: Project,
  thisYear: number,
  vocabularyOf: (database: string) => Vocabulary | undefined,
): Edit[] {
  const obstacles = listObstacles(readers, project);
  const all = new Set(obstacles.flatMap(({ keys }) => keys));
  const terms = listAddedTerms(readers, project, vocabularyOf);
  const proposals = listProposals(
    project,
    thisYear,
    terms.map(({ offered }) => offered),
  );
  const edits = proposals.flatMap((proposal): Edit[] => {
    const changed = tryChange(project, proposal.change);
    if (!changed) return [];
    const left = new Set<string>();
    for (const { keys } of listObstacles(readers, changed)) for (const key of keys) left.add(key);
    const mends = new Set([...all].filter((key) => !left.has(key)));
    // What mends one part by breaking another is no help.
    if (mends.size === 0 || [...left].some((key) => !all.has(key))) return [];
    const isCaught = ({ keys }: Obstacles): boolean => keys.length > 0 && keys.every((key) => mends.has(key));
    const catches = [...new Set(obstacles.filter(isCaught).map(({ mustFind }) => mustFind))];
    const added = terms.find(({ offered }) => adds(proposal.change, offered.term));
    return [{ proposal, ...(added && { added }), mends, catches }];
  });
  const levelOf = ({ proposal }: Edit): number => MEANING_LEVELS.indexOf(proposal.level);
  // What the query has already comes before what only a record has.
  const strangenessOf = ({ added }: Edit): number => (added ? 1 + NEAR_KINDS.indexOf(added.kind) : 0);
  return edits
    .map((edit, at) => ({ edit, at }))
    .sort(
      (a, b) =>
        levelOf(a.edit) - levelOf(b.edit) ||
        strangenessOf(a.edit) - strangenessOf(b.edit) ||
        b.edit.catches.length - a.edit.catches.length ||
        b.edit.mends.size - a.edit.mends.size ||
        a.at - b.at,
    )
    .map(({ edit }) => edit);
}
