import { mkdir, writeFile } from 'node:fs/promises';
import http from 'node:http';
import type { AddressInfo } from 'node:net';
import { join } from 'node:path';
import fc from 'fast-check';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { openCollections } from './collections/index';
import { makeSmallHoldings, type SmallHoldings } from './testing/small-holdings';
import { createTestApp } from './testing/work-here';

/** More requests on demand: `EWER_REQUESTS=20000 npx vitest run server/fuzz.spec.ts`. */
const REQUESTS = Number(process.env['EWER_REQUESTS'] ?? 1_200);
const SEED = 20_261_129;
/** No answer takes longer, in milliseconds. */
const LONGEST = 3_000;

let holdings: SmallHoldings;
let server: http.Server;
let port: number;

beforeAll(async () => {
  holdings = await makeSmallHoldings(800);
  const collections = await openCollections(holdings.folder);
  const clock = () => performance.now();
  // Nothing outside is asked.
  const fetchOutside = () =>
    Promise.resolve({ ok: true as const, value: '<a><numberOfRecords>3</numberOfRecords></a>' });
  const webFolder = join(holdings.folder, 'web');
  await mkdir(webFolder);
  await writeFile(join(webFolder, 'index.html'), '<p>the page</p>');
  const parts = { clock, wallClock: clock, fetchOutside, webFolder };
  server = createTestApp(collections, parts).listen(0, '127.0.0.1');
  await new Promise((resolve) => server.once('listening', resolve));
  port = (server.address() as AddressInfo).port;
}, 120_000);
afterAll(async () => {
  server.closeAllConnections();
  server.close();
  await holdings.remove();
});

interface Sent {
  readonly method: string;
  readonly path: string;
  readonly type: string | undefined;
  readonly body: string | undefined;
}

interface Answer {
  readonly status: number;
  readonly text: string;
  readonly milliseconds: number;
}

const send = ({ method, path, type, body }: Sent): Promise<Answer> =>
  new Promise((resolve, reject) => {
    const start = performance.now();
    const headers = {
      ...(type !== undefined && { 'Content-Type': type }),
      ...(body !== undefined && { 'Content-Length': Buffer.byteLength(body) }),
    };
    const request = http.request(
      { host: '127.0.0.1', port, method, path, headers, agent: false },
      (response) => {
        let text = '';
        response.on('data', (chunk: Buffer) => (text += chunk.toString()));
        response.on('end', () =>
          resolve({ status: response.statusCode ?? 0, text, milliseconds: performance.now() - start }),
        );
      },
    );
    request.setTimeout(2 * LONGEST, () => request.destroy(new Error('no answer')));
    request.on('error', reject);
    request.end(body);
  });

const STANDINS = [
  'heronsmere',
  'gantry',
  'cardinal',
  'marlstone',
  'northern',
  'plainfinder',
  'nowhere',
  '__proto__',
];
const ENDS = [
  '',
  '/count',
  '/search',
  '/ids',
  '/unions',
  '/lookup',
  '/records',
  '/set-words',
  '/words',
  '/vocabulary',
  '/records/0',
  '/references',
  '/citedby',
  '/laboratory',
  '/laboratory/proof',
  '/sessions',
  '/elsewhere',
];
const PATHS = [
  '/',
  '/api/health',
  '/api/ready',
  '/api/standins',
  ...STANDINS.flatMap((id) => ENDS.map((end) => `/api/standins/${id}${end}`)),
  ...['explain', 'endpoints', 'count', 'search'].map((end) => `/api/sru/${end}`),
  '/sru/northern',
  '/sru/constructor',
];
const oddText = fc.oneof(
  fc.string({ unit: 'binary', maxLength: 60 }),
  fc.string({ unit: 'grapheme', maxLength: 60 }),
  fc.constantFrom(
    'bats AND (light',
    '*e* NEAR/3 *a*',
    '(((((((',
    '"',
    'set:1',
    'under:"Mammalia"',
    'a NOT b NOT c',
    '\u0000',
    '%',
    '__proto__',
    '🦇',
  ),
);
const query = fc
  .array(
    fc.tuple(
      fc.constantFrom(
        'prefix',
        'suffix',
        'most',
        'record',
        'start',
        'rows',
        'query',
        'operation',
        'scanClause',
        'maximumRecords',
        'version',
        'x',
      ),
      oddText,
    ),
    { maxLength: 4 },
  )
  .map((pairs) => (pairs.length === 0 ? '' : `?${new URLSearchParams(pairs).toString()}`));
