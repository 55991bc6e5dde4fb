import type { OwnCollection } from '#core/contract/index';
import type { Dialect } from '#core/dialect/index';
import type { OwnDatabase } from '#core/project/index';
import { createShortName } from './server-dialect';

/** A collection of imported records as a database: searched in Ewer's own words, under a short name that is free. */
export function createOwnRecords(
  base: Dialect,
  { id, name, files }: OwnCollection,
  isTaken: (shortName: string) => boolean,
): OwnDatabase {
  const short = createShortName(name);
  let free = short;
  for (let number = 2; isTaken(free); number++) free = `${short.slice(0, 36)}-${number}`;
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
