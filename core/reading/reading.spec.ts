import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Concept, Term } from '../project';
import { build, createPattern, printQuery } from '../query';
import { type BibliographicRecord } from '../record';
import { createRecordKeys } from '../record/same-work';
import { createTestRecord } from '../testing/records';
import { splitWords } from '../text';
import { createVocabulary } from '../vocabulary';
import { countPhrases } from './count-phrases';
import {
  type LESSONS,
  createJudgement,
  createWorkFinder,
  explainRecords,
  findAmong,
  listCandidates,
  listReasons,
  rankLearnt,
} from './index';

const createConcept = (name: string, texts: readonly string[], parts: Partial<Concept> = {}): Concept => ({
  id: name,
  name,
  block: name,
  off: false,
  terms: texts.map((text, at): Term => ({ id: `${name}${at}`, text, off: false })),
  ...parts,
});
const told = (record: BibliographicRecord, concepts: readonly Concept[]) =>
  explainRecords([record], concepts, 'heronsmere')[0]!.map(({ terms, strength }) => ({
    strength,
    terms: terms.map(({ term, places }) => `${term.text}: ${places.join(', ')}`),
  }));

describe('why a record is here', () => {
  const record = createTestRecord({
    title: 'Commuting bats avoid lit verges',
    abstract: 'Street lamps keep pipistrelles away. Lamps were dimmed.',
    keywords: ['street lighting'],
    headings: [{ label: 'Chiroptera', focus: true }],
    authors: [{ given: 'Freya', family: 'Okonjo' }],
  });

  it('is told for each concept by its terms and where they stand', () => {
    const concepts = [
      createConcept('bats', ['bats', 'pipistrel*', 'heading: "Chiroptera"', 'myotis']),
      createConcept('light', ['"street lamp*"', '"street lighting"']),
      createConcept('road', ['road*']),
    ];
    expect(told(record, concepts)).toEqual([
      { strength: 1, terms: ['bats: title', 'pipistrel*: abstract', 'heading: "Chiroptera": headings'] },
      { strength: 0.8, terms: ['"street lamp*": abstract', '"street lighting": keywords'] },
      { strength: 0, terms: [] },
    ]);
  });

  it('goes by the fields of terms and of the concept, and leaves out what is off or for other databases', () => {
    const concept = createConcept('x', ['title: lamps', 'verges', 'author: okonjo', '(bats AND lamps)']);
    const terms = concept.terms.map((term, at) => (at === 1 ? { ...term, off: true } : term));
    expect(told(record, [{ ...concept, terms }])[0]?.terms).toEqual([
      'author: okonjo: ',
      '(bats AND lamps): ',
    ]);
    const elsewhere = concept.terms.map((term) => ({ ...term, text: 'bats', databases: ['gantry'] }));
    expect(told(record, [{ ...concept, terms: elsewhere }])[0]?.terms).toEqual([]);
    expect(told(record, [createConcept('y', ['bats', 'lamps'], { fields: ['title'] })])[0]?.terms).toEqual([
      'bats: title',
    ]);
  });

  it('knows headings below a heading where the thesaurus is at hand', () => {
    const vocabulary = createVocabulary('heronsmere', [
      { label: 'Mammals', entryTerms: [], broader: [], related: [] },
      { label: 'Chiroptera', entryTerms: [], broader: ['Mammals'], related: [] },
    ]);
    const [met] = explainRecords(
      [record],
      [createConcept('m', ['branch: "Mammals"'])],
      'heronsmere',
      vocabulary,
    )[0]!;
    expect(met?.terms.map(({ places }) => places)).toEqual([['headings']]);
  });

  it('is the same as reading the words of each place, for single words', () => {
    const word = fc.constantFrom('bat', 'lamp', 'road', 'night');
    const text = fc.array(word, { maxLength: 4 }).map((words) => words.join(' '));
    const records = fc.array(fc.record({ title: text, abstract: text, keyword: text }), {
      minLength: 1,
      maxLength: 6,
    });
    fc.assert(
      fc.property(records, fc.array(word, { minLength: 1, maxLength: 3 }), (list, words) => {
        const all = list.map(({ title, abstract, keyword }) =>
          createTestRecord({ title, abstract, keywords: keyword === '' ? [] : [keyword] }),
        );
        const concept = createConcept('c', words);
        explainRecords(all, [concept], 'heronsmere').forEach(([met], at) => {
          const { title, abstract, keyword } = list[at]!;
          const has = (value: string, wanted: string) => splitWords(value).some((one) => one.text === wanted);
          for (const term of concept.terms) {
            const wanted = [
              ...(has(title, term.text) ? ['title'] : []),
              ...(has(keyword, term.text) ? ['keywords'] : []),
              ...(has(abstract, term.text) ? ['abstract'] : []),
            ];
            expect(met?.terms.find((one) => one.term === term)?.places ?? []).toEqual(wanted);
          }
        });
      }),
    );
  });
});