const path = fc.oneof(
  { weight: 8, arbitrary: fc.tuple(fc.constantFrom(...PATHS), query).map(([start, rest]) => start + rest) },
  {
    weight: 1,
    arbitrary: fc.constantFrom(
      '/%E0%A4%A',
      '/api/%',
      '/api/standins/%ff/count',
      '/sru/%',
      '/%00',
      '/api/standins/%2e%2e/count',
      '//',
      '/api//standins',
      '/..%2f..%2fetc/passwd',
    ),
  },
);
const number = fc.oneof(fc.integer(), fc.double(), fc.constantFrom(-1, 1e308, 2 ** 53));
const leaf = fc.oneof(oddText, number, fc.boolean(), fc.constant(null));
const deep = fc.integer({ min: 1, max: 3_000 }).map((depth) => `${'['.repeat(depth)}${']'.repeat(depth)}`);
const { json } = fc.letrec((tie) => ({
  json: fc.oneof(
    { depthSize: 'small' },
    leaf,
    fc.array(tie('json'), { maxLength: 4 }),
    fc.dictionary(oddText, tie('json'), { maxKeys: 4 }),
  ),
}));
const strings = fc.array(fc.oneof({ weight: 5, arbitrary: oddText }, { weight: 1, arbitrary: leaf }), {
  maxLength: 5,
});
const nearlyRight = fc.record(
  {
    strings,
    unions: fc.array(strings, { maxLength: 3 }),
    string: oddText,
    query: oddText,
    identifiers: strings,
    sentLimiters: fc.oneof(
      fc.constant({}),
      fc.record(
        { years: fc.record({ from: number, to: number }), languages: strings, peerReviewed: leaf },
        { requiredKeys: [] },
      ),
    ),
    session: oddText,
    start: number,
    rows: number,
    endpoint: fc.record({
      address: fc.oneof(
        fc.constantFrom('standin:northern', 'standin:__proto__', 'http://127.0.0.1:1/'),
        oddText,
      ),
      version: fc.constantFrom('1.1', '1.2', '2.0', '3'),
    }),
    swaps: fc.array(json, { maxLength: 2 }),
  },
  { requiredKeys: [] },
);
/** Bodies with just what one address takes, so that what stands in them is read. */
const right = fc.oneof(
  fc.record({ strings: fc.array(oddText, { maxLength: 6 }), sentLimiters: fc.constant({}) }),
  fc.record({ string: oddText, sentLimiters: fc.constant({}) }),
  fc.record({ query: oddText }),
  fc.record({ query: oddText, strings: fc.array(oddText, { maxLength: 3 }), swaps: fc.constant([]) }),
  fc.record({
    unions: fc.array(fc.array(oddText, { maxLength: 3 }), { maxLength: 3 }),
    sentLimiters: fc.constant({}),
  }),
  fc.record({
    endpoint: fc.constant({ address: 'standin:northern', version: '1.2' }),
    strings: fc.array(oddText, { maxLength: 4 }),
  }),
  fc.constant({}),
);
const body = fc.oneof(
  { weight: 6, arbitrary: right.map((value) => JSON.stringify(value)) },
  { weight: 4, arbitrary: nearlyRight.map((value) => JSON.stringify(value)) },
  { weight: 2, arbitrary: json.map((value) => JSON.stringify(value)) },
  { weight: 1, arbitrary: deep },
  { weight: 1, arbitrary: oddText },
  {
    weight: 1,
    arbitrary: fc
      .integer({ min: 1, max: 30_000 })
      .map((length) => JSON.stringify({ strings: ['(a OR '.repeat(length)], sentLimiters: {} })),
  },
);
const type = fc.oneof(
  { weight: 8, arbitrary: fc.constant('application/json') },
  {
    weight: 1,
    arbitrary: fc.constantFrom(
      undefined,
      'text/plain',
      'application/x-www-form-urlencoded',
      'multipart/form-data; boundary=x',
      'application/json; charset=utf-7',
      'x',
    ),
  },
);
const request: fc.Arbitrary<Sent> = fc
  .record({
    method: fc.constantFrom('POST', 'POST', 'POST', 'GET', 'PUT', 'DELETE', 'PATCH', 'OPTIONS', 'HEAD'),
    path,
    type,
    body,
  })
  .map((sent) =>
    ['GET', 'HEAD'].includes(sent.method) ? { ...sent, body: undefined, type: undefined } : sent,
  );

describe('every address', () => {
  it('answers whatever is sent to it: soon, and never with a fault', async () => {
    const statuses = new Map<number, number>();
    await fc.assert(
      fc.asyncProperty(request, async (sent) => {
        const { status, text, milliseconds } = await send(sent);
        statuses.set(status, (statuses.get(status) ?? 0) + 1);
        expect(milliseconds).toBeLessThan(LONGEST);
        expect(status, text).toBeLessThan(500);
        if (status >= 400 && sent.method !== 'HEAD' && sent.path.startsWith('/api'))
          expect(JSON.parse(text)).toMatchObject({
            problem: { code: expect.any(String) as string, message: expect.any(String) as string },
          });
        expect(text).not.toMatch(/node_modules|\bat .*\.(ts|js):\d/);
      }),
      { numRuns: REQUESTS, seed: SEED, endOnFailure: true },
    );
    // What is sent is not only refused.
    expect(statuses.get(200) ?? 0).toBeGreaterThan(REQUESTS / 20);
    expect(statuses.get(400) ?? 0).toBeGreaterThan(REQUESTS / 20);
  }, 600_000);

  it.each(['/%E0%A4%A', '/api/%', '/api/standins/%ff/count', '/sru/%'])(
    'says that %s cannot be read',
    async (odd) => {
      const { status, text } = await send({ method: 'GET', path: odd, type: undefined, body: undefined });
      expect([400, 404]).toContain(status);
      expect(JSON.parse(text)).toMatchObject({ problem: { message: expect.any(String) as string } });
    },
  );

  it('takes nothing but JSON: 415 at once', async () => {
    const posts = PATHS.filter((one) => one.startsWith('/api/'));
    for (const type of [
      undefined,
      'text/plain',
      'application/x-www-form-urlencoded',
      'multipart/form-data; boundary=x',
    ]) {
      for (const one of posts) {
        const { status, milliseconds } = await send({
          method: 'POST',
          path: one,
          type,
          body: 'strings=bats',
        });
        expect([status, one, type]).toEqual([415, one, type]);
        expect(milliseconds).toBeLessThan(LONGEST);
      }
    }
  });

  it('has a schema that requires a body', async () => {
    for (const one of PATHS.filter((path) =>
      /\/(count|search|ids|unions|lookup|records|set-words|laboratory|proof|explain|endpoints)$/.test(path),
    )) {
      const { status, text } = await send({ method: 'POST', path: one, type: 'application/json', body: '' });
      expect([400, 404], `${one}: ${text}`).toContain(status);
    }
  });
});
