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
  Sort,
  WordsAnswer,
} from '#core/contract/index';
import type { SentLimiters } from '#core/dialect/index';
import { createProblem, fail, type Outcome } from '#core/problem/index';

/** What a database can be asked, by the name of the request. Strings are in the database's own syntax. */
export interface Requests {
  /** The number of records of each string. */
  readonly count: { readonly strings: readonly string[]; readonly sentLimiters: SentLimiters };
  /** The number of records of several strings together, each record once; one number a list. */
  readonly unions: { readonly unions: readonly (readonly string[])[]; readonly sentLimiters: SentLimiters };
  /** A page of the records of a string, sorted, with facets over all of them. */
  readonly search: SearchRequest;
  /** The records of a string by their numbers, with the keys that tell their works. */
  readonly ids: Omit<IdsRequest, 'keys'>;
  /** Records by their numbers or by identifiers. */
  readonly records: RecordsRequest;
  /** The titles of records by identifiers; many at once. */
  readonly lookup: { readonly identifiers: readonly string[] };
  /** What a record cites, or what cites it. */
  readonly citations: CitationsRequest & { readonly direction: CitationDirection };
  /** The words of the index that begin and end so, in the order of the alphabet. */
  readonly words: { readonly prefix: string; readonly suffix?: string; readonly most: number };
  /** The words that set the records of a string apart. */
  readonly 'set-words': SetWordsRequest;
  /** What a string finds against the neutral meaning of a query. */
  readonly proof: ProofRequest;
  /** The headings, as SKOS in Turtle. */
  readonly thesaurus: Readonly<Record<string, never>>;
}

/** What each request is answered with. */
export interface Answers {
  readonly count: readonly CountEntry[];
  readonly unions: readonly CountEntry[];
  readonly search: SearchAnswer;
  readonly ids: IdsAnswer;
  readonly records: RecordsAnswer;
  readonly lookup: LookupAnswer;
  readonly citations: SearchAnswer;
  readonly words: WordsAnswer;
  readonly 'set-words': SetWordsAnswer;
  readonly proof: ProofAnswer;
  readonly thesaurus: string;
}

export type RequestKind = keyof Requests;

/** Answers the requests that a kind of connection can answer; those that are not here, it cannot. */
export type Answerers = {
  readonly [K in RequestKind]?: (asked: Requests[K], signal?: AbortSignal) => Promise<Outcome<Answers[K]>>;
};

/** The kinds of connections. */
export type ConnectionKind = 'served' | 'sru' | 'collection' | 'by-hand';

/** What is known of a database as a whole. */
export interface DatabaseTraits {
  /** The requests that it answers. */
  readonly offers: ReadonlySet<RequestKind>;
  /** Strings are asked one by one, so many take long. */
  readonly asksOneByOne: boolean;
  /** The orders in which it gives records; `relevance` alone is its own order. */
  readonly sorts: readonly Sort[];
  /** The number of its records, where it says so. */
  readonly records?: number;
}

/**
 * The one way to reach a database. Every request can be cancelled; what a kind cannot do is a problem that
 * says so, never an exception.
 */
export interface Connection {
  readonly kind: ConnectionKind;
  /** What people call the database. */
  readonly name: string;
  /** What is known of it; nothing while that is on its way. Reading it in a computation follows it. */
  traits(): DatabaseTraits | undefined;
  /** The same once it is known, or why it is not to be had. */
  whenKnown(): Promise<Outcome<DatabaseTraits>>;
  ask<K extends RequestKind>(kind: K, asked: Requests[K], signal?: AbortSignal): Promise<Outcome<Answers[K]>>;
}

/** Says that a database does not answer a request of this kind. */
function refuseRequest(name: string, kind: RequestKind): Outcome<never> {
  return fail(createProblem('not-offered', 'warning', { database: name, what: OFFERS[kind] }));
}

const OFFERS: Readonly<Record<RequestKind, string>> = {
  count: 'counts',
  unions: 'counts of several strings together',
  search: 'records to read',
  ids: 'numbers of records',
  records: 'single records',
  lookup: 'records by identifiers',
  citations: 'citations',
  words: 'the words of its index',
  'set-words': 'the words of results',
  proof: 'proofs of strings',
  thesaurus: 'a thesaurus',
};

/** A connection to a database of which all is known from the start. */
export function createConnection(
  kind: ConnectionKind,
  name: string,
  answerers: Answerers,
  { asksOneByOne = false, sorts = [] }: Partial<Pick<DatabaseTraits, 'asksOneByOne' | 'sorts'>> = {},
): Connection {
  const traits: DatabaseTraits = {
    offers: new Set(Object.keys(answerers) as RequestKind[]),
    asksOneByOne,
    sorts,
  };
  return {
    kind,
    name,
    traits: () => traits,
    whenKnown: () => Promise.resolve({ ok: true, value: traits }),
    ask: (request, asked, signal) => answer(answerers, name, request, asked, signal),
  };
}

/** Has a request answered, or refused where no database can answer it. */
export function answer<K extends RequestKind>(
  answerers: Answerers,
  name: string,
  kind: K,
  asked: Requests[K],
  signal?: AbortSignal,
): Promise<Outcome<Answers[K]>> {
  const answerer = answerers[kind] as
    ((asked: Requests[K], signal?: AbortSignal) => Promise<Outcome<Answers[K]>>) | undefined;
  return answerer ? answerer(asked, signal) : Promise.resolve(refuseRequest(name, kind));
}
