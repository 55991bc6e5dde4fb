import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { ARCS_WIDTH, drawArcs, type ArcWork } from './citation-arcs';

const start = (year?: number) => ({ title: 'A start', authors: [], ...(year !== undefined && { year }) });
const tie = (place: number, direction: 'references' | 'citedby') => ({ start: place, direction });

describe('citations as arcs', () => {
  it('have a point for each work with a year, in the order of years, none on top of another', () => {
    const year = fc.option(fc.integer({ min: 1990, max: 2026 }), { nil: undefined });
    const work = fc.record({
      title: fc.string(),
      year,
      isFound: fc.constantFrom(true, false, undefined),
      ties: fc.constant([tie(0, 'references')]),
    });
    fc.assert(
      fc.property(
        fc.array(year, { minLength: 1, maxLength: 4 }),
        fc.array(work, { maxLength: 60 }),
        (starts, works: ArcWork[]) => {
          const drawing = drawArcs(starts.map(start), works);
          const years = [...starts, ...works.map((one) => one.year)].filter((one) => one !== undefined);
          expect(drawing.points).toHaveLength(years.length);
          expect(drawing.withoutYear).toBe(starts.length + works.length - years.length);
          const places = drawing.points.map(({ x }) => x);
          expect(places).toEqual([...new Set(places)].sort((a, b) => a - b));
          expect(places.every((x) => x > 0 && x < ARCS_WIDTH)).toBe(true);
          const joined = starts[0] === undefined ? 0 : works.filter((one) => one.year !== undefined).length;
          expect(drawing.arcs).toHaveLength(joined);
        },
      ),
    );
  });

  it('say which way each citation goes, and whether the draft finds the work', () => {
    const { points, arcs } = drawArcs(
      [start(2010)],
      [
        { title: 'Earlier', year: 2000, isFound: true, ties: [tie(0, 'references')] },
        { title: 'Later', year: 2020, isFound: false, ties: [tie(0, 'citedby')] },
        { title: 'Not known', year: 2021, isFound: undefined, ties: [] },
      ],
    );
    expect(points.map(({ title, kind }) => [title, kind])).toEqual([
      ['Earlier', 'found'],
      ['A start', 'start'],
      ['Later', 'missed'],
      ['Not known', 'unknown'],
    ]);
    expect(arcs.map(({ direction }) => direction)).toEqual(['references', 'citedby']);
  });
});
