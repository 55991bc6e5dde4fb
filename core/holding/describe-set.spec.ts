import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  RecordSet,
  buildIndex,
  countKeys,
  createEvaluator,
  listSetWords,
  scoreWord,
  type IndexDocument,
} from '../collection';
import { FACETS, PLAIN_SORTS, SORTS, type SearchFilter, type Sort } from '../contract';
import { LIMITERS, listLimitersOf } from '../limiter';
import { arbitraryDocument } from '../testing/arbitraries';
import { foldLetters, splitWords } from '../text';
import { createVocabulary } from '../vocabulary';
import { answerSetWords, findRecordNumbers } from './answer-strings';
import { countFacets } from './count-facets';
import type { Holding } from './holding';
import { listGivenHeadings, readQueryText } from './query-text';

const NEVER = () => false;
const createHolding = (documents: readonly IndexDocument[]): Holding => {
  const index = buildIndex(documents);
  const vocabulary = listGivenHeadings('own', index);
  return {
    evaluator: createEvaluator(index),
    sentLimiters: ['years'],
    sorts: PLAIN_SORTS,
    vocabulary,
    read: (text) => readQueryText(text, vocabulary),
  };
};
const chooseSome = (size: number, pick: (at: number) => boolean): RecordSet => {
  const set = new RecordSet(size);
  for (let at = 0; at < size; at++) if (pick(at)) set.add(at);
  return set;
};

/** Documents with the places of those that are in the set. */
const worlds = fc
  .array(fc.record({ document: arbitraryDocument(), isIn: fc.boolean() }), { minLength: 1, maxLength: 14 })
  .map((list) => ({ documents: list.map(({ document }) => document), isIn: list.map(({ isIn }) => isIn) }));

describe('facets of a set', () => {
  it('count the records with each value, as one does by looking at them', () => {
    fc.assert(
      fc.property(worlds, ({ documents, isIn }) => {
        const set = chooseSome(documents.length, (at) => isIn[at] ?? false);
        const facets = countFacets(createHolding(documents), set, FACETS, NEVER);
        const chosen = documents.filter((_, at) => isIn[at]);
        const count = (has: (document: IndexDocument) => boolean): number => chosen.filter(has).length;
        for (const { value, records } of facets.years ?? [])
          expect(records).toBe(count(({ year }) => String(year) === value));
        expect(facets.years?.reduce((sum, { records }) => sum + records, 0)).toBe(
          count(({ year }) => year !== undefined && year !== 0),
        );
        for (const [name, prefix] of [
          ['types', 'type='],
          ['languages', 'language='],
          ['headings', 'heading='],
          ['sources', 'source='],
          ['keywords', 'keyword='],
          ['authors', 'author='],
          ['abstracts', 'abstract='],
          ['texts', 'text='],
        ] as const) {
          const wanted = new Map<string, number>();
          for (const document of chosen)
            for (const key of new Set(document.keys))
              if (key.startsWith(prefix)) wanted.set(key, (wanted.get(key) ?? 0) + 1);
          expect(new Map(facets[name]?.map(({ value, records }) => [prefix + value, records]))).toEqual(
            wanted,
          );
        }
        for (const name of listLimitersOf('flag')) {
          const counted = facets.flags?.find(({ value }) => value === name)?.records ?? 0;
          expect(counted).toBe(count(({ keys }) => keys.includes(LIMITERS[name].key)));
        }
      }),
    );
  });

  it('are the first of all values, however few are wanted', () => {
    fc.assert(
      fc.property(worlds, fc.nat(5), ({ documents, isIn }, most) => {
        const set = chooseSome(documents.length, (at) => isIn[at] ?? false);
        const index = buildIndex(documents);
        for (const name of ['type', 'heading', 'keyword']) {
          const all = countKeys(index, set, name);
          expect(countKeys(index, set, name, NEVER, most)).toEqual(all.slice(0, most));
        }
      }),
    );
  });

  it('name headings as the thesaurus writes them, the most frequent first', () => {
    const documents = ['bats', 'bats', 'lamps'].map((label) => ({ values: {}, keys: [`heading=${label}`] }));
    const vocabulary = createVocabulary('x', [{ label: 'Bats', entryTerms: [], broader: [], related: [] }]);
    const holding = { ...createHolding(documents), vocabulary };
    expect(countFacets(holding, RecordSet.all(3), ['headings'], NEVER)).toEqual({
      headings: [
        { value: 'Bats', records: 2 },
        { value: 'lamps', records: 1 },
      ],
    });
  });

  it('come with a page of a search, over all its records', () => {
    const documents = [2019, 2020, 2020, 2021].map((year) => ({
      values: { title: ['bat'] },
      keys: [],
      year,
    }));
    const request = { string: 'bat', sentLimiters: { years: { from: 2020 } }, start: 0, rows: 1 } as const;
    const holding = createHolding(documents);
    const find = (sort: 'newest' | 'oldest') =>
      findRecordNumbers(holding, { ...request, sort, facets: ['years'] }, () => NEVER);
    expect(find('oldest')).toMatchObject({
      total: 3,
      numbers: [2],
      facets: {
        years: [
          { value: '2020', records: 2 },
          { value: '2021', records: 1 },
        ],
      },
    });
    expect(find('newest')).toMatchObject({ numbers: [3] });
  });
});

