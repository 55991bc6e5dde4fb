import '@angular/compiler';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { UNKNOWN_KEYS, type RecordKeys } from '#core/record/same-work/index';
import { countWorks } from './part-lists';

describe('works gained and lost', () => {
  it('take one record of one database for one work, though nothing but its number tells it', () => {
    const listed = (numbers: readonly number[]) => ({ numbers, keys: numbers.map(() => UNKNOWN_KEYS) });
    expect(countWorks([{ before: listed([1, 2, 3]), after: listed([2, 3]) }])).toEqual([0, 1, 2]);
    // The same number in another database is another record.
    expect(
      countWorks([
        { before: listed([1]), after: listed([]) },
        { before: listed([]), after: listed([1]) },
      ]),
    ).toEqual([1, 1, 0]);
  });

  it('agree with sets of works, whatever tells them', () => {
    const record = fc.record({ number: fc.nat(12), isBefore: fc.boolean(), isAfter: fc.boolean() });
    const database = fc.uniqueArray(record, { selector: ({ number }) => number, maxLength: 10 });
    fc.assert(
      fc.property(fc.array(database, { minLength: 1, maxLength: 3 }), fc.boolean(), (databases, isTold) => {
        const keyOf = (number: number): RecordKeys =>
          isTold ? { ...UNKNOWN_KEYS, identifier: number + 1 } : UNKNOWN_KEYS;
        const listed = databases.map((records) => {
          const pick = (side: 'isBefore' | 'isAfter') => {
            const numbers = records.filter((one) => one[side]).map(({ number }) => number);
            return { numbers, keys: numbers.map(keyOf) };
          };
          return { before: pick('isBefore'), after: pick('isAfter') };
        });
        const works = (side: 'before' | 'after'): Set<string> =>
          new Set(
            listed.flatMap((one, at) =>
              one[side].numbers.map((number) => (isTold ? `${number}` : `${at} ${number}`)),
            ),
          );
        const [then, now] = [works('before'), works('after')];
        const common = [...now].filter((work) => then.has(work)).length;
        expect(countWorks(listed)).toEqual([now.size - common, then.size - common, common]);
      }),
    );
  });
});
