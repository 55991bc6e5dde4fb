import type { BibliographicRecord } from '#core/record/index';
import { writeXml } from '../../sru/xml';
import { DiagnosticFault, diagnose, type Diagnostic } from './diagnostic';
import { NORTHERN_INDEXES } from './reader';

/** What the catalogue behind the service does. */
export interface Catalogue {
  readonly title: string;
  /** The records of a query from a place on; throws a diagnostic if the query is not taken. */
  search(
    query: string,
    start: number,
    rows: number,
  ): { total: number; records: readonly BibliographicRecord[] };
  /** Words of an index from one on, with their numbers of records. */
  scan(clause: string, most: number): readonly { word: string; records: number }[];
}

type Parameters = Readonly<Record<string, string | undefined>>;

const SRW = 'http://www.loc.gov/zing/srw/';
const DIAGNOSTIC = 'http://www.loc.gov/zing/srw/diagnostic/';
const EXPLAIN = 'http://explain.z3950.org/dtd/2.0/';
const DC_SCHEMA = 'info:srw/schema/1/dc-v1.1';
const MAX_RECORDS = 100;

/**
 * Answers a request by SRU 1.2 (Search/Retrieve via URL, Library of Congress, 2007): explain,
 * searchRetrieve and scan, with surrogate-free diagnostics and records in Dublin Core.
 */
export function answerSru(parameters: Parameters, catalogue: Catalogue): string {
  const { operation = 'explain', version = '1.2' } = parameters;
  try {
    if (!['1.1', '1.2'].includes(version)) return diagnose(5, '1.2');
    if (operation === 'explain') return explain(catalogue);
    if (operation === 'searchRetrieve') return searchRetrieve(parameters, catalogue);
    if (operation === 'scan') return scan(parameters, catalogue);
    return diagnose(4, operation);
  } catch (fault) {
    if (!(fault instanceof DiagnosticFault)) throw fault;
    return refuse(operation, fault.diagnostic);
  }
}

function refuse(operation: string, { number, details, message }: Diagnostic): string {
  const diagnostic = {
    '@xmlns': DIAGNOSTIC,
    uri: `info:srw/diagnostic/1/${number}`,
    details,
    message,
  };
  const name =
    operation === 'scan'
      ? 'scanResponse'
      : operation === 'searchRetrieve'
        ? 'searchRetrieveResponse'
        : 'explainResponse';
  return writeXml({
    [name]: {
      '@xmlns': SRW,
      version: '1.2',
      ...(name === 'searchRetrieveResponse' && { numberOfRecords: '0' }),
      diagnostics: { diagnostic },
    },
  });
}

function searchRetrieve(parameters: Parameters, catalogue: Catalogue): string {
  const { query, recordSchema, recordPacking = 'xml' } = parameters;
  if (query === undefined || query === '') return diagnose(7, 'query');
  if (recordSchema !== undefined && !['dc', DC_SCHEMA].includes(recordSchema))
    return diagnose(66, recordSchema);
  if (!['xml', 'string'].includes(recordPacking)) return diagnose(71, recordPacking);
  const start = readNumber(parameters['startRecord'], 'startRecord', 1);
  const rows = Math.min(readNumber(parameters['maximumRecords'], 'maximumRecords', 10), MAX_RECORDS);
  if (start < 1) return diagnose(6, 'startRecord');
  const { total, records } = catalogue.search(query, start - 1, rows);
  if (start > total && start > 1) return diagnose(61, String(start));
  const next = start + records.length;
  return writeXml({
    searchRetrieveResponse: {
      '@xmlns': SRW,
      version: '1.2',
      numberOfRecords: String(total),
      ...(records.length > 0 && {
        records: { record: records.map((record, at) => createRecord(record, start + at, recordPacking)) },
      }),
      ...(next <= total && { nextRecordPosition: String(next) }),
    },
  });
}

function createRecord(record: BibliographicRecord, position: number, packing: string): unknown {
  const dc = {
    'srw_dc:dc': {
      '@xmlns:srw_dc': 'info:srw/schema/1/dc-schema',
      '@xmlns': 'http://purl.org/dc/elements/1.1/',
      title: record.title,
      ...(record.authors.length > 0 && {
        creator: record.authors.map(({ family, given }) => `${family}, ${given}`),
      }),
      ...(record.headings.length > 0 && { subject: record.headings.map(({ label }) => label) }),
      description: record.abstract,
      ...(record.year !== undefined && { date: String(record.year) }),
      type: record.type,
      language: record.language,
      identifier: record.id,
      source: record.source,
    },
  };
  return {
    recordSchema: DC_SCHEMA,
    recordPacking: packing,
    recordData: packing === 'string' ? writeXml(dc).replace(/^<\?xml[^>]*\?>/, '') : dc,
    recordPosition: String(position),
  };
}

function scan(parameters: Parameters, catalogue: Catalogue): string {
  const { scanClause } = parameters;
  if (scanClause === undefined || scanClause === '') return diagnose(7, 'scanClause');
  const most = Math.min(readNumber(parameters['maximumTerms'], 'maximumTerms', 20), 1_000);
  const terms = catalogue.scan(scanClause, most);
  return writeXml({
    scanResponse: {
      '@xmlns': SRW,
      version: '1.2',
      terms: { term: terms.map(({ word, records }) => ({ value: word, numberOfRecords: String(records) })) },
    },
  });
}

function explain(catalogue: Catalogue): string {
  const index = NORTHERN_INDEXES.map(({ name, title }) => {
    const [set, short] = name.split('.');
    return {
      '@search': 'true',
      '@scan': 'true',
      '@sort': 'false',
      title,
      map: { name: { '@set': set, '#text': short } },
    };
  });
  return writeXml({
    explainResponse: {
      '@xmlns': SRW,
      version: '1.2',
      record: {
        recordSchema: EXPLAIN,
        recordPacking: 'xml',
        recordData: {
          explain: {
            '@xmlns': EXPLAIN,
            serverInfo: { '@protocol': 'SRU', '@version': '1.2', host: 'localhost', database: 'northern' },
            databaseInfo: {
              title: catalogue.title,
              description: 'Books, theses and reports of the libraries of a region.',
            },
            indexInfo: {
              set: [
                { '@name': 'cql', '@identifier': 'info:srw/cql-context-set/1/cql-v1.2' },
                { '@name': 'dc', '@identifier': 'info:srw/cql-context-set/1/dc-v1.1' },
              ],
              index,
            },
            schemaInfo: { schema: { '@name': 'dc', '@identifier': DC_SCHEMA, title: 'Dublin Core' } },
            configInfo: { setting: { '@type': 'maximumRecords', '#text': String(MAX_RECORDS) } },
          },
        },
      },
    },
  });
}

function readNumber(text: string | undefined, name: string, usual: number): number {
  if (text === undefined || text === '') return usual;
  const number = Number(text);
  return Number.isInteger(number) && number >= 0 ? number : diagnose(6, name);
}
