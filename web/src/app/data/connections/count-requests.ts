import type { CountEntry } from '#core/contract/index';
import { isTooSlow } from '#core/contract/index';
import { succeed, type Outcome } from '#core/problem/index';

/** Counts some strings in one request. */
type CountSome = (strings: readonly string[]) => Promise<Outcome<readonly CountEntry[]>>;

const LARGEST_BATCH = 1_500_000;
const MAX_STRINGS = 1_000;

/** One entry a string, in order; the strings go in as few requests as their size allows. */
export async function countInBatches(
  strings: readonly string[],
  countSome: CountSome,
): Promise<Outcome<CountEntry[]>> {
  const entries: CountEntry[] = [];
  for (const batch of splitBatches(strings)) {
    const counted = await countUntilDone(batch, countSome);
    if (!counted.ok) return counted;
    entries.push(...counted.value);
  }
  return succeed(entries);
}

/** A request has one time for all its strings: those that it left over are asked for again, as long as some are counted. */
async function countUntilDone(
  batch: readonly string[],
  countSome: CountSome,
): Promise<Outcome<readonly CountEntry[]>> {
  const answer = await countSome(batch);
  if (!answer.ok) return answer;
  const counts = answer.value;
  const late = counts.flatMap((entry, at) => (isTooSlow(entry) ? [at] : []));
  if (late.length === 0 || late.length === counts.length) return succeed(counts);
  const again = await countUntilDone(
    late.map((at) => batch[at] ?? ''),
    countSome,
  );
  if (!again.ok) return again;
  const places = new Map(late.map((at, place) => [at, place]));
  return succeed(counts.map((entry, at) => again.value[places.get(at) ?? -1] ?? entry));
}

function splitBatches(strings: readonly string[]): string[][] {
  const batches: string[][] = [[]];
  let size = 0;
  for (const string of strings) {
    const last = batches.at(-1)!;
    if (last.length > 0 && (size + string.length * 2 > LARGEST_BATCH || last.length >= MAX_STRINGS)) {
      batches.push([string]);
      size = string.length * 2;
    } else {
      last.push(string);
      size += string.length * 2;
    }
  }
  return batches;
}
