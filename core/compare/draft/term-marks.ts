import { applyFix, createProblem, type Problem, type ProblemCode } from '../../problem';
import {
  createTermKey,
  createTermQuery,
  describeTermKind,
  type Change,
  type Concept,
  type Term,
} from '../../project';
import { covers, findAnchor, parseQuery, type CoverSettings, type QueryNode } from '../../query';
import { isSentence } from '../../question';
import { foldLetters, shortenName, type NamedDatabase } from '../../text';
import type { Vocabulary } from '../../vocabulary';

/** A way to mend what a mark is about, as one change of the project. */
export interface MarkFix {
  readonly label: string;
  readonly change: Change;
}

/** A quiet remark on a term: two or three words, the whole sentence behind them, and what can be done. */
export interface TermMark {
  readonly words: string;
  readonly problem: Problem;
  readonly fixes: readonly MarkFix[];
}

/** What is known of the databases that are looked at; nothing where it is not known (yet). */
export interface TermFacts {
  readonly databases: readonly (NamedDatabase & { readonly id: string })[];
  /** The records that a term finds in a database by itself. */
  readonly findsOf: (term: Term, database: string) => number | undefined;
  /** All records of a database. */
  readonly sizeOf: (database: string) => number | undefined;
  readonly vocabularyOf: (database: string) => Vocabulary | undefined;
}

/** A term that finds such a share of a whole database says little. */
const NEARLY_EVERYTHING = 0.25;

/** The words of each mark as they stand beside a term, in little room. */
const MARK_WORDS: Partial<Record<ProblemCode, (data: Problem['data']) => string>> = {
  'term-brings-nothing': () => 'finds nothing',
  'term-brings-everything': () => 'too common',
  'term-covered': ({ wider }) => `covered by ${wider}`,
  'term-repeated': () => 'twice',
  'term-elsewhere': ({ concept }) => `also in ${concept}`,
  'term-is-sentence': () => 'a sentence?',
  'term-too-short': () => 'one letter',
};

/** In which databases a term finds nothing, in little room. */
function describeEmpty(databases: readonly NamedDatabase[]): string {
  const [only, ...others] = databases;
  if (only === undefined || others.length > 0) return `nothing in ${databases.length} databases`;
  return `nothing in ${shortenName(only)}`;
}

/** What there is to remark on the terms of some concepts, by the ids of the terms. */
export function findTermMarks(
  concepts: readonly Concept[],
  facts: TermFacts,
): ReadonlyMap<string, readonly TermMark[]> {
  const marks = new Map<string, TermMark[]>();
  const add: Add = (term, problem, fixes, says = MARK_WORDS[problem.code]?.(problem.data)) => {
    const words = says ?? 'see why';
    marks.set(term.id, [...(marks.get(term.id) ?? []), { words, problem, fixes }]);
  };
  for (const concept of concepts) {
    markTexts(concept, add);
    markCounts(concept, facts, add);
    markCovered(concept, facts, add);
  }
  markDuplicates(concepts, add);
  return marks;
}

type Add = (term: Term, problem: Problem, fixes: readonly MarkFix[], words?: string) => void;

const removeFix = (term: Term, label = 'Remove it'): MarkFix => ({
  label,
  change: { kind: 'remove-terms', ids: [term.id] },
});
const switchFix = (term: Term): MarkFix => ({
  label: 'Switch it off',
  change: { kind: 'switch-term', id: term.id, off: true },
});

/** What is wrong with a term as it is written. */
function markTexts(concept: Concept, add: Add): void {
  for (const term of concept.terms)
    for (const { problem, fixes } of recall(TEXT_MARKS, term, () => listTextMarks(term)))
      add(term, problem, fixes);
}

function listTextMarks(term: Term): Found[] {
  const found: Found[] = parseQuery(term.text)
    .problems.slice(0, 2)
    .map((problem) => ({
      problem,
      fixes: (problem.fixes ?? []).map((fix): MarkFix => ({
        label: fix.label,
        change: { kind: 'edit-term', id: term.id, text: applyFix(term.text, fix) },
      })),
    }));
  if (isSentence(term.text))
    found.push({ problem: createProblem('term-is-sentence', 'warning'), fixes: [removeFix(term)] });
  else if (describeTermKind(term) === 'word' && [...term.text].length === 1)
    found.push({
      problem: createProblem('term-too-short', 'warning', { term: term.text }),
      fixes: [removeFix(term)],
    });
  return found;
}

function markCounts(concept: Concept, facts: TermFacts, add: Add): void {
  for (const term of concept.terms) {
    if (term.off) continue;
    const meant = facts.databases.filter(({ id }) => term.databases?.includes(id) ?? true);
    const counts = meant.map((one) => ({ ...one, finds: facts.findsOf(term, one.id) }));
    const known = counts.filter((count) => count.finds !== undefined);
    if (known.length === 0) continue;
    const empty = known.filter(({ finds }) => finds === 0);
    const databases = empty.map(({ name }) => name).join(', ');
    if (empty.length === known.length) {
      add(term, createProblem('term-brings-nothing', 'note', { term: term.text, databases }), [
        switchFix(term),
        removeFix(term),
      ]);
    } else if (empty.length > 0 && isUnknown(term, empty, facts)) {
      const rest = meant.filter(({ id }) => !empty.some((count) => count.id === id));
      const { id: _, off: __, ...description } = term;
      const fix: MarkFix = {
        label: `Search it only in ${rest.map(({ name }) => name).join(', ')}`,
        change: {
          kind: 'describe-term',
          id: term.id,
          term: { ...description, databases: rest.map(({ id }) => id) },
        },
      };
      const problem = createProblem('term-unknown-here', 'note', { term: term.text, databases });
      add(term, problem, [fix], describeEmpty(empty));
    }
    for (const { id, name, finds } of known) {
      const size = facts.sizeOf(id);
      if (size === undefined || finds === undefined || finds < size * NEARLY_EVERYTHING) continue;
      const share = Math.round((100 * finds) / size);
      add(term, createProblem('term-brings-everything', 'note', { term: term.text, share, database: name }), [
        switchFix(term),
        removeFix(term),
      ]);
      break;
    }
  }
}