describe('judgements', () => {
  const authors = [{ given: 'A', family: 'Ode' }];
  const record = createTestRecord({
    title: 'Bats and lamps at night',
    year: 2020,
    authors,
    doi: '10.5555/a.1',
  });

  it('hold for the same work in another database', () => {
    const find = createWorkFinder({ 'heronsmere 1': createJudgement(record, 'on', 'field study') });
    expect(find('heronsmere 1', createRecordKeys(record))).toMatchObject({
      verdict: 'on',
      reason: 'field study',
    });
    expect(find('gantry 9', createRecordKeys({ ...record, title: 'Bats & lamps' }))?.verdict).toBe('on');
    const { doi: _, ...bare } = record;
    expect(find('gantry 9', createRecordKeys(bare))?.verdict).toBe('on');
    expect(find('gantry 9', createRecordKeys({ ...record, doi: '10.5555/a.2' }))).toBeUndefined();
    expect(find('gantry 9', createRecordKeys({ ...bare, year: 2019 }))).toBeUndefined();
  });

  it('of the record itself come before those of the same work', () => {
    const find = createWorkFinder({
      'heronsmere 1': createJudgement(record, 'on'),
      'gantry 2': createJudgement(record, 'off'),
    });
    expect([
      find('heronsmere 1', createRecordKeys(record))?.verdict,
      find('gantry 2', createRecordKeys(record))?.verdict,
    ]).toEqual(['on', 'off']);
  });

  it('offer their reasons again, the most frequent first', () => {
    const of = (reason: string) => createJudgement(record, 'off', reason);
    expect(listReasons({ 'a 1': of('lab'), 'a 2': of('moths'), 'a 3': of('moths') })).toEqual([
      'moths',
      'lab',
    ]);
  });
});

