import '@angular/compiler';
import { createState } from '../testing/counts';
import { signal } from '@angular/core';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { createProblem, succeed, type Problem } from '#core/problem/index';
import type { StoredBatch } from '../data/batch-repository';
import { CLOCK_AND_IDS } from '../data/clock-and-ids';
import { BATCH_REPOSITORY } from '../data/providers';
import { OpenProject } from '../state/open-project';
import { startInjection } from '../testing/injection';
import { CountBatches } from './count-batches';
import { createKey, type CountState, type CountKey } from './count-state';
import { AskedCounts } from './asked-counts';
import { Counts } from './counts';

const angular = startInjection();

const countKey = (database: string, string: string): CountKey => ({ database, string, sentLimiters: {} });
const COUNT_KEYS = Array.from({ length: 50 }, (_, at) => countKey('gantry', `word${at}`));

/** Counts that the test gives; what is asked is noted. */
class HandCounts {
  private readonly states = signal<ReadonlyMap<string, CountState>>(new Map());
  readonly asked: CountKey[][] = [];
  readonly again: CountKey[][] = [];

  stateOf(one: CountKey): CountState {
    return this.states().get(createKey(one)) ?? { status: 'waiting' };
  }

  ask(countKeys: readonly CountKey[]): void {
    this.asked.push([...countKeys]);
  }

  countAgain(countKeys: readonly CountKey[]): void {
    this.again.push([...countKeys]);
    this.set(countKeys, { status: 'waiting' });
  }

  putBack(entries: readonly (readonly [CountKey, CountState])[]): void {
    for (const [one, state] of entries) this.set([one], state);
  }

  count(countKeys: readonly CountKey[]): void {
    this.set(countKeys, createState(7));
  }

  fail(countKeys: readonly CountKey[], problem: Problem): void {
    this.set(countKeys, { status: 'failed', problem });
  }

  private set(countKeys: readonly CountKey[], state: CountState): void {
    this.states.update(
      (all) => new Map([...all, ...countKeys.map((one) => [createKey(one), state] as const)]),
    );
    angular.tick();
  }
}

const FAULT = createProblem('service-failed', 'error', { database: 'Gantry', status: 503 });
/** What is on disk, by the batches' ids. */
let stored: Map<string, StoredBatch>;

/** A page that opens the project `p`. */
async function openPage() {
  angular.resetTestingModule();
  const counts = new HandCounts();
  angular.configureTestingModule({
    providers: [
      { provide: Counts, useValue: counts },
      { provide: AskedCounts, useValue: counts },
      { provide: OpenProject, useValue: { maybe: signal({ id: 'p' }) } },
      { provide: CLOCK_AND_IDS, useValue: { now: () => 0, createId: () => 'b1' } },
      {
        provide: BATCH_REPOSITORY,
        useValue: {
          list: (project: string) =>
            Promise.resolve(succeed([...stored.values()].filter((batch) => batch.project === project))),
          save: (batch: StoredBatch) => Promise.resolve(stored.set(batch.id, batch)),
          remove: (id: string) => Promise.resolve(stored.delete(id)),
        },
      },
    ],
  });
  const batches = angular.inject(CountBatches);
  angular.tick();
  await vi.advanceTimersByTimeAsync(0);
  angular.tick();
  return { batches, counts };
}

async function pass(milliseconds: number): Promise<void> {
  await vi.advanceTimersByTimeAsync(milliseconds);
  angular.tick();
}

beforeEach(() => {
  stored = new Map();
  vi.useFakeTimers();
});
afterEach(() => {
  vi.useRealTimers();
});

