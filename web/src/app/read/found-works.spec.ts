import { describe, expect, it } from 'vitest';
import { createProblem, fail, succeed } from '#core/problem/index';
import type { BibliographicRecord } from '#core/record/index';
import { createTestKeys } from '#core/testing/records';
import { createConnection, type Connection } from '../data/connections/connection';
import { drawWorks, fetchWorks, listWorks, type AskedSet } from './found-works';

const { signal } = new AbortController();
/** A database whose strings find some numbers; a record's key is that of its work. */
const createDatabase = (
  name: string,
  finds: Readonly<Record<string, readonly number[]>>,
  keys: Readonly<Record<number, number>>,
): Connection =>
  createConnection('served', name, {
    ids: ({ string, further = [] }) => {
      const lists = [string, ...further].map((one) => finds[one]);
      const numbers = [...new Set(lists.flatMap((list) => list ?? []))].sort((a, b) => a - b);
      if (lists.includes(undefined))
        return Promise.resolve(fail(createProblem('service-refused', 'error', { database: name })));
      return Promise.resolve(
        succeed({
          total: numbers.length,
          numbers,
          identifiers: numbers.map(() => 0),
          works: numbers.map((number) => keys[number] ?? 0),
          signs: numbers.map((number) => createTestKeys(keys[number] ?? 0).signs),
        }),
      );
    },
    records: (asked) => {
      const numbers = 'numbers' in asked ? asked.numbers : [];
      return Promise.resolve(
        succeed({ records: numbers.map((number) => ({ id: `${name} ${number}` }) as BibliographicRecord) }),
      );
    },
  });
const one = createDatabase('one', { bat: [7, 3], lamp: [3, 9] }, { 3: 33, 7: 77, 9: 99 });
const two = createDatabase('two', { bat: [1, 2] }, { 1: 33, 2: 22 });
const find = (database: string): Connection => (database === 'one' ? one : two);
const ask = (database: string, ...strings: string[]): AskedSet => ({
  database,
  connection: find(database),
  strings,
  sentLimiters: {},
});
const list = async (...sets: AskedSet[]) => {
  const listed = await listWorks(sets, {}, signal);
  if (!listed.ok) throw new Error(listed.problem.code);
  return listed.value;
};
const write = (works: Awaited<ReturnType<typeof list>>): string[] =>
  works.map(({ places }) => places.map(({ database, number }) => `${database} ${number}`).join(' = '));

describe('works that are found', () => {
  it('stand once, though several strings of a database find them', async () => {
    expect(write(await list(ask('one', 'bat', 'lamp')))).toEqual(['one 3', 'one 7', 'one 9']);
  });

  it('stand once, though several databases have them, with where they stand', async () => {
    expect(write(await list(ask('one', 'bat'), ask('two', 'bat')))).toEqual([
      'one 3 = two 1',
      'one 7',
      'two 2',
    ]);
  });

  it('are none where a database does not answer: that is said', async () => {
    expect(await listWorks([ask('one', 'bat'), ask('two', 'lamp')], {}, signal)).toMatchObject({
      ok: false,
      problem: { code: 'service-refused' },
    });
  });

  it('are drawn in the same order however many are drawn', () => {
    const works = Array.from({ length: 40 }, (_, number) => ({ places: [{ database: 'one', number }] }));
    const drawn = drawWorks(works, 10);
    expect(new Set(drawn).size).toBe(10);
    expect(drawWorks(works, 25).slice(0, 10)).toEqual(drawn);
    expect(drawWorks(works, 99)).toHaveLength(40);
  });

  it('are fetched from the first database that has each, in their order', async () => {
    const works = await list(ask('two', 'bat'), ask('one', 'bat'));
    const records = await fetchWorks(works, find, signal);
    expect(records.map((record) => record?.id)).toEqual(
      works.map(({ places: [first] }) => `${first?.database} ${first?.number}`),
    );
  });
});
