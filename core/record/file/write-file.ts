import { BIBTEX_WRITER } from '../formats/bibtex/writer';
import { CSL_JSON_WRITER } from '../formats/csl-json/writer';
import { CSV_WRITER } from '../formats/csv/writer';
import { MARCXML_WRITER } from '../formats/marcxml/writer';
import { RIS_WRITER } from '../formats/ris/writer';
import type { BibliographicRecord } from '../record';
import type { RecordWriter } from './record-writer';

/** The kinds of file that records are written to, in the order in which they are offered. */
export const RECORD_WRITERS: readonly RecordWriter[] = [
  RIS_WRITER,
  BIBTEX_WRITER,
  CSL_JSON_WRITER,
  CSV_WRITER,
  MARCXML_WRITER,
];

/** A file of records, piece by piece: a long list never stands in memory as one text. */
export function* writeRecordFile(
  records: Iterable<BibliographicRecord>,
  writer: RecordWriter,
): Iterable<string> {
  yield writer.head;
  let place = 0;
  for (const record of records) {
    yield (place > 0 ? writer.separator : '') + writer.write(record, place);
    place++;
  }
  yield writer.foot;
}
