/**
 * A diagnostic of SRU: its number in the list `info:srw/diagnostic/1`, the particulars and a
 * sentence. The numbers and their meaning are those of the SRU 1.2 diagnostics list.
 */
export interface Diagnostic {
  readonly number: number;
  readonly details: string;
  readonly message: string;
  /** Where in the query; not part of the standard. */
  readonly at: readonly [number, number];
}

const MESSAGES: Readonly<Record<number, string>> = {
  1: 'General system error',
  4: 'Unsupported operation',
  5: 'Unsupported version',
  6: 'Unsupported parameter value',
  7: 'Mandatory parameter not supplied',
  8: 'Unsupported parameter',
  10: 'Query syntax error',
  15: 'Unsupported context set',
  16: 'Unsupported index',
  18: 'Unsupported combination of indexes',
  19: 'Unsupported relation',
  20: 'Unsupported relation modifier',
  22: 'Unsupported combination of relation and index',
  23: 'Too many characters in term',
  27: 'Empty term unsupported',
  31: 'Anchoring character not supported',
  35: 'Term contains only stopwords',
  36: 'Term in invalid format for index or relation',
  37: 'Unsupported boolean operator',
  38: 'Too many boolean operators in query',
  39: 'Proximity not supported',
  40: 'Unsupported proximity relation',
  41: 'Unsupported proximity distance',
  42: 'Unsupported proximity unit',
  43: 'Unsupported proximity ordering',
  46: 'Unsupported boolean modifier',
  61: 'First record position out of range',
  66: 'Unknown schema for retrieval',
  71: 'Unsupported record packing',
  80: 'Sort not supported',
};

/** Thrown inside the reader and the service, and caught at their edges. */
export class DiagnosticFault extends Error {
  constructor(readonly diagnostic: Diagnostic) {
    super(diagnostic.message);
  }
}

/** Stops with a diagnostic. */
export function diagnose(number: number, details: string, start = 0, end = start): never {
  throw new DiagnosticFault({ number, details, message: MESSAGES[number] ?? 'Error', at: [start, end] });
}