describe('a batch of counts', () => {
  it('is made a few at a time of each database, and is gone when all are there', async () => {
    const { batches, counts } = await openPage();
    batches.start('Swap', [...COUNT_KEYS, countKey('marlstone', 'bat')]);
    angular.tick();
    expect(counts.asked.map((some) => some.map(({ string }) => string))).toEqual([
      COUNT_KEYS.slice(0, 20).map(({ string }) => string),
      ['bat'],
    ]);
    counts.count(COUNT_KEYS.slice(0, 20));
    expect(batches.batches()[0]).toMatchObject({ title: 'Swap', done: 20 });
    expect(counts.asked.at(-2)).toEqual(COUNT_KEYS.slice(20, 40));
    await pass(1_000);
    expect(stored.get('b1')?.answers.filter((answer) => answer !== null)).toHaveLength(20);
    counts.count([...COUNT_KEYS, countKey('marlstone', 'bat')]);
    await pass(1_000);
    expect(batches.batches()).toEqual([]);
    expect(stored.size).toBe(0);
  });

  it('asks for nothing while it is paused, and goes on', async () => {
    const { batches, counts } = await openPage();
    batches.start('Swap', COUNT_KEYS);
    angular.tick();
    batches.pause('b1', true);
    angular.tick();
    counts.count(COUNT_KEYS.slice(0, 20));
    expect(counts.asked).toHaveLength(1);
    await pass(0);
    expect(stored.get('b1')?.isPaused).toBe(true);
    batches.pause('b1', false);
    angular.tick();
    expect(counts.asked.at(-1)).toEqual(COUNT_KEYS.slice(20, 40));
  });

  it('goes on after a reload with what is missing; what was counted is not counted again', async () => {
    const first = await openPage();
    first.batches.start('Swap', COUNT_KEYS);
    angular.tick();
    first.counts.count(COUNT_KEYS.slice(0, 20));
    await pass(1_000);
    const { batches, counts } = await openPage();
    expect(batches.batches()[0]).toMatchObject({ id: 'b1', title: 'Swap', done: 20, isPaused: false });
    expect(counts.stateOf(COUNT_KEYS[19]!)).toEqual(createState(7));
    expect(counts.asked[0]).toEqual(COUNT_KEYS.slice(20, 40));
  });

  it('tries a database that fails again after growing waits, then leaves it out; the others are complete', async () => {
    const { batches, counts } = await openPage();
    const other = countKey('marlstone', 'bat');
    batches.start('Swap', [COUNT_KEYS[0]!, other]);
    angular.tick();
    counts.count([other]);
    for (const wait of [1_000, 2_000, 4_000, 8_000]) {
      const before = counts.again.length;
      counts.fail([COUNT_KEYS[0]!], FAULT);
      await pass(wait * 0.74);
      expect(counts.again).toHaveLength(before);
      await pass(wait * 0.52);
      expect(counts.again).toHaveLength(before + 1);
    }
    counts.fail([COUNT_KEYS[0]!], FAULT);
    await pass(60_000);
    expect(counts.again).toHaveLength(4);
    expect(batches.batches()[0]).toMatchObject({ failed: ['gantry'], done: 1 });
    batches.retry('b1');
    angular.tick();
    expect(batches.batches()[0]?.failed).toEqual([]);
    expect(counts.again.at(-1)).toEqual([COUNT_KEYS[0]]);
    counts.count([COUNT_KEYS[0]!]);
    await pass(1_000);
    expect(batches.batches()).toEqual([]);
  });

  it('takes it for an answer that a database does not take a string', async () => {
    const { batches, counts } = await openPage();
    batches.start('Swap', COUNT_KEYS.slice(0, 2));
    angular.tick();
    counts.fail(
      [COUNT_KEYS[0]!],
      createProblem('service-refused', 'error', { database: 'Gantry', message: 'A bracket is open.' }),
    );
    expect(batches.batches()[0]?.done).toBe(1);
    counts.count([COUNT_KEYS[1]!]);
    await pass(1_000);
    expect(batches.batches()).toEqual([]);
    expect(counts.again).toEqual([]);
  });

  it('is stopped for good, also on the disk', async () => {
    const { batches, counts } = await openPage();
    batches.start('Swap', COUNT_KEYS);
    angular.tick();
    await pass(1_000);
    expect(stored.size).toBe(1);
    batches.cancel('b1');
    angular.tick();
    counts.count(COUNT_KEYS.slice(0, 20));
    await pass(1_000);
    expect(counts.asked).toHaveLength(1);
    expect(stored.size).toBe(0);
  });
});
