import { findDoi } from '../../doi';
import type { BibliographicRecord } from '../../record';
import { listDescendants, type XmlElement } from '../element';
import { readAuthors, readLanguage, readType, readYear } from '../loose-values';

/** A record in Dublin Core (Dublin Core Metadata Element Set 1.1, ISO 15836) as a bibliographic record. */
export function readDublinCore(element: XmlElement, id: string): BibliographicRecord {
  const texts = (name: string): string[] =>
    listDescendants(element, name)
      .map(({ text }) => text.trim())
      .filter((text) => text !== '');
  const year = readYear(texts('date')[0]);
  const identifiers = texts('identifier');
  const doi = findDoi(identifiers);
  return {
    id: identifiers[0] ?? id,
    title: texts('title')[0] ?? '',
    abstract: texts('description').join(' '),
    keywords: [],
    headings: texts('subject').map((label) => ({ label })),
    authors: readAuthors(texts('creator')),
    source: texts('source')[0] ?? texts('publisher')[0] ?? '',
    ...(year !== undefined && { year }),
    type: readType(texts('type')),
    language: readLanguage(texts('language')[0]),
    peerReviewed: 'unknown',
    hasFullText: false,
    ...(doi !== undefined && { doi }),
    entered: '',
    references: [],
  };
}
