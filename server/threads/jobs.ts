import type {
  CitationDirection,
  CitationsRequest,
  CountEntry,
  IdsAnswer,
  IdsRequest,
  LookupAnswer,
  ProofAnswer,
  ProofRequest,
  RecordsAnswer,
  RecordsRequest,
  SearchAnswer,
  SearchRequest,
  SetWordsAnswer,
  SetWordsRequest,
  SruExplanation,
  WordsAnswer,
} from '#core/contract/index';
import type { SentLimiters } from '#core/dialect/index';
import type { StringProblem } from '#core/holding/index';
import type { Outcome, Problem } from '#core/problem/index';
import type { BibliographicRecord } from '#core/record/index';
import type { SruEndpoint } from '#core/sru/index';
import type { SruAsked } from '../sru/client';

/** A question that takes computing. `database` is the short name of a stand-in. */
export type Job =
  | {
      readonly kind: 'count';
      readonly database: string;
      readonly strings: readonly string[];
      readonly sentLimiters: SentLimiters;
      /** Counts that are known from a turn before this one. */
      readonly done?: readonly (CountEntry | undefined)[];
    }
  | {
      readonly kind: 'count-in-session';
      readonly database: string;
      readonly strings: readonly string[];
      readonly sentLimiters: SentLimiters;
      /** The earlier searches of the session: each as the records that it found, a bit a record. */
      readonly earlier: readonly SharedArrayBuffer[];
    }
  | {
      readonly kind: 'unions';
      readonly database: string;
      readonly unions: readonly (readonly string[])[];
      readonly sentLimiters: SentLimiters;
    }
  | { readonly kind: 'search'; readonly database: string; readonly request: SearchRequest }
  | { readonly kind: 'ids'; readonly database: string; readonly request: IdsRequest }
  | { readonly kind: 'lookup'; readonly database: string; readonly identifiers: readonly string[] }
  | { readonly kind: 'record'; readonly database: string; readonly number: number }
  | { readonly kind: 'records'; readonly database: string; readonly request: RecordsRequest }
  | { readonly kind: 'set-words'; readonly database: string; readonly request: SetWordsRequest }
  | {
      readonly kind: 'citations';
      readonly database: string;
      readonly direction: CitationDirection;
      readonly request: CitationsRequest;
    }
  | {
      readonly kind: 'words';
      readonly database: string;
      readonly prefixes: readonly string[];
      readonly suffix: string;
      readonly most: number;
    }
  | { readonly kind: 'vocabulary'; readonly database: string }
  | { readonly kind: 'count-neutral'; readonly database: string; readonly query: string }
  | { readonly kind: 'proof'; readonly database: string; readonly request: ProofRequest }
  /** A request of another program to a made-up catalogue, in SRU. */
  | {
      readonly kind: 'sru';
      readonly database: string;
      readonly parameters: Readonly<Record<string, string | undefined>>;
    }
  /** What the page asks a made-up catalogue, by way of SRU. */
  | {
      readonly kind: 'catalogue-explain';
      readonly database: string;
      readonly endpoint: SruEndpoint;
    }
  | {
      readonly kind: 'catalogue-count';
      readonly database: string;
      readonly endpoint: SruEndpoint;
      readonly strings: readonly string[];
      /** As for `count`. */
      readonly done?: readonly (CountEntry | undefined)[];
    }
  | {
      readonly kind: 'catalogue-search';
      readonly database: string;
      readonly endpoint: SruEndpoint;
      readonly string: string;
      readonly start: number;
      readonly rows: number;
    }
  /** The answer of a server outside. */
  | {
      readonly kind: 'read-answer';
      readonly endpoint: SruEndpoint;
      readonly text: string;
      readonly asked: SruAsked;
    };

interface Refused {
  readonly problem: StringProblem;
}

/** What each job is answered with. */
export interface JobAnswers {
  readonly count: readonly CountEntry[];
  readonly 'count-in-session': {
    readonly counts: readonly CountEntry[];
    /** The sets of the strings that found theirs, in their order. */
    readonly sets: readonly SharedArrayBuffer[];
  };
  readonly unions: readonly CountEntry[];
  readonly search: SearchAnswer | Refused;
  readonly ids: IdsAnswer | Refused;
  readonly lookup: LookupAnswer;
  readonly record: BibliographicRecord;
  readonly records: RecordsAnswer;
  readonly 'set-words': SetWordsAnswer | Refused;
  readonly citations: SearchAnswer;
  readonly words: WordsAnswer;
  /** SKOS in Turtle. */
  readonly vocabulary: string;
  readonly 'count-neutral': {
    readonly total: number;
    readonly ids: readonly string[];
    readonly problems: readonly Problem[];
  };
  readonly proof: ProofAnswer;
  /** XML. */
  readonly sru: string;
  readonly 'catalogue-explain': SruExplanation;
  readonly 'catalogue-count': readonly CountEntry[];
  readonly 'catalogue-search': SearchAnswer;
  readonly 'read-answer': SearchAnswer | SruExplanation;
}

export type AnswerTo<J extends Job> = JobAnswers[J['kind']];

/** Who asks: what fairness is between, and whether they still wait. */
export interface Asker {
  readonly name: string;
  readonly signal: AbortSignal;
}

/** Who does jobs: threads, or in tests the one thread there is. */
export interface Work {
  /** True when jobs can be done at once. */
  readonly isReady: boolean;
  /** The answer, or why there is none: too slow, too much to do, given up. `bytes` is the size of the request. */
  do<J extends Job>(job: J, asker: Asker, bytes?: number): Promise<Outcome<AnswerTo<J>>>;
}
