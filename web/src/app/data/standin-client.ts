import type Joi from 'joi';
import {
  LISTING_ANSWER,
  SEARCH_ANSWER,
  WORDS_ANSWER,
  createCountAnswerSchema,
  type CountEntry,
  type SearchAnswer,
  type StandinListing,
  type WordsAnswer,
} from '#core/contract/index';
import type { Boxes } from '#core/dialect/index';
import { createProblem, fail, succeed, type Outcome, type Problem } from '#core/problem/index';

/** A database is given up on after this many seconds. */
export const PATIENCE_SECONDS = 10;
const LARGEST_BATCH = 1_500_000;

/** The made-up databases over HTTP. Every answer is checked against the contract; nothing throws. */
export class StandinClient {
  /** Words and records are asked for one after the other, so that a slow database does not take all connections. */
  private readonly turns = new Map<string, Promise<unknown>>();

  constructor(private readonly address = '/api/standins') {}

  /** One entry a string, in order; the strings go in as few requests as their size allows. */
  async count(database: string, strings: readonly string[], boxes: Boxes): Promise<Outcome<CountEntry[]>> {
    const entries: CountEntry[] = [];
    for (const batch of splitBatches(strings)) {
      const answer = await this.post(
        database,
        'count',
        { strings: batch, boxes },
        createCountAnswerSchema(batch.length),
      );
      if (!answer.ok) return answer;
      entries.push(...answer.value.counts);
    }
    return succeed(entries);
  }

  async search(
    database: string,
    string: string,
    boxes: Boxes,
    rows: number,
    start = 0,
  ): Promise<Outcome<SearchAnswer>> {
    const request = { string, boxes, start, rows, sort: 'relevance' };
    return this.inTurn(database, () => this.post(database, 'search', request, SEARCH_ANSWER));
  }

  /** The words of a database's index that begin and end so, in the order of the alphabet. */
  async words(
    database: string,
    asked: { readonly prefix: string; readonly suffix?: string; readonly most: number },
  ): Promise<Outcome<WordsAnswer['words']>> {
    const query = new URLSearchParams({
      prefix: asked.prefix,
      suffix: asked.suffix ?? '',
      most: String(asked.most),
    });
    const answer = await this.inTurn(database, () =>
      this.get(`${database}/words?${query}`, database, (body) => validate(WORDS_ANSWER, body, database)),
    );
    return answer.ok ? succeed(answer.value.words) : answer;
  }

  /** The databases that the server has. */
  async list(): Promise<Outcome<StandinListing[]>> {
    return this.get('', 'the server', (body) => validate(LISTING_ANSWER, body, 'the server'));
  }

  /** A database's thesaurus as SKOS in Turtle. */
  async vocabulary(database: string): Promise<Outcome<string>> {
    return this.request(database, `${this.address}/${database}/vocabulary`, {}, async (response) =>
      succeed(await response.text()),
    );
  }

  /** True if the server answers. */
  async isThere(): Promise<boolean> {
    try {
      const response = await fetch('/api/health', { signal: AbortSignal.timeout(2_000), cache: 'no-store' });
      return response.ok;
    } catch {
      return false;
    }
  }

  private inTurn<T>(database: string, ask: () => Promise<T>): Promise<T> {
    const asked = (this.turns.get(database) ?? Promise.resolve()).then(ask);
    this.turns.set(database, asked);
    return asked;
  }

  private post<T>(database: string, what: string, body: unknown, schema: Joi.Schema<T>): Promise<Outcome<T>> {
    const init = {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify(body),
    };
    return this.request(database, `${this.address}/${database}/${what}`, init, async (response) =>
      validate(schema, await response.json(), database),
    );
  }

  private get<T>(path: string, database: string, check: (body: unknown) => Outcome<T>): Promise<Outcome<T>> {
    const address = path === '' ? this.address : `${this.address}/${path}`;
    return this.request(database, address, {}, async (response) => check(await response.json()));
  }

  private async request<T>(
    database: string,
    address: string,
    init: RequestInit,
    read: (response: Response) => Promise<Outcome<T>>,
  ): Promise<Outcome<T>> {
    try {
      const response = await fetch(address, {
        ...init,
        signal: AbortSignal.timeout(PATIENCE_SECONDS * 1000),
      });
      return response.ok ? await read(response) : fail(await describeRefusal(database, response));
    } catch (error) {
      const isSlow = error instanceof DOMException && error.name === 'TimeoutError';
      return fail(
        isSlow
          ? createProblem('service-slow', 'error', { database, seconds: PATIENCE_SECONDS })
          : createProblem('service-gone', 'error'),
      );
    }
  }
}

function validate<T>(schema: Joi.Schema<T>, body: unknown, database: string): Outcome<T> {
  const result = schema.validate(body, { convert: false });
  return result.error ? fail(createProblem('answer-invalid', 'error', { database })) : succeed(result.value);
}

async function describeRefusal(database: string, response: Response): Promise<Problem> {
  if (response.status === 429) {
    const seconds = Number(response.headers.get('Retry-After') ?? '30');
    return createProblem('service-busy', 'error', {
      database,
      seconds: Number.isFinite(seconds) ? seconds : 30,
    });
  }
  if (response.status === 422) {
    const body = (await response.json().catch(() => ({}))) as { problem?: { message?: string } };
    return createProblem('service-refused', 'error', { database, message: body.problem?.message ?? '' });
  }
  return createProblem('service-failed', 'error', { database, status: response.status });
}

function splitBatches(strings: readonly string[]): string[][] {
  const batches: string[][] = [[]];
  let size = 0;
  for (const string of strings) {
    const last = batches.at(-1)!;
    if (last.length > 0 && (size + string.length * 2 > LARGEST_BATCH || last.length >= 1_000)) {
      batches.push([string]);
      size = string.length * 2;
    } else {
      last.push(string);
      size += string.length * 2;
    }
  }
  return batches;
}
