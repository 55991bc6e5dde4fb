import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { createLabelledRecords } from '../../testing/labelled-works';
import { createTestKeys, createTestRecord } from '../../testing/records';
import { createIdentifierKey } from '../identifier';
import type { BibliographicRecord } from '../record';
import { createPairKey, createRecordKeys, deduplicateRecords, type RecordKeys } from './index';

const lamps: Partial<BibliographicRecord> = {
  title: 'Warm lamps beside quiet valley roads',
  year: 2001,
  authors: [{ given: 'Bea', family: 'Ode' }],
  source: 'Journal of Lantern Studies',
};
const keysOf = (parts: Partial<BibliographicRecord>): RecordKeys =>
  createRecordKeys(createTestRecord({ ...lamps, ...parts }));
/** Whether two records are taken for one work. */
const areOne = (one: Partial<BibliographicRecord>, other: Partial<BibliographicRecord> = {}): boolean =>
  deduplicateRecords([[keysOf(one)], [keysOf(other)]]).works === 1;

describe('records of one work', () => {
  it('are found in a labelled set: what is found is right, and hardly any are missed', () => {
    const records = createLabelledRecords();
    const found = deduplicateRecords([records.map(({ record }) => createRecordKeys(record))]).workOf[0]!;
    let [right, wrong, missed] = [0, 0, 0];
    records.forEach(({ work }, at) => {
      for (let other = at + 1; other < records.length; other++) {
        const isSame = found[at] === found[other];
        const isOne = work === records[other]!.work;
        if (isSame && isOne) right++;
        else if (isSame) wrong++;
        else if (isOne) missed++;
      }
    });
    const [precision, recall] = [right / (right + wrong), right / (right + missed)];
    console.log(
      `duplicates: precision ${precision.toFixed(4)}, recall ${recall.toFixed(4)} of ${right + missed} pairs`,
    );
    expect(right + missed).toBeGreaterThan(2_000);
    expect(precision).toBeGreaterThanOrEqual(0.995);
    expect(recall).toBeGreaterThanOrEqual(0.95);
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
    const lists = written.map((doi, at) => [keysOf({ title: `Title of its own ${at}`, doi })]);
    const { works, matched, ruleOf } = deduplicateRecords(lists);
    expect(works).toBe(1);
    expect(matched).toEqual({ identifier: written.length - 1, work: 0, answer: 0 });
    expect(ruleOf.map((rules) => rules[0])).toEqual([undefined, ...written.slice(1).map(() => 'identifier')]);
  });

  it.each<[string, Partial<BibliographicRecord>]>([
    ['capitals and another dash', { title: 'WARM LAMPS BESIDE QUIET VALLEY ROADS' }],
    ['tags and entities', { title: '<i>Warm lamps</i> beside quiet &nbsp;valley roads' }],
    ['commands of LaTeX', { title: "{Warm} lamps beside qui\\'{e}t valley roads" }],
    ['a subtitle more', { title: 'Warm lamps beside quiet valley roads: a field study' }],
    ['a slip of the pen', { title: 'Warm lamps besdie quiet valley roads' }],
    ['a word in two', { title: 'Warm lamps be side quiet valley roads' }],
    ['the year beside', { year: 2002 }],
    ['an initial', { authors: [{ given: 'B.', family: 'Ode' }] }],
    ['names turned', { authors: [{ given: 'Ode', family: 'Bea' }] }],
    ['an abbreviated source', { source: 'J. Lantern Stud.' }],
    ['no author', { authors: [] }],
    ['no source', { source: '' }],
  ])('may have %s', (_, parts) => {
    expect(areOne(parts)).toBe(true);
  });

  it.each<[string, Partial<BibliographicRecord>]>([
    ['an erratum', { title: 'Erratum: Warm lamps beside quiet valley roads' }],
    ['part two', { title: 'Warm lamps beside quiet valley roads II' }],
    ['another number', { title: 'Warm lamps beside 3 quiet valley roads' }],
    ['another word', { title: 'Warm lamps beside quiet mountain roads' }],
    ['a word of nearly the same letters', { title: 'Warm lamps beside quiet galley roads' }],
    ['another author', { authors: [{ given: 'Zoe', family: 'Quillmere' }] }],
    ['a relation of the author', { authors: [{ given: 'Tom', family: 'Ode' }] }],
    ['a later year', { year: 2006 }],
    ['a conference paper', { type: 'conference paper', source: 'Meeting on Dark Skies', year: 2000 }],
  ])('are not: %s', (_, parts) => {
    expect(areOne(parts)).toBe(false);
  });

  it('are not told by general titles, nor reports of one year by those of the next', () => {
    expect(areOne({ title: 'Editorial' }, { title: 'Editorial' })).toBe(false);
    const report: Partial<BibliographicRecord> = {
      title: 'State of the night sky in the region',
      type: 'report',
    };
    expect(areOne(report, { ...report, year: 2002 })).toBe(false);
    expect(areOne(report, report)).toBe(true);
  });

  it('are never put together against two different identifiers; versions are told as such', () => {
    const article = keysOf({ doi: '10.5555/a' });
    const preprint = keysOf({ doi: '10.5555/b', source: 'Open Night Papers', year: 2000 });
    const told = deduplicateRecords([[article], [preprint]]);
    expect(told).toMatchObject({ works: 2, doubtful: [] });
    expect(told.versions).toEqual([
      [
        { list: 0, place: 0 },
        { list: 1, place: 0 },
      ],
    ]);
    // Years apart they are not even versions: nothing is asked.
    const later = keysOf({ doi: '10.5555/d', year: 2009 });
    expect(deduplicateRecords([[article], [later]])).toMatchObject({ works: 2, doubtful: [], versions: [] });
    // A record without an identifier that is as much like two works belongs to neither, and is asked about.
    const unsure = deduplicateRecords([[article, keysOf({ doi: '10.5555/c' }), keysOf({})]]);
    expect(unsure.works).toBe(3);
    expect(unsure.doubtful).toHaveLength(2);
  });

  it('never join two records that speak against each other by one between them', () => {
    const { year: _, ...undated } = lamps;
    const [then, between, later] = [
      keysOf({}),
      createRecordKeys(createTestRecord(undated)),
      keysOf({ year: 2009, source: '' }),
    ];
    const { works, doubtful } = deduplicateRecords([[then, between, later]]);
    expect(works).toBe(2);
    expect(doubtful.length).toBeGreaterThan(0);
  });

  it('are as the person said', () => {
    const [one, other] = [keysOf({ doi: '10.5555/a' }), keysOf({ doi: '10.5555/b' })];
    const answer = (isSame: boolean) => ({ [createPairKey(other, one)]: isSame });
    const told = deduplicateRecords([[one], [other]], answer(true));
    expect(told).toMatchObject({ works: 1, matched: { identifier: 0, work: 0, answer: 1 } });
    expect(told.ruleOf).toEqual([[undefined], ['answer']]);
    const [first, alike] = [keysOf({}), keysOf({ source: '' })];
    const key = createPairKey(first, alike);
    expect(deduplicateRecords([[first], [alike]]).works).toBe(1);
    expect(deduplicateRecords([[first], [alike]], { [key]: false })).toMatchObject({
      works: 2,
      doubtful: [],
    });
  });

  it('are the same whatever the order of lists and records', () => {
    const labelled = createLabelledRecords()
      .slice(0, 500)
      .map(({ record }) => createRecordKeys(record));
    const record = fc.oneof(
      fc.constantFrom(...labelled),
      fc
        .record({ work: fc.nat(4), identifier: fc.nat(3) })
        .map(({ work, identifier }) => createTestKeys(work, identifier)),
    );
    fc.assert(
      fc.property(fc.array(record, { maxLength: 40 }), fc.infiniteStream(fc.nat()), (records, random) => {
        const marked = records.map((keys, at) => ({ keys, at }));
        const mixed: typeof marked = [];
        for (const one of marked) mixed.splice(random.next().value! % (mixed.length + 1), 0, one);
        // Records that say the same can stand for each other: groups are told by what their records say.
        const groupsOf = (list: typeof marked): string[] => {
          const { workOf, matched, works } = deduplicateRecords([list.map(({ keys }) => keys)]);
          expect(matched.identifier + matched.work + matched.answer).toBe(list.length - works);
          const groups = new Map<number, string[]>();
          list.forEach(({ keys }, place) => {
            const work = workOf[0]![place]!;
            groups.set(work, [...(groups.get(work) ?? []), `${keys.identifier} ${keys.signs}`]);
          });
          return [...groups.values()].map((group) => group.sort().join('\n')).sort();
        };
        expect(groupsOf(mixed)).toEqual(groupsOf(marked));
      }),
    );
  });
});
