import Joi from 'joi';
import {
  IDS_ANSWER,
  LISTING_ANSWER,
  LOOKUP_ANSWER,
  PROOF_ANSWER,
  SRU_EXPLANATION,
  SEARCH_ANSWER,
  WORDS_ANSWER,
  MOST_WORDS,
  asksToWait,
  createCountAnswerSchema,
  isTooSlow,
  readRetryAfter,
  type CountEntry,
  type IdsAnswer,
  type LookupAnswer,
  type ProofAnswer,
  type ProofRequest,
  type SearchAnswer,
  type SruExplanation,
  type StandinListing,
  type WordsAnswer,
} from '#core/contract/index';
import { STANDIN_SCHEME, type SruEndpoint } from '#core/sru/index';
import { findDialect, type Boxes } from '#core/dialect/index';
import { RECORD_SCHEMA, type BibliographicRecord } from '#core/record/index';
import { createProblem, fail, succeed, type Outcome, type Problem } from '#core/problem/index';
import { GatheredWords } from './gathered-words';

/** A database is given up on after this many seconds. */
export const PATIENCE_SECONDS = 10;
const LARGEST_BATCH = 1_500_000;
/** So many lists of parts go in one request: each part is short. */
const UNIONS_AT_ONCE = 100;
/** The made-up databases that are asked by SRU. */
const BY_SRU: Readonly<Record<string, SruEndpoint>> = {
  northern: { address: `${STANDIN_SCHEME}northern`, version: '1.2' },
};

/** What the server says of a server outside is said on as it is. */
const PASSED_ON: readonly string[] = [
  'address-refused',
  'answer-too-large',
  'answer-invalid',
  'service-slow',
  'service-failed',
];
const SAID_PROBLEM = Joi.object({
  code: Joi.string().required(),
  data: Joi.object()
    .pattern(Joi.string(), Joi.alternatives(Joi.string().allow(''), Joi.number()))
    .required(),
}).unknown();

/** The made-up databases over HTTP. Every answer is checked against the contract; nothing throws. */
export class StandinClient {
  /** Words and records are asked for one after the other, so that a slow database does not take all connections. */
  private readonly turns = new Map<string, Promise<unknown>>();
  private readonly gathered = new GatheredWords(
    (database, prefixes, most) => this.askWords(database, prefixes, '', most),
    MOST_WORDS,
  );

  constructor(
    private readonly address = '/api/standins',
    private readonly sruAddress = '/api/sru',
  ) {}

  /** The servers of databases that the person added, by their short names; handed in by who knows them. */
  endpoints: () => Readonly<Record<string, SruEndpoint>> = () => ({});

  /** What people call a database; handed in by who knows those that were added. */
  nameOf: (database: string) => string = (database) => findDialect(database)?.name ?? database;

  private findEndpoint(database: string): SruEndpoint | undefined {
    return BY_SRU[database] ?? this.endpoints()[database];
  }

  /** What a server says of itself. */
  async explain(endpoint: SruEndpoint): Promise<Outcome<SruExplanation>> {
    return this.postSru(endpoint.address, 'explain', { endpoint }, SRU_EXPLANATION);
  }

  /** Says that the person wants a server to be asked. */
  async confirm(endpoint: SruEndpoint): Promise<Outcome<true>> {
    const init = {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify({ endpoint }),
    };
    return this.request(endpoint.address, `${this.sruAddress}/endpoints`, init, () =>
      Promise.resolve(succeed(true)),
    );
  }

  /** One entry a string, in order; the strings go in as few requests as their size allows. */
  async count(database: string, strings: readonly string[], boxes: Boxes): Promise<Outcome<CountEntry[]>> {
    const entries: CountEntry[] = [];
    for (const batch of splitBatches(strings)) {
      const answer = await this.countBatch(database, batch, boxes);
      if (!answer.ok) return answer;
      entries.push(...answer.value);
    }
    return succeed(entries);
  }

  /** A request has one time for all its strings: those that it left over are asked for again, as long as some are counted. */
  private async countBatch(
    database: string,
    batch: readonly string[],
    boxes: Boxes,
  ): Promise<Outcome<readonly CountEntry[]>> {
    const schema = createCountAnswerSchema(batch.length);
    const endpoint = this.findEndpoint(database);
    const answer = endpoint
      ? await this.postSru(database, 'count', { endpoint, strings: batch }, schema)
      : await this.post(database, 'count', { strings: batch, boxes }, schema);
    if (!answer.ok) return answer;
    const { counts } = answer.value;
    const late = counts.flatMap((entry, at) => (isTooSlow(entry) ? [at] : []));
    if (late.length === 0 || late.length === counts.length) return succeed(counts);
    const again = await this.countBatch(
      database,
      late.map((at) => batch[at] ?? ''),
      boxes,
    );
    if (!again.ok) return again;
    const places = new Map(late.map((at, place) => [at, place]));
    return succeed(counts.map((entry, at) => again.value[places.get(at) ?? -1] ?? entry));
  }

  async search(
    database: string,
    string: string,
    boxes: Boxes,
    rows: number,
    start = 0,
  ): Promise<Outcome<SearchAnswer>> {
    const endpoint = this.findEndpoint(database);
    if (endpoint) {
      const asked = { endpoint, string, start, rows };
      return this.inTurn(database, () => this.postSru(database, 'search', asked, SEARCH_ANSWER));
    }
    const request = { string, boxes, start, rows, sort: 'relevance' };
    return this.inTurn(database, () => this.post(database, 'search', request, SEARCH_ANSWER));
  }

