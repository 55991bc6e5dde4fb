import { type BibliographicRecord } from '../record';
import { createRecordKeys, type RecordKeys } from '../record/same-work';

/** A record with nothing in it but what is said. */
export function createTestRecord(parts: Partial<BibliographicRecord>): BibliographicRecord {
  return {
    id: 'r',
    title: '',
    abstract: '',
    keywords: [],
    headings: [],
    authors: [],
    source: '',
    type: 'article',
    language: 'en',
    peerReviewed: 'yes',
    hasFullText: false,
    entered: '2026-01',
    references: [],
    ...parts,
  };
}

const NUMBER_WORDS = 'hedgerow quarry lantern orchard viaduct meadow harbour cellar steeple thicket'.split(
  ' ',
);

/** What tells the works of records that are of one work if their numbers are the same; all else of them differs. */
export function createTestKeys(work: number, identifier = 0): RecordKeys {
  const words = [...String(work)].map((digit) => NUMBER_WORDS[Number(digit)]!);
  const title = ['Night', ...words, 'walks', 'beyond', ...words].join(' ');
  const family = words.join('');
  return {
    ...createRecordKeys(createTestRecord({ title, year: 2000, authors: [{ given: 'B', family }] })),
    identifier,
  };
}
