import { succeed, type Outcome } from '../problem';
import { rememberUnions, type UnionCounter } from './union-counter';

/** A member and what is found with it and all before it. */
export interface CoverStep {
  readonly member: number;
  readonly total: number;
  /** What it brings to those before it. */
  readonly gain: number;
}

/** What some members find together, and with how few of them the same is found. */
export interface Cover {
  readonly whole: number;
  /** The members in the best order: each brings the most that one can bring after those before it. */
  readonly order: readonly CoverStep[];
  /** What only this one finds of all of them. */
  readonly only: readonly number[];
  /** Members that can go one at a time without loss. */
  readonly free: readonly number[];
  /** Pairs of these that cover each other: one of the two must stay. */
  readonly coverEachOther: readonly (readonly [number, number])[];
  /** Members that find all that all of them find. */
  readonly smallest: readonly number[];
  /** True if fewer are surely not enough; else at least `atLeast` are needed. */
  readonly isExact: boolean;
  readonly atLeast: number;
}

/** The most members that are left to choose from when every choice is tried. */
const MAX_TRIED = 12;
/** Counts asked for at once by the search for an order. */
const AT_ONCE = 8;

/**
 * The best order, what each finds alone, and the smallest set that finds the same. The order is greedy (each
 * next member brings most; ties go to the earlier one). The smallest set begins with the members that nothing
 * replaces. Of the rest all choices are tried if they are few; else they are taken greedily. That is at most 1
 * + ln(gain of the greatest member) times the fewest (Chvátal 1979).
 */
export async function findCover(given: UnionCounter): Promise<Outcome<Cover>> {
  const counter = rememberUnions(given);
  const all = Array.from({ length: counter.members }, (_, at) => at);
  const counted = await counter.count([all, ...all.map((one) => all.filter((other) => other !== one))]);
  if (!counted.ok) return counted;
  const [whole = 0, ...rests] = counted.value;
  const only = rests.map((rest) => whole - rest);
  const order = await findOrder(counter, all, []);
  if (!order.ok) return order;
  const free = all.filter((member) => only[member] === 0);
  const pairs = await findPairs(counter, all, free, whole);
  if (!pairs.ok) return pairs;
  const smallest = await findSmallest(counter, all, only, whole);
  if (!smallest.ok) return smallest;
  return succeed({
    whole,
    order: order.value,
    only,
    free,
    coverEachOther: pairs.value,
    ...smallest.value,
  });
}

/** Greedy with old gains as bounds: a gain never grows, so few members are asked about in each round. */
async function findOrder(
  counter: UnionCounter,
  members: readonly number[],
  start: readonly number[],
): Promise<Outcome<CoverStep[]>> {
  const first = await counter.count([start, ...members.map((member) => [...start, member])]);
  if (!first.ok) return first;
  const [base = 0, ...firstTotals] = first.value;
  let total = base;
  let open = members.map((member, at) => ({ member, gain: (firstTotals[at] ?? base) - base, round: 0 }));
  const chosen = [...start];
  const order: CoverStep[] = [];
  for (let round = 0; open.length > 0; round++) {
    open.sort((a, b) => b.gain - a.gain || a.member - b.member);
    for (;;) {
      const [best] = open;
      if (!best || best.round === round || best.gain === 0) break;
      const stale = open.filter((entry) => entry.round < round).slice(0, AT_ONCE);
      const counted = await counter.count(stale.map(({ member }) => [...chosen, member]));
      if (!counted.ok) return counted;
      stale.forEach((entry, at) =>
        Object.assign(entry, { gain: (counted.value[at] ?? total) - total, round }),
      );
      open.sort((a, b) => b.gain - a.gain || a.member - b.member);
    }
    const [best] = open;
    if (!best) break;
    open = open.slice(1);
    chosen.push(best.member);
    total += best.gain;
    order.push({ member: best.member, total, gain: best.gain });
  }
  return succeed(order);
}

async function findPairs(
  counter: UnionCounter,
  all: readonly number[],
  free: readonly number[],
  whole: number,
): Promise<Outcome<(readonly [number, number])[]>> {
  const pairs = free
    .slice(0, MAX_PAIRED)
    .flatMap((a, at) => free.slice(at + 1, MAX_PAIRED).map((b) => [a, b] as const));
  const counted = await counter.count(
    pairs.map(([a, b]) => all.filter((member) => member !== a && member !== b)),
  );
  if (!counted.ok) return counted;
  return succeed(pairs.filter((_, at) => (counted.value[at] ?? whole) < whole));
}

/** The members whose pairs are all looked at. */
const MAX_PAIRED = 24;

async function findSmallest(
  counter: UnionCounter,
  all: readonly number[],
  only: readonly number[],
  whole: number,
): Promise<Outcome<Pick<Cover, 'smallest' | 'isExact' | 'atLeast'>>> {
  const needed = all.filter((member) => (only[member] ?? 0) > 0);
  const rest = all.filter((member) => !needed.includes(member));
  const greedy = await findOrder(counter, rest, needed);
  if (!greedy.ok) return greedy;
  const start = await counter.count([needed]);
  if (!start.ok) return start;
  const base = start.value[0] ?? 0;
  if (base === whole) return succeed({ smallest: needed, isExact: true, atLeast: needed.length });
  const useful = greedy.value.filter(({ gain }) => gain > 0).map(({ member }) => member);
  const upper = [...needed, ...useful].sort((a, b) => a - b);
  // Two more at least are needed where no single one will do; a member brings at most the greatest gain.
  const greatest = Math.max(...greedy.value.map(({ gain }) => gain));
  const lower = needed.length + Math.max(1, Math.ceil((whole - base) / Math.max(1, greatest)));
  if (rest.length > MAX_TRIED)
    return succeed({ smallest: upper, isExact: upper.length === lower, atLeast: lower });
  for (let size = lower - needed.length; size < useful.length; size++) {
    const choices = listChoices(rest, size).map((choice) => [...needed, ...choice]);
    const counted = await counter.count(choices);
    if (!counted.ok) return counted;
    const at = counted.value.indexOf(whole);
    const choice = at < 0 ? undefined : choices[at];
    if (choice)
      return succeed({
        smallest: [...choice].sort((a, b) => a - b),
        isExact: true,
        atLeast: choice.length,
      });
  }
  return succeed({ smallest: upper, isExact: true, atLeast: upper.length });
}

/** All choices of so many of some members, the earliest first. */
function listChoices(members: readonly number[], size: number): number[][] {
  if (size === 0) return [[]];
  return members.flatMap((member, at) =>
    listChoices(members.slice(at + 1), size - 1).map((choice) => [member, ...choice]),
  );
}
