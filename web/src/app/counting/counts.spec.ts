import '@angular/compiler';
import { createState } from '../testing/counts';
import { Injector } from '@angular/core';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { DIALECTS } from '#core/dialect/index';
import type { CountEntry } from '#core/contract/index';
import { createProblem, fail, succeed, type Outcome } from '#core/problem/index';
import { parseQuery } from '#core/query/index';
import { getExact } from '#core/count/index';
import { CLOCK_AND_IDS } from '../data/clock-and-ids';
import { createConnection } from '../data/connections/connection';
import { Connections } from '../state/connections';
import { getAmount, type CountState, type CountKey } from './count-state';
import { AskedCounts } from './asked-counts';
import { Counts } from './counts';
import { KnownCounts } from './known-counts';
import { TypedCounts } from './typed-counts';
import { WritingAids } from './writing-aids';
import { WrittenQueries } from './written-queries';

const getTotal = (state: CountState | undefined) => getExact(getAmount(state));

const dialect = DIALECTS[0]!;
const LIMITERS = {};

/** A database that counts the letters of each string, and notes what it was asked. */
function createStore(
  count?: () => Outcome<readonly CountEntry[]> | undefined,
  answersOf: Readonly<Record<string, Promise<void>>> = {},
) {
  const asked: string[][] = [];
  const databases: string[] = [];
  const find = (database: string) =>
    createConnection('served', database, {
      count: async ({ strings }) => {
        asked.push([...strings]);
        databases.push(database);
        await answersOf[database];
        return (
          count?.() ??
          succeed(strings.map((string) => ({ total: string.length, estimated: false, notes: [] })))
        );
      },
    });
  const connections: Partial<Connections> = {
    find,
    isByHand: () => false,
    isServerThere: () => Promise.resolve(true),
    remind: () => Promise.resolve(),
  };
  const injector = Injector.create({
    providers: [
      Counts,
      AskedCounts,
      KnownCounts,
      WrittenQueries,
      { provide: WritingAids, useValue: { countKnown: () => 0, createSettings: () => ({}) } },
      { provide: TypedCounts, useValue: {} },
      { provide: Connections, useValue: connections },
      { provide: CLOCK_AND_IDS, useValue: { now: () => 0, createId: () => 'x' } },
    ],
  });
  return {
    counts: injector.get(Counts),
    requests: injector.get(AskedCounts),
    queries: injector.get(WrittenQueries),
    asked,
    databases,
  };
}

afterEach(() => void vi.useRealTimers());

