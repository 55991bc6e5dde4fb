import type { CountEntry, SearchAnswer, SruExplanation } from '#core/contract/index';
import type { SruEndpoint } from '#core/sru/index';
import {
  createProblem,
  describeProblem,
  fail,
  succeed,
  type Outcome,
  type Problem,
} from '#core/problem/index';
import {
  findDescendant,
  listChildren,
  listDescendants,
  readDublinCore,
  readMarcXml,
  type XmlElement,
} from '#core/record/formats/index';
import type { BibliographicRecord } from '#core/record/index';
import { readXml } from './xml';

/** Gives the text behind the address of one request. */
export type AskEndpoint = (
  endpoint: SruEndpoint,
  parameters: Readonly<Record<string, string>>,
) => Promise<Outcome<string>>;

/** The number of requests that are on their way to one server at a time. */
const AT_ONCE = 4;

/**
 * Speaks SRU 1.1, 1.2 and 2.0 (searchRetrieve 1.0, OASIS 2013) with a server. What it says in its
 * diagnostics comes back as problems in its own words.
 */
export class SruClient {
  constructor(private readonly ask: AskEndpoint) {}

  /** What the server says of itself. */
  async explain(endpoint: SruEndpoint): Promise<Outcome<SruExplanation>> {
    const answer = await this.request(endpoint, endpoint.version === '2.0' ? {} : { operation: 'explain' });
    if (!answer.ok) return answer;
    const refusal = readDiagnostics(answer.value, endpoint);
    const explain = findInner(answer.value, 'explain');
    if (!explain)
      return fail(refusal ?? createProblem('answer-invalid', 'error', { database: nameOf(endpoint) }));
    return succeed(readExplanation(explain));
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
    const answer = await this.request(endpoint, {
      ...(!isTwo && { operation: 'searchRetrieve' }),
      query,
      startRecord: String(start + 1),
      maximumRecords: String(rows),
      ...(endpoint.schema !== undefined && { recordSchema: endpoint.schema }),
      ...(isTwo ? { recordXMLEscaping: 'xml' } : { recordPacking: 'xml' }),
    });
    if (!answer.ok) return answer;
    const refusal = readDiagnostics(answer.value, endpoint);
    if (refusal) return fail(refusal);
    const number = findDescendant(answer.value, 'numberOfRecords')?.text.trim() ?? '';
    if (!/^\d{1,12}$/.test(number))
      return fail(createProblem('answer-invalid', 'error', { database: nameOf(endpoint) }));
    const precision = findDescendant(answer.value, 'resultCountPrecision')?.text ?? 'exact';
    const records = listChildren(findDescendant(answer.value, 'records') ?? answer.value, 'record').slice(
      0,
      rows,
    );
    return succeed({
      total: Number(number),
      estimated: !precision.includes('exact'),
      records: records.flatMap((record, at) => readRecord(record, `${nameOf(endpoint)}-${start + at + 1}`)),
    });
  }

  private async request(
    endpoint: SruEndpoint,
    parameters: Readonly<Record<string, string>>,
  ): Promise<Outcome<XmlElement>> {
    const answer = await this.ask(
      endpoint,
      endpoint.version === '2.0' ? parameters : { version: endpoint.version, ...parameters },
    );
    if (!answer.ok) return answer;
    const element = readXml(answer.value);
    return element
      ? succeed(element)
      : fail(createProblem('answer-invalid', 'error', { database: nameOf(endpoint) }));
  }
}

/** The address of a request: the endpoint's own parameters stay. */
export function writeSruAddress(endpoint: SruEndpoint, parameters: Readonly<Record<string, string>>): string {
  const url = new URL(endpoint.address);
  for (const [name, value] of Object.entries(parameters)) url.searchParams.set(name, value);
  return url.href;
}

function nameOf({ address }: SruEndpoint): string {
  return URL.canParse(address) && new URL(address).hostname !== ''
    ? new URL(address).hostname
    : address.replace(/^[a-z]+:/, '');
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

/** The first diagnostic that is not only about a record, in the server's words. */
function readDiagnostics(root: XmlElement, endpoint: SruEndpoint): Problem | undefined {
  const list = root.name === 'diagnostics' ? root : listChildren(root, 'diagnostics')[0];
  const [first] = list ? listDescendants(list, 'diagnostic') : [];
  if (!first) return undefined;
  const text = (name: string): string => findDescendant(first, name)?.text.trim() ?? '';
  const number = /(\d+)$/.exec(text('uri'))?.[1];
  const parts = [
    text('message') || (number === undefined ? 'Refused' : `Diagnostic ${number}`),
    text('details'),
  ];
  const message = `${parts.filter((part) => part !== '').join(': ')}.`.replace(/\.\.$/, '.');
  return createProblem('service-refused', 'error', { database: nameOf(endpoint), message });
}

/** An element of the record's data, whether it stands there as XML or as text. */
function findInner(root: XmlElement, name: string): XmlElement | undefined {
  const direct = findDescendant(root, name);
  if (direct) return direct;
  const data = findDescendant(root, 'recordData');
  const inner = data && readXml(data.text.trim());
  return inner?.name === name ? inner : inner && findDescendant(inner, name);
}

function readExplanation(explain: XmlElement): SruExplanation {
  const info = findDescendant(explain, 'databaseInfo');
  const indexes = listDescendants(findDescendant(explain, 'indexInfo') ?? explain, 'index').flatMap(
    (index) => {
      const title = findDescendant(index, 'title')?.text.trim() ?? '';
      return listDescendants(index, 'name').map((name) => {
        const set = name.attributes['set'];
        const bare = name.text.trim();
        return { name: set === undefined ? bare : `${set}.${bare}`, title: title || bare };
      });
    },
  );
  const schemas = listDescendants(findDescendant(explain, 'schemaInfo') ?? explain, 'schema').flatMap(
    ({ attributes }) => attributes['name'] ?? attributes['identifier'] ?? [],
  );
  const settings = listDescendants(explain, 'setting').find(
    ({ attributes }) => attributes['type'] === 'maximumRecords',
  );
  const most = Number(settings?.text);
  return {
    title: (info && findDescendant(info, 'title')?.text.trim()) ?? '',
    description: (info && findDescendant(info, 'description')?.text.trim()) ?? '',
    indexes,
    schemas: [...new Set(schemas)],
    ...(Number.isInteger(most) && most > 0 && { mostRecords: most }),
  };
}

/** A record in Dublin Core or MARCXML; one in another schema is left out. */
function readRecord(record: XmlElement, id: string): BibliographicRecord[] {
  const data = findDescendant(record, 'recordData');
  const inner = data && data.children.length > 0 ? data : data && readXml(data.text.trim());
  if (!inner) return [];
  if (listDescendants(inner, 'datafield').length > 0) return [readMarcXml(inner, id)];
  return listDescendants(inner, 'title').length > 0 ? [readDublinCore(inner, id)] : [];
}
