import { createProblem, fail } from '#core/problem/index';
import { createConnection, type Connection } from '../connection';

/** A database that the person searches: its numbers are typed in. Nothing can be asked of it. */
export function createByHandConnection(name: string): Connection {
  return createConnection('by-hand', name, {
    count: () => Promise.resolve(fail(createProblem('count-by-hand', 'warning', { database: name }))),
  });
}
