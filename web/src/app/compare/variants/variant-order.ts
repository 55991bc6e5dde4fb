import { describeDifference } from '#core/compare/draft/index';
import { listLimiters } from '#core/limiter/index';
import type { SearchState, Variant } from '#core/project/index';
import { say } from '../../words/say';

/** A row names so many changes; the rest is counted. */
const MAX_CHANGES = 4;

/** Parents before what was made from them, branches one after the other. */
export function sortByDescent(variants: readonly Variant[]): Variant[] {
  const known = new Set(variants.map(({ id }) => id));
  const sorted: Variant[] = [];
  const add = (variant: Variant): void => {
    if (sorted.includes(variant)) return;
    sorted.push(variant);
    variants.filter(({ parent }) => parent === variant.id).forEach(add);
  };
  variants.filter(({ parent }) => parent === undefined || !known.has(parent)).forEach(add);
  variants.forEach(add);
  return sorted;
}

/** How many variants a variant descends from. */
export function countAncestors(variant: Variant, all: readonly Variant[]): number {
  const variants = new Map(all.map((other) => [other.id, other]));
  const seen = new Set([variant.id]);
  let now = variants.get(variant.parent ?? '');
  for (; now && !seen.has(now.id); now = variants.get(now.parent ?? '')) seen.add(now.id);
  return seen.size - 1;
}

/** What a state is limited to, in words. */
export function describeLimits({ limiters }: SearchState): string {
  const words = listLimiters(limiters)
    .map(({ value }) => value)
    .join(', ');
  return say('shared.limitedTo', { limiters: words || say('compare.nothing') });
}

/** What changed from one state to another, the first few changes named. */
export function describeSince(from: SearchState, to: SearchState): string {
  const { added, removed, other } = describeDifference(from, to);
  const changes = [...added.map((item) => `+ ${item}`), ...removed.map((item) => `− ${item}`), ...other];
  if (changes.length === 0) return say('compare.nothingChanged');
  const more =
    changes.length > MAX_CHANGES ? say('compare.andMore', { count: changes.length - MAX_CHANGES }) : '';
  return changes.slice(0, MAX_CHANGES).join(', ') + more;
}
