import { afterEach, describe, expect, it, vi } from 'vitest';
import type { StandinListing } from '#core/contract/index';
import { describeProblem } from '#core/problem/index';
import type { Answers, RequestKind, Requests } from '../connection';
import { ServedDatabases, createServedConnection } from './served-databases';

const GANTRY: StandinListing = {
  id: 'gantry',
  name: 'Gantry Engineering Abstracts',
  kind: 'index',
  sentLimiters: [],
  records: 9,
  hasThesaurus: true,
  givesIds: true,
  sorts: ['relevance' as const],
};
const NORTHERN: StandinListing = {
  ...GANTRY,
  id: 'northern',
  name: 'Northern Catalogue',
  endpoint: { address: 'standin:northern', version: '1.2' },
  givesIds: false,
};

interface Sent {
  readonly address: string;
  readonly body: unknown;
  readonly signal: AbortSignal | null | undefined;
}
type Reply = (sent: Sent) => Response | Promise<Response>;

const json = (body: unknown, status = 200, headers: Record<string, string> = {}): Response =>
  new Response(JSON.stringify(body), { status, headers });

/** A server that has two databases and answers everything else as it is told. */
function serve(reply: Reply, databases: readonly StandinListing[] = [GANTRY, NORTHERN]) {
  const sent: Sent[] = [];
  vi.stubGlobal('fetch', async (address: string, init: RequestInit = {}) => {
    const request = {
      address,
      body: typeof init.body === 'string' ? (JSON.parse(init.body) as unknown) : undefined,
      signal: init.signal,
    };
    if (address === '/api/standins') return json(databases);
    sent.push(request);
    return reply(request);
  });
  const served = new ServedDatabases();
  const connect = ({ id, name }: StandinListing = GANTRY) => createServedConnection(served, id, name);
  return { sent, connect, served };
}

const COUNT = { strings: ['x'], sentLimiters: {} };
const ONE = { counts: [{ total: 7, estimated: false, notes: [] }] };
const codeOf = async (reply: Reply): Promise<string> => {
  const outcome = await serve(reply).connect().ask('count', COUNT);
  return outcome.ok ? 'counted' : outcome.problem.code;
};

afterEach(() => {
  vi.unstubAllGlobals();
  vi.useRealTimers();
});

describe('counts of a served database', () => {
  it('are taken when they keep the contract', async () => {
    const { connect, sent } = serve(() => json(ONE));
    expect(await connect().ask('count', COUNT)).toEqual({ ok: true, value: ONE.counts });
    expect(sent).toMatchObject([{ address: '/api/standins/gantry/count', body: COUNT }]);
  });

  it.each([
    ['an answer cut short', { counts: [] }],
    ['a negative count', { counts: [{ total: -1, estimated: false, notes: [] }] }],
    ['no number', { counts: [{ total: 'many', estimated: false, notes: [] }] }],
    ['something else', '<html>'],
  ])('are refused for %s', async (_, body) => {
    expect(await codeOf(() => json(body))).toBe('answer-invalid');
  });

  it.each([
    [429, { 'Retry-After': '3' }, 'Gantry Engineering Abstracts asks to wait 3 seconds.'],
    [429, {}, 'Gantry Engineering Abstracts asks to wait 30 seconds.'],
    [503, { 'Retry-After': '3' }, 'Gantry Engineering Abstracts asks to wait 3 seconds.'],
    [503, {}, 'Gantry Engineering Abstracts answered with a fault (503).'],
    [404, {}, 'Gantry Engineering Abstracts answered with a fault (404).'],
    [401, {}, 'The session of Gantry Engineering Abstracts has ended.'],
  ])('say what %i with %j means, of the database by its name', async (status, headers, said) => {
    const outcome = await serve(() => json({}, status, headers))
      .connect()
      .ask('count', COUNT);
    expect(outcome.ok ? 'counted' : describeProblem(outcome.problem)).toBe(said);
  });

  it('wait until the moment that a database names', async () => {
    vi.useFakeTimers({ now: Date.UTC(2026, 9, 1, 8) });
    const { connect } = serve(() => json({}, 429, { 'Retry-After': 'Thu, 01 Oct 2026 08:02:00 GMT' }));
    const outcome = await connect().ask('count', COUNT);
    expect(outcome.ok ? 0 : outcome.problem.data['seconds']).toBe(120);
  });

  it('tell a server that is gone from one that is slow', async () => {
    expect(await codeOf(() => Promise.reject(new TypeError('refused')))).toBe('service-gone');
    expect(await codeOf(() => Promise.reject(new DOMException('late', 'TimeoutError')))).toBe('service-slow');
  });

  it('go in as few requests as the size of the strings allows, and keep their order', async () => {
    const { connect, sent } = serve(({ body }) => {
      const { strings } = body as { strings: string[] };
      return json({ counts: strings.map(({ length }) => ({ total: length, estimated: false, notes: [] })) });
    });
    const strings = Array.from({ length: 40 }, (_, at) => 'x'.repeat(50_000 + at));
    const outcome = await connect().ask('count', { strings, sentLimiters: {} });
    expect(outcome.ok && outcome.value.map((entry) => ('total' in entry ? entry.total : 0))).toEqual(
      strings.map(({ length }) => length),
    );
    expect(sent.length).toBeGreaterThan(1);
    expect(sent.length).toBeLessThan(5);
  });

  it('are asked for again where a request had no time, as long as something is counted', async () => {
    const isSlow = { problem: { code: 'too-slow', at: [0, 1], message: 'Too slow.' } };
    const { connect, sent } = serve(({ body }) => {
      const { strings } = body as { strings: string[] };
      // Two strings at a time are counted; one never is.
      let left = 2;
      return json({
        counts: strings.map((string) =>
          string === 'never' || left-- <= 0 ? isSlow : { total: string.length, estimated: false, notes: [] },
        ),
      });
    });
    const strings = ['a', 'never', 'bb', 'ccc', 'dddd', 'eeeee'];
    const counted = await connect().ask('count', { strings, sentLimiters: {} });
    const totals = counted.ok ? counted.value.map((entry) => ('total' in entry ? entry.total : 'slow')) : [];
    expect(totals).toEqual([1, 'slow', 2, 3, 4, 5]);
    expect(sent.map(({ body }) => (body as { strings: string[] }).strings.length)).toEqual([6, 4, 2, 1]);
  });
});

