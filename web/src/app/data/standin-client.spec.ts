import { afterEach, expect, it, vi } from 'vitest';
import { describeProblem } from '#core/problem/index';
import { StandinClient } from './standin-client';

const client = new StandinClient();
const answer = (status: number, body: unknown, headers: Record<string, string> = {}) =>
  vi.stubGlobal(
    'fetch',
    vi.fn(() => Promise.resolve(new Response(JSON.stringify(body), { status, headers }))),
  );
const code = async (): Promise<string> => {
  const outcome = await client.count('gantry', ['x'], {});
  return outcome.ok ? 'counted' : outcome.problem.code;
};

afterEach(() => {
  vi.unstubAllGlobals();
});

it('takes a count that keeps the contract', async () => {
  answer(200, { counts: [{ total: 7, estimated: false, notes: [] }] });
  expect(await client.count('gantry', ['x'], {})).toEqual({
    ok: true,
    value: [{ total: 7, estimated: false, notes: [] }],
  });
});

it.each([
  ['an answer cut short', { counts: [] }],
  ['a negative count', { counts: [{ total: -1, estimated: false, notes: [] }] }],
  ['no number', { counts: [{ total: 'many', estimated: false, notes: [] }] }],
  ['something else', '<html>'],
])('refuses %s', async (_, body) => {
  answer(200, body);
  expect(await code()).toBe('answer-invalid');
});

it.each([
  [429, { 'Retry-After': '3' }, 'Gantry Engineering Abstracts asks to wait 3 seconds.'],
  [429, {}, 'Gantry Engineering Abstracts asks to wait 30 seconds.'],
  [503, { 'Retry-After': '3' }, 'Gantry Engineering Abstracts asks to wait 3 seconds.'],
  [503, {}, 'Gantry Engineering Abstracts answered with a fault (503).'],
  [404, {}, 'Gantry Engineering Abstracts answered with a fault (404).'],
  [401, {}, 'The session of Gantry Engineering Abstracts has ended.'],
])('says what %i with %j means, of the database by its name', async (status, headers, said) => {
  answer(status, {}, headers);
  const outcome = await client.count('gantry', ['x'], {});
  expect(outcome.ok ? 'counted' : describeProblem(outcome.problem)).toBe(said);
});

it('waits until the moment that a database names', async () => {
  vi.useFakeTimers({ now: Date.UTC(2026, 9, 1, 8) });
  answer(429, {}, { 'Retry-After': 'Thu, 01 Oct 2026 08:02:00 GMT' });
  const outcome = await client.count('gantry', ['x'], {});
  expect(outcome.ok ? 0 : outcome.problem.data['seconds']).toBe(120);
  vi.useRealTimers();
});

it('tells a server that is gone from one that is slow', async () => {
  vi.stubGlobal(
    'fetch',
    vi.fn(() => Promise.reject(new TypeError('refused'))),
  );
  expect(await code()).toBe('service-gone');
  vi.stubGlobal(
    'fetch',
    vi.fn(() => Promise.reject(new DOMException('late', 'TimeoutError'))),
  );
  expect(await code()).toBe('service-slow');
});

it('sends many strings in as few requests as their size allows, and keeps their order', async () => {
  const fetched = vi.fn((_: string, init: RequestInit) => {
    const { strings } = JSON.parse(init.body as string) as { strings: string[] };
    return Promise.resolve(
      new Response(
        JSON.stringify({
          counts: strings.map((string) => ({ total: string.length, estimated: false, notes: [] })),
        }),
      ),
    );
  });
  vi.stubGlobal('fetch', fetched);
  const strings = Array.from({ length: 40 }, (_, at) => 'x'.repeat(50_000 + at));
  const outcome = await client.count('gantry', strings, {});
  expect(outcome.ok && outcome.value.map((entry) => ('total' in entry ? entry.total : 0))).toEqual(
    strings.map((string) => string.length),
  );
  expect(fetched.mock.calls.length).toBeGreaterThan(1);
  expect(fetched.mock.calls.length).toBeLessThan(5);
});

it('takes words, the list of databases and a thesaurus, and refuses what is none', async () => {
  answer(200, { words: [{ word: 'bat', records: 3 }] });
  expect(await client.words('gantry', { prefix: 'ba', most: 5 })).toEqual({
    ok: true,
    value: [{ word: 'bat', records: 3 }],
  });
  const listing = { id: 'gantry', name: 'Gantry', kind: 'index', boxes: [], records: 9, hasThesaurus: true };
  answer(200, [listing]);
  expect(await client.list()).toEqual({ ok: true, value: [listing] });
  answer(200, [{ ...listing, records: -1 }]);
  expect((await client.list()).ok).toBe(false);
  answer(200, { words: [{ word: 'bat' }] });
  expect((await client.words('gantry', { prefix: 'ba', most: 5 })).ok).toBe(false);
  vi.stubGlobal('fetch', () => Promise.resolve(new Response('@prefix a: <urn:a:> .')));
  expect(await client.vocabulary('gantry')).toEqual({ ok: true, value: '@prefix a: <urn:a:> .' });
  answer(404, { problem: {} });
  const none = await client.vocabulary('marlstone');
  expect(none.ok ? '' : none.problem.code).toBe('service-failed');
});

it('asks again for what a request had no time for, as long as something is counted', async () => {
  const asked: string[][] = [];
  const isSlow = { problem: { code: 'too-slow', at: [0, 1], message: 'Too slow.' } };
  vi.stubGlobal(
    'fetch',
    vi.fn((_: string, { body }: { body: string }) => {
      const { strings } = JSON.parse(body) as { strings: string[] };
      asked.push(strings);
      // Two strings at a time are counted; one never is.
      let left = 2;
      const counts = strings.map((string) =>
        string === 'never' || left-- <= 0 ? isSlow : { total: string.length, estimated: false, notes: [] },
      );
      return Promise.resolve(new Response(JSON.stringify({ counts }), { status: 200 }));
    }),
  );
  const counted = await client.count('gantry', ['a', 'never', 'bb', 'ccc', 'dddd', 'eeeee'], {});
  const totals = counted.ok ? counted.value.map((entry) => ('total' in entry ? entry.total : 'slow')) : [];
  expect(totals).toEqual([1, 'slow', 2, 3, 4, 5]);
  expect(asked.map(({ length }) => length)).toEqual([6, 4, 2, 1]);
});