describe('filters of a search', () => {
  /** Whether a document passes a filter, told without the index. */
  const passes = (
    { keys, year }: IndexDocument,
    { facet, values, leavesOut = false }: SearchFilter,
  ): boolean => {
    const has = values.some((value) => {
      if (facet === 'years') return String(year) === value;
      const name = { types: 'type', languages: 'language', headings: 'heading', keywords: 'keyword' };
      return keys.includes(`${name[facet as keyof typeof name]}=${value}`);
    });
    return has !== leavesOut;
  };
  const filter = fc.record({
    facet: fc.constantFrom('years', 'types', 'languages', 'headings', 'keywords'),
    pick: fc.array(fc.nat(20), { minLength: 1, maxLength: 2 }),
    leavesOut: fc.boolean(),
  });

  it('leave the records that pass all of them, in every page and every facet', () => {
    fc.assert(
      fc.property(worlds, fc.array(filter, { maxLength: 3 }), ({ documents }, picks) => {
        const holding = createHolding(documents);
        const all = countFacets(holding, RecordSet.all(documents.length), FACETS, NEVER);
        const filters = picks.flatMap(({ facet, pick, leavesOut }): SearchFilter[] => {
          const values = (all[facet] ?? []).map(({ value }) => value);
          const chosen = pick.flatMap((at) => values[at % Math.max(1, values.length)] ?? []);
          return chosen.length > 0 ? [{ facet, values: chosen, leavesOut }] : [];
        });
        const request = {
          string: 'bat',
          further: ['lamp'],
          sentLimiters: {},
          sort: 'newest',
          filters,
        } as const;
        const without = findRecordNumbers(
          holding,
          { ...request, filters: [], start: 0, rows: 100 },
          () => NEVER,
        );
        const found = findRecordNumbers(
          holding,
          { ...request, start: 0, rows: 100, facets: ['types'] },
          () => NEVER,
        );
        if ('problem' in without || 'problem' in found) throw new Error('Both strings are taken.');
        const wanted = without.numbers.filter((at) => filters.every((one) => passes(documents[at]!, one)));
        expect(found.numbers).toEqual(wanted);
        expect(found.total).toBe(wanted.length);
        expect(found.facets?.types?.reduce((sum, { records }) => sum + records, 0)).toBe(wanted.length);
      }),
    );
  });

  it('hold for several strings together, each record once', () => {
    const documents = ['bat lamp', 'bat', 'lamp', 'road'].map((title) => ({
      values: { title: [title] },
      keys: [],
    }));
    const request = {
      string: 'bat',
      further: ['lamp'],
      sentLimiters: {},
      start: 0,
      rows: 9,
      sort: 'newest',
    } as const;
    expect(findRecordNumbers(createHolding(documents), request, () => NEVER)).toMatchObject({
      total: 3,
      numbers: [2, 1, 0],
    });
  });
});

