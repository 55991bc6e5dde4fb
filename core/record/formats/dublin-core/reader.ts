import { findDoi } from '../../doi';
import type { AssignedHeading, BibliographicRecord } from '../../record';
import { listDescendants, type XmlElement } from '../xml/element';
import { readAuthors, readLanguage, readType, readYear } from '../loose-values';

/** A record in Dublin Core (Dublin Core Metadata Element Set 1.1, ISO 15836, with the DCMI terms) as a bibliographic record. */
export function readDublinCore(element: XmlElement, id: string): BibliographicRecord {
  const texts = (name: string): string[] =>
    listDescendants(element, name)
      .map(({ text }) => text.trim())
      .filter((text) => text !== '');
  /** The texts of the first of some elements that is there: the terms of DCMI say more than the elements. */
  const first = (...names: readonly string[]): string[] =>
    names.map(texts).find((found) => found.length > 0) ?? [];
  const year = ['issued', 'created', 'date']
    .flatMap(texts)
    .map(readYear)
    .find((one) => one !== undefined);
  const identifiers = texts('identifier');
  const doi = findDoi(identifiers);
  return {
    id: identifiers[0] ?? id,
    title: texts('title')[0] ?? '',
    abstract: first('abstract', 'description').join(' '),
    keywords: [],
    headings: texts('subject').flatMap(splitSubjects),
    authors: readAuthors(first('creator', 'contributor')),
    source: first('isPartOf', 'source', 'publisher')[0] ?? '',
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

/** Subjects that stand in one element with semicolons between. */
function splitSubjects(text: string): AssignedHeading[] {
  return text
    .split(/\s*;\s*/)
    .filter((label) => label !== '')
    .map((label) => ({ label }));
}
