import '@angular/compiler';
import { effect, signal } from '@angular/core';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { CountEntry } from '#core/contract/index';
import { DIALECTS } from '#core/dialect/index';
import { createProblem, fail, succeed, type Outcome } from '#core/problem/index';
import { parseQuery } from '#core/query/index';
import { CLOCK_AND_IDS } from '../data/clock-and-ids';
import { createConnection } from '../data/connections/connection';
import { Connections } from '../state/connections';
import { startInjection } from '../testing/injection';
import { AskedCounts } from './asked-counts';
import { Counts } from './counts';
import { TypedCounts } from './typed-counts';
import { WritingAids } from './writing-aids';

const angular = startInjection();
const dialect = DIALECTS[0]!;

interface Sent {
  readonly strings: readonly string[];
  readonly signal: AbortSignal | undefined;
  readonly answer: () => void;
}

/** Counts over a database that answers each request when it is told to. */
function createCounts() {
  const sent: Sent[] = [];
  const connection = createConnection('served', 'Heronsmere', {
    count: ({ strings }, signal) =>
      new Promise<Outcome<readonly CountEntry[]>>((resolve) => {
        signal?.addEventListener('abort', () => resolve(fail(createProblem('request-given-up', 'note'))));
        const answer = (): void =>
          resolve(succeed(strings.map(({ length }) => ({ total: length, estimated: false, notes: [] }))));
        sent.push({ strings, signal, answer });
      }),
  });
  angular.resetTestingModule();
  angular.configureTestingModule({
    providers: [
      { provide: WritingAids, useValue: { countKnown: () => 0, createSettings: () => ({}) } },
      { provide: TypedCounts, useValue: {} },
      { provide: Connections, useValue: { find: () => connection, isByHand: () => false } },
      { provide: CLOCK_AND_IDS, useValue: { now: () => 0, createId: () => 'x' } },
    ],
  });
  return { counts: angular.inject(Counts), requests: angular.inject(AskedCounts), sent };
}

/** Shows the count of a text as a view does, and notes what it showed. */
function show(text: () => string): { readonly shown: string[]; hide(): void } {
  const counts = angular.inject(Counts);
  const roots = new Map<string, ReturnType<typeof parseQuery>['root']>();
  const shown: string[] = [];
  const showing = angular.runInInjectionContext(() =>
    effect(() => {
      const root = roots.get(text()) ?? parseQuery(text()).root;
      roots.set(text(), root);
      shown.push(`${text()} ${counts.look(root, dialect, {}).state.status}`);
    }),
  );
  angular.tick();
  return { shown, hide: () => showing.destroy() };
}

async function pass(milliseconds: number): Promise<void> {
  await vi.advanceTimersByTimeAsync(milliseconds);
  angular.tick();
}

beforeEach(() => void vi.useFakeTimers());
afterEach(() => void vi.useRealTimers());

describe('a count that is looked at', () => {
  it('is asked for by the look alone, and shown when it comes', async () => {
    const { sent } = createCounts();
    const { shown } = show(() => 'bat');
    await pass(10);
    expect(sent.map(({ strings }) => strings)).toEqual([['bat']]);
    sent[0]?.answer();
    await pass(10);
    expect(shown).toEqual(['bat waiting', 'bat counted']);
  });

  it('redraws what shows it and nothing else', async () => {
    const { sent } = createCounts();
    const [bat, lamp] = [show(() => 'bat'), show(() => 'lamp')];
    await pass(10);
    sent[0]?.answer();
    await pass(10);
    const road = show(() => 'road');
    await pass(10);
    sent[1]?.answer();
    await pass(10);
    expect(road.shown).toEqual(['road waiting', 'road counted']);
    expect([bat.shown, lamp.shown]).toEqual([
      ['bat waiting', 'bat counted'],
      ['lamp waiting', 'lamp counted'],
    ]);
  });

  it('is asked for again by itself when it was forgotten', async () => {
    const { requests, sent } = createCounts();
    const { shown } = show(() => 'bat');
    await pass(10);
    sent[0]?.answer();
    await pass(10);
    requests.forget(dialect.id);
    await pass(10);
    sent[1]?.answer();
    await pass(10);
    expect(shown).toEqual(['bat waiting', 'bat counted', 'bat waiting', 'bat counted']);
  });

  it('is not asked for by who only peeks', async () => {
    const { counts, sent } = createCounts();
    expect(counts.peek(parseQuery('bat').root, dialect, {}).state.status).toBe('waiting');
    await pass(10);
    expect(sent).toEqual([]);
  });
});

describe('a request whose answer nobody wants any more', () => {
  it('is cancelled when others wait behind it', async () => {
    const { sent } = createCounts();
    const text = signal('bat');
    const { shown } = show(() => text());
    await pass(10);
    text.set('bats');
    await pass(10);
    expect(sent).toHaveLength(1);
    for (let wait = 0; wait < 10; wait++) await pass(50);
    expect(sent[0]?.signal?.aborted).toBe(true);
    expect(sent.map(({ strings }) => strings)).toEqual([['bat'], ['bats']]);
    sent[1]?.answer();
    await pass(10);
    expect(shown.at(-1)).toBe('bats counted');
    // Looked at again, it is asked for again.
    text.set('bat');
    await pass(10);
    expect(sent.map(({ strings }) => strings)).toEqual([['bat'], ['bats'], ['bat']]);
  });

  it('goes on while somebody shows one of its counts, or waits for it', async () => {
    const { counts, requests, sent } = createCounts();
    show(() => 'bat');
    await pass(10);
    const later = show(() => 'lamp');
    for (let wait = 0; wait < 10; wait++) await pass(50);
    expect(sent[0]?.signal?.aborted).toBe(false);
    sent[0]?.answer();
    await pass(10);
    later.hide();
    const { countKey } = counts.peek(parseQuery('lamp').root, dialect, {});
    const settled = requests.settle([countKey!]);
    show(() => 'road');
    for (let wait = 0; wait < 10; wait++) await pass(50);
    expect(sent[1]?.signal?.aborted).toBe(false);
    sent[1]?.answer();
    await pass(10);
    expect((await settled)[0]).toMatchObject({ status: 'counted' });
  });
});
