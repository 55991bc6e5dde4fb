import type { BibliographicRecord } from '../record';

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
