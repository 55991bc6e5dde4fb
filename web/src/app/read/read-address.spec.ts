import fc from 'fast-check';
import { expect, it } from 'vitest';
import { FACETS, SORTS } from '#core/contract/index';
import { createStringAddress } from '../records/string-address';
import { readAddress, writeFilters } from './read-address';

const read = (params: Readonly<Record<string, string | null>>, fragment: string | null = null) =>
  readAddress({ get: (name) => params[name] ?? null }, fragment);

it('an address with nothing in it is that of the draft, best matches first', () => {
  expect(read({})).toEqual({
    set: { kind: 'draft' },
    database: undefined,
    sort: 'relevance',
    filters: [],
    sample: undefined,
    behind: undefined,
    judged: [],
    at: 0,
  });
});

it('what was written is read again: strings of any kind, filters, order and place', () => {
  const filter = fc.record({
    facet: fc.constantFrom(...FACETS),
    values: fc.array(fc.string({ minLength: 1, maxLength: 20 }), { minLength: 1, maxLength: 3 }),
    leavesOut: fc.boolean(),
  });
  const string = fc.string({ maxLength: 60, unit: 'grapheme' });
  fc.assert(
    fc.property(
      string,
      string,
      fc.array(filter, { maxLength: 3 }),
      fc.constantFrom(...SORTS),
      fc.nat(1_000_000),
      fc.option(fc.array(fc.nat(40_000), { maxLength: 5 }), { nil: undefined }),
      (label, text, filters, sort, at, numbers) => {
        fc.pre(label !== '' && text !== '');
        const countKey = { database: 'gantry', string: text, sentLimiters: { years: { from: 2000 } } };
        const { queryParams, fragment } = createStringAddress(countKey, label, {
          total: at,
          ...(numbers && { numbers }),
        });
        const params = { ...queryParams, only: writeFilters(filters), sort, at: String(at) } as Record<
          string,
          string
        >;
        expect(read(params, fragment)).toEqual({
          set: { kind: 'string', label, countKey, total: at, ...(numbers && { numbers }) },
          database: 'gantry',
          sort,
          filters,
          sample: undefined,
          behind: undefined,
          judged: [],
          at,
        });
      },
    ),
  );
});

it('what is no address is the draft, whatever stands there', () => {
  fc.assert(
    fc.property(fc.string(), fc.string(), (only, fragment) => {
      const address = read({ of: 'string', only, sort: only, at: only, sample: 'x' }, fragment);
      expect(address.set).toEqual({ kind: 'draft' });
      expect(address.sort).toBe('relevance');
      expect(address.sample).toBeUndefined();
    }),
  );
  expect(read({ of: 'v1', at: '-3', only: '{"a":1}' })).toMatchObject({
    set: { kind: 'variant', id: 'v1' },
    at: 0,
    filters: [],
  });
});
