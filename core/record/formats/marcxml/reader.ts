import { findDoi } from '../../doi';
import type { AssignedHeading, BibliographicRecord } from '../../record';
import { listDescendants, type XmlElement } from '../xml/element';
import { readAuthors, readLanguage, readPlace, readType, readYear } from '../loose-values';

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
  /** Fields in another script, where the field that they are linked to is not there. */
  const listLinked = (tag: string, codes: string): string[] =>
    fields
      .filter(({ attributes }) => attributes['tag'] === '880')
      .map((field) => listDescendants(field, 'subfield'))
      .filter((parts) =>
        parts.some(({ attributes, text }) => attributes['code'] === '6' && text.startsWith(tag)),
      )
      .map((parts) =>
        parts
          .filter(({ attributes }) => codes.includes(attributes['code'] ?? '?'))
          .map(({ text }) => text.trim())
          .join(' '),
      );
  const fixed = control('008') ?? '';
  const leader = listDescendants(element, 'leader')[0]?.text ?? '';
  // Of several dates, that of publication: the second indicator of 264 tells it from those of printing and copyright.
  const published = fields
    .filter(({ attributes }) => attributes['tag'] === '264' && attributes['ind2'] === '1')
    .flatMap((field) => listDescendants(field, 'subfield'))
    .find((part) => part.attributes['code'] === 'c')?.text;
  const year = [published, ...list(['264', '260'], 'c'), fixed.slice(7, 11)]
    .map(readYear)
    .find((one) => one !== undefined);
  const isPart = /^.{7}[ab]/.test(leader) || list(['773'], 't').length > 0;
  const doi = findDoi(list(['024', '856'], 'au'));
  const publisher = list(['264', '260'], 'b')[0]?.replace(/[\s,:;]+$/, '') ?? '';
  const source = list(['773'], 't')[0] ?? publisher;
  // The parts of the host item: `Vol. 12, no. 3 (2021), p. 120-131`.
  const host = list(['773'], 'g')[0] ?? '';
  const part = (pattern: RegExp): string => pattern.exec(host)?.[1] ?? '';
  return {
    id: control('001')?.trim() ?? id,
    title: (list(['245'], 'abnp')[0] ?? listLinked('245', 'abnp')[0] ?? '').replace(/\s*[/:;,]\s*$/, ''),
    abstract: list(['520'], 'ab').join(' '),
    keywords: list(['653'], 'a'),
    headings: listHeadings(fields),
    authors: readAuthors([
      ...(list(['100', '700'], 'abc').length > 0 ? [] : listLinked('100', 'abc')),
      ...NAME_FIELDS.flatMap((tags) => listNames(fields, tags)),
    ]),
    source,
    ...readPlace(source, {
      volume: part(/\b(?:vol\.?|v\.)\s*([^,;(]+)/i).trim(),
      issue: part(/\b(?:no\.?|nr\.?|issue)\s*([^,;(]+)/i).trim(),
      pages: part(/\bpp?\.\s*([^,;()]+)/i).trim(),
      publisher,
    }),
    ...(year !== undefined && { year }),
    type:
      list(['502'], 'a').length > 0
        ? 'thesis'
        : readType(list(['655'], 'a').concat(isPart ? 'article' : 'book')),
    language: readLanguage(list(['041'], 'a')[0] ?? fixed.slice(35, 38)),
    peerReviewed: 'unknown',
    hasFullText: false,
    ...(doi !== undefined && { doi }),
    entered: '',
    references: [],
  };
}

/** The fields of main entry come before those of the others, who stand in the order of the record. */
const NAME_FIELDS = [
  ['100', '110', '111'],
  ['700', '710', '711'],
];
const PERSON = /^[17]00$/;

/** The people and organisations of some fields; an organisation in braces, as one name whole. */
function listNames(fields: readonly XmlElement[], tags: readonly string[]): string[] {
  return fields.flatMap((field) => {
    const tag = field.attributes['tag'] ?? '';
    if (!tags.includes(tag)) return [];
    const codes = PERSON.test(tag) ? 'abc' : 'ab';
    const name = listDescendants(field, 'subfield')
      .filter(({ attributes }) => codes.includes(attributes['code'] ?? '?'))
      .map(({ text }) => text.trim())
      .join(' ');
    return name === '' ? [] : [PERSON.test(tag) ? name : `{${name}}`];
  });
}

/** Subject headings, their subdivisions as qualifiers: `Bats -- Behaviour -- England`. */
function listHeadings(fields: readonly XmlElement[]): AssignedHeading[] {
  return fields
    .filter(({ attributes }) => ['600', '610', '611', '630', '650', '651'].includes(attributes['tag'] ?? ''))
    .flatMap((field) => {
      const parts = (codes: string): string[] =>
        listDescendants(field, 'subfield')
          .filter(({ attributes }) => codes.includes(attributes['code'] ?? '?'))
          .map(({ text }) => text.trim().replace(/[.,;]$/, ''))
          .filter((text) => text !== '');
      const label = parts('ab').join(' ');
      const qualifier = parts('xvyz').join(' / ');
      return label === '' ? [] : [{ label, ...(qualifier !== '' && { qualifier }) }];
    });
}
