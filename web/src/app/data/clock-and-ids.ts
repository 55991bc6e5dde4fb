import { InjectionToken } from '@angular/core';

/** What the core may not have: the time, and ids that are unique. Replaced in tests. */
export interface ClockAndIds {
  /** Milliseconds since 1970. */
  now(): number;
  createId(): string;
}

export const CLOCK_AND_IDS = new InjectionToken<ClockAndIds>('ClockAndIds', {
  providedIn: 'root',
  factory: () => ({ now: () => Date.now(), createId: () => crypto.randomUUID() }),
});

/** A moment as it is stored: ISO 8601, UTC. */
export function writeMoment(milliseconds: number): string {
  return new Date(milliseconds).toISOString();
}

/** The day of a moment, UTC: `2026-01-31`. */
export function writeDay(milliseconds: number): string {
  return writeMoment(milliseconds).slice(0, 10);
}
