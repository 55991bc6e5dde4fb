/** A stream of random numbers that is the same for the same seed. */
export interface Random {
  /** From 0 up to, not including, 1. */
  next(): number;
  /** A whole number from `from` to `to`, both included. */
  between(from: number, to: number): number;
  /** True with the given probability. */
  chance(probability: number): boolean;
  /** One of a list. */
  pick<T>(list: readonly T[]): T;
  /** One of a list whose first members are much more frequent than its last. */
  pickSkewed<T>(list: readonly T[], skew?: number): T;
  /** Several different ones of a list, in random order. */
  sample<T>(list: readonly T[], count: number): T[];
}

/** A small fast generator (sfc32) seeded from two numbers. */
export function createRandom(seed: number, stream = 0): Random {
  let [a, b, c, d] = [seed | 0, stream | 0, 0x9e3779b9 | 0, 1];
  const step = (): number => {
    const sum = (((a + b) | 0) + d) | 0;
    d = (d + 1) | 0;
    a = b ^ (b >>> 9);
    b = (c + (c << 3)) | 0;
    c = (((c << 21) | (c >>> 11)) + sum) | 0;
    return (sum >>> 0) / 4_294_967_296;
  };
  for (let warm = 0; warm < 12; warm++) step();
  const at = <T>(list: readonly T[], share: number): T => {
    const item = list[Math.min(list.length - 1, Math.floor(share * list.length))];
    if (item === undefined) throw new RangeError('Nothing to pick from.');
    return item;
  };
  return {
    next: step,
    between: (from, to) => from + Math.floor(step() * (to - from + 1)),
    chance: (probability) => step() < probability,
    pick: (list) => at(list, step()),
    pickSkewed: (list, skew = 2.2) => at(list, step() ** skew),
    sample: (list, count) => {
      const rest = [...list];
      const taken: (typeof rest)[number][] = [];
      while (taken.length < count && rest.length > 0)
        taken.push(...rest.splice(Math.floor(step() * rest.length), 1));
      return taken;
    },
  };
}
