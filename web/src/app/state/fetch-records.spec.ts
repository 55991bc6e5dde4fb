import { expect, it } from 'vitest';
import { createProblem, fail, succeed } from '#core/problem/index';
import type { BibliographicRecord } from '#core/record/index';
import { createConnection } from '../data/connections/connection';
import { fetchByNumbers } from './fetch-records';

it('records stand at the places of their numbers, though a page fails or one is not there', async () => {
  const connection = createConnection('served', 'Gantry', {
    records: (asked) => {
      if (!('numbers' in asked)) throw new Error('Records are asked for by numbers.');
      if (asked.numbers.includes(0)) return Promise.resolve(fail(createProblem('service-gone', 'error')));
      const records = asked.numbers.map((number) =>
        number === 105 ? null : ({ id: `r${number}` } as BibliographicRecord),
      );
      return Promise.resolve(succeed({ records }));
    },
  });
  const numbers = Array.from({ length: 230 }, (_, at) => at);
  const records = await fetchByNumbers(connection, numbers);
  expect(records).toHaveLength(230);
  expect(records.slice(0, 100).every((record) => record === undefined)).toBe(true);
  expect([104, 105, 106, 229].map((at) => records[at]?.id)).toEqual(['r104', undefined, 'r106', 'r229']);
});
