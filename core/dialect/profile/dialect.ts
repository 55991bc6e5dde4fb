import type { LimiterName } from '../../limiter';
import type { Field } from '../../query';

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

/** The sign for what may be there or not: before the letter that it is about, or for any one character. */
export interface MaybeRule extends WildcardRule {
  readonly means: 'letter-behind' | 'any-character';
}

/** One way to say what must be near what. */
export interface ProximityRule {
  /** `{a}` and `{b}` stand for the operands, `{n}` for the number: `{a} within:{n} {b}`. */
  readonly form: string;
  /** `between`: the words between are counted; `difference`: adjacent is 1. */
  readonly counts: 'between' | 'difference';
  readonly ordered: boolean;
  /** Though ordered, it also takes the other order when the two are still nearer by two words. */
  readonly turnsWhenNearer?: boolean;
  readonly greatest?: number;
  /** Only these numbers are taken; others are widened to the next one. */
  readonly numbers?: readonly number[];
  /** What may stand on either side. */
  readonly operands: 'words' | 'phrases' | 'groups';
}

/** How a limiter is applied. */
export type LimiterRule =
  /**
   * In the string. `{from}` and `{to}` stand for years or months, `{value}` for one value (several are joined
   * by OR), `{values}` for all of them with `joint` between.
   */
  | {
      readonly how: 'string';
      readonly form: string;
      /** With `{from}` or `{to}` alone, for an open end; without them, the earliest and latest year stand there. */
      readonly formFrom?: string;
      readonly formTo?: string;
      readonly joint?: string;
      readonly values?: Readonly<Record<string, string>>;
      readonly note?: string;
    }
  /** By a ticked box that goes with the string. */
  | { readonly how: 'box'; readonly note?: string }
  /** By the person, in a way that the note tells. */
  | { readonly how: 'hand'; readonly note: string }
  /** Not at all. */
  | { readonly how: 'none'; readonly note?: string };

/** How the lines of a search history build on earlier ones. */
export interface HistoryForms {
  /** A range of lines joined by one operator: `{operator} {from}-{to}`. A blank may be missing or be a sign. */
  readonly ranges: readonly string[];
  /** A line that limits an earlier one: `limit {n} to {limiter}`. */
  readonly limits: readonly string[];
}

/** What several systems share, for dialects that say nothing of their own. */
export const COMMON_HISTORY: HistoryForms = {
  ranges: ['{operator} {from}-{to}', '{operator} {from} to {to}', '{from}-{to} {operator}'],
  limits: ['limit {n} to {limiter}', '{n} limited to {limiter}'],
};

/** What to do with a phrase whose words hold wildcards that are not allowed in quotes, first to last. */
export const PHRASE_FALLBACKS = ['forms', 'uncut', 'side-by-side', 'proximity', 'and', 'leave-out'] as const;
export type PhraseFallback = (typeof PHRASE_FALLBACKS)[number];

/** What to do with a string that is too long or has too many words, first to last. */
export const LENGTH_FALLBACKS = ['parts', 'without-fields'] as const;
export type LengthFallback = (typeof LENGTH_FALLBACKS)[number];

/**
 * One database's syntax as data: how to write it and how to read it. A document that a librarian
 * could write from the database's manual; docs/reference/dialects.md explains each entry.
 */
