import 'fake-indexeddb/auto';
import { beforeEach, describe, expect, it } from 'vitest';
import type { CollectionAnswers, CollectionAsked, ImportProgress } from '#core/contract/index';
import { CollectionKeeper } from './collection-keeper';
import { CollectionRepository } from './collection-repository';
import { EwerDatabase } from '../../ewer-database';

let number = 0;
let repository: CollectionRepository;
let keeper: CollectionKeeper;
beforeEach(() => {
  repository = new CollectionRepository(new EwerDatabase(`ewer-collections-${number++}`));
  keeper = new CollectionKeeper(repository, () => 0);
});

const encode = (text: string): ArrayBuffer => new TextEncoder().encode(text).buffer;
const RIS = `TY  - JOUR
TI  - Street lamps and bats
KW  - hedgerows
DO  - 10.5555/bats
PY  - 2019
ER  -
TY  - JOUR
TI  - Batteries
PY  - 2021
ER  -
TY  - JOUR
AU  - Nobody
ER  -
`;

async function ask<K extends CollectionAsked['kind']>(
  asked: Extract<CollectionAsked, { readonly kind: K }>,
  tell?: (progress: ImportProgress) => void,
): Promise<CollectionAnswers[K]> {
  const outcome = await keeper.answer(asked, tell);
  if (!outcome.ok) throw new Error(outcome.problem.code);
  return outcome.value as CollectionAnswers[K];
}

const importFiles = (
  files: Readonly<Record<string, string | ArrayBuffer>>,
  tell?: (now: ImportProgress) => void,
) =>
  ask(
    {
      kind: 'import',
      collection: 'mine',
      name: 'Mine',
      moment: '2026-11-24T08:00:00.000Z',
      files: Object.entries(files).map(([name, content]) => ({
        name,
        content: typeof content === 'string' ? encode(content) : content,
      })),
    },
    tell,
  );
const count = async (...strings: string[]): Promise<unknown[]> =>
  (await ask({ kind: 'count', collection: 'mine', strings, sentLimiters: {} })).map((entry) =>
    'total' in entry ? entry.total : entry.problem.code,
  );

describe('collections of one’s own', () => {
  it('take good records of a file, list the bad ones, and are counted', async () => {
    const stages = new Set<string>();
    const report = await importFiles({ 'a.ris': RIS }, ({ stage }) => stages.add(stage));
    expect(report).toMatchObject({ added: 2, skipped: 1, refused: [], collection: { records: 2 } });
    expect(report.skippedFirst).toMatchObject([{ file: 'a.ris', line: 11 }]);
    expect([...stages]).toEqual(['reading', 'indexing', 'keeping']);
    expect(await count('bat*', 'bats', 'keywords: hedgerows', 'bats AND (')).toEqual([
      2,
      1,
      1,
      'unclosed-bracket',
    ]);
  });

  it('are there again after the program was closed, with their records', async () => {
    await importFiles({ 'a.ris': RIS });
    keeper = new CollectionKeeper(repository, () => 0);
    const request = {
      string: 'bat*',
      sentLimiters: { years: { from: 2020 } },
      start: 0,
      rows: 10,
      sort: 'newest',
    } as const;
    const found = await ask({ kind: 'search', collection: 'mine', request });
    expect(found).toMatchObject({ total: 1, records: [{ id: 'mine-2', title: 'Batteries' }] });
    const words = await ask({ kind: 'words', collection: 'mine', prefix: 'bat', suffix: '', most: 9 });
    expect(words.words.map(({ word }) => word)).toEqual(['bats', 'batteries']);
  });

  it('give records by number and identifier, facets, and the words of results', async () => {
    await importFiles({ 'a.ris': RIS });
    const byNumber = await ask({ kind: 'records', collection: 'mine', request: { numbers: [1, 7, 0] } });
    expect(byNumber.records.map((record) => record?.id ?? null)).toEqual(['mine-2', null, 'mine-1']);
    const identifiers = ['10.5555/none', '10.5555/bats'];
    const byIdentifier = await ask({ kind: 'records', collection: 'mine', request: { identifiers } });
    expect(byIdentifier.records.map((record) => record?.id ?? null)).toEqual([null, 'mine-1']);
    const request = {
      string: 'bat*',
      sentLimiters: {},
      start: 0,
      rows: 1,
      sort: 'oldest',
      facets: ['years', 'types'],
    } as const;
    const found = await ask({ kind: 'search', collection: 'mine', request });
    expect(found.records).toHaveLength(1);
    expect(found.facets?.years?.map(({ records }) => records)).toEqual([1, 1]);
    expect(found.facets?.types?.reduce((sum, { records }) => sum + records, 0)).toBe(2);
    await importFiles({ 'b.csv': 'title\nBats at lamps\nBats at roads\nLamps at roads\nSlow roads\n' });
    const set = { string: 'bats', sentLimiters: {}, most: 3 };
    const words = await ask({ kind: 'set-words', collection: 'mine', request: set });
    expect(words.total).toBe(3);
    expect(words.words[0]).toEqual({ word: 'bats', found: 3, records: 3 });
  });

  it('grow by further files, and stay as they were when one has nothing to take', async () => {
    await importFiles({ 'a.ris': RIS });
    const report = await importFiles({ 'b.csv': 'title,year\nBats again,2022\n', 'c.txt': 'only words' });
    expect(report.collection).toMatchObject({ records: 3, files: ['a.ris', 'b.csv', 'c.txt'] });
    expect(report.refused).toMatchObject([{ file: 'c.txt', problem: { code: 'file-of-no-records' } }]);
    expect(await count('bats')).toEqual([2]);
    await expect(importFiles({ 'd.txt': 'only words' })).rejects.toThrow('file-of-no-records');
    expect(await count('bats')).toEqual([2]);
  });

  it('read files that are not in UTF-8', async () => {
    const bytes = Uint8Array.from('title,year\nFledermäuse,2020\n', (sign) => sign.charCodeAt(0));
    await importFiles({ 'old.csv': bytes.buffer });
    expect(await count('fledermause')).toEqual([1]);
  });

  it('are proved against what a query means', async () => {
    await importFiles({ 'a.ris': RIS });
    const request = { query: 'bats OR lamp*', strings: ['bats'], swaps: [] };
    const proof = await ask({ kind: 'proof', collection: 'mine', request });
    expect(proof).toMatchObject({ wanted: 1, found: 1, gained: { total: 0 }, lost: { total: 0 } });
  });

  it('that were removed, or never were here, are said to be missing', async () => {
    await importFiles({ 'a.ris': RIS });
    await repository.remove('mine');
    keeper = new CollectionKeeper(repository, () => 0);
    await expect(count('bats')).rejects.toThrow('collection-missing');
    expect(await repository.list()).toEqual({ ok: true, value: [] });
  });
});
