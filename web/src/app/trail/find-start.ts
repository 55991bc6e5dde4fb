import { listKeys } from '#core/contract/index';
import { writeQuery, type Dialect } from '#core/dialect/index';
import { createMustFindQuery } from '#core/must-finds/index';
import { succeed, type Outcome } from '#core/problem/index';
import { createRecordKeys } from '#core/record/same-work/index';
import { createFoundTest, type TrailStart } from '#core/trail/index';
import type { Connection } from '../data/connections/connection';

/** The number of a work's record in a database: by the first words of its title, told by its keys; nothing if it is not there. */
export async function findStart(
  connection: Connection,
  dialect: Dialect,
  start: TrailStart,
  stop: AbortSignal,
): Promise<Outcome<number | undefined>> {
  const root = createMustFindQuery({ title: start.title });
  if (!root) return succeed(undefined);
  const { parts, sentLimiters } = writeQuery(root, dialect, {});
  const listed = await connection.ask('ids', { string: parts[0]?.text ?? '', sentLimiters }, stop);
  if (!listed.ok) return listed;
  // Several works may begin with the same words.
  const isSame = createFoundTest([createRecordKeys(start)]);
  const at = listKeys(listed.value).findIndex((keys) => isSame({ keys }));
  return succeed(listed.value.numbers[at]);
}
