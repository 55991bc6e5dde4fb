/** A share with its interval, each from 0 to 1. */
export interface ShareEstimate {
  readonly low: number;
  readonly high: number;
  /** The share of the sample. */
  readonly middle: number;
}

/** What was judged of a part of a result: of `size` records some were drawn at random and read. */
export interface JudgedPart {
  readonly size: number;
  readonly good: number;
  readonly bad: number;
  readonly unsure: number;
}

const LOG_FACTORIALS: number[] = [0];

function logFactorial(n: number): number {
  for (let at = LOG_FACTORIALS.length; at <= n; at++)
    LOG_FACTORIALS.push((LOG_FACTORIALS[at - 1] ?? 0) + Math.log(at));
  return LOG_FACTORIALS[n] ?? 0;
}

function logChoose(n: number, k: number): number {
  return logFactorial(n) - logFactorial(k) - logFactorial(n - k);
}

/** The chance of at most `found` good ones in a sample, if so many of all are good. */
function chanceOfAtMost(found: number, sample: number, goodOfAll: number, all: number): number {
  const total = logChoose(all, sample);
  let sum = 0;
  for (let k = Math.max(0, sample - (all - goodOfAll)); k <= Math.min(found, goodOfAll, sample); k++)
    sum += Math.exp(logChoose(goodOfAll, k) + logChoose(all - goodOfAll, sample - k) - total);
  return Math.min(1, sum);
}

/**
 * The least and the greatest number of good ones among all that a sample allows: those numbers under
 * which neither tail of the hypergeometric distribution is below half of `error`. Exact for any sample
 * size (the finite form of Clopper and Pearson 1934); it covers the truth with a chance of at least
 * 1 - error.
 */
export function boundGoodOnes(
  all: number,
  sample: number,
  good: number,
  error = 0.05,
): { least: number; greatest: number } {
  const tail = error / 2;
  // The chance of so many good ones or more grows with the good ones among all.
  const least = search(good, all - (sample - good), (goodOfAll) =>
    good === 0 ? true : 1 - chanceOfAtMost(good - 1, sample, goodOfAll, all) > tail,
  );
  const greatest =
    all -
    search(sample - good, all - good, (badOfAll) =>
      good === sample ? true : chanceOfAtMost(good, sample, all - badOfAll, all) > tail,
    );
  return { least, greatest };
}

/** The first number from `low` on that holds; `high` holds in any case. */
function search(low: number, high: number, holds: (value: number) => boolean): number {
  let [from, to] = [low, high];
  while (from < to) {
    const middle = (from + to) >> 1;
    if (holds(middle)) to = middle;
    else from = middle + 1;
  }
  return from;
}

/** The precision of one part; unsure records make two bounds. None while nothing was read. */
export function estimatePrecision(part: JudgedPart, error = 0.05): ShareEstimate | undefined {
  const { size, good, bad, unsure } = part;
  const sample = good + bad + unsure;
  if (size === 0 || sample === 0 || sample > size) return undefined;
  const low = boundGoodOnes(size, sample, good, error).least;
  const high = boundGoodOnes(size, sample, good + unsure, error).greatest;
  return { low: low / size, high: high / size, middle: (good + unsure / 2) / sample };
}

/**
 * The precision of a result made of parts, each weighted by its size; none while a part that is not
 * empty is unread. Every part's interval gets its share of the error (Bonferroni), so the whole holds.
 */
export function joinPrecisions(parts: readonly JudgedPart[], error = 0.05): ShareEstimate | undefined {
  const used = parts.filter(({ size }) => size > 0);
  const size = used.reduce((sum, part) => sum + part.size, 0);
  if (size === 0) return undefined;
  const estimates = used.map((part) => estimatePrecision(part, error / used.length));
  let [low, high, middle] = [0, 0, 0];
  for (const [at, estimate] of estimates.entries()) {
    if (!estimate) return undefined;
    const weight = (used[at]?.size ?? 0) / size;
    low += weight * estimate.low;
    high += weight * estimate.high;
    middle += weight * estimate.middle;
  }
  return { low, high: Math.min(1, high), middle };
}

/** So many of some numbers drawn without putting back, the same for the same seed (mulberry32). */
export function drawSample(numbers: readonly number[], size: number, seed: number): number[] {
  const rest = [...numbers];
  const drawn: number[] = [];
  let state = seed >>> 0;
  const next = (): number => {
    state = (state + 0x6d2b79f5) >>> 0;
    let value = Math.imul(state ^ (state >>> 15), 1 | state);
    value = (value + Math.imul(value ^ (value >>> 7), 61 | value)) ^ value;
    return ((value ^ (value >>> 14)) >>> 0) / 2 ** 32;
  };
  while (drawn.length < size && rest.length > 0) {
    const at = Math.floor(next() * rest.length);
    drawn.push(rest[at]!);
    rest[at] = rest.at(-1)!;
    rest.pop();
  }
  return drawn;
}
