import type { OwnCollection } from '#core/contract/index';
import type { Dialect } from '#core/dialect/index';
import type { OwnDatabase } from '#core/project/index';
import { createCode } from './create-code';

/** A collection of imported records as a database: searched in Ewer's own words, under a code that is free. */
export function createOwnRecords(
  base: Dialect,
  { id, name, files }: OwnCollection,
  isTaken: (code: string) => boolean,
): OwnDatabase {
  const code = createCode(name);
  let free = code;
  for (let number = 2; isTaken(free); number++) free = `${code.slice(0, 36)}-${number}`;
  return {
    dialect: {
      ...base,
      id: free,
      name: name === '' ? base.name : name,
      coverage: files.join(', ').slice(0, 480),
      ...(base.headings && { headings: { ...base.headings, vocabulary: id } }),
    },
    connection: { kind: 'collection', collection: id },
  };
}
