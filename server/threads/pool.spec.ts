import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { CountEntry } from '#core/contract/index';
import type { Outcome } from '#core/problem/index';
import { readCollectionFiles, type CollectionFiles } from '../collections/index';
import type { LogEntry } from '../log';
import { buildThread } from '../testing/built-thread';
import { writeSlowest } from '../testing/hostile-requests';
import { makeSmallHoldings, type SmallHoldings } from '../testing/small-holdings';
import type { AnswerTo, Asker, Job } from './jobs';
import { USUAL_POOL, WorkPool, type PoolLimits } from './pool';

let holdings: SmallHoldings;
let files: readonly CollectionFiles[];
let script: URL;
let odd: URL;

beforeAll(async () => {
  holdings = await makeSmallHoldings(6_000);
  files = await readCollectionFiles(holdings.folder);
  script = await buildThread('server/threads/thread.ts');
  odd = await buildThread('server/testing/odd-thread.ts');
}, 300_000);
afterAll(() => holdings.remove());

const createAsker = (name: string): Asker & { leave(): void } => {
  const gone = new AbortController();
  return { name, signal: gone.signal, leave: () => gone.abort() };
};

const withPool = async (
  use: (pool: WorkPool, log: LogEntry[]) => Promise<void>,
  parts: { script?: URL; quick?: number; limits?: Partial<PoolLimits> } = {},
): Promise<void> => {
  const log: LogEntry[] = [];
  const pool = new WorkPool({
    script: parts.script ?? script,
    files: parts.script ? [] : files,
    threads: { quick: parts.quick ?? 1, middle: 1, slow: 1 },
    log: (entry) => log.push(entry),
    limits: { ...USUAL_POOL, othersAfter: 0, ...parts.limits },
  });
  try {
    await expect.poll(() => pool.isReady, { timeout: 20_000 }).toBe(true);
    await use(pool, log);
  } finally {
    await pool.close();
  }
};

const count = (...strings: string[]): Extract<Job, { kind: 'count' }> => ({
  kind: 'count',
  database: 'cardinal',
  strings,
  sentLimiters: {},
});
const tell = (query: string): Extract<Job, { kind: 'count-neutral' }> => ({
  kind: 'count-neutral',
  database: 'cardinal',
  query,
});
const totalOf = (outcome: Outcome<readonly CountEntry[]>, at = 0): number | undefined => {
  const entry = outcome.ok ? outcome.value[at] : undefined;
  return entry && 'total' in entry ? entry.total : undefined;
};
const codeOf = (outcome: Outcome<AnswerTo<Job>>): string => (outcome.ok ? 'answered' : outcome.problem.code);

describe('the pool', { timeout: 120_000 }, () => {
  it('counts in threads what one thread counts, many at once', async () => {
    await withPool(
      async (pool) => {
        const strings = ['bats', 'light', 'bats AND light', 'lamp*', 'nothing-of-this-kind'];
        const alone = await pool.do(count(...strings), createAsker('a'));
        const together = await Promise.all(
          strings.map((string, at) => pool.do(count(string), createAsker(`b${at}`))),
        );
        expect(together.map((outcome) => totalOf(outcome))).toEqual(
          strings.map((_, at) => totalOf(alone, at)),
        );
        expect(totalOf(alone)).toBeGreaterThan(0);
      },
      { quick: 2 },
    );
  });

  it('never lets a slow question hold up a quick one, and answers the slow one all the same', async () => {
    await withPool(async (pool) => {
      await pool.do(count('bats'), createAsker('first'));
      const slow = [0, 1, 2].map((at) => pool.do(count(writeSlowest(at)), createAsker(`slow ${at}`)));
      const quick: number[] = [];
      for (let at = 0; at < 20; at++) {
        const start = performance.now();
        const outcome = await pool.do(count('bats AND light'), createAsker('quick'));
        quick.push(performance.now() - start);
        expect(totalOf(outcome)).toBeDefined();
      }
      // The middle one, since a single one may meet other work of the machine; held up, each would take seconds.
      expect(quick.sort((a, b) => a - b)[10]).toBeLessThan(600);
      for (const outcome of await Promise.all(slow)) expect(codeOf(outcome)).toBe('answered');
    });
  });

  it('stops when who asked has gone, whether the question waits or is being answered', async () => {
    await withPool(async (pool) => {
      const leaving = [0, 1, 2, 3, 4, 5].map((at) => {
        const asker = createAsker(`leaving ${at}`);
        return { asker, outcome: pool.do(count(writeSlowest(at), writeSlowest(at + 1)), asker) };
      });
      const start = performance.now();
      for (const { asker } of leaving) asker.leave();
      await Promise.all(leaving.map(({ outcome }) => outcome));
      expect(performance.now() - start).toBeLessThan(1_000);
      expect(totalOf(await pool.do(count('bats'), createAsker('next')))).toBeGreaterThan(0);
    });
  });

  it('keeps no more waiting than it can, by number and by bytes, and says when to come back', async () => {
    await withPool(
      async (pool) => {
        const asked = Array.from({ length: 12 }, (_, at) =>
          pool.do(count(writeSlowest(at)), createAsker(`many ${at}`)),
        );
        const codes = (await Promise.all(asked)).map(codeOf);
        expect(codes.filter((code) => code === 'service-busy').length).toBeGreaterThan(3);
        expect(codes).toContain('answered');
        const large = await pool.do(count('bats'), createAsker('large'), 2_000_000);
        expect(large).toMatchObject({ ok: false, problem: { code: 'service-busy', data: { seconds: 2 } } });
      },
      { limits: { waiting: 4, bytes: 1_000_000 } },
    );
  });

  it('ends a thread that does not stop, and goes on with a new one', async () => {
    await withPool(
      async (pool, log) => {
        const hung = await pool.do(tell('hang'), createAsker('a'));
        expect(codeOf(hung)).toBe('query-too-slow');
        expect(await pool.do(tell('hello'), createAsker('b'))).toEqual({ ok: true, value: 'hello' });
        expect(log).toMatchObject([{ what: 'thread-hung', job: 'count-neutral' }]);
      },
      { script: odd, limits: { hang: 300 } },
    );
  });

  it('answers with a fault for a thread that dies or a job that throws, and goes on', async () => {
    await withPool(
      async (pool, log) => {
        expect(codeOf(await pool.do(tell('die'), createAsker('a')))).toBe('server-fault');
        expect(codeOf(await pool.do(tell('throw'), createAsker('a')))).toBe('server-fault');
        expect(await pool.do(tell('hello'), createAsker('a'))).toEqual({ ok: true, value: 'hello' });
        expect(log).toMatchObject([{ what: 'job-failed', detail: 'a stack' }]);
      },
      { script: odd },
    );
  });

  it('answers all that waits when it is closed', async () => {
    let outcomes: Promise<Outcome<unknown>[]> | undefined;
    await withPool((pool) => {
      const asked = [0, 1, 2, 3].map((at) => pool.do(count(writeSlowest(at)), createAsker(`${at}`)));
      outcomes = Promise.all(asked);
      return Promise.resolve();
    });
    expect((await outcomes)?.map(({ ok }) => ok)).toEqual([false, false, false, false]);
  });
});