  /** The records of several strings together, each once, where the database does that; one entry a list. */
  async countUnions(
    database: string,
    unions: readonly (readonly string[])[],
    boxes: Boxes,
  ): Promise<Outcome<CountEntry[]>> {
    const entries: CountEntry[] = [];
    for (let at = 0; at < unions.length; at += UNIONS_AT_ONCE) {
      const some = unions.slice(at, at + UNIONS_AT_ONCE);
      const schema = createCountAnswerSchema(some.length);
      const answer = await this.post(database, 'unions', { unions: some, boxes }, schema);
      if (!answer.ok) return answer;
      entries.push(...answer.value.counts);
    }
    return succeed(entries);
  }

  /** The records of a string by their numbers, with the keys that tell their works. */
  async listIds(database: string, string: string, boxes: Boxes): Promise<Outcome<IdsAnswer>> {
    return this.post(database, 'ids', { string, boxes, keys: true }, IDS_ANSWER);
  }

  /** The titles of records by their identifiers, where the database has them. */
  async lookUp(database: string, identifiers: readonly string[]): Promise<Outcome<LookupAnswer>> {
    return this.post(database, 'lookup', { identifiers }, LOOKUP_ANSWER);
  }

  /** What a rendering finds against the neutral meaning, in the database's laboratory. */
  async prove(database: string, request: ProofRequest): Promise<Outcome<ProofAnswer>> {
    return this.post(database, 'laboratory/proof', request, PROOF_ANSWER);
  }

  /** Some records by their numbers, in this order; as many as could be had. */
  async records(database: string, numbers: readonly number[]): Promise<BibliographicRecord[]> {
    const answers = await Promise.all(
      numbers.map((number) =>
        this.get(`${database}/records/${number}`, database, (body) =>
          validate(RECORD_SCHEMA, body, this.nameOf(database)),
        ),
      ),
    );
    return answers.flatMap((answer) => (answer.ok ? [answer.value] : []));
  }

  /** The words of a database's index that begin and end so, in the order of the alphabet. */
  async words(
    database: string,
    {
      prefix,
      suffix = '',
      most,
    }: { readonly prefix: string; readonly suffix?: string; readonly most: number },
  ): Promise<Outcome<WordsAnswer['words']>> {
    if (suffix === '' && most === MOST_WORDS) return this.gathered.ask(database, prefix);
    return this.askWords(database, [prefix], suffix, most);
  }

  private async askWords(
    database: string,
    prefixes: readonly string[],
    suffix: string,
    most: number,
  ): Promise<Outcome<WordsAnswer['words']>> {
    const query = new URLSearchParams([
      ...prefixes.map((prefix) => ['prefix', prefix]),
      ['suffix', suffix],
      ['most', String(most)],
    ]);
    const answer = await this.inTurn(database, () =>
      this.get(`${database}/words?${query}`, database, (body) =>
        validate(WORDS_ANSWER, body, this.nameOf(database)),
      ),
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
      const response = await fetch('/api/ready', { signal: AbortSignal.timeout(2_000), cache: 'no-store' });
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
    return this.postTo(`${this.address}/${database}/${what}`, database, body, schema);
  }

  private postSru<T>(
    database: string,
    what: string,
    body: unknown,
    schema: Joi.Schema<T>,
  ): Promise<Outcome<T>> {
    return this.postTo(`${this.sruAddress}/${what}`, database, body, schema);
  }

  private postTo<T>(
    address: string,
    database: string,
    body: unknown,
    schema: Joi.Schema<T>,
  ): Promise<Outcome<T>> {
    const init = {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify(body),
    };
    return this.request(database, address, init, async (response) =>
      validate(schema, await readBody(response), this.nameOf(database)),
    );
  }

  private get<T>(path: string, database: string, check: (body: unknown) => Outcome<T>): Promise<Outcome<T>> {
    const address = path === '' ? this.address : `${this.address}/${path}`;
    return this.request(database, address, {}, async (response) => check(await readBody(response)));
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
      return response.ok
        ? await read(response)
        : fail(await describeRefusal(this.nameOf(database), response));
    } catch (error) {
      const isSlow = error instanceof DOMException && error.name === 'TimeoutError';
      return fail(
        isSlow
          ? createProblem('service-slow', 'error', {
              database: this.nameOf(database),
              seconds: PATIENCE_SECONDS,
            })
          : createProblem('service-gone', 'error'),
      );
    }
  }
}

/** What was answered; nothing if it is no JSON, which no schema takes. */
async function readBody(response: Response): Promise<unknown> {
  return (await response.json().catch(() => undefined)) as unknown;
}

function validate<T>(schema: Joi.Schema<T>, body: unknown, database: string): Outcome<T> {
  const result = schema.required().validate(body, { convert: false });
  return result.error ? fail(createProblem('answer-invalid', 'error', { database })) : succeed(result.value);
}

async function describeRefusal(database: string, response: Response): Promise<Problem> {
  const retryAfter = response.headers.get('Retry-After');
  if (asksToWait(response.status, retryAfter)) {
    const seconds = readRetryAfter(retryAfter, Date.now());
    return createProblem('service-busy', 'error', { database, seconds });
  }
  if (response.status === 401) return createProblem('session-ended', 'error', { database });
  if (response.status === 422) {
    const body = (await response.json().catch(() => ({}))) as { problem?: { message?: string } };
    return createProblem('service-refused', 'error', { database, message: body.problem?.message ?? '' });
  }
  const body = (await response.json().catch(() => ({}))) as { problem?: unknown };
  const said = SAID_PROBLEM.validate(body.problem).value as
    { code: Problem['code']; data: Problem['data'] } | undefined;
  if (response.status >= 400 && said && PASSED_ON.includes(said.code))
    return createProblem(said.code, 'error', said.data);
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
