import { findDoi } from '../../doi';
import type { BibliographicRecord } from '../../record';
import { listDescendants, type XmlElement } from '../element';
import { readAuthors, readLanguage, readType, readYear } from '../loose-values';

/** A record in MARCXML (MARC 21 Format for Bibliographic Data, Library of Congress) as a bibliographic record. */
export function readMarcXml(element: XmlElement, id: string): BibliographicRecord {
  const control = (tag: string): string | undefined =>
    listDescendants(element, 'controlfield').find((field) => field.attributes['tag'] === tag)?.text;
  const fields = listDescendants(element, 'datafield');
  /** The subfields of some tags, those of one field together. */
  const list = (tags: readonly string[], codes: string): string[] =>
    fields
      .filter((field) => tags.includes(field.attributes['tag'] ?? ''))
      .map((field) =>
        listDescendants(field, 'subfield')
          .filter((part) => codes.includes(part.attributes['code'] ?? '?'))
          .map((part) => part.text.trim())
          .join(' '),
      )
      .filter((text) => text !== '');
  const fixed = control('008') ?? '';
  const year = readYear(list(['264', '260'], 'c')[0]) ?? readYear(fixed.slice(7, 11));
  const doi = findDoi(list(['024', '856'], 'au'));
  return {
    id: control('001')?.trim() ?? id,
    title: (list(['245'], 'abnp')[0] ?? '').replace(/\s*[/:;,]\s*$/, ''),
    abstract: list(['520'], 'ab').join(' '),
    keywords: list(['653'], 'a'),
    headings: list(['600', '610', '630', '650', '651'], 'a').map((label) => ({
      label: label.replace(/[.,;]$/, ''),
    })),
    authors: readAuthors([
      ...list(['100', '700'], 'abc'),
      ...list(['110', '710', '111', '711'], 'ab').map((name) => `{${name}}`),
    ]),
    source: list(['773'], 't')[0] ?? list(['264', '260'], 'b')[0]?.replace(/[\s,:;]+$/, '') ?? '',
    ...(year !== undefined && { year }),
    type:
      list(['502'], 'a').length > 0
        ? 'thesis'
        : readType(list(['655'], 'a').concat(list(['773'], 't').length > 0 ? 'article' : 'book')),
    language: readLanguage(list(['041'], 'a')[0] ?? fixed.slice(35, 38)),
    peerReviewed: 'unknown',
    hasFullText: false,
    ...(doi !== undefined && { doi }),
    entered: '',
    references: [],
  };
}