describe('a served database', () => {
  const record = {
    id: 'r1',
    title: 'Bats at lamps',
    abstract: '',
    keywords: [],
    headings: [],
    authors: [],
    source: 'Night Notes',
    type: 'article',
    language: 'en',
    peerReviewed: 'yes',
    hasFullText: false,
    entered: '2024-01',
    references: [],
  };
  const search = {
    string: 'x',
    sentLimiters: {},
    start: 25,
    rows: 25,
    sort: 'newest',
    facets: ['years'],
  } as const;
  const page = {
    total: 90,
    estimated: false,
    records: [record],
    facets: { years: [{ value: '2024', records: 90 }] },
  };
  const cases: {
    readonly [K in RequestKind]?: readonly [
      asked: Requests[K],
      path: string,
      answered: unknown,
      value?: Answers[K],
    ];
  } = {
    search: [search, 'search', page],
    ids: [{ string: 'x', sentLimiters: {} }, 'ids', { total: 1, numbers: [4], identifiers: [0], works: [2] }],
    records: [{ identifiers: ['10.1/a', '10.1/b'] }, 'records', { records: [record, null] }],
    lookup: [{ identifiers: ['10.1/a'] }, 'lookup', { titles: ['Bats at lamps'] }],
    words: [
      { prefix: 'ba', most: 5 },
      'words?prefix=ba&suffix=&most=5',
      { words: [{ word: 'bat', records: 3 }] },
    ],
    'set-words': [
      { string: 'x', sentLimiters: {}, most: 5 },
      'set-words',
      { total: 9, words: [{ word: 'bat', found: 3, records: 4 }] },
    ],
  };
  for (const [kind, [asked, path, answered]] of Object.entries(cases))
    it(`answers ${kind}, and an answer of another shape is refused`, async () => {
      const { connect, sent } = serve(() => json(answered));
      expect(await connect().ask(kind as 'search', asked as Requests['search'])).toEqual({
        ok: true,
        value: answered,
      });
      expect(sent[0]?.address).toBe(`/api/standins/gantry/${path}`);
      const odd = serve(() => json({ total: -1, words: [{}], records: [3], titles: 4 }));
      const outcome = await odd.connect().ask(kind as 'search', asked as Requests['search']);
      expect(outcome.ok ? '' : outcome.problem.code).toBe('answer-invalid');
    });

  it('gives citations both ways where it has them, and its thesaurus as it is', async () => {
    const { connect, sent } = serve(
      ({ address }) => (address.includes('vocabulary') ? new Response('@prefix a: <urn:a:> .') : json(page)),
      [{ ...GANTRY, hasCitations: true }],
    );
    const asked = { record: 7, start: 0, rows: 10 } as const;
    expect((await connect().ask('citations', { ...asked, direction: 'citedby' })).ok).toBe(true);
    expect((await connect().ask('citations', { ...asked, direction: 'references' })).ok).toBe(true);
    expect(await connect().ask('thesaurus', {})).toEqual({ ok: true, value: '@prefix a: <urn:a:> .' });
    expect(sent.map(({ address }) => address)).toEqual([
      '/api/standins/gantry/citedby?record=7&start=0&rows=10',
      '/api/standins/gantry/references?record=7&start=0&rows=10',
      '/api/standins/gantry/vocabulary',
    ]);
  });

  it('refuses in words what the server says that it does not give, without asking', async () => {
    const { connect, sent } = serve(() => json({}), [{ ...GANTRY, hasThesaurus: false, givesIds: false }]);
    const refused = await Promise.all([
      connect().ask('thesaurus', {}),
      connect().ask('ids', { string: 'x', sentLimiters: {} }),
      connect().ask('unions', { unions: [['x']], sentLimiters: {} }),
      connect().ask('citations', { record: 1, start: 0, rows: 1, direction: 'citedby' }),
    ]);
    expect(refused.map((outcome) => (outcome.ok ? 'given' : describeProblem(outcome.problem)))).toEqual([
      'Gantry Engineering Abstracts does not give a thesaurus.',
      'Gantry Engineering Abstracts does not give numbers of records.',
      'Gantry Engineering Abstracts does not give counts of several strings together.',
      'Gantry Engineering Abstracts does not give citations.',
    ]);
    expect(sent).toEqual([]);
  });

  it('that speaks SRU is counted and searched so, and its words are read over HTTP', async () => {
    const { connect, sent } = serve(({ address }) =>
      json(address.includes('words') ? { words: [] } : address.includes('search') ? page : ONE),
    );
    const northern = connect(NORTHERN);
    await northern.ask('count', COUNT);
    await northern.ask('search', { ...search, sort: 'relevance', facets: [] });
    await northern.ask('words', { prefix: 'ba', most: 5 });
    expect(sent.map(({ address }) => address)).toEqual([
      '/api/sru/count',
      '/api/sru/search',
      '/api/standins/northern/words?prefix=ba&suffix=&most=5',
    ]);
    expect(northern.traits()).toMatchObject({ asksOneByOne: true, records: 9 });
    const sorted = await northern.ask('search', search);
    expect(sorted.ok ? '' : sorted.problem.code).toBe('not-offered');
  });

  it('says what it is once the server has said so, and asks the server once', async () => {
    const { connect } = serve(() => json(ONE));
    const gantry = connect();
    expect(gantry.traits()).toBeUndefined();
    const known = await gantry.whenKnown();
    expect(known.ok && [...known.value.offers]).not.toContain('citations');
    expect(gantry.traits()?.offers.has('set-words')).toBe(true);
  });

  it('is asked for what it is again when the server did not say', async () => {
    let isThere = false;
    vi.stubGlobal('fetch', (address: string) =>
      isThere
        ? Promise.resolve(json(address === '/api/standins' ? [GANTRY] : ONE))
        : Promise.reject(new TypeError('refused')),
    );
    const gantry = createServedConnection(new ServedDatabases(), 'gantry', 'Gantry');
    const before = await gantry.ask('count', COUNT);
    expect(before.ok ? '' : before.problem.code).toBe('service-gone');
    isThere = true;
    expect((await gantry.ask('count', COUNT)).ok).toBe(true);
  });
});

