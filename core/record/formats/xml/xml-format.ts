import { createProblem, fail, succeed, type Outcome } from '../../../problem';
import { writeExcerpt, type RawRecord, type RecordFormat } from '../../file/raw-record';
import type { BibliographicRecord } from '../../record';
import type { XmlElement } from './element';
import { readXml } from './read-xml';
import { splitElements, type ElementText } from './split-elements';

/** So much of a file tells what it is. */
const LOOKED_AT = 100_000;
/** In so much of an element the text stands by which a person knows it. */
const EXCERPT_FROM = 2_000;

/** What tells records of one kind in a document in XML, and reads them. */
interface XmlKind extends Pick<RecordFormat, 'id' | 'name' | 'endings'> {
  /** Stands in each such document. */
  readonly sign: RegExp;
  /** The elements that are records: the first of these names that occurs. */
  readonly elements: readonly string[];
  readonly read: (element: XmlElement, id: string) => BibliographicRecord;
}

/** A kind of file with records as elements of a document in XML, read one by one. */
export function createXmlFormat({ id, name, endings, sign, elements, read }: XmlKind): RecordFormat {
  const findElement = (text: string): string | undefined =>
    elements.find((one) => new RegExp(`<(?:[\\w.-]+:)?${one}[\\s>]`).test(text));
  return {
    id,
    name,
    endings,
    isLike: (text) => {
      const start = text.slice(0, LOOKED_AT);
      return /^\uFEFF?\s*</.test(start) && sign.test(start) && findElement(start) !== undefined;
    },
    split: (text) => {
      const element = findElement(text);
      return succeed(element === undefined ? [] : splitRecords(text, element));
    },
  };

  function* splitRecords(text: string, name: string): Iterable<RawRecord> {
    for (const one of splitElements(text, name))
      yield {
        line: one.line,
        excerpt: writeExcerpt(one.content.slice(0, EXCERPT_FROM).replace(/<[^>]*>?/g, ' ')),
        end: one.end,
        read: (recordId) => readRecord(one, recordId),
      };
  }

  function readRecord({ content }: ElementText, recordId: string): Outcome<BibliographicRecord> {
    const element = readXml(content);
    if (!element)
      return fail(createProblem('record-unreadable', 'error', { detail: 'its elements do not close' }));
    const record = read(element, recordId);
    return record.title === ''
      ? fail(createProblem('record-without-title', 'error'))
      : succeed({ ...record, id: recordId });
  }
}
