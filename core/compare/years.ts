import type { Limiters } from '../limiter';

/** Some years in a row that are counted together; an open end goes on without bound. */
export interface YearSpan {
  readonly from?: number;
  readonly to?: number;
  /** `2015`, `2010–2014`, `before 1997`, `since 2026`. */
  readonly words: string;
}

/** So many spans at most, apart from those with an open end. */
const MAX_SPANS = 30;
/** Without a first year, so many years are looked at one by one. */
const USUAL_YEARS = 30;
/** Years that are counted together where there are many: people think in these. */
const STEPS = [1, 2, 5, 10, 20, 50, 100];

/**
 * The years of a question, split into spans of the same length that can be counted one by one: together
 * they hold every record with a year that the limiters allow, and none twice. Nothing for a range that
 * holds no year.
 */
export function listYearSpans({ years = {} }: Pick<Limiters, 'years'>, thisYear: number): YearSpan[] {
  const to = years.to ?? Math.max(thisYear, years.from ?? thisYear);
  const from = years.from ?? to - USUAL_YEARS + 1;
  if (from > to) return [];
  const step = STEPS.find((one) => (to - from + 1) / one <= MAX_SPANS) ?? to - from + 1;
  const spans: YearSpan[] = [];
  if (years.from === undefined) spans.push({ to: from - 1, words: `before ${from}` });
  for (let first = from; first <= to; first += step) {
    const last = Math.min(to, first + step - 1);
    const isOpen = last === to && years.to === undefined;
    if (isOpen) spans.push({ from: first, words: `since ${first}` });
    else spans.push({ from: first, to: last, words: first === last ? String(first) : `${first}–${last}` });
  }
  return spans;
}

/** What the counts of some spans say together. */
export interface YearSummary {
  /** The span in which the middle one of all records stands. */
  readonly middle: YearSpan;
  /** The spans with most records, all that have as many; one without a beginning is no match for the others, and does not count. */
  readonly most: { readonly spans: readonly YearSpan[]; readonly count: number } | undefined;
  /** Records in none of the spans: they have no year. */
  readonly without: number;
}

/** Sums up exact counts of spans beside the count of the whole; nothing where there is no record with a year. */
export function summariseYears(
  spans: readonly YearSpan[],
  counts: readonly number[],
  whole: number,
): YearSummary | undefined {
  const sum = counts.reduce((all, count) => all + count, 0);
  if (sum === 0) return undefined;
  let before = 0;
  const middle = spans.find((_, at) => {
    before += counts[at] ?? 0;
    return before * 2 >= sum;
  });
  const closed = spans
    .map((span, at) => ({ span, count: counts[at] ?? 0 }))
    .filter(({ span }) => span.from !== undefined);
  const count = Math.max(0, ...closed.map((one) => one.count));
  const most = closed.filter((one) => one.count === count).map(({ span }) => span);
  return (
    middle && {
      middle,
      most: count > 0 ? { spans: most, count } : undefined,
      without: Math.max(0, whole - sum),
    }
  );
}
