import { signal } from '@angular/core';
import {
  LISTING_ANSWER,
  IDS_ANSWER,
  LOOKUP_ANSWER,
  MAX_WORDS,
  PROOF_ANSWER,
  RECORDS_ANSWER,
  SEARCH_ANSWER,
  SET_WORDS_ANSWER,
  WORDS_ANSWER,
  createCountAnswerSchema,
  type CountEntry,
  type StandinListing,
  type WordsAnswer,
} from '#core/contract/index';
import type { SentLimiters } from '#core/dialect/index';
import { createProblem, fail, succeed, type Outcome } from '#core/problem/index';
import {
  answer,
  type Answerers,
  type Connection,
  type DatabaseTraits,
  type RequestKind,
} from '../connection';
import { countInBatches } from '../count-requests';
import { askJson, askText, type HttpRequest } from '../http';
import { createSruAnswerers } from '../sru/sru-connection';
import { createTurns } from '../turns';
import { GatheredWords } from './gathered-words';

/** So many lists of parts go in one request: each part is short. */
const UNIONS_AT_ONCE = 100;
const ADDRESS = '/api/standins';

/** The databases that Ewer's own server has. What each can do, the server says in its list, which is asked for once. */
export class ServedDatabases {
  private readonly listed = signal<readonly StandinListing[] | undefined>(undefined);
  private asked: Promise<Outcome<readonly StandinListing[]>> | undefined;

  /** The list, as soon as it is there. */
  listing(id: string): StandinListing | undefined {
    void this.load();
    return this.listed()?.find((one) => one.id === id);
  }

  /** What the server says of a database. */
  async find(id: string, name: string): Promise<Outcome<StandinListing>> {
    const listed = await this.load();
    if (!listed.ok) return listed;
    const listing = listed.value.find((one) => one.id === id);
    return listing
      ? succeed(listing)
      : fail(createProblem('service-failed', 'error', { database: name, status: 404 }));
  }

  private load(): Promise<Outcome<readonly StandinListing[]>> {
    this.asked ??= askJson({ address: ADDRESS, name: 'the server' }, LISTING_ANSWER).then((outcome) => {
      if (outcome.ok) this.listed.set(outcome.value);
      // What could not be had is asked for again by the next one who needs it.
      else this.asked = undefined;
      return outcome;
    });
    return this.asked;
  }
}

/** A database of Ewer's own server: over HTTP, or by SRU where it says so. */
export function createServedConnection(databases: ServedDatabases, id: string, name: string): Connection {
  const overHttp = createHttpAnswerers(id, name);
  let answerers: Answerers | undefined;
  /** Made once, so that requests that go in turn stay in turn. */
  const choose = (listing: StandinListing): Answerers =>
    (answerers ??= pick(
      { ...overHttp, ...(listing.endpoint && createSruAnswerers(listing.endpoint, name)) },
      listing,
    ));
  const describe = (listing: StandinListing): DatabaseTraits => ({
    offers: new Set(Object.keys(choose(listing)) as RequestKind[]),
    asksOneByOne: listing.endpoint !== undefined,
    records: listing.records,
    sorts: listing.sorts,
  });
  return {
    kind: 'served',
    name,
    traits: () => {
      const listing = databases.listing(id);
      return listing && describe(listing);
    },
    whenKnown: async () => {
      const found = await databases.find(id, name);
      return found.ok ? succeed(describe(found.value)) : found;
    },
    ask: async (kind, asked, aborted) => {
      const found = await databases.find(id, name);
      return found.ok ? answer(choose(found.value), name, kind, asked, aborted) : found;
    },
  };
}

/** Without what the server says that this database does not give. */
function pick(all: Answerers, listing: StandinListing): Answerers {
  const missing: RequestKind[] = [
    ...(listing.givesIds ? [] : (['ids', 'unions'] as const)),
    ...(listing.hasCitations ? [] : (['citations'] as const)),
    ...(listing.hasThesaurus ? [] : (['thesaurus'] as const)),
    ...(listing.endpoint ? (['set-words'] as const) : []),
  ];
  const kept = Object.entries(all).filter(([kind]) => !missing.includes(kind as RequestKind));
  return Object.fromEntries(kept);
}

