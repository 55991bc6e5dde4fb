import type { TermSource } from '#core/project/index';
import type { QueryNode } from '#core/query/index';
import { say } from '../../words/say';

/** The kinds of suggestion, in the order in which they are shown. */
export const SECTIONS = [
  {
    id: 'words',
    get name() {
      return say('terms.wordsOfAPhrase');
    },
  },
  {
    id: 'forms',
    get name() {
      return say('terms.wordFormsInUse');
    },
  },
  {
    id: 'spellings',
    get name() {
      return say('terms.otherSpellings');
    },
  },
  {
    id: 'slips',
    get name() {
      return say('terms.possibleMisspellings');
    },
  },
  {
    id: 'headings',
    get name() {
      return say('terms.subjectHeadings');
    },
  },
  {
    id: 'entries',
    get name() {
      return say('terms.entryTerms');
    },
  },
  {
    id: 'meanings',
    get name() {
      return say('terms.whatTheAcronymStandsFor');
    },
  },
  {
    id: 'languages',
    get name() {
      return say('terms.otherLanguagesLabel');
    },
  },
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
