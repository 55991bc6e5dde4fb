import { describe, expect, it } from 'vitest';
import { readDublinCore, readMarcXml } from './index';
import type { XmlElement } from './xml/element';

const element = (
  name: string,
  text: string,
  attributes: Readonly<Record<string, string>> = {},
  children: readonly XmlElement[] = [],
): XmlElement => ({ name, text, attributes, children });
const field = (tag: string, parts: Readonly<Record<string, string>>, ind2 = ' '): XmlElement =>
  element(
    'datafield',
    '',
    { tag, ind2 },
    Object.entries(parts).map(([code, text]) => element('subfield', text, { code: code.charAt(0) })),
  );

describe('a record in MARCXML', () => {
  const marc = (leader: string, ...fields: readonly XmlElement[]) =>
    readMarcXml(element('record', '', {}, [element('leader', leader), ...fields]), 'r1');
  const TITLE = field('245', { a: 'Bats and lamps :', b: 'a survey /' });

  it('has people, organisations and meetings as authors', () => {
    const { authors } = marc(
      '     nam',
      TITLE,
      field('100', { a: 'Okonjo, Freya,' }),
      field('710', { a: 'Lampton Town.', b: 'Night Office' }),
      field('711', { a: 'Meeting on Owls' }),
    );
    expect(authors).toEqual([
      { family: 'Okonjo', given: 'Freya' },
      { family: 'Lampton Town. Night Office', given: '' },
      { family: 'Meeting on Owls', given: '' },
    ]);
  });

  it('is an article where its leader says that it is part of something', () => {
    expect(marc('     naa', TITLE).type).toBe('article');
    expect(marc('     nam', TITLE).type).toBe('book');
    expect(marc('     nam', TITLE, field('502', { a: 'Thesis' })).type).toBe('thesis');
  });

  it('is of the year of publication, not of copyright or printing', () => {
    const dates = [field('264', { c: '©1998' }, '4'), field('264', { c: '[2001]' }, '1')];
    expect(marc('     nam', TITLE, ...dates).year).toBe(2001);
    expect(marc('     nam', TITLE, field('260', { c: 'c1987' })).year).toBe(1987);
  });

  it('keeps the subdivisions of headings', () => {
    const { headings, title } = marc(
      '     nam',
      TITLE,
      field('650', { a: 'Bats', x: 'Behaviour', z: 'Lampland.' }),
    );
    expect(headings).toEqual([{ label: 'Bats', qualifier: 'Behaviour / Lampland' }]);
    expect(title).toBe('Bats and lamps : a survey');
  });
});

describe('a record in Dublin Core', () => {
  const core = (...parts: readonly (readonly [string, string])[]) =>
    readDublinCore(
      element(
        'dc',
        '',
        {},
        parts.map(([name, text]) => element(name, text)),
      ),
      'r1',
    );

  it('takes the terms that say more, and several subjects of one element', () => {
    expect(
      core(
        ['title', 'Bats'],
        ['date', '2020-05-06'],
        ['issued', '2019'],
        ['description', 'Long.'],
        ['abstract', 'Short.'],
        ['publisher', 'Lampton Press'],
        ['isPartOf', 'Lamplight'],
        ['subject', 'Owls; Lamps'],
        ['contributor', 'Ode, B.'],
      ),
    ).toMatchObject({
      year: 2019,
      abstract: 'Short.',
      source: 'Lamplight',
      headings: [{ label: 'Owls' }, { label: 'Lamps' }],
      authors: [{ family: 'Ode', given: 'B.' }],
    });
  });
});
