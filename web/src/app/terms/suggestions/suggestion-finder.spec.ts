import '@angular/compiler';
import { Injector } from '@angular/core';
import { describe, expect, it } from 'vitest';
import { DIALECTS } from '#core/dialect/index';
import { succeed } from '#core/problem/index';
import type { Concept, Term } from '#core/project/index';
import { createVocabulary } from '#core/vocabulary/index';
import type { BibliographicRecord } from '#core/record/index';
import { createConnection } from '../../data/connections/connection';
import { Connections } from '../../state/connections';
import { ThesaurusStore } from '../../state/thesaurus-store';
import { IndexWords } from '../../state/index-words';
import { SuggestionFinder } from './suggestion-finder';
import type { Suggestion } from './suggestion';

const dialect = DIALECTS.find(({ id }) => id === 'heronsmere')!;
const vocabulary = createVocabulary('heronsmere', [
  { label: 'Animals', entryTerms: [], broader: [], related: [] },
  {
    label: 'Chiroptera',
    entryTerms: ['Bats', 'Flying mammals'],
    broader: ['Animals'],
    related: ['Sonar'],
    translations: [{ language: 'de', label: 'Fledermäuse' }],
  },
  { label: 'Myotis', entryTerms: [], broader: ['Chiroptera'], related: [] },
  { label: 'Sonar', entryTerms: [], broader: [], related: [] },
]);
const INDEX = ['roost', 'roosting', 'roosts', 'color', 'colour', 'streetlight', 'luminaire', 'luminaires'];

interface FakeRecord {
  readonly title: string;
  readonly abstract: string;
  readonly language?: string;
}

/** A finder over a small index, a small thesaurus, and whatever records a string is said to find. */
function createFinder(records: (string: string) => readonly FakeRecord[] = () => []) {
  const connection = createConnection('served', 'heronsmere', {
    words: ({ prefix }) =>
      Promise.resolve(
        succeed({
          words: INDEX.filter((word) => word.startsWith(prefix)).map((word) => ({ word, records: 20 })),
        }),
      ),
    search: ({ string }) =>
      Promise.resolve(
        succeed({
          total: 1,
          estimated: false,
          records: records(string).map(
            (record) => ({ language: 'en', keywords: [], ...record }) as unknown as BibliographicRecord,
          ),
        }),
      ),
  });
  const thesauri = {
    find: () => vocabulary,
    lookUp: (_: string, texts: readonly string[], most: number) => [
      ...new Map(
        texts.flatMap((text) => vocabulary.lookUp(text, most)).map((found) => [found.heading, found]),
      ).values(),
    ],
  };
  return Injector.create({
    providers: [
      SuggestionFinder,
      IndexWords,
      { provide: Connections, useValue: { find: () => connection, mayOffer: () => true } },
      { provide: ThesaurusStore, useValue: thesauri },
    ],
  }).get(SuggestionFinder);
}

async function suggest(
  texts: readonly string[],
  records?: (string: string) => readonly FakeRecord[],
  empty: readonly number[] = [],
): Promise<Suggestion[]> {
  const terms = texts.map((text, at): Term => ({ id: String(at), text, off: false }));
  const concept: Concept = { id: 'a', name: texts[0] ?? '', block: 'a', off: false, terms };
  const finder = createFinder(records);
  const question = { concept, terms, empty: empty.map((at) => terms[at]!), dialects: [dialect], dialect };
  const lookouts = [...finder.list(question), ...finder.listSlips(question)];
  return [...finder.findHeadings(question), ...(await Promise.all(lookouts.map((find) => find()))).flat()];
}

const texts = (found: readonly Suggestion[], section: Suggestion['section']) =>
  found.filter((suggestion) => suggestion.section === section).map((suggestion) => suggestion.text);

