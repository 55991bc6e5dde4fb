import { Injectable, signal, type WritableSignal } from '@angular/core';
import type { CountState } from './count-state';

/** So many characters of strings are remembered with their counts; those that are looked at go beyond it. */
const MAX_CHARACTERS = 4_000_000;
/** What was not looked at while answers came so many times may be forgotten. */
const ANSWERS_LATER = 20;

/** A standing value: who compares states sees that nothing changed. */
const WAITING: CountState = { status: 'waiting' };

/** A count that is known, or that somebody looks at. */
interface Entry {
  /** A new object each time, so that those who look can be made to look again. */
  readonly shown: WritableSignal<{ readonly state: CountState }>;
  /** The moment of the last look, on the clock of this store. */
  lookedAt: number;
}

/**
 * What is known of counts, by their keys: a signal each, so that an answer redraws what shows it and nothing
 * else. Strings are long, so counts that are not shown any more are forgotten, the oldest first.
 */
@Injectable({ providedIn: 'root' })
export class KnownCounts {
  private readonly entries = new Map<string, Entry>();
  private characters = 0;
  /** Goes on by one with each answer and each call to look again. */
  private clock = 0;
  /** When those who look were called to look again, so that the others can be forgotten. */
  private calledAt: number | undefined;

  /** How a count stands. Read in a computation, it follows the count. */
  get(key: string): CountState {
    const entry = this.entries.get(key) ?? this.create(key);
    entry.lookedAt = this.clock;
    return entry.shown().state;
  }

  /** Whether a count is there, counted or failed; this is no look at it. */
  has(key: string): boolean {
    return this.findState(key).status !== 'waiting';
  }

  /** The keys of counts that are known, with how they stand. */
  list(): (readonly [string, CountState])[] {
    return [...this.entries.keys()]
      .map((key) => [key, this.findState(key)] as const)
      .filter(([, { status }]) => status !== 'waiting');
  }

  put(counts: Iterable<readonly [string, CountState]>): void {
    this.clock++;
    for (const [key, state] of counts) {
      const entry = this.entries.get(key) ?? this.create(key);
      entry.lookedAt = this.clock;
      entry.shown.set({ state });
    }
    this.forgetOldest();
  }

  /** Forgets counts; those who look at them wait for them anew. */
  forget(keys: Iterable<string>): void {
    for (const key of keys) {
      const entry = this.entries.get(key);
      if (!entry) continue;
      this.entries.delete(key);
      this.characters -= key.length;
      entry.shown.set({ state: WAITING });
    }
  }

  /** Calls those who look at some counts to look again; `lookedSince` tells which were looked at then. */
  callToLook(keys: Iterable<string>): number {
    this.clock++;
    for (const key of keys) {
      const shown = this.entries.get(key)?.shown;
      shown?.update(({ state }) => ({ state }));
    }
    return this.clock;
  }

  lookedSince(key: string, moment: number): boolean {
    return (this.entries.get(key)?.lookedAt ?? -1) >= moment;
  }

  private findState(key: string): CountState {
    return this.entries.get(key)?.shown().state ?? WAITING;
  }

  private create(key: string): Entry {
    const entry: Entry = { shown: signal({ state: WAITING }), lookedAt: this.clock };
    this.entries.set(key, entry);
    this.characters += key.length;
    return entry;
  }

  /** Who shows a count reads it once, so before anything is forgotten all are called to look again. */
  private forgetOldest(): void {
    if (this.characters <= MAX_CHARACTERS) {
      this.calledAt = undefined;
      return;
    }
    if (this.calledAt === undefined) {
      this.calledAt = this.callToLook(this.entries.keys());
      return;
    }
    if (this.clock - this.calledAt < ANSWERS_LATER) return;
    const oldest: string[] = [];
    let left = this.characters;
    for (const [key, { lookedAt }] of this.entries) {
      if (left <= MAX_CHARACTERS) break;
      if (lookedAt >= this.calledAt) continue;
      oldest.push(key);
      left -= key.length;
    }
    this.forget(oldest);
    this.calledAt = undefined;
  }
}
