import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { buildIndex } from './builder';
import { createKeyTable, findKeyRecords, listKeyValues } from './key-table';
import { readSnapshot, writeSnapshot } from './snapshot';
import { toWellFormed } from './utf8';

const name = fc.constantFrom('type', 'author', 'a', 'source');
const value = fc.oneof(
  fc.string({ maxLength: 6, unit: 'grapheme' }),
  fc.constantFrom('Ångström, Åsa', '=', ''),
);
const key = fc.tuple(name, value).map(([first, second]) => `${first}=${second}`);

describe('a table of keys', () => {
  it('finds what was put into it, and nothing else', () => {
    const entries = fc.uniqueArray(fc.tuple(key, fc.uniqueArray(fc.nat(9), { minLength: 1 })), {
      selector: ([text]) => text,
    });
    fc.assert(
      fc.property(entries, key, (list, other) => {
        const table = createKeyTable(new Map(list));
        for (const [text, records] of list) expect([...findKeyRecords(table, text)]).toEqual(records);
        const wanted = list.find(([text]) => text === other)?.[1] ?? [];
        expect([...findKeyRecords(table, other)]).toEqual(wanted);
        for (const first of ['type', 'author', 'a', 'source', 'au']) {
          const values = list.map(([text]) => text).filter((text) => text.startsWith(`${first}=`));
          expect(listKeyValues(table, first)).toEqual(
            values.sort().map((text) => text.slice(first.length + 1)),
          );
        }
      }),
    );
  });

  it('is the same after it was written and read', () => {
    const documents = fc.array(fc.array(key, { maxLength: 4 }), { maxLength: 5 });
    fc.assert(
      fc.property(documents, (lists) => {
        const index = buildIndex(lists.map((keys) => ({ values: { title: ['bat'] }, keys })));
        const read = readSnapshot(writeSnapshot(index));
        for (const text of lists.flat())
          expect([...findKeyRecords(read!.keys, text)]).toEqual(
            lists.flatMap((keys, at) => (keys.includes(text) ? [at] : [])),
          );
      }),
    );
  });

  it('takes halves of signs, which no file should have', () => {
    const index = buildIndex([
      { values: {}, keys: ['a=\ud800', 'a=\udc00'] },
      { values: {}, keys: ['a=x'] },
    ]);
    expect([...findKeyRecords(index.keys, 'a=\ud800')]).toEqual([0]);
    expect(listKeyValues(index.keys, 'a')).toEqual(['x', toWellFormed('\ud800')]);
  });
});