export interface Dialect {
  /** Its code, as in `heading(code): "…"` and in addresses. */
  readonly id: string;
  readonly name: string;
  /** What it is called where there is little room; without it, the first word of its name. */
  readonly shortName?: string;
  /** One line about the database's kind. */
  readonly about: string;
  /** What the database is about: its subjects and what it takes in, in a few words. */
  readonly coverage?: string;
  /** A grammar of its own by which its strings are read; without it, they are read by the entries below. */
  readonly grammar?: 'cql' | 'lucene' | 'neutral';
  readonly operators: {
    /** An empty `write` joins by a blank alone. */
    readonly and: OperatorWords;
    readonly or: OperatorWords;
    readonly not: OperatorWords;
  };
  /** `between` two items, or `before` each single word or phrase that is excluded. */
  readonly exclusion: 'between' | 'before';
  /** `left-to-right`, or the operators from the tightest; operators of one level go left to right. */
  readonly precedence: 'left-to-right' | readonly (readonly ('and' | 'or' | 'not')[])[];
  /**
   * Different operators on one level without brackets: `refused`, or `unsure` where their binding is not
   * documented. Without it they bind as `precedence` says.
   */
  readonly mixedOperators?: 'refused' | 'unsure';
  readonly sideBySide: 'and' | 'or' | 'phrase' | 'error';
  /** How deep brackets may stand in one another; without it, as deep as one likes. */
  readonly deepest?: number;
  readonly phrase: {
    readonly wildcards: 'none' | 'last-word' | 'all';
    readonly fallbacks: readonly PhraseFallback[];
  };
  readonly wildcards: {
    readonly any?: WildcardRule;
    readonly one?: WildcardRule;
    readonly maybe?: MaybeRule;
  };
  readonly proximity: readonly ProximityRule[];
  readonly fields: {
    /** `{field}` stands for the codes and `{item}` for what is marked: `{field}:{item}`. */
    readonly mark: string;
    readonly marksGroups: boolean;
    /** Several codes in one mark, with the sign between them; without it, fields are joined by OR. */
    readonly joint?: string;
    readonly codes: Readonly<Partial<Record<Field, string>>>;
    /** Fields that take single words only, since quotes mean something else there. */
    readonly wordsOnly: readonly Field[];
    /** Fields that have no code of their own, and the wider one to search instead. */
    readonly instead: Readonly<Partial<Record<Field, Field | 'unmarked'>>>;
    /** What the records of this database have at all. */
    readonly held: readonly Field[];
    /** What is searched without a mark. */
    readonly unmarked: readonly Field[];
    /** How a whole identifier (DOI) is searched; `{value}` stands for it. Absent where it cannot be. */
    readonly identifier?: string;
  };
  readonly headings?: {
    readonly vocabulary: string;
    /** `{label}` stands for the label. */
    readonly heading: string;
    readonly branch?: string;
    readonly focus?: string;
    /** With a qualifier that the heading was given with: `{label}` and `{qualifier}`. */
    readonly qualified?: string;
    /** There is no hierarchy: a branch is the heading itself. */
    readonly flat: boolean;
  };
  readonly limiters: Readonly<Record<LimiterName, LimiterRule>>;
  /** The sign that makes the next one an ordinary sign within quotation marks, and the signs that need it. */
  readonly escape?: { readonly sign: string; readonly before: string };
  /** Words that are dropped from texts and strings, the words round them closing up. */
  readonly stopWords: readonly string[];
  /** Further words that must be quoted to be searched. */
  readonly reservedWords: readonly string[];
  /** Words are found with other endings of their stem, unless they stand in quotation marks. */
  readonly stems?: boolean;
  /** How given names stand in its records; in full unless something else is said. */
  readonly givenNames?: 'full' | 'initials';
  /** Hyphenated words are found joined, too. */
  readonly joinsHyphens: boolean;
  readonly most: {
    readonly characters?: number;
    readonly truncations?: number;
    /** Words that are searched; operators are not counted. */
    readonly words?: number;
  };
  readonly whenTooLong: readonly LengthFallback[];
  /** An earlier search of the session; `{n}` stands for its number. */
  readonly setReference?: string;
  /** How the lines of its histories build on earlier ones; without it, as in most systems. */
  readonly history?: HistoryForms;
  /** The address of a search; `{string}` stands for the encoded string. */
  readonly address?: string;
  /** The address of one record; `{id}` stands for its id there, encoded, `{doi}` for its DOI. */
  readonly recordAddress?: string;
  /** What a person should know about its counts and habits, in short sentences. */
  readonly habits: readonly string[];
}
