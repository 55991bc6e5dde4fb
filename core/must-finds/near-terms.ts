import { createTermQuery, type Concept } from '../project';
import { build, printQuery, type QueryNode } from '../query';
import { isStopWord } from '../question';
import { buildWords } from '../reading';
import type { BibliographicRecord } from '../record';
import { createHeadingKey, foldLetters, splitWords } from '../text';
import type { Vocabulary } from '../vocabulary';

/** How a term that a record has is near to a concept, the nearest first. */
export const NEAR_KINDS = ['form', 'related heading', 'heading', 'keyword', 'title word'] as const;
export type NearKind = (typeof NEAR_KINDS)[number];

/** Something of a record that could stand in a concept that it does not meet. */
export interface NearTerm {
  readonly kind: NearKind;
  /** As query text. */
  readonly text: string;
}

/** So many of each kind are offered. */
const MOST = 6;
/** Two words are forms of one if they begin with so many letters alike, and with so much of the shorter one. */
const LEAST_STEM = 4;
const LEAST_SHARE = 0.6;

/**
 * What a record has in the place of a concept that it does not meet: words that begin like one of its terms, headings
 * that the thesaurus joins to its headings, then other headings, author keywords and words of the title. Words that
 * another concept has are left out.
 */
export function listNearTerms(
  record: BibliographicRecord,
  concept: Concept,
  others: readonly Concept[],
  vocabulary: Vocabulary | undefined,
): NearTerm[] {
  const own = listWordsOf(concept);
  const elsewhere = others.flatMap(listWordsOf);
  const isElsewhere = (word: string): boolean =>
    elsewhere.some((other) => word.startsWith(other) || findStem(word, other) !== undefined);
  const words = (texts: readonly string[]): string[] => [
    ...new Set(texts.flatMap((text) => splitWords(text).map((word) => word.text))),
  ];
  const forms = words([record.title, record.abstract, ...record.keywords]).flatMap((word) =>
    own.flatMap((other) => findStem(word, other) ?? []),
  );
  const labels = vocabulary
    ? record.headings.map(({ label }) => label).filter((label) => !isHeadingOf(label, others, vocabulary))
    : [];
  const related = labels.filter((label) => vocabulary && isRelated(label, concept, vocabulary));
  const writeHeading = (label: string): string => printQuery(build.heading(label, 'heading', vocabulary?.id));
  const writeWords = (text: string): string[] => {
    const root = buildWords(text);
    return root ? [printQuery(root)] : [];
  };
  const titleWords = words([record.title]).filter(
    (word) => word.length >= LEAST_STEM && !isStopWord(word) && !/^\d/.test(word) && !isElsewhere(word),
  );
  const keywords = record.keywords.filter((keyword) => !words([keyword]).every(isElsewhere));
  const found: readonly (readonly [NearKind, readonly string[]])[] = [
    ['form', [...new Set(forms)].map((stem) => `${stem}*`)],
    ['related heading', related.map(writeHeading)],
    ['heading', labels.filter((label) => !related.includes(label)).map(writeHeading)],
    ['keyword', keywords.flatMap(writeWords)],
    ['title word', titleWords.flatMap(writeWords)],
  ];
  const seen = new Set(concept.terms.map(({ text }) => foldLetters(text)));
  return found.flatMap(([kind, texts]) =>
    texts
      .filter((text) => !seen.has(foldLetters(text)) && seen.add(foldLetters(text)))
      .slice(0, MOST)
      .map((text) => ({ kind, text })),
  );
}

/** The trees of a concept's terms that are on, and their words: read once, however many records are looked at. */
const TREES = new WeakMap<Concept, readonly QueryNode[]>();
const WORDS = new WeakMap<Concept, readonly string[]>();

function listTrees(concept: Concept): readonly QueryNode[] {
  const known = TREES.get(concept);
  if (known) return known;
  const trees = concept.terms.filter(({ off }) => !off).map(({ text }) => createTermQuery({ text }));
  TREES.set(concept, trees);
  return trees;
}

/** The plain words of a concept's terms, folded. */
function listWordsOf(concept: Concept): readonly string[] {
  const known = WORDS.get(concept);
  if (known) return known;
  const words = listTrees(concept).flatMap(listWords);
  WORDS.set(concept, words);
  return words;
}

function listWords(node: QueryNode): string[] {
  switch (node.kind) {
    case 'term':
      return readLetters([node.pattern]);
    case 'phrase':
      return readLetters(node.words);
    case 'and':
    case 'or':
      return node.items.flatMap(listWords);
    case 'not':
      return listWords(node.include);
    case 'fielded':
    case 'only':
      return listWords(node.item);
    case 'near':
      return [...listWords(node.left), ...listWords(node.right)];
    case 'off':
    case 'heading':
    case 'range':
    case 'value':
    case 'block':
    case 'empty':
      return [];
  }
}

/** The letters before the first wildcard of each pattern. */
function readLetters(patterns: readonly (QueryNode & { kind: 'term' })['pattern'][]): string[] {
  return patterns.flatMap(([first]) => (first?.kind === 'letters' ? foldLetters(first.text) : []));
}

/** What two words begin with, if they are forms of one. */
function findStem(word: string, other: string): string | undefined {
  let same = 0;
  while (same < word.length && word[same] === other[same]) same++;
  const least = Math.max(LEAST_STEM, LEAST_SHARE * Math.min(word.length, other.length));
  return same >= least ? word.slice(0, same) : undefined;
}

/** Whether a heading is one of some concepts', or below one that they take with all below it. */
function isHeadingOf(label: string, concepts: readonly Concept[], vocabulary: Vocabulary): boolean {
  const key = createHeadingKey(label);
  return concepts.some((concept) =>
    listTrees(concept).some((root) => {
      if (root.kind !== 'heading') return false;
      const labels = root.scope === 'branch' ? vocabulary.listBranch(root.label) : [root.label];
      return labels.some((one) => createHeadingKey(one) === key);
    }),
  );
}

/** Whether a heading is joined to one of a concept's headings: above it, below it, beside it or named as related. */
function isRelated(label: string, concept: Concept, vocabulary: Vocabulary): boolean {
  const heading = vocabulary.find(label);
  if (!heading) return false;
  const near = new Set(
    [...heading.broader, ...heading.related, ...vocabulary.listBranch(label)].map(createHeadingKey),
  );
  return listTrees(concept).some((root) => {
    if (root.kind !== 'heading') return false;
    const own = vocabulary.find(root.label);
    return (
      near.has(createHeadingKey(root.label)) ||
      (own?.broader.some((broader) => near.has(createHeadingKey(broader))) ?? false)
    );
  });
}