describe('suggestions', () => {
  it('for a phrase that finds nothing are its words, all of them in any place, and headings of each', async () => {
    const found = await suggest(['"the roosting of bats"'], undefined, [0]);
    expect(texts(found, 'words')).toEqual(['(roosting AND bats)', 'roosting', 'bats', 'roost', 'roosts']);
    expect(texts(await suggest(['"the roosting of bats"']), 'words')).toEqual([]);
    expect(texts(await suggest(['"of bats"'], undefined, [0]), 'words')).toEqual([]);
  });

  it('are other forms of a word and of the last word of a phrase', async () => {
    expect(texts(await suggest(['roosting']), 'forms')).toEqual([
      'roost',
      'roosts',
      '"roo sting"',
      '"roos ting"',
      '"roost ing"',
    ]);
    expect(texts(await suggest(['"bat roosting"']), 'forms')).toEqual([
      '"bat roost"',
      '"bat roosts"',
      'batroosting',
    ]);
  });

  it('are other spellings that the index has, and slips', async () => {
    const found = await suggest(['colour']);
    expect(texts(found, 'spellings')).toEqual(['colo[u]r', 'color']);
    expect(texts(await suggest(['armour']), 'spellings')).toEqual([]);
    const [slip] = (await suggest(['luminiare'])).filter((suggestion) => suggestion.section === 'slips');
    expect(slip).toMatchObject({ text: 'luminaire', from: 'luminiare is in no index' });
  });

  it('are headings that the words lead to, those around, entry terms and names', async () => {
    const led = await suggest(['bats']);
    expect(texts(led, 'headings')).toEqual(['branch(heronsmere): "Chiroptera"']);
    expect(texts(led, 'entries')).toEqual(['bats', '"flying mammals"']);
    expect(led.find((suggestion) => suggestion.language === 'de')?.text).toBe('fledermäuse');
    const had = await suggest(['heading: "Chiroptera"']);
    expect(had.filter(({ section }) => section === 'headings').map(({ text, from }) => [text, from])).toEqual(
      [
        ['branch(heronsmere): "Animals"', 'Heronsmere, broader'],
        ['heading(heronsmere): "Myotis"', 'Heronsmere, narrower'],
        ['heading(heronsmere): "Sonar"', 'Heronsmere, related'],
      ],
    );
  });

  it('are long forms of an acronym with their share, and the acronym tied in its place', async () => {
    const explained = (long: string, more: string): FakeRecord => ({
      title: more,
      abstract: `The ${long} (ALAN) was seen.`,
    });
    const found = await suggest(['ALAN'], (string) =>
      string.includes('ALAN')
        ? [
            ...Array.from({ length: 3 }, () => explained('artificial light at night', 'Lamps and moths')),
            explained('ad hoc local area network', 'Radio links'),
          ]
        : [],
    );
    expect(
      found.filter(({ section }) => section === 'meanings').map(({ text, from }) => [text, from])[0],
    ).toEqual(['"artificial light at night"', '75 of 100 that explain ALAN, Heronsmere']);
    const tied = found.find((suggestion) => suggestion.replaces !== undefined);
    expect(tied?.text).toMatch(/^\(ALAN AND /);
    expect(tied?.replaces).toBe('0');
  });

  it('are names in other languages of a heading that a term is the whole name of, accents and all', () => {
    const list = (text: string) => {
      const terms: Term[] = [{ id: '1', text, off: false }];
      const concept: Concept = { id: 'a', name: 'x', block: 'a', off: false, terms };
      return createFinder()
        .findHeadings({ concept, terms, dialects: [dialect], dialect })
        .filter(({ section }) => section === 'languages')
        .map(({ text: name, language }) => [name, language]);
    };
    expect(list('bats')).toEqual([['fledermäuse', 'de']]);
    // A name that only begins so may be about something else.
    expect(list('flying')).toEqual([]);
  });

  it('are none where nothing answers', async () => {
    const terms: Term[] = [{ id: '1', text: 'bat', off: true }];
    const concept: Concept = { id: 'a', name: 'x', block: 'a', off: false, terms };
    const question = { concept, terms, dialects: [], dialect };
    const finder = createFinder();
    const lookouts = [...finder.list(question), ...finder.listSlips(question)];
    const found = await Promise.all(lookouts.map((find) => find()));
    expect(found.flat()).toEqual([]);
  });
});
