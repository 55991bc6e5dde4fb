import type { TermSource } from '#core/project/index';
import type { QueryNode } from '#core/query/index';

/** The kinds of suggestion, in the order in which they are shown. */
export const SECTIONS = [
  { id: 'words', name: 'Words of a phrase that finds nothing' },
  { id: 'forms', name: 'Word forms in use' },
  { id: 'spellings', name: 'Other spellings' },
  { id: 'slips', name: 'Possible misspellings' },
  { id: 'headings', name: 'Subject headings' },
  { id: 'entries', name: 'Entry terms' },
  { id: 'meanings', name: 'What the acronym stands for' },
  { id: 'languages', name: 'Other languages' },
] as const;
export type SectionId = (typeof SECTIONS)[number]['id'];

/** Something that may become a term: as query text, with where it was found. */
export interface Suggestion {
  /** The same for the same term, however found. */
  readonly key: string;
  readonly text: string;
  /** How it is shown, where the text is no help to read. */
  readonly label?: string;
  readonly section: SectionId;
  /** Where it comes from, in a few words. */
  readonly from: string;
  readonly source: TermSource;
  readonly language?: string;
  /** The term whose place it takes; beside it, it would find nothing more. */
  readonly replaces?: string;
  readonly root: QueryNode;
}
