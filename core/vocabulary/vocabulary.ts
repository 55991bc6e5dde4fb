import { createLabelKey } from '../text';

/** A subject heading with its place in the thesaurus; all references are labels. */
export interface Heading {
  readonly label: string;
  readonly entryTerms: readonly string[];
  readonly broader: readonly string[];
  readonly related: readonly string[];
  readonly scopeNote?: string;
  /** The heading is given to records since this year. */
  readonly since?: number;
}

/** The headings of one database. */
export interface Vocabulary {
  /** The database's short name, as in `heading(name): "…"`. */
  readonly id: string;
  readonly headings: readonly Heading[];
  /** The heading with a label; case, diacritics and punctuation do not count. */
  find(label: string): Heading | undefined;
  /** The labels of a heading and of all below it, each once; cycles end. Empty for an unknown label. */
  listBranch(label: string): readonly string[];
}

/** A vocabulary over a list of headings. */
export function createVocabulary(id: string, headings: readonly Heading[]): Vocabulary {
  const byKey = new Map(headings.map((heading) => [createLabelKey(heading.label), heading]));
  const narrower = new Map<string, Heading[]>();
  for (const heading of headings) {
    for (const broader of heading.broader) {
      const key = createLabelKey(broader);
      narrower.set(key, [...(narrower.get(key) ?? []), heading]);
    }
  }
  return {
    id,
    headings,
    find: (label) => byKey.get(createLabelKey(label)),
    listBranch: (label) => {
      const top = byKey.get(createLabelKey(label));
      const found = new Set<Heading>(top ? [top] : []);
      for (const heading of found)
        for (const below of narrower.get(createLabelKey(heading.label)) ?? []) found.add(below);
      return [...found].map((heading) => heading.label);
    },
  };
}
