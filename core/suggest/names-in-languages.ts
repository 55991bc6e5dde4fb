import type { FoundHeading, Heading } from '../vocabulary';

/** What something is called in another language, by a thesaurus that says which language it is. */
export interface NameInLanguage {
  /** ISO 639-1. */
  readonly language: string;
  /** As the thesaurus has it, accents and all. */
  readonly label: string;
  /** The heading that is called so. */
  readonly heading: Heading;
}

/**
 * Names in other languages: of the headings of a concept, and of those that one of its terms names. A heading
 * that only begins like a term, or holds its words, may be about something else: its names are not given. Nor
 * are words that merely stand beside the concept in records of a language.
 */
export function listNamesInLanguages(
  own: readonly Heading[],
  found: readonly FoundHeading[],
): NameInLanguage[] {
  const sure = new Set([...own, ...found.filter(({ isWhole }) => isWhole).map(({ heading }) => heading)]);
  return [...sure].flatMap((heading) =>
    (heading.translations ?? []).map(({ language, label }) => ({ language, label, heading })),
  );
}
