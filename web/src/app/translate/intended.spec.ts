import { expect, it } from 'vitest';
import { parseQuery } from '#core/query/index';
import { listIntended } from './intended';

const { root } = parseQuery(
  'IN(gantry: lamp) OR IN(heronsmere, marlstone: bat) OR IN(gantry, heronsmere, marlstone: owl)',
);
const chosen = ['heronsmere', 'gantry', 'marlstone'];

it('tells what is meant for a database, and what is left out there on purpose', () => {
  const tell = (database: string) =>
    listIntended(root, database, chosen).map(({ piece, isHere }) => `${isHere ? '+' : '-'}${piece}`);
  expect(tell('gantry')).toEqual(['+lamp', '-bat']);
  expect(tell('heronsmere')).toEqual(['-lamp', '+bat']);
});
