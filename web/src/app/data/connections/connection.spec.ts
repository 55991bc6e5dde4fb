import { describe, expect, it, vi } from 'vitest';
import type { CollectionMessage, CollectionRequest } from '#core/contract/index';
import { createProblem, describeProblem, fail, succeed } from '#core/problem/index';
import { createByHandConnection } from './by-hand/by-hand-connection';
import type { Connection, RequestKind, Requests } from './connection';
import { CollectionClient } from './own-collection/collection-client';
import { createCollectionConnection } from './own-collection/collection-connection';
import { createSruConnection } from './sru/sru-connection';

/** One request of each kind. */
const REQUESTS: { readonly [K in RequestKind]: Requests[K] } = {
  count: { strings: ['bat'], sentLimiters: {} },
  unions: { unions: [['bat']], sentLimiters: {} },
  search: { string: 'bat', sentLimiters: {}, start: 0, rows: 1, sort: 'relevance' },
  ids: { string: 'bat', sentLimiters: {} },
  records: { numbers: [1] },
  lookup: { identifiers: ['10.1/x'] },
  citations: { record: 1, start: 0, rows: 1, direction: 'citedby' },
  words: { prefix: 'bat', most: 1 },
  'set-words': { string: 'bat', sentLimiters: {}, most: 1 },
  proof: { query: 'bat', strings: ['bat'], swaps: [] },
  thesaurus: {},
};

const client = new CollectionClient();
const connections: Readonly<Record<string, Connection>> = {
  'by hand': createByHandConnection('Paperbark'),
  'by SRU': createSruConnection({ address: 'https://sru.example.org', version: '2.0' }, 'Far catalogue'),
  'own records': createCollectionConnection(client, 'c-1', 'Night shelf'),
};

describe.each(Object.entries(connections))('a database %s', (_, connection) => {
  it('says of each request that it does not answer that it does not', async () => {
    const offered = connection.traits()?.offers ?? new Set<RequestKind>();
    const missing = (Object.keys(REQUESTS) as RequestKind[]).filter((kind) => !offered.has(kind));
    expect(missing.length).toBeGreaterThan(0);
    for (const kind of missing) {
      const outcome = await connection.ask(kind, REQUESTS[kind]);
      expect(outcome.ok ? '' : outcome.problem.code).toBe('not-offered');
      expect(outcome.ok ? '' : describeProblem(outcome.problem)).toContain(connection.name);
    }
  });
});

it('a database that is searched by hand has no count of its own', async () => {
  const outcome = await createByHandConnection('Paperbark').ask('count', REQUESTS.count);
  expect(outcome.ok ? '' : outcome.problem.code).toBe('count-by-hand');
});

it('a collection of one’s own says its name when it does not answer', async () => {
  const shelf = createCollectionConnection(client, 'c-1', 'Night shelf');
  const ask = vi.spyOn(client, 'ask');
  const refusal = createProblem('service-refused', 'error', {
    database: 'c-1',
    message: 'A bracket is open.',
  });
  ask.mockResolvedValueOnce(fail(refusal));
  const refused = await shelf.ask('ids', { string: '(bat', sentLimiters: {} });
  expect(refused.ok ? '' : describeProblem(refused.problem)).toBe(
    'Night shelf does not take this string: A bracket is open.',
  );
  const stopped = createProblem('worker-stopped', 'error');
  ask.mockResolvedValueOnce(fail(stopped));
  expect(await shelf.ask('lookup', REQUESTS.lookup)).toEqual({ ok: false, problem: stopped });
  expect(ask).toHaveBeenLastCalledWith(
    { kind: 'lookup', collection: 'c-1', identifiers: ['10.1/x'] },
    undefined,
  );
  ask.mockRestore();
});

describe('the worker of own collections', () => {
  /** A worker that answers when it is told to. */
  function startWorker() {
    const sent: CollectionRequest[] = [];
    let listen: (event: { data: CollectionMessage }) => void = () => undefined;
    class FakeWorker {
      addEventListener(kind: string, listener: typeof listen): void {
        if (kind === 'message') listen = listener;
      }
      postMessage(request: CollectionRequest): void {
        sent.push(request);
      }
      terminate(): void {
        sent.length = 0;
      }
    }
    vi.stubGlobal('Worker', FakeWorker);
    const reply = (request: CollectionRequest | undefined): void =>
      listen({
        data: { turn: request?.turn ?? 0, kind: 'answer', outcome: succeed({ words: [] }) },
      });
    return { sent, reply, shelf: createCollectionConnection(new CollectionClient(), 'c-1', 'Night shelf') };
  }

  it('has one request at a time, and never begins one that was given up before its turn', async () => {
    const { sent, reply, shelf } = startWorker();
    const giveUp = new AbortController();
    const first = shelf.ask('words', { prefix: 'a', most: 1 });
    const second = shelf.ask('words', { prefix: 'b', most: 1 }, giveUp.signal);
    const third = shelf.ask('words', { prefix: 'c', most: 1 });
    giveUp.abort();
    expect((await second).ok).toBe(false);
    reply(sent[0]);
    expect((await first).ok).toBe(true);
    reply(sent[1]);
    expect((await third).ok).toBe(true);
    expect(sent.map(({ asked }) => (asked.kind === 'words' ? asked.prefix : ''))).toEqual(['a', 'c']);
    vi.unstubAllGlobals();
  });

  it('gives up a request that it has begun, and goes on with the next when it is done', async () => {
    const { sent, reply, shelf } = startWorker();
    const giveUp = new AbortController();
    const first = shelf.ask('words', { prefix: 'a', most: 1 }, giveUp.signal);
    const second = shelf.ask('words', { prefix: 'b', most: 1 });
    giveUp.abort();
    const outcome = await first;
    expect(outcome.ok ? '' : outcome.problem.code).toBe('request-given-up');
    expect(sent).toHaveLength(1);
    reply(sent[0]);
    reply(sent[1]);
    expect((await second).ok).toBe(true);
    vi.unstubAllGlobals();
  });
});
