import type { CountEntry, SearchAnswer, SruExplanation } from '#core/contract/index';
import type { SruEndpoint } from '#core/sru/index';
import { describeProblem, fail, succeed, type Outcome, type Problem } from '#core/problem/index';

/** Gives the text behind the address of one request. */
export type AskEndpoint = (
  endpoint: SruEndpoint,
  parameters: Readonly<Record<string, string>>,
) => Promise<Outcome<string>>;

/** What an answer is read for. */
export type SruAsked =
  { readonly kind: 'explain' } | { readonly kind: 'retrieve'; readonly start: number; readonly rows: number };

/** Reads an answer: an explanation, or a total with the records asked for. */
export type ReadAnswer = (
  text: string,
  endpoint: SruEndpoint,
  asked: SruAsked,
) => Promise<Outcome<SearchAnswer | SruExplanation>>;

/** The number of requests that are on their way to one server at a time. */
const AT_ONCE = 4;

/**
 * Speaks SRU 1.1, 1.2 and 2.0 (searchRetrieve 1.0, OASIS 2013) with a server. What it says in its
 * diagnostics comes back as problems in its own words.
 */
export class SruClient {
  constructor(
    private readonly ask: AskEndpoint,
    private readonly read: ReadAnswer,
  ) {}

  /** What the server says of itself. */
  async explain(endpoint: SruEndpoint): Promise<Outcome<SruExplanation>> {
    const parameters = endpoint.version === '2.0' ? {} : { operation: 'explain' };
    return this.request(endpoint, parameters, { kind: 'explain' }) as Promise<Outcome<SruExplanation>>;
  }

  /** The numbers of records of some queries, in their order. */
  async count(endpoint: SruEndpoint, strings: readonly string[]): Promise<Outcome<CountEntry[]>> {
    const entries: CountEntry[] = [];
    let failure: Problem | undefined;
    let next = 0;
    const work = async (): Promise<void> => {
      while (next < strings.length && !failure) {
        const at = next++;
        const string = strings[at] ?? '';
        const found = await this.retrieve(endpoint, string, 0, 0);
        if (!found.ok && found.problem.code !== 'service-refused') failure = found.problem;
        else if (found.ok) {
          const { total, estimated } = found.value;
          entries[at] = { total, estimated, notes: [] };
        } else entries[at] = { problem: describeRefusal(found.problem, string) };
      }
    };
    await Promise.all(Array.from({ length: AT_ONCE }, work));
    return failure ? fail(failure) : succeed(entries);
  }

  /** Some records of a query. */
  async search(
    endpoint: SruEndpoint,
    string: string,
    start: number,
    rows: number,
  ): Promise<Outcome<SearchAnswer>> {
    return this.retrieve(endpoint, string, start, rows);
  }

  private async retrieve(
    endpoint: SruEndpoint,
    query: string,
    start: number,
    rows: number,
  ): Promise<Outcome<SearchAnswer>> {
    const isTwo = endpoint.version === '2.0';
    const parameters = {
      ...(!isTwo && { operation: 'searchRetrieve' }),
      query,
      startRecord: String(start + 1),
      maximumRecords: String(rows),
      ...(endpoint.schema !== undefined && { recordSchema: endpoint.schema }),
      ...(isTwo ? { recordXMLEscaping: 'xml' } : { recordPacking: 'xml' }),
    };
    const asked: SruAsked = { kind: 'retrieve', start, rows };
    return this.request(endpoint, parameters, asked) as Promise<Outcome<SearchAnswer>>;
  }

  private async request(
    endpoint: SruEndpoint,
    parameters: Readonly<Record<string, string>>,
    asked: SruAsked,
  ): Promise<Outcome<SearchAnswer | SruExplanation>> {
    const sent = endpoint.version === '2.0' ? parameters : { version: endpoint.version, ...parameters };
    const answer = await this.ask(endpoint, sent);
    return answer.ok ? this.read(answer.value, endpoint, asked) : answer;
  }
}

/** The address of a request: the endpoint's own parameters stay. */
export function writeSruAddress(endpoint: SruEndpoint, parameters: Readonly<Record<string, string>>): string {
  const url = new URL(endpoint.address);
  for (const [name, value] of Object.entries(parameters)) url.searchParams.set(name, value);
  return url.href;
}

function describeRefusal(
  problem: Problem,
  string: string,
): { code: string; at: [number, number]; message: string } {
  return {
    code: 'diagnostic',
    at: [0, string.length],
    message: String(problem.data['message'] ?? describeProblem(problem)),
  };
}
