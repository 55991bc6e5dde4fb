import type { SearchAnswer, SruExplanation } from '#core/contract/index';
import { createProblem, fail, succeed, type Outcome, type Problem } from '#core/problem/index';
import {
  findDescendant,
  listChildren,
  listDescendants,
  readDublinCore,
  readMarcXml,
  readXml,
  type XmlElement,
} from '#core/record/formats/index';
import type { BibliographicRecord } from '#core/record/index';
import type { SruEndpoint } from '#core/sru/index';
import type { SruAsked } from './client';

/** More records than any service has: a larger total is no count. */
const MAX_TOTAL = 10_000_000_000;

/** Reads what a server answers by SRU 1.1, 1.2 or 2.0; its diagnostics come as problems in its own words. */
export function readSruAnswer(
  text: string,
  endpoint: SruEndpoint,
  asked: SruAsked,
): Outcome<SearchAnswer | SruExplanation> {
  const root = readXml(text);
  if (!root) return fail(createProblem('answer-invalid', 'error', { database: nameOf(endpoint) }));
  return asked.kind === 'explain'
    ? readExplainAnswer(root, endpoint)
    : readRetrieval(root, endpoint, asked.start, asked.rows);
}

function readExplainAnswer(root: XmlElement, endpoint: SruEndpoint): Outcome<SruExplanation> {
  const explain = findInner(root, 'explain');
  if (explain) return succeed(readExplanation(explain));
  const refusal = readDiagnostics(root, endpoint);
  return fail(refusal ?? createProblem('answer-invalid', 'error', { database: nameOf(endpoint) }));
}

function readRetrieval(
  root: XmlElement,
  endpoint: SruEndpoint,
  start: number,
  rows: number,
): Outcome<SearchAnswer> {
  const refusal = readDiagnostics(root, endpoint);
  if (refusal) return fail(refusal);
  const number = findDescendant(root, 'numberOfRecords')?.text.trim() ?? '';
  const total = /^\d{1,12}$/.test(number) ? Number(number) : Number.NaN;
  if (!(total <= MAX_TOTAL))
    return fail(createProblem('answer-invalid', 'error', { database: nameOf(endpoint) }));
  const precision = findDescendant(root, 'resultCountPrecision')?.text ?? 'exact';
  const records = listChildren(findDescendant(root, 'records') ?? root, 'record').slice(0, rows);
  return succeed({
    total,
    estimated: !precision.includes('exact'),
    records: records.flatMap((record, at) => readRecord(record, `${nameOf(endpoint)}-${start + at + 1}`)),
  });
}

function nameOf({ address }: SruEndpoint): string {
  return URL.canParse(address) && new URL(address).hostname !== ''
    ? new URL(address).hostname
    : address.replace(/^[a-z]+:/, '');
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
