import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { printQuery } from '../query';
import { createTestRecord } from '../testing/records';
import {
  chooseTelling,
  createPartQuery,
  gatherSimilar,
  hasPart,
  listTellingParts,
  type SimilarStep,
  type WeighedPart,
} from './similar';

const createRecord = (number: number) =>
  createTestRecord({
    id: `r-${number}`,
    title: `Hedge number ${'abcdefghij'[number]}`,
    authors: [{ given: 'Ida', family: `Pell${'abcdefghij'[number]}` }],
    year: 2000 + number,
    doi: `10.5555/similar.${number}`,
  });

describe('what a record may share', () => {
  it('is the words of title and keywords that tell something, and its headings', () => {
    const record = createTestRecord({
      title: 'The effects of LED lamps in 2020 on lamps',
      keywords: ['Hedgerow bats'],
      headings: [{ label: 'Street lighting' }],
    });
    expect(listTellingParts(record)).toEqual([
      { kind: 'heading', text: 'Street lighting' },
      { kind: 'word', text: 'effects' },
      { kind: 'word', text: 'lamps' },
      { kind: 'word', text: 'hedgerow' },
      { kind: 'word', text: 'bats' },
    ]);
  });

  it('is asked for by queries, and told in a record', () => {
    const [word, heading] = [
      { kind: 'word', text: 'lamps' },
      { kind: 'heading', text: 'Street lighting' },
    ] as const;
    expect(printQuery(createPartQuery(word)!)).toBe('title,abstract,keywords: lamps');
    expect(printQuery(createPartQuery(heading)!)).toBe('heading: "Street lighting"');
    expect(createPartQuery({ kind: 'reference', text: 'x' })).toBeUndefined();
    const record = createTestRecord({
      title: 'Bats',
      abstract: 'Warm LAMPS.',
      headings: [{ label: 'street lighting' }],
    });
    expect([word, heading].map((part) => hasPart(record, part))).toEqual([true, true]);
    expect(hasPart(record, { kind: 'word', text: 'lamp' })).toBe(false);
  });

  it('tells the more the rarer it is; what one record or many have tells nothing', () => {
    const parts = ['alone', 'rare', 'rarer', 'common', 'unknown'].map((text) => ({
      kind: 'word' as const,
      text,
    }));
    const chosen = chooseTelling(parts, [1, 20, 2, 21, undefined], 1_000);
    expect(chosen.map(({ text }) => text)).toEqual(['rarer', 'rare']);
    expect(chosen[1]!.weight).toBeCloseTo(Math.log(50));
  });
});

describe('similar works', () => {
  it('share two things with a start, each counted once, and are ranked by what these tell', () => {
    const parts: readonly WeighedPart[] = [
      { kind: 'word', text: 'hedgerow', weight: 2 },
      { kind: 'heading', text: 'Lamps', weight: 3 },
      { kind: 'reference', text: 'A work that both cite', weight: 5 },
    ];
    const step = fc.record({
      start: fc.nat(1),
      database: fc.constantFrom('cardinal', 'gantry'),
      part: fc.constantFrom(...parts),
      numbers: fc.uniqueArray(fc.nat(5), { maxLength: 4 }),
    });
    fc.assert(
      fc.property(fc.array(step, { maxLength: 12 }), (drawn) => {
        const steps: SimilarStep[] = drawn.map(({ numbers, ...rest }) => ({
          ...rest,
          records: numbers.map(createRecord),
        }));
        const works = gatherSimilar([createRecord(0), createRecord(1)], steps);
        const expected = [2, 3, 4, 5].flatMap((number) => {
          const shared = [0, 1].map((start) =>
            parts.filter((part) =>
              drawn.some((one) => one.start === start && one.part === part && one.numbers.includes(number)),
            ),
          );
          const from = [0, 1].filter((start) => shared[start]!.length >= 2);
          const all = from.flatMap((start) => shared[start]!);
          return from.length === 0
            ? []
            : [{ number, from, score: all.reduce((sum, { weight }) => sum + weight, 0) }];
        });
        const told = works.map(({ record, from, score }) => ({
          number: (record.year ?? 0) - 2000,
          from,
          score,
        }));
        expect(told.toSorted((a, b) => a.number - b.number)).toEqual(expected);
        expect(works.map(({ score }) => score)).toEqual(
          works.map(({ score }) => score).sort((a, b) => b - a),
        );
      }),
    );
  });

  it('say what they share', () => {
    const share = (part: WeighedPart): SimilarStep => ({
      start: 0,
      database: 'cardinal',
      part,
      records: [createRecord(2)],
    });
    const [work] = gatherSimilar(
      [createRecord(0)],
      [
        share({ kind: 'word', text: 'hedgerow', weight: 2 }),
        share({ kind: 'word', text: 'roost', weight: 4 }),
        share({ kind: 'reference', text: 'One', weight: 1 }),
        share({ kind: 'reference', text: 'Two', weight: 1 }),
      ],
    );
    expect(work).toMatchObject({ references: 2, words: ['roost', 'hedgerow'], headings: [], score: 8 });
  });
});
