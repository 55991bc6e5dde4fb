/** What changed between two texts: one stretch, with some of what stands round it. */
export interface TextChange {
  readonly start: string;
  readonly removed: string;
  readonly added: string;
  readonly end: string;
}

/** So many characters are shown before and behind what changed. */
const AROUND = 40;

/** The stretch in which two texts differ; nothing if they are equal. */
export function findTextChange(before: string, after: string): TextChange | undefined {
  if (before === after) return undefined;
  let from = 0;
  while (from < before.length && from < after.length && before[from] === after[from]) from++;
  let tail = 0;
  while (
    tail < before.length - from &&
    tail < after.length - from &&
    before[before.length - 1 - tail] === after[after.length - 1 - tail]
  )
    tail++;
  const start = before.slice(Math.max(0, from - AROUND), from);
  const end = before.slice(before.length - tail, before.length - tail + AROUND);
  return {
    start: from > AROUND ? `…${start}` : start,
    removed: before.slice(from, before.length - tail),
    added: after.slice(from, after.length - tail),
    end: tail > AROUND ? `${end}…` : end,
  };
}