it('an answer that breaks off halfway is no answer of the database', async () => {
  const breakOff = (error: Error): Response =>
    new Response(new ReadableStream({ start: (stream) => stream.error(error) }));
  const giveUp = new AbortController();
  const { connect } = serve(() => {
    giveUp.abort();
    return breakOff(new DOMException('gone', 'AbortError'));
  });
  const given = await connect().ask('count', COUNT, giveUp.signal);
  expect(given.ok ? '' : given.problem.code).toBe('request-given-up');
  expect(await codeOf(() => breakOff(new DOMException('late', 'TimeoutError')))).toBe('service-slow');
  expect(await codeOf(() => breakOff(new TypeError('reset')))).toBe('service-gone');
});

it('a request that is given up is cancelled on its way, and its answer is none', async () => {
  const { connect, sent } = serve(
    ({ signal }) =>
      new Promise((_, reject) => {
        signal?.addEventListener('abort', () => reject(signal.reason as Error));
      }),
  );
  const giveUp = new AbortController();
  const asked = connect().ask('count', COUNT, giveUp.signal);
  await vi.waitFor(() => expect(sent).toHaveLength(1));
  giveUp.abort();
  const outcome = await asked;
  expect(outcome.ok ? '' : outcome.problem.code).toBe('request-given-up');
  expect(sent[0]?.signal?.aborted).toBe(true);
});
