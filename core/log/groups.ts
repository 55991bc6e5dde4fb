import { readMoment } from '../text';

/** Orders by moment; what has the same one keeps its order. */
export function byMoment(a: { readonly moment: string }, b: { readonly moment: string }): number {
  return readMoment(a.moment) - readMoment(b.moment);
}

/** Things by a key, each group in the order given. */
export function groupBy<T, K>(things: Iterable<T>, getKey: (thing: T) => K): Map<K, T[]> {
  const groups = new Map<K, T[]>();
  for (const thing of things) {
    const key = getKey(thing);
    const group = groups.get(key);
    if (group) group.push(thing);
    else groups.set(key, [thing]);
  }
  return groups;
}

/** Things in the order of their moments, apart where there was a rest of more than so many milliseconds. */
export function splitByRests<T extends { readonly moment: string }>(
  things: readonly T[],
  rest: number,
): T[][] {
  const groups: T[][] = [];
  for (const thing of things.toSorted(byMoment)) {
    const group = groups.at(-1);
    const last = group?.at(-1);
    if (group && last && readMoment(thing.moment) - readMoment(last.moment) <= rest) group.push(thing);
    else groups.push([thing]);
  }
  return groups;
}
