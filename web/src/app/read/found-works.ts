import { drawRecords } from '#core/compare/index';
import { succeed, type Outcome } from '#core/problem/index';
import { type BibliographicRecord } from '#core/record/index';
import { deduplicateRecords, type RecordKeys, type SameWorkAnswers } from '#core/record/same-work/index';
import { listKeys, type SearchRequest, type Sort } from '#core/contract/index';
import type { SentLimiters } from '#core/dialect/index';
import type { Connection } from '../data/connections/connection';
import { fetchByNumbers } from '../state/fetch-records';

/** A work, with where it stands: by its number in each database that was found to have it. */
export interface FoundWork {
  readonly places: readonly { readonly database: string; readonly number: number }[];
}

/** What is asked of one database. */
export interface AskedSet {
  readonly database: string;
  readonly connection: Connection;
  readonly strings: readonly string[];
  readonly sentLimiters: SentLimiters;
  /** Only these records of it. */
  readonly numbers?: readonly number[];
}

/** The records of one database by their numbers, with what tells their works. */
export interface FoundRecord {
  readonly number: number;
  readonly keys: RecordKeys;
}

/** The records of a set that pass filters, in the order of their numbers or in one that is asked for. */
export async function listRecords(
  { connection, strings, sentLimiters, numbers }: AskedSet,
  wanted: Pick<SearchRequest, 'filters'> & { readonly sort?: Sort },
  stop: AbortSignal,
): Promise<Outcome<readonly FoundRecord[]>> {
  const [string = '', ...further] = strings;
  const answer = await connection.ask(
    'ids',
    {
      string,
      sentLimiters,
      ...(further.length > 0 && { further }),
      ...(numbers && { among: { numbers } }),
      ...wanted,
    },
    stop,
  );
  if (!answer.ok) return answer;
  const keys = listKeys(answer.value);
  return succeed(answer.value.numbers.map((number, at) => ({ number, keys: keys[at]! })));
}

/**
 * The works that some databases find, each once, in the order of the databases and of the records there. Records
 * of one work are told by `deduplicateRecords`.
 */
export async function listWorks(
  sets: readonly AskedSet[],
  wanted: Parameters<typeof listRecords>[1],
  stop: AbortSignal,
  answers?: SameWorkAnswers,
): Promise<Outcome<readonly FoundWork[]>> {
  const lists: (readonly FoundRecord[])[] = [];
  for (const set of sets) {
    const listed = await listRecords(set, wanted, stop);
    if (!listed.ok) return listed;
    lists.push(listed.value);
  }
  const [only] = lists;
  if (lists.length === 1 && only) {
    const database = sets[0]!.database;
    return succeed(only.map(({ number }) => ({ places: [{ database, number }] })));
  }
  const { works, workOf } = deduplicateRecords(
    lists.map((list) => list.map(({ keys }) => keys)),
    answers,
  );
  const places = Array.from({ length: works }, (): { database: string; number: number }[] => []);
  lists.forEach((list, which) =>
    list.forEach(({ number }, at) => {
      const { database } = sets[which]!;
      const known = places[workOf[which]![at]!]!;
      // Two records of one database may be of one work: the first stands for both.
      if (!known.some((place) => place.database === database)) known.push({ database, number });
    }),
  );
  return succeed(places.map((some) => ({ places: some })));
}

/** So many works drawn at random, the same ones whenever they are drawn from the same set. */
export function drawWorks(works: readonly FoundWork[], size: number): FoundWork[] {
  return drawRecords(
    works.map((_, at) => at),
    size,
  ).map((at) => works[at]!);
}

/** The records of some works, each from the first database that has it; nothing at the place of one that cannot be had. */
export async function fetchWorks(
  works: readonly FoundWork[],
  find: (database: string) => Connection,
  stop: AbortSignal,
): Promise<readonly (BibliographicRecord | undefined)[]> {
  const records: (BibliographicRecord | undefined)[] = works.map(() => undefined);
  const byDatabase = new Map<string, { readonly at: number; readonly number: number }[]>();
  works.forEach(({ places: [first] }, at) => {
    if (!first) return;
    const list = byDatabase.get(first.database) ?? [];
    list.push({ at, number: first.number });
    byDatabase.set(first.database, list);
  });
  await Promise.all(
    [...byDatabase].map(async ([database, list]) => {
      const some = await fetchByNumbers(
        find(database),
        list.map(({ number }) => number),
        stop,
      );
      list.forEach(({ at }, place) => (records[at] = some[place]));
    }),
  );
  return records;
}
