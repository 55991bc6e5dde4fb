import { getGreatest, getLeast, type Amount } from './amount';

/** How many results are wanted; either end may be open. */
export interface Band {
  readonly from?: number;
  readonly to?: number;
}

/** How an amount stands to a band. `unsure`: the numbers that it can be are on more than one side. */
export type BandStanding = 'no-band' | 'below' | 'in' | 'above' | 'unsure';

/** How an amount stands to a band. An estimate is taken by what it says. */
export function judgeBand(amount: Amount, { from, to }: Band): BandStanding {
  if (from === undefined && to === undefined) return 'no-band';
  const [least, greatest] = [getLeast(amount), getGreatest(amount)];
  if (from !== undefined && greatest < from) return 'below';
  if (to !== undefined && least > to) return 'above';
  return least >= (from ?? 0) && greatest <= (to ?? Infinity) ? 'in' : 'unsure';
}

/**
 * How far an amount is outside a band, in tenfolds; 0 within it. Of bounds the farther end counts: a band is
 * reached only when it surely is.
 */
export function measureDistance(amount: Amount, { from, to }: Band): number {
  const log = (value: number): number => Math.log10(value + 1);
  const [least, greatest] = [getLeast(amount), getGreatest(amount)];
  const below = from !== undefined && least < from ? log(from) - log(least) : 0;
  const above = to !== undefined && greatest > to ? log(greatest) - log(to) : 0;
  return Math.max(below, above);
}

/** A band in which nothing at all is too little, whatever it says. */
export function wantSomething(band: Band): Band {
  return band.from === undefined ? { ...band, from: 1 } : band;
}

/** In tenfolds, how much larger one amount is than another one, by the middle of what each can be; below zero, smaller. */
export function measureGrowth(now: Amount, then: Amount): number {
  const place = (amount: Amount): number =>
    (Math.log10(getLeast(amount) + 1) + Math.log10(getGreatest(amount) + 1)) / 2;
  return place(now) - place(then);
}
