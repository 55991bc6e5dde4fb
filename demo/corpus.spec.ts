import { createLabelKey } from '#core/text/index';
import { createHash } from 'node:crypto';
import { beforeAll, describe, expect, it } from 'vitest';
import { splitWords, visitWords } from '#core/text/index';
import { HOLDING_SIZES, createHolding } from './holdings';
import { createThesauri } from './thesauri/index';
import { HOLDING_IDS, THEMES } from './themes/index';
import { createCorpus, type Corpus } from './works';

const SEED = 2026;
let corpus: Corpus;
let forms: Map<string, number>;

beforeAll(() => {
  corpus = createCorpus(SEED);
  forms = new Map();
  for (const work of corpus.works) {
    for (const text of [work.title, work.abstract])
      visitWords(text, (word) => forms.set(word, (forms.get(word) ?? 0) + 1));
  }
});

const hash = (value: unknown): string => createHash('sha256').update(JSON.stringify(value)).digest('hex');

describe('the corpus', () => {
  it('has 40,000 works of about twenty-five themes, a few hundred of which answer the demo question', () => {
    expect(corpus.works).toHaveLength(40_000);
    expect(THEMES.length).toBeGreaterThanOrEqual(25);
    const answers = corpus.works.filter((work) => work.theme.answersDemo).length;
    expect(answers).toBeGreaterThan(250);
    expect(answers).toBeLessThan(600);
  });

  it('is the same for the same seed and another one for another', () => {
    const part = (seed: number) =>
      hash(createCorpus(seed, 400).works.map(({ theme, ...work }) => ({ ...work, theme: theme.id })));
    expect(part(7)).toBe(part(7));
    expect(part(7)).not.toBe(part(8));
    expect(corpus.createFullText(corpus.works[17]!)).toBe(
      createCorpus(SEED).createFullText(corpus.works[17]!),
    );
  });

  it('has abstracts of 100 to 250 words and full texts of 400 to 800 more', () => {
    const english = corpus.works
      .filter((work) => work.language === 'en' && work.abstract !== '')
      .slice(0, 4_000);
    for (const work of english) {
      const length = work.abstract.split(' ').length;
      expect(length).toBeGreaterThanOrEqual(90);
      expect(length).toBeLessThanOrEqual(275);
    }
    for (const work of english.slice(0, 200)) {
      const length = splitWords(corpus.createFullText(work)).length;
      expect(length).toBeGreaterThanOrEqual(400);
      expect(length).toBeLessThanOrEqual(900);
    }
  });

  it('has at least 20,000 word forms with a long tail', () => {
    expect(forms.size).toBeGreaterThan(20_000);
    const rare = [...forms.values()].filter((count) => count <= 3).length;
    expect(rare / forms.size).toBeGreaterThan(0.15);
  });

  it.each([
    ['bat', ['bat', 'bats', 'batcave', 'batflies']],
    [
      'lamp',
      [
        'lamp',
        'lamps',
        'lamplight',
        'lamplit',
        'lampless',
        'lampshade',
        'lampshades',
        'lampholder',
        'lampholders',
      ],
    ],
  ])('brings at least ten unwanted word forms with %s*', (stem, wanted) => {
    const brought = [...forms.keys()].filter((form) => form.startsWith(stem) && !wanted.includes(form));
    expect(brought.length).toBeGreaterThanOrEqual(10);
  });

  it('holds the traps: spellings, languages, acronyms and names', () => {
    for (const form of [
      'behaviour',
      'behavior',
      'colour',
      'color',
      'led',
      'alan',
      'fledermause',
      'murcielagos',
      'chauves',
      'sodium',
    ]) {
      expect(forms.get(form), form).toBeGreaterThan(3);
    }
    expect(
      corpus.works.filter((work) => work.authors.some((author) => author.given === 'Alan')).length,
    ).toBeGreaterThan(100);
  });

  it('words the answers in many ways: no single term finds three quarters of them', () => {
    const answers = corpus.works.filter((work) => work.theme.answersDemo);
    const share = (pattern: RegExp) =>
      answers.filter((work) => pattern.test(`${work.title} ${work.abstract}`)).length / answers.length;
    expect(share(/\bstreet ?light/i)).toBeLessThan(0.75);
    expect(share(/artificial light at night|\bALAN\b/i)).toBeLessThan(0.75);
    expect(share(/\bbats?\b/i)).toBeGreaterThan(0.5);
  });
});

describe('the holdings', () => {
  it.each(HOLDING_IDS)('%s has its size and the records it should', (id) => {
    const small = createCorpus(SEED, 4_000);
    const holding = createHolding(small, id);
    expect(holding.works).toHaveLength(HOLDING_SIZES[id] / 10);
    const records = holding.works.map((_, place) => holding.createRecord(place));
    expect(new Set(records.map((record) => record.id)).size).toBe(records.length);
    expect(records.filter((record) => record.id.endsWith('-2')).length).toBeGreaterThan(0);
    expect(records.every((record) => /^\d{4}-\d{2}$/.test(record.entered))).toBe(true);
    expect(records.some((record) => record.fullText !== undefined)).toBe(id === 'marlstone');
    expect(records.some((record) => record.keywords.length > 0)).toBe(
      id === 'cardinal' || id === 'plainfinder',
    );
    const indexed = records.filter((record) => record.headings.length > 0);
    expect(indexed.length > 0).toBe(['heronsmere', 'gantry', 'northern'].includes(id));
    expect(indexed.every((record) => record.entered <= '2026-07')).toBe(true);
  });

  it('gives only headings that the thesauri have', () => {
    const thesauri = createThesauri();
    for (const theme of THEMES) {
      expect(
        theme.heronsmere.filter((label) => !thesauri.heronsmere.find(label)),
        theme.id,
      ).toEqual([]);
      expect(
        theme.gantry.filter((label) => !thesauri.gantry.find(label)),
        theme.id,
      ).toEqual([]);
    }
    expect(thesauri.heronsmere.listBranch('Chiroptera')).toContain('Myotis');
    for (const { id, headings } of Object.values(thesauri)) {
      expect(headings.length, id).toBeGreaterThanOrEqual(400);
      expect(headings.length, id).toBeLessThanOrEqual(1_500);
      const keys = new Set(headings.map((heading) => createLabelKey(heading.label)));
      expect(keys.size, id).toBe(headings.length);
      for (const heading of headings)
        for (const other of [...heading.broader, ...heading.related])
          expect(keys.has(createLabelKey(other)), `${heading.label}: ${other}`).toBe(true);
      expect(headings.filter((heading) => heading.scopeNote !== undefined).length, id).toBeGreaterThan(100);
      expect(
        headings.some((heading) => heading.translations),
        id,
      ).toBe(true);
    }
  });
});