function createHttpAnswerers(id: string, name: string): Required<Answerers> {
  const inTurn = createTurns();
  const at = (what: string, body?: unknown, signal?: AbortSignal): HttpRequest => ({
    address: `${ADDRESS}/${id}/${what}`,
    name,
    body,
    signal,
  });
  const countSome = async (
    what: 'count' | 'unions',
    length: number,
    body: unknown,
    signal?: AbortSignal,
  ): Promise<Outcome<readonly CountEntry[]>> => {
    const counted = await askJson(at(what, body, signal), createCountAnswerSchema(length));
    return counted.ok ? succeed(counted.value.counts) : counted;
  };
  const askWords = async (
    prefixes: readonly string[],
    suffix: string,
    most: number,
    signal?: AbortSignal,
  ): Promise<Outcome<WordsAnswer>> => {
    const query = new URLSearchParams([
      ...prefixes.map((prefix) => ['prefix', prefix]),
      ['suffix', suffix],
      ['most', String(most)],
    ]);
    return inTurn(() => askJson(at(`words?${query}`, undefined, signal), WORDS_ANSWER));
  };
  const gathered = new GatheredWords(async (_, prefixes, most) => {
    const found = await askWords(prefixes, '', most);
    return found.ok ? succeed(found.value.words) : found;
  }, MAX_WORDS);

  return {
    count: ({ strings, sentLimiters }, signal) =>
      countInBatches(strings, (some) =>
        countSome('count', some.length, { strings: some, sentLimiters }, signal),
      ),
    unions: ({ unions, sentLimiters }, signal) => countUnions(unions, sentLimiters, countSome, signal),
    search: (asked, signal) => inTurn(() => askJson(at('search', asked, signal), SEARCH_ANSWER)),
    ids: (asked, signal) => askJson(at('ids', { ...asked, keys: true }, signal), IDS_ANSWER),
    records: (asked, signal) => askJson(at('records', asked, signal), RECORDS_ANSWER),
    lookup: (asked, signal) => askJson(at('lookup', asked, signal), LOOKUP_ANSWER),
    citations: ({ direction, ...page }, signal) => {
      const query = new URLSearchParams(Object.entries(page).map(([key, value]) => [key, String(value)]));
      return askJson(at(`${direction}?${query}`, undefined, signal), SEARCH_ANSWER);
    },
    words: async ({ prefix, suffix = '', most }, signal) => {
      if (suffix !== '' || most !== MAX_WORDS) return askWords([prefix], suffix, most, signal);
      const found = await gathered.ask(id, prefix);
      return found.ok ? succeed({ words: found.value }) : found;
    },
    'set-words': (asked, signal) => askJson(at('set-words', asked, signal), SET_WORDS_ANSWER),
    proof: (asked, signal) => askJson(at('laboratory/proof', asked, signal), PROOF_ANSWER),
    thesaurus: (_, signal) => askText(at('vocabulary', undefined, signal)),
  };
}

async function countUnions(
  unions: readonly (readonly string[])[],
  sentLimiters: SentLimiters,
  countSome: (
    what: 'unions',
    length: number,
    body: unknown,
    signal?: AbortSignal,
  ) => Promise<Outcome<readonly CountEntry[]>>,
  signal?: AbortSignal,
): Promise<Outcome<readonly CountEntry[]>> {
  const entries: CountEntry[] = [];
  for (let first = 0; first < unions.length; first += UNIONS_AT_ONCE) {
    const some = unions.slice(first, first + UNIONS_AT_ONCE);
    const counted = await countSome('unions', some.length, { unions: some, sentLimiters }, signal);
    if (!counted.ok) return counted;
    entries.push(...counted.value);
  }
  return succeed(entries);
}
