import http from 'node:http';
import { expect, test } from '@playwright/test';
import { HOSTILE_REQUESTS, writeSlowest } from '../server/testing/hostile-requests';
import { startServer, type RunningServer } from '../server/testing/running-server';

// The short form of `npm run bench:load`, on a server of its own. The machine may be busy with other
// things, so there are three tries.
const TRIES = 3;
/** Fails at so many times what is wanted, as the figures of the page do. */
const GATE = 2;
const HEALTH = 100;
const TYPED = 150;
const PEOPLE = 60;
const TYPING_SECONDS = 6;

let server: RunningServer;
test.beforeAll(async () => {
  server = await startServer('dist/server/main.js', Number(process.env['E2E_PORT'] ?? 4690) + 50);
});
test.afterAll(async () => {
  await server.stop();
});

const ask = (
  path: string,
  body?: unknown,
  agent?: http.Agent,
): Promise<{ status: number; milliseconds: number }> =>
  new Promise((resolve, reject) => {
    const start = performance.now();
    const method = body === undefined ? 'GET' : 'POST';
    const headers = { 'Content-Type': 'application/json' };
    const sent = http.request(`${server.address}${path}`, { method, headers, agent }, (response) => {
      response.resume();
      response.on('end', () =>
        resolve({ status: response.statusCode ?? 0, milliseconds: performance.now() - start }),
      );
    });
    sent.on('error', reject);
    sent.end(body === undefined ? undefined : JSON.stringify(body));
  });

const reachInOneOf = async (most: number, measure: () => Promise<number>): Promise<number[]> => {
  const measured: number[] = [];
  for (let at = 0; at < TRIES; at++) {
    measured.push(await measure());
    if (Math.min(...measured) < most) break;
  }
  return measured;
};

for (const { name, path, body } of HOSTILE_REQUESTS)
  test(`the server answers while it is kept busy: ${name}`, async () => {
    const measured = await reachInOneOf(HEALTH, async () => {
      let isAnswered = false;
      const answer = ask(path, body).finally(() => (isAnswered = true));
      let worst = 0;
      while (!isAnswered) worst = Math.max(worst, (await ask('/api/health')).milliseconds);
      const { status, milliseconds } = await answer;
      expect(status).toBeLessThan(500);
      // Two seconds of computing, which a busy machine gives it within eight by the clock on the wall.
      expect(milliseconds).toBeLessThan(10_000);
      return worst;
    });
    console.log(
      `${name}: health at most ${measured.map((time) => time.toFixed(0)).join(', ')} ms (wanted ${HEALTH})`,
    );
    expect(Math.min(...measured)).toBeLessThan(GATE * HEALTH);
  });

/** People type, each a letter every second or so, counted in three databases. Gives the 95th percentile in ms. */
async function measureTyping(askSlowest?: () => Promise<unknown>): Promise<number> {
  const times: number[] = [];
  const end = performance.now() + TYPING_SECONDS * 1_000;
  const person = async (number: number): Promise<void> => {
    const agent = new http.Agent({ keepAlive: true });
    for (let letter = 0; performance.now() < end; letter++) {
      await new Promise((resolve) => setTimeout(resolve, 500 + ((number * 37 + letter * 101) % 1_000)));
      const string = `(bats OR "street light") AND lamp${'abcdefgh'.slice(0, letter % 8)}`;
      const counts = ['heronsmere', 'cardinal', 'plainfinder'].map((id) =>
        ask(`/api/standins/${id}/count`, { strings: [string], sentLimiters: {} }, agent),
      );
      for (const { status, milliseconds } of await Promise.all(counts)) {
        expect(status).toBe(200);
        times.push(milliseconds);
      }
    }
    agent.destroy();
  };
  const hammer = async (): Promise<void> => {
    while (askSlowest && performance.now() < end) await askSlowest();
  };
  await Promise.all([...Array.from({ length: PEOPLE }, (_, at) => person(at)), hammer()]);
  times.sort((a, b) => a - b);
  return times[Math.floor(times.length * 0.95)] ?? Infinity;
}

test('people who type are not held up by one who asks the slowest question again and again', async () => {
  test.setTimeout(240_000);
  let asked = 0;
  // A machine that holds up everybody holds up people who type alone as well, so both are measured in turn.
  const tries: { alone: number; beside: number }[] = [];
  const isReached = (gate: number): boolean =>
    tries.some(({ alone, beside }) => beside < gate * TYPED || beside < gate * alone);
  while (tries.length < TRIES && !isReached(1))
    tries.push({
      alone: await measureTyping(),
      beside: await measureTyping(() =>
        ask('/api/standins/cardinal/count', { strings: [writeSlowest(asked++)], sentLimiters: {} }),
      ),
    });
  const list = (which: 'alone' | 'beside'): string => tries.map((one) => one[which].toFixed(0)).join(', ');
  console.log(
    `${PEOPLE} people, p95 ${list('beside')} ms (wanted ${TYPED}), ${list('alone')} ms if nobody asks the slowest question`,
  );
  expect(asked).toBeGreaterThan(1);
  expect(isReached(GATE)).toBe(true);
});

test('it stops within five seconds, whatever is going on', async () => {
  const busy = [0, 1, 2, 3].map((at) =>
    ask('/api/standins/cardinal/count', {
      strings: [writeSlowest(at), writeSlowest(at + 1)],
      sentLimiters: {},
    }).catch(() => undefined),
  );
  await expect.poll(async () => (await ask('/api/health')).status).toBe(200);
  expect(await server.stop()).toBeLessThan(5_000);
  await Promise.all(busy);
  server = await startServer('dist/server/main.js', Number(new URL(server.address).port));
});