describe('records of a search', () => {
  const documents: IndexDocument[] = [
    { year: 2001, timesCited: 4, titleOrder: 'owls', authorOrder: 'ode b' },
    { timesCited: 9, titleOrder: 'bats' },
    { year: 1999, titleOrder: 'lamps', authorOrder: 'ash c' },
    { year: 2010, timesCited: 1, titleOrder: 'bats', authorOrder: 'zeal a' },
  ].map((one) => ({ values: { title: ['bat'] }, keys: [], ...one }));
  const ask = (request: object, sorts: readonly Sort[] = SORTS) => {
    const found = findRecordNumbers(
      { ...createHolding(documents), sorts },
      { string: 'bat', sentLimiters: {}, start: 0, rows: 9, sort: 'newest', ...request },
      () => NEVER,
    );
    if ('problem' in found) throw new Error('The string is taken.');
    return found.numbers;
  };

  it('come in each order; those without a value stand last, and equals the newest first', () => {
    expect(ask({ sort: 'newest' })).toEqual([3, 0, 2, 1]);
    expect(ask({ sort: 'oldest' })).toEqual([2, 0, 3, 1]);
    expect(ask({ sort: 'cited' })).toEqual([1, 0, 3, 2]);
    expect(ask({ sort: 'title' })).toEqual([3, 1, 2, 0]);
    expect(ask({ sort: 'author' })).toEqual([2, 0, 3, 1]);
  });

  it('come by relevance where a database has no such order', () => {
    expect(ask({ sort: 'cited' }, PLAIN_SORTS)).toEqual(ask({ sort: 'relevance' }));
  });

  it('are narrowed to some numbers, or to all but these', () => {
    expect(ask({ among: { numbers: [0, 3, 77] } })).toEqual([3, 0]);
    expect(ask({ among: { numbers: [0, 3], leavesOut: true } })).toEqual([2, 1]);
  });
});

describe('words of a set', () => {
  it('are counted in what says what a record is about, as one does by reading', () => {
    fc.assert(
      fc.property(worlds, ({ documents, isIn }) => {
        const set = chooseSome(documents.length, (at) => isIn[at] ?? false);
        const words = listSetWords(buildIndex(documents), set, 1_000);
        const hasWord = ({ values }: IndexDocument, wanted: string): boolean =>
          (['title', 'abstract', 'keywords', 'heading'] as const).some((field) =>
            values[field]?.some((text) =>
              splitWords(text).some(({ start, end }) => foldLetters(text.slice(start, end)) === wanted),
            ),
          );
        for (const { word, found, records } of words) {
          expect(records).toBe(documents.filter((document) => hasWord(document, word)).length);
          expect(found).toBe(documents.filter((document, at) => isIn[at] && hasWord(document, word)).length);
          expect(found).toBeGreaterThanOrEqual(2);
        }
      }),
    );
  });

  it('stand in the order of how much they set the records apart', () => {
    const titles = ['bat roost', 'bat roost lamp', 'bat lamp', 'lamp road', 'lamp road', 'lamp'];
    const holding = createHolding(titles.map((title) => ({ values: { title: [title] }, keys: [] })));
    const answer = answerSetWords(holding, { string: 'bat', sentLimiters: {}, most: 2 }, () => NEVER);
    expect(answer).toEqual({
      total: 3,
      words: [
        { word: 'bat', found: 3, records: 3 },
        { word: 'roost', found: 2, records: 2 },
      ],
    });
  });

  it('are scored by log-likelihood: nothing where shares are equal, below nothing where rarer', () => {
    expect(scoreWord(5, 10, 50, 100)).toBeCloseTo(0, 9);
    // By hand: 2 · (8 ln(8/5) + 2 ln(2/5) + 2 ln(2/5) + 8 ln(8/5)).
    const byHand = 2 * (16 * Math.log(8 / 5) + 4 * Math.log(2 / 5));
    expect(scoreWord(8, 10, 10, 20)).toBeCloseTo(byHand, 9);
    expect(scoreWord(2, 10, 10, 20)).toBeCloseTo(-byHand, 9);
    expect(scoreWord(10, 10, 10, 20)).toBeCloseTo(2 * 20 * Math.log(2), 9);
    expect(scoreWord(4, 10, 4, 10)).toBeCloseTo(0, 9);
  });

  it('are none where there is no time', () => {
    const holding = createHolding([{ values: { title: ['bat'] }, keys: [] }]);
    const answer = answerSetWords(holding, { string: 'bat', sentLimiters: {}, most: 5 }, () => () => true);
    expect(answer).toMatchObject({ problem: { code: 'too-slow' } });
  });
});