describe('what is learnt from records', () => {
  const records = [
    createTestRecord({
      title: 'Part-night lighting and bats',
      abstract: 'Part-night lighting of lit verges. The bats flew.',
      keywords: ['lit verge'],
      source: 'Lantern Studies',
      authors: [
        { given: 'I', family: 'Sorley', affiliation: 'Night House Ambry' },
        { given: 'F', family: 'Okonjo', affiliation: 'Night House Ambry' },
      ],
    }),
    createTestRecord({
      title: 'Bats under part-night lighting',
      headings: [{ label: 'Chiroptera' }],
      source: 'Lantern Studies',
      authors: [{ given: 'I', family: 'Sorley', affiliation: 'Night House Ambry' }],
    }),
    createTestRecord({ title: 'Moths of the night', headings: [{ label: 'Chiroptera' }] }),
  ];
  const texts = (lesson: (typeof LESSONS)[number]) =>
    listCandidates(records, lesson, 9).map(({ text, found }) => `${text} ${found}`);

  it('are words and phrases that several have, without the parts of a longer one', () => {
    expect(texts('words')).toEqual(['night 3', 'part night lighting 2', 'bats 2']);
  });

  it('are headings, keywords, sources, names and places of work, each with what finds it', () => {
    expect(texts('headings')).toEqual(['Chiroptera 2']);
    expect(texts('sources')).toEqual(['Lantern Studies 2']);
    expect(texts('names')).toEqual(['Sorley, I 2']);
    expect(texts('keywords')).toEqual([]);
    expect(texts('places')).toEqual(['Night House Ambry 2']);
    expect(printQuery(listCandidates(records, 'places', 1)[0]!.root)).toBe(
      'affiliation: "Night House Ambry"',
    );
    expect(printQuery(listCandidates(records, 'headings', 1, 'heronsmere')[0]!.root)).toBe(
      'heading(heronsmere): "Chiroptera"',
    );
  });

  it('are counted as one does by reading, and each is found by its query', () => {
    const word = fc.constantFrom('bat', 'lamp', 'road', 'of', 'night');
    const title = fc.array(word, { minLength: 1, maxLength: 6 }).map((words) => words.join(' '));
    fc.assert(
      fc.property(fc.array(title, { minLength: 2, maxLength: 6 }), (titles) => {
        const all = titles.map((one) => createTestRecord({ title: one }));
        for (const { text, found, root } of listCandidates(all, 'words', 50)) {
          const wanted = titles.filter((one) => ` ${one} `.includes(` ${text} `)).length;
          expect(found).toBe(wanted);
          expect(findAmong(all, [root])[0]!.filter(Boolean)).toHaveLength(wanted);
          expect(found).toBeGreaterThanOrEqual(2);
        }
      }),
    );
  });

  it('are all phrases that several records have, letters of all kinds and sentences among them', () => {
    const word = fc.constantFrom('bat', 'Lämpe', 'road.', 'of', 'night', 'épée', 'x1', 'Bat;');
    const text = fc.array(word, { maxLength: 7 }).map((words) => words.join(' '));
    fc.assert(
      fc.property(fc.array(fc.tuple(text, text), { minLength: 2, maxLength: 6 }), (texts) => {
        const all = texts.map(([title, abstract]) => createTestRecord({ title, abstract, keywords: [] }));
        const counts = new Map<string, Set<number>>();
        const isTelling = (one: string): boolean => one.length > 2 && one !== 'of';
        texts.forEach((values, record) => {
          for (const sentence of values.flatMap((value) => value.split(/[.;]/))) {
            const words = splitWords(sentence).map((one) => one.text);
            for (let length = 1; length <= 4; length++)
              for (let at = 0; at + length <= words.length; at++) {
                const some = words.slice(at, at + length);
                if (!isTelling(some[0]!) || !isTelling(some.at(-1)!)) continue;
                const phrase = some.join(' ');
                counts.set(phrase, (counts.get(phrase) ?? new Set()).add(record));
              }
          }
        });
        const wanted = [...counts].filter(([, found]) => found.size > 1);
        const counted = countPhrases(all).map(({ text: phrase, found }) => [phrase, found]);
        expect(new Map(counted as [string, number][])).toEqual(
          new Map(wanted.map(([phrase, found]) => [phrase, found.size])),
        );
        expect(counted).toHaveLength(wanted.length);
      }),
    );
  });

  it('are ranked by how much they set the records apart; what is not counted yet is left out', () => {
    const candidate = (text: string, found: number) => ({
      text,
      found,
      root: build.term(createPattern(text)),
    });
    const counts: Record<string, number> = { spectral: 12, bats: 500, the: 9_000 };
    const ranked = rankLearnt(
      [candidate('the', 10), candidate('bats', 10), candidate('spectral', 8), candidate('new', 9)],
      10,
      10_000,
      ({ text }) => counts[text],
    );
    expect(ranked.map(({ text }) => text)).toEqual(['spectral', 'bats', 'the']);
    expect(ranked[0]!.ratio).toBeGreaterThan(100);
    expect(ranked[2]!.score).toBeGreaterThan(0);
    expect(rankLearnt([candidate('x', 2)], 10, 10, () => 2)).toEqual([]);
  });
});