describe('live counts', () => {
  it('gather countKeys into one request and ask for a string only once', async () => {
    const { counts, requests, asked } = createStore();
    const roots = ['bat', 'lamp', 'road'].map((text) => parseQuery(text).root);
    const countKeys = () => roots.flatMap((root) => counts.look(root, dialect, LIMITERS).countKey ?? []);
    requests.ask(countKeys());
    requests.ask(countKeys());
    await vi.waitFor(() => expect(getTotal(counts.look(roots[0]!, dialect, LIMITERS).state)).toBe(3));
    requests.ask(countKeys());
    expect(asked).toEqual([['bat', 'lamp', 'road']]);
  });

  it('go to a database one request at a time: what is asked meanwhile goes together', async () => {
    const { counts, requests, asked } = createStore();
    const roots = Array.from({ length: 6 }, (_, at) => parseQuery(`word${at}`).root);
    const countKey = (at: number) => counts.look(roots[at]!, dialect, LIMITERS).countKey!;
    requests.ask([countKey(0)]);
    await vi.waitFor(() => expect(asked).toHaveLength(1));
    for (const at of [1, 2, 3, 4, 5]) requests.ask([countKey(at)]);
    await vi.waitFor(() => expect(getTotal(counts.look(roots[5]!, dialect, LIMITERS).state)).toBe(5));
    expect(asked.map((strings) => strings.length)).toEqual([1, 5]);
  });

  it('are forgotten when their strings are many and long, but for those that are looked at', () => {
    const { counts, requests } = createStore();
    const countKey = (number: number): CountKey => ({
      database: dialect.id,
      string: `${number} ${'bat '.repeat(25_000)}`,
      sentLimiters: {},
    });
    const state = createState(7);
    for (let number = 0; number < 60; number++) {
      requests.putBack([[countKey(number), state]]);
      expect(counts.stateOf(countKey(0))).toBe(state);
      expect(counts.stateOf(countKey(number))).toBe(state);
    }
    expect(counts.listUnknown([countKey(1), countKey(20)])).toHaveLength(2);
    expect(counts.listUnknown([countKey(0), countKey(30), countKey(59)])).toEqual([]);
  });

  it('are not asked for while a database wants to be left alone, and all of them afterwards', async () => {
    vi.useFakeTimers();
    const busy = createProblem('service-busy', 'error', { database: dialect.id, seconds: 3 });
    let answers: Outcome<never>[] = [fail(busy)];
    const { counts, requests, asked } = createStore(() => answers.shift());
    const [bat, lamp, road] = ['bat', 'lamp', 'road'].map((text) => parseQuery(text).root);
    const look = (root = bat!) => counts.look(root, dialect, LIMITERS);
    requests.ask([look(bat).countKey!]);
    await vi.advanceTimersByTimeAsync(500);
    requests.ask([look(lamp).countKey!]);
    await vi.advanceTimersByTimeAsync(1_000);
    expect(look(lamp).state).toEqual({ status: 'failed', problem: busy });
    expect(asked).toEqual([['bat']]);
    await vi.advanceTimersByTimeAsync(2_500);
    expect([getTotal(look(bat).state), getTotal(look(lamp).state)]).toEqual([3, 4]);
    expect(asked).toEqual([['bat'], ['bat', 'lamp']]);
    // Who asks again by hand is not held back.
    answers = [fail(busy)];
    requests.ask([look(road).countKey!]);
    await vi.advanceTimersByTimeAsync(500);
    requests.retry(dialect.id);
    await vi.advanceTimersByTimeAsync(500);
    expect(getTotal(look(road).state)).toBe(4);
  });

  it('belong to the exact string: a changed query waits for its own', async () => {
    const { counts, requests } = createStore();
    const [bat, bats] = [parseQuery('bat').root, parseQuery('bats').root];
    requests.ask([counts.look(bat, dialect, LIMITERS).countKey!]);
    await vi.waitFor(() => expect(getTotal(counts.look(bat, dialect, LIMITERS).state)).toBe(3));
    expect(counts.look(bats, dialect, LIMITERS).state.status).toBe('waiting');
    expect(counts.look(bat, dialect, { years: { from: 2000, to: 2001 } }).state.status).toBe('waiting');
  });

  it('that fail say why, and are asked for again when told', async () => {
    let answer: Outcome<never> | undefined = fail(
      createProblem('service-failed', 'error', { database: 'x', status: 503 }),
    );
    const { counts, requests, asked } = createStore(() => answer);
    const bat = parseQuery('bat').root;
    requests.ask([counts.look(bat, dialect, LIMITERS).countKey!]);
    await vi.waitFor(() => expect(counts.look(bat, dialect, LIMITERS).state.status).toBe('failed'));
    answer = undefined;
    requests.retry(dialect.id);
    await vi.waitFor(() => expect(getTotal(counts.look(bat, dialect, LIMITERS).state)).toBe(3));
    expect(asked).toHaveLength(2);
  });

  it('have nothing to send for an empty query, and a reason where a database lacks the heading', () => {
    const { counts } = createStore();
    expect(counts.look(parseQuery('').root, dialect, LIMITERS).state).toEqual({ status: 'empty' });
    const foreign = counts.look(parseQuery('heading(elsewhere): "Bats"').root, dialect, LIMITERS);
    expect(foreign.state).toMatchObject({ status: 'failed', problem: { code: 'nothing-to-send' } });
  });
});

describe('answers', () => {
  it('that come shortly after one another are shown together; none waits for a database that hangs', async () => {
    let answer = (): void => undefined;
    const hanging = new Promise<void>((resolve) => (answer = resolve));
    const [quick, slow] = [dialect, DIALECTS[1]!];
    const { counts, requests } = createStore(undefined, { [slow.id]: hanging });
    const bat = parseQuery('bat').root;
    const [first, second] = [quick, slow].map((each) => counts.look(bat, each, LIMITERS).countKey!);
    requests.ask([first!, second!]);
    await vi.waitFor(() => expect(counts.stateOf(first!)).toMatchObject({ status: 'counted' }));
    expect(counts.stateOf(second!)).toEqual({ status: 'waiting' });
    answer();
    await vi.waitFor(() => expect(counts.stateOf(second!)).toMatchObject({ status: 'counted' }));
  });
});

