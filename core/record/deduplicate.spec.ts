import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { deduplicateRecords } from './deduplicate';
import { createIdentifierKey, createRecordKeys } from './identity';
import LABELLED from './fixtures/duplicates.json';

interface LabelledRecord {
  readonly work: string;
  readonly title: string;
  readonly year?: number;
  readonly family: string;
  readonly doi?: string;
}
const keysOf = ({ title, year, family, doi }: LabelledRecord) =>
  createRecordKeys({
    title,
    authors: family === '' ? [] : [{ given: 'A', family }],
    ...(year !== undefined && { year }),
    ...(doi !== undefined && { doi }),
  });

describe('records of one work', () => {
  it('are found in a labelled set; what is found is right, and what is missed is known', () => {
    const records = LABELLED as LabelledRecord[];
    const { workOf } = deduplicateRecords([records.map(keysOf)]);
    const found = workOf[0]!;
    let [right, wrong, missed] = [0, 0, 0];
    records.forEach((a, at) =>
      records.slice(at + 1).forEach((b, more) => {
        const isSame = found[at] === found[at + 1 + more];
        if (isSame && a.work === b.work) right++;
        else if (isSame) wrong++;
        else if (a.work === b.work) missed++;
      }),
    );
    const [precision, recall] = [right / (right + wrong), right / (right + missed)];
    console.log(
      `duplicates: precision ${precision.toFixed(3)}, recall ${recall.toFixed(3)} of ${right + missed} pairs`,
    );
    expect(precision).toBe(1);
    expect(recall).toBeGreaterThanOrEqual(0.75);
    expect(recall).toBeLessThan(1);
  });

  it('are told by their identifier first, however it is written, and the rule is kept', () => {
    const written = [
      '10.5555/Ab.1',
      'https://doi.example/10.5555/ab.1',
      'doi: 10.5555/AB.1',
      'DOI 10.5555/ab.1',
      'info:doi/10.5555/ab.1',
      'http://resolver.example/10.5555%2Fab.1',
      '10.5555/ab.1.',
      '(10.5555/ab.1)',
    ];
    expect(new Set(written.map(createIdentifierKey)).size).toBe(1);
    // Articles of one issue differ only behind signs that end other texts.
    const issue = ['<1::AID-A>3.0.CO;2-1', '<9::AID-B>3.0.CO;2-7'].map(
      (end) => `10.5555/(SICI)1(1998)1:2${end}`,
    );
    expect(new Set(issue.map(createIdentifierKey)).size).toBe(2);
    const lists = written.map((doi, at) => [
      keysOf({ work: '', title: `Title of its own ${at}`, year: 2000, family: 'B', doi }),
    ]);
    const { works, matched, ruleOf } = deduplicateRecords(lists);
    expect(works).toBe(1);
    expect(matched).toEqual({ identifier: written.length - 1, work: 0 });
    expect(ruleOf.map((rules) => rules[0])).toEqual([undefined, ...written.slice(1).map(() => 'identifier')]);
  });

  it('are never put together against two different identifiers', () => {
    const one = { work: '', title: 'Lamps and bats at night', year: 2001, family: 'Ode' };
    const lists = [[keysOf({ ...one, doi: '10.1/a' }), keysOf({ ...one, doi: '10.1/b' }), keysOf(one)]];
    const { works, workOf } = deduplicateRecords(lists);
    expect(works).toBe(2);
    expect([...workOf[0]!]).toEqual([0, 1, 0]);
  });

  it('are found though what joins them comes last', () => {
    // The record with an identifier is like the first; another one with it is like the second.
    const [one, other] = [11, 12];
    const lists = [
      [
        { identifier: 0, work: one },
        { identifier: 0, work: other },
      ],
      [
        { identifier: 7, work: one },
        { identifier: 7, work: other },
      ],
    ];
    const { works, ruleOf, matched } = deduplicateRecords(lists);
    expect(works).toBe(1);
    expect(ruleOf).toEqual([
      [undefined, 'work'],
      ['work', 'identifier'],
    ]);
    expect(matched).toEqual({ identifier: 1, work: 2 });
  });

  it('are the same whatever the order of the records', () => {
    const record = fc.record({ identifier: fc.nat(4), work: fc.nat(5) });
    fc.assert(
      fc.property(fc.array(record, { maxLength: 14 }), fc.infiniteStream(fc.nat()), (records, random) => {
        const keys = records.map((one, at) => ({ ...one, at }));
        // Of several identified records, a bare one goes with the first: these stay in their order.
        const bare = keys.filter(({ identifier }) => identifier === 0);
        const mixed = keys.filter(({ identifier }) => identifier !== 0);
        for (const one of bare) mixed.splice(random.next().value! % (mixed.length + 1), 0, one);
        const pairsOf = (list: typeof keys): string[] => {
          const { workOf, matched, works } = deduplicateRecords([list]);
          expect(matched.identifier + matched.work).toBe(list.length - works);
          return list
            .flatMap((a, i) =>
              list.flatMap((b, j) =>
                workOf[0]![i] === workOf[0]![j] && a.at < b.at ? [`${a.at} ${b.at}`] : [],
              ),
            )
            .sort();
        };
        expect(pairsOf(mixed)).toEqual(pairsOf(keys));
      }),
    );
  });

  it('are not told by titles that are too short, or without a year', () => {
    const short = { work: '', title: 'Editorial', year: 2001, family: 'Ode' };
    const { year: _, ...undated } = { ...short, title: 'Lamps and bats at night' };
    expect(deduplicateRecords([[short, short, undated, undated].map(keysOf)]).works).toBe(4);
  });
});
