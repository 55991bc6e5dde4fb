/** Where a question is: among quick ones, or among those that turned out to take longer. In this order it goes from one to the next. */
export const LANES = ['quick', 'middle', 'slow'] as const;
export type Lane = (typeof LANES)[number];

const FIRST_THREAD = LANES.length;

/**
 * What threads and their pool tell each other while a thread is at work and reads no messages: how many
 * questions wait in each lane, and which turn of each thread is given up.
 */
export class Signals {
  constructor(readonly cells: Int32Array) {}

  setWaiting(lane: Lane, number: number): void {
    Atomics.store(this.cells, LANES.indexOf(lane), number);
  }

  doOthersWait(lane: Lane): boolean {
    return Atomics.load(this.cells, LANES.indexOf(lane)) > 0;
  }

  giveUp(place: number, turn: number): void {
    Atomics.store(this.cells, FIRST_THREAD + place, turn);
  }

  isGivenUp(place: number, turn: number): boolean {
    return Atomics.load(this.cells, FIRST_THREAD + place) === turn;
  }
}

/** Signals for so many threads, in memory that they share. */
export function createSignals(threads: number): Signals {
  return new Signals(
    new Int32Array(new SharedArrayBuffer((FIRST_THREAD + threads) * Int32Array.BYTES_PER_ELEMENT)),
  );
}
