import { compareCounts, getExact, type Comparison, type Count, type NoComparison } from '#core/count/index';
import { listLimiters } from '#core/limiter/index';
import { listLeftOut, type LeftOut } from '#core/dialect/index';
import { describeProblem } from '#core/problem/index';
import { printQuery } from '#core/query/index';
import { formatAmount, formatDifference } from '../ui/number-format';
import type { Counted } from './count-state';
import { readCount } from './read-count';
import { say } from '../words/say';

/** A count as a cell of a table: its number, or the reason why there is none. */
export function describeCell(counted: Counted | undefined): string | number {
  const state = counted?.state;
  if (!counted || !state || state.status === 'waiting') return say('shared.notCounted');
  if (state.status === 'failed') return describeProblem(state.problem);
  if (state.status === 'empty') return say('shared.nothingToCount');
  const basis = describeBasis(counted).join(', ');
  const exact = getExact(state.amount);
  const number = exact ?? formatAmount(state.amount);
  return basis === '' ? number : `${number} (${basis})`;
}

/** Why two counts are not set side by side, in the place of their difference. */
const NO_COMPARISON_WORDS: Readonly<Record<NoComparison, string>> = {
  pending: '',
  'not-counted': '',
  'other-database': '',
  get 'part-left-out'() {
    return say('shared.aPartLeftOut');
  },
  get 'other-fields'() {
    return say('shared.inOtherFields');
  },
  get 'limiter-missing'() {
    return say('counting.aLimiterMissing');
  },
  get estimated() {
    return say('shared.cannotTell');
  },
  get bounds() {
    return say('shared.cannotTell');
  },
};

/** A comparison in words: `+41`, `+3 to +9`, `−12, other limiters`, or why there is none; empty while one is missing. */
export function describeComparison(compared: Comparison): string {
  if (compared.kind === 'none') return NO_COMPARISON_WORDS[compared.why];
  const { least, greatest, isAcrossLimiters } = compared;
  const words =
    least === greatest
      ? formatDifference(least)
      : say('counting.leastToGreatest', {
          least: formatDifference(least),
          greatest: formatDifference(greatest),
        });
  return isAcrossLimiters ? say('counting.otherLimiters', { words }) : words;
}

/** The difference of two counts of one database in words. */
export function describeGap(now: Counted | undefined, then: Counted | undefined): string {
  if (!now || !then) return '';
  return describeComparison(compareCounts(readCount(now), readCount(then)));
}

/** A difference where the limiters are what was changed: it needs no mention. */
export function describeLimiterGap(now: Count, then: Count): string {
  const compared = compareCounts(now, then);
  return describeComparison(
    compared.kind === 'difference' ? { ...compared, isAcrossLimiters: false } : compared,
  );
}

/** What a count is not quite: each in a few words. Empty for a count of just what was asked. */
export function describeBasis({ root, rendering, limiters, missingLimiters }: Counted): string[] {
  const words: string[] = [];
  if (rendering.omitted) words.push(...describeLeftOut(listLeftOut(root, rendering)));
  if (rendering.withoutFields) words.push(say('counting.inTheFullText'));
  const missing = listLimiters(limiters).filter(({ name }) => missingLimiters.includes(name));
  if (missing.length > 0)
    words.push(say('counting.without', { parts: missing.map(({ value }) => value).join(', ') }));
  return words;
}

/** What is left out: where the words of a field are searched in another one, that is said in place of it. */
function describeLeftOut(found: readonly LeftOut[]): string[] {
  const words = found.map(({ node, reason }) => {
    if (reason?.code === 'field-widened' && reason.data['fields'] === 'firstauthor')
      return say('counting.anyAuthor');
    if (reason?.code === 'field-widened')
      return describeWidened(String(reason.data['fields']), String(reason.data['instead']));
    return say('counting.without', { parts: shorten(printQuery(node)) });
  });
  return words.length > 0 ? [...new Set(words)] : [say('shared.aPartLeftOut')];
}

/** Where a field is searched that has no sign of its own; a longer account is in Translate. */
function describeWidened(fields: string, instead: string): string {
  return instead.includes(' ')
    ? say('counting.searchedAnywhere', { fields })
    : say('counting.searchedIn', { fields, instead });
}

function shorten(text: string): string {
  return text.length > 40 ? `${text.slice(0, 39)}…` : text;
}
