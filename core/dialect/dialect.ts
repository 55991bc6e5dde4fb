import type { Field } from '../query';

/** How an operator is written and which words are read as it. */
export interface OperatorWords {
  readonly write: string;
  readonly read: readonly string[];
  /** The words are operators in any mixture of capitals and small letters. */
  readonly anyCase: boolean;
}

/** A wildcard sign and what hedges it. Letters are counted without wildcards. */
export interface WildcardRule {
  readonly sign: string;
  readonly leastLetters: number;
  readonly where: 'end' | 'anywhere' | 'not-first';
  /** The database silently takes only so many forms. */
  readonly cap?: number;
}

/** One way to say what must be near what. `{n}` stands for the number. */
export interface ProximityRule {
  readonly sign: string;
  /** `between`: the words between are counted; `difference`: adjacent is 1. */
  readonly counts: 'between' | 'difference';
  readonly ordered: boolean;
  readonly greatest?: number;
  /** Whether a bracketed OR may stand on either side. */
  readonly takesGroups: boolean;
}

/** How a limiter is applied. */
export type LimiterRule =
  /** In the string; `{from}`, `{to}` or `{value}` stand for what is asked; several values are joined by OR. */
  | { readonly how: 'string'; readonly form: string; readonly values?: Readonly<Record<string, string>> }
  /** By a ticked box that goes with the string. */
  | { readonly how: 'box' }
  /** Not at all. */
  | { readonly how: 'none' };

/** The limiters that a dialect maps. */
export const LIMITER_NAMES = ['years', 'types', 'languages', 'peerReviewed', 'fullText'] as const;
export type LimiterName = (typeof LIMITER_NAMES)[number];

/** What to do with a phrase whose words hold wildcards that are not allowed in quotes, first to last. */
export const PHRASE_FALLBACKS = ['side-by-side', 'proximity', 'and'] as const;
export type PhraseFallback = (typeof PHRASE_FALLBACKS)[number];

/**
 * One database's syntax as data: how to write it and how to read it. A document that a librarian
 * could write from the database's manual; docs/reference/dialects.md explains each entry.
 */
export interface Dialect {
  /** The short name of the database. */
  readonly id: string;
  readonly name: string;
  /** One line about the database's kind. */
  readonly about: string;
  readonly operators: {
    readonly and: OperatorWords;
    readonly or: OperatorWords;
    readonly not: OperatorWords;
  };
  /** `left-to-right`, or the operators from the tightest; operators of one level go left to right. */
  readonly precedence: 'left-to-right' | readonly (readonly ('and' | 'or' | 'not')[])[];
  readonly sideBySide: 'and' | 'phrase' | 'error';
  readonly phrase: {
    readonly wildcards: 'none' | 'last-word' | 'all';
    readonly fallbacks: readonly PhraseFallback[];
  };
  readonly wildcards: {
    readonly any?: WildcardRule;
    readonly one?: WildcardRule;
    readonly maybe?: WildcardRule;
  };
  readonly proximity: readonly ProximityRule[];
  readonly fields: {
    /** Where the mark stands and what it looks like; `{field}` stands for the codes. */
    readonly mark: { readonly place: 'before' | 'behind'; readonly form: string };
    readonly marksGroups: boolean;
    /** Several codes in one mark, with the sign between them; without it, fields are joined by OR. */
    readonly joint?: string;
    readonly codes: Readonly<Partial<Record<Field, string>>>;
    /** Fields that take single words only, since quotes mean something else there. */
    readonly wordsOnly: readonly Field[];
    /** What the records of this database have at all. */
    readonly held: readonly Field[];
    /** What is searched without a mark. */
    readonly unmarked: readonly Field[];
    /** Leave the marks of the default fields out if the string is too long with them. */
    readonly leaveOutWhenTooLong: boolean;
  };
  readonly headings?: {
    readonly vocabulary: string;
    /** `{label}` stands for the label. */
    readonly heading: string;
    readonly branch?: string;
    readonly focus?: string;
    /** There is no hierarchy: a branch is the heading itself. */
    readonly flat: boolean;
  };
  readonly limiters: Readonly<Record<LimiterName, LimiterRule>>;
  /** Words that are dropped from texts and strings, the words round them closing up. */
  readonly stopWords: readonly string[];
  /** Further words that must be quoted to be searched. */
  readonly reservedWords: readonly string[];
  /** Words are found with other endings of their stem. */
  readonly stems?: boolean;
  /** Hyphenated words are found joined, too. */
  readonly joinsHyphens: boolean;
  readonly most: { readonly characters?: number; readonly truncations?: number };
  /** What a person should know about its counts and habits, in short sentences. */
  readonly habits: readonly string[];
}