describe('one query under several limiters', () => {
  it('is written and counted under each, and none hides another', async () => {
    const { counts } = createStore();
    const bat = parseQuery('bat').root;
    const all = [{}, { years: { from: 2000 } }, { years: { from: 2010 } }];
    for (const limiters of all) counts.lookLater(bat, dialect, limiters);
    const read = () => all.map((limiters) => getTotal(counts.lookIfWritten(bat, dialect, limiters)?.state));
    await vi.waitFor(() => expect(read().every((total) => total !== undefined)).toBe(true));
    expect(new Set(read()).size).toBe(2);
    // Equal limiters are the same ones, whatever value holds them.
    expect(getTotal(counts.look(bat, dialect, { years: { from: 2000 } }).state)).toBe(read()[1]);
  });

  it('may be written without being asked for, until somebody asks', async () => {
    const { counts, requests, asked } = createStore();
    const bat = parseQuery('bat').root;
    counts.peekLater(bat, dialect, LIMITERS);
    await vi.waitFor(() => expect(counts.peekLater(bat, dialect, LIMITERS)).toBeDefined());
    expect(asked).toEqual([]);
    const { countKey } = counts.peek(bat, dialect, LIMITERS);
    expect(counts.listUnknown([countKey!, countKey!])).toEqual([countKey]);
    expect(await requests.settle([countKey!])).toMatchObject([createState(3)]);
    expect(counts.listUnknown([countKey!])).toEqual([]);
  });

  it('put back from an earlier visit are not asked for again', async () => {
    const { counts, requests, asked } = createStore();
    const { countKey } = counts.peek(parseQuery('bat').root, dialect, LIMITERS);
    requests.putBack([[countKey!, createState(99)]]);
    expect(await requests.settle([countKey!])).toMatchObject([createState(99)]);
    expect(asked).toEqual([]);
    requests.countAgain([countKey!]);
    await vi.waitFor(() => expect(counts.stateOf(countKey!)).toMatchObject(createState(3)));
  });
});

describe('counts that can wait', () => {
  it('are written between other work, in the order of asking, and asked for together', async () => {
    const { counts, asked } = createStore();
    const roots = Array.from({ length: 60 }, (_, at) => parseQuery(`word${at}`).root);
    for (const root of roots) expect(counts.lookLater(root, dialect, LIMITERS)).toBeUndefined();
    expect(counts.lookIfWritten(roots[0]!, dialect, LIMITERS)).toBeUndefined();
    await vi.waitFor(() =>
      expect(getTotal(counts.lookIfWritten(roots[59]!, dialect, LIMITERS)?.state)).toBe('word59'.length),
    );
    expect(asked.flat()).toEqual(roots.map((_, at) => `word${at}`));
  });

  it('go database by database: one counts while others are written for', async () => {
    const { counts, databases } = createStore();
    const [one, other] = [dialect, DIALECTS[1]!];
    const roots = Array.from({ length: 200 }, (_, at) => parseQuery(`word${at}`).root);
    for (const root of roots) for (const each of [one, other]) counts.lookLater(root, each, LIMITERS);
    await vi.waitFor(() =>
      expect(getTotal(counts.lookIfWritten(roots[199]!, other, LIMITERS)?.state)).toBe('word199'.length),
    );
    const last = counts.lookIfWritten(roots[199]!, one, LIMITERS);
    await vi.waitFor(() => expect(getTotal(counts.stateOf(last!.countKey!))).toBe('word199'.length));
    expect(databases[0]).toBe(one.id);
    expect(new Set(databases)).toEqual(new Set([one.id, other.id]));
    expect(databases.length).toBeLessThan(8);
  });

  it('have a countKey that stays the same when counts come', async () => {
    const { counts, queries } = createStore();
    const bat = parseQuery('bat').root;
    expect(queries.findKeyLater(bat, dialect, LIMITERS)).toBeUndefined();
    await vi.waitFor(() => expect(queries.findKeyLater(bat, dialect, LIMITERS)).toBeDefined());
    const before = queries.findCountKey(bat, dialect, LIMITERS);
    await vi.waitFor(() => expect(counts.stateOf(before!)).toMatchObject(createState(3)));
    expect(queries.findCountKey(bat, dialect, LIMITERS)).toBe(before);
  });

  it('are given up when their state of the project is gone', async () => {
    const { counts, queries, asked } = createStore();
    const [old, fresh] = [parseQuery('old').root, parseQuery('fresh').root];
    counts.lookLater(old, dialect, LIMITERS);
    queries.dropLater();
    counts.lookLater(fresh, dialect, LIMITERS);
    await vi.waitFor(() => expect(getTotal(counts.lookIfWritten(fresh, dialect, LIMITERS)?.state)).toBe(5));
    expect(asked).toEqual([['fresh']]);
    expect(counts.lookIfWritten(old, dialect, LIMITERS)).toBeUndefined();
  });
});
