import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { CitationDirection } from '../contract';
import type { BibliographicRecord } from '../record';
import { createRecordKeys } from '../record/same-work';
import { createTestRecord } from '../testing/records';
import { countTrailYears, createFoundTest, gatherTrail, measureNextStep, type TrailStep } from './trail';

const createRecord = (number: number, part: Partial<BibliographicRecord> = {}): BibliographicRecord =>
  createTestRecord({
    id: `r-${number}`,
    title: `Lamps along hedges, site ${NAMES[number]}`,
    authors: [{ given: 'Ida', family: `Pell${NAMES[number]}` }],
    source: 'Annals of Night Ecology',
    year: 2000 + number,
    doi: `10.5555/trail.${number}`,
    ...part,
  });
const NAMES = ['ash', 'birch', 'cedar', 'dogwood', 'elm', 'fir', 'gorse', 'hazel', 'ivy', 'juniper'];
const titles = (works: readonly { readonly record: BibliographicRecord }[]): string[] =>
  works.map(({ record }) => record.title);

describe('a trail', () => {
  it('leads to each work once, with all starts that lead to it, and never back to a start', () => {
    const number = fc.integer({ min: 0, max: NAMES.length - 1 });
    const step = fc.record({
      start: fc.integer({ min: 0, max: 2 }),
      direction: fc.constantFrom<CitationDirection>('references', 'citedby'),
      database: fc.constantFrom('cardinal', 'other'),
      numbers: fc.uniqueArray(number, { maxLength: 6 }),
    });
    fc.assert(
      fc.property(
        fc.uniqueArray(number, { minLength: 3, maxLength: 3 }),
        fc.array(step, { maxLength: 8 }),
        (starts, drawn) => {
          // Each database has ids of its own.
          const steps: TrailStep[] = drawn.map(({ numbers, ...rest }) => ({
            ...rest,
            records: numbers.map((one) => createRecord(one, { id: `${rest.database}-${one}` })),
          }));
          const works = gatherTrail(
            starts.map((one) => createRecord(one)),
            steps,
          );
          const expected = new Map<number, { from: Set<number>; directions: Set<string> }>();
          for (const { start, direction, numbers } of drawn)
            for (const one of numbers) {
              if (starts.includes(one)) continue;
              const known = expected.get(one) ?? { from: new Set(), directions: new Set() };
              known.from.add(start);
              known.directions.add(direction);
              expected.set(one, known);
            }
          expect(works).toHaveLength(expected.size);
          for (const [one, { from, directions }] of expected) {
            const work = works.find(({ record }) => record.doi === createRecord(one).doi)!;
            expect(work.from).toEqual([...from].sort());
            expect(work.directions).toEqual([...directions].sort());
          }
          const counts = works.map((work) => work.from.length);
          expect(counts).toEqual([...counts].sort((a, b) => b - a));
        },
      ),
    );
  });

  it('puts first what most starts lead to, then what is cited most, then the newest', () => {
    const cited = (times: number) => ({ cited: { times, peers: 100, ahead: 0 } });
    const steps: TrailStep[] = [
      {
        start: 0,
        direction: 'references',
        database: 'cardinal',
        records: [createRecord(3), createRecord(4), createRecord(5, cited(9))],
      },
      {
        start: 1,
        direction: 'references',
        database: 'cardinal',
        records: [createRecord(3), createRecord(6)],
      },
    ];
    const works = gatherTrail([createRecord(0), createRecord(1)], steps);
    expect(works.map(({ record }) => record.year)).toEqual([2003, 2005, 2006, 2004]);
    expect(works[0]!.from).toEqual([0, 1]);
  });

  it('tells what a search finds by the work, in whichever database', () => {
    const [one, other] = gatherTrail(
      [createRecord(0)],
      [{ start: 0, direction: 'citedby', database: 'cardinal', records: [createRecord(2), createRecord(1)] }],
    );
    const isFound = createFoundTest([createRecordKeys(createRecord(2, { id: 'elsewhere' }))]);
    expect([isFound(one!), isFound(other!)]).toEqual([true, false]);
    expect(titles([one!])).toEqual([createRecord(2).title]);
  });

  it('says how large the next step is before it is taken', () => {
    const records = [
      createRecord(1, { references: ['1', '2'], cited: { times: 5, peers: 9, ahead: 1 } }),
      createRecord(2, { references: ['3'] }),
    ];
    expect(measureNextStep(records, ['references'])).toBe(3);
    expect(measureNextStep(records, ['citedby'])).toBe(5);
    expect(measureNextStep(records, ['references', 'citedby'])).toBe(8);
  });

  it('has a row for each year between its first and its last work', () => {
    const works = gatherTrail(
      [createRecord(0)],
      [
        {
          start: 0,
          direction: 'citedby',
          database: 'cardinal',
          records: [1, 2, 5].map((one) => createRecord(one)),
        },
      ],
    );
    const isFound = createFoundTest([createRecordKeys(createRecord(2))]);
    expect(countTrailYears(works, isFound)).toEqual([
      { year: 2001, found: 0, others: 1 },
      { year: 2002, found: 1, others: 0 },
      { year: 2003, found: 0, others: 0 },
      { year: 2004, found: 0, others: 0 },
      { year: 2005, found: 0, others: 1 },
    ]);
    expect(countTrailYears([], isFound)).toEqual([]);
  });
});