/** A word is unknown where it finds nothing; a heading where the thesaurus does not have it. */
function isUnknown(term: Term, empty: readonly { readonly id: string }[], facts: TermFacts): boolean {
  const { root } = readTree(term);
  if (root.kind !== 'heading') return root.kind === 'term' || root.kind === 'phrase';
  if (root.vocabulary !== undefined) return false;
  return empty.some(({ id }) => facts.vocabularyOf(id)?.find(root.label) === undefined);
}

/** A remark before it has its words. */
interface Found {
  readonly problem: Problem;
  readonly fixes: readonly MarkFix[];
}

// Terms, concepts and vocabularies are values that never change: what was found out about them is kept.
const TEXT_MARKS = new WeakMap<Term, Found[]>();
const TREES = new WeakMap<Term, TermTree>();
const COVERED = new WeakMap<
  Concept,
  {
    readonly vocabularies: readonly (Vocabulary | undefined)[];
    readonly found: readonly (Found & { term: Term })[];
  }
>();

function recall<K extends object, V>(kept: WeakMap<K, V>, key: K, make: () => V): V {
  const known = kept.get(key);
  if (known !== undefined) return known;
  const made = make();
  kept.set(key, made);
  return made;
}

function markCovered(concept: Concept, facts: TermFacts, add: Add): void {
  const vocabularies = facts.databases.map(({ id }) => facts.vocabularyOf(id));
  const known = COVERED.get(concept);
  const isSame = known?.vocabularies.length === vocabularies.length;
  const found =
    known && isSame && known.vocabularies.every((vocabulary, at) => vocabulary === vocabularies[at])
      ? known.found
      : listCovered(concept, facts);
  COVERED.set(concept, { vocabularies, found });
  for (const { term, problem, fixes } of found) add(term, problem, fixes);
}

/** A term as it is compared with others. */
interface TermTree {
  readonly root: QueryNode;
  readonly key: string;
  /** Its text in folded letters. */
  readonly letters: string;
  /** Letters that stand in whatever its words find; nothing if that is not easily said. */
  readonly anchor: string | undefined;
}

function readTree(term: Term): TermTree {
  return recall(TREES, term, () => {
    const root = createTermQuery({ text: term.text });
    return { root, key: createTermKey(term), letters: foldLetters(term.text), anchor: findAnchor(root) };
  });
}

/** Trees of terms are compared pair by pair; the one that covers more is the one to keep. */
function listCovered(concept: Concept, facts: TermFacts): (Found & { term: Term })[] {
  const settings: CoverSettings = {
    listBranch: (label, vocabulary) =>
      facts.databases
        .filter(({ id }) => vocabulary === undefined || vocabulary === id)
        .flatMap(({ id }) => facts.vocabularyOf(id)?.listBranch(label) ?? []),
  };
  const trees = concept.terms.filter((term) => !term.off).map((term) => ({ term, ...readTree(term) }));
  const seen = new Set<string>();
  const found: (Found & { term: Term })[] = [];
  for (const { term, root, key, letters } of trees) {
    if (seen.has(key)) {
      const problem = createProblem('term-repeated', 'note', { term: term.text });
      found.push({ term, problem, fixes: [removeFix(term)] });
      continue;
    }
    seen.add(key);
    const wider = trees.find(
      (other) =>
        other.key !== key &&
        (other.anchor === undefined || letters.includes(other.anchor)) &&
        isMeantFor(other.term, term) &&
        covers(other.root, root, settings) &&
        !(covers(root, other.root, settings) && isMeantFor(term, other.term)),
    );
    if (!wider) continue;
    const problem = createProblem('term-covered', 'note', { term: term.text, wider: wider.term.text });
    found.push({ term, problem, fixes: [removeFix(term), switchFix(term)] });
  }
  return found;
}

/** The first term counts wherever the second does. */
function isMeantFor(wide: Term, narrow: Term): boolean {
  if (!wide.databases) return true;
  return narrow.databases?.every((database) => wide.databases?.includes(database)) ?? false;
}

/** The same term in two concepts: what one of them finds, the other one finds too. */
function markDuplicates(concepts: readonly Concept[], add: Add): void {
  const homes = new Map<string, Concept[]>();
  for (const concept of concepts.filter((candidate) => !candidate.off)) {
    for (const key of new Set(concept.terms.filter((term) => !term.off).map((term) => readTree(term).key)))
      homes.set(key, [...(homes.get(key) ?? []), concept]);
  }
  for (const concept of concepts) {
    if (concept.off) continue;
    for (const term of concept.terms) {
      const others = term.off
        ? []
        : (homes.get(readTree(term).key) ?? []).filter((other) => other !== concept);
      const [other] = others;
      if (!other) continue;
      const data = { term: term.text, concept: other.name };
      add(term, createProblem('term-elsewhere', 'note', data), [
        removeFix(term, 'Remove it here'),
        switchFix(term),
      ]);
    }
  }
}
