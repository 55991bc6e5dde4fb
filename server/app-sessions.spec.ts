import request from 'supertest';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { CountAnswer } from '#core/contract/index';
import { findDialect, writeQuery } from '#core/dialect/index';
import { writeHistory } from '#core/dialect/history/index';
import { expandBlocks, parseQuery } from '#core/query/index';
import { openCollections, type StandinCollection } from './collections/index';
import { SESSION_MINUTES } from './standins/sessions';
import { makeSmallHoldings, type SmallHoldings } from './testing/small-holdings';
import { createTestApp, createWorkHere } from './testing/work-here';

let holdings: SmallHoldings;
let collections: ReadonlyMap<string, StandinCollection>;
let app: ReturnType<typeof createTestApp>;
let day = 0;

beforeAll(async () => {
  holdings = await makeSmallHoldings(1_200);
  collections = await openCollections(holdings.folder);
  app = createTestApp(collections, { wallClock: () => day });
});
afterAll(() => holdings.remove());

const total = async (id: string, string: string): Promise<number> => {
  const body = { strings: [string], sentLimiters: {} };
  const response = await request(app).post(`/api/standins/${id}/count`).send(body).expect(200);
  const [entry] = (response.body as CountAnswer).counts;
  if (!entry || 'problem' in entry) throw new Error(entry?.problem.message ?? 'no entry');
  return entry.total;
};

describe('a session', () => {
  const begin = async (): Promise<string> => {
    const response = await request(app).post('/api/standins/heronsmere/sessions').send({}).expect(201);
    return (response.body as { session: string }).session;
  };
  const ask = (session: string, strings: readonly string[]) =>
    request(app).post('/api/standins/heronsmere/count').send({ strings, session });

  it('remembers its searches by number: numbered lines find what the whole query finds', async () => {
    const dialect = findDialect('heronsmere')!;
    const blocks = [
      { name: 'bats', text: 'bat OR bats OR chiroptera*' },
      { name: 'light', text: '"street light*" OR lamp* OR lighting' },
    ];
    const { root } = parseQuery('@bats AND @light');
    const expanded = expandBlocks(
      root,
      new Map(blocks.map(({ name, text }) => [name, parseQuery(text).root])),
    ).root;
    const lines = writeHistory(expanded, dialect, { limiters: { years: { from: 2000 } } });
    expect(lines.map(({ rendering }) => rendering.text)[2]).toContain('set:1');
    const session = await begin();
    const response = await ask(
      session,
      lines.map(({ rendering }) => rendering.text),
    );
    const { counts } = response.body as CountAnswer;
    const whole = writeQuery(expanded, dialect, { limiters: { years: { from: 2000 } } });
    expect(counts[2]).toMatchObject({ total: await total('heronsmere', whole.text) });
    expect(counts[2]).not.toMatchObject({ total: 0 });
  });

  it('knows no sets but its own, and says so', async () => {
    const [one, two] = [await begin(), await begin()];
    await ask(one, ['bats']);
    const response = await ask(two, ['set:1', 'set:2', 'lamps', 'set:1 NOT set:1']);
    const entries = (response.body as CountAnswer).counts;
    for (const at of [0, 1]) expect(entries[at]).toMatchObject({ problem: { code: 'set' } });
    expect(entries[3]).toMatchObject({ total: 0 });
  });

  it('keeps what it found, so that a long chain of sets is not searched again', async () => {
    const session = await begin();
    await ask(session, ['bats OR lamp*']).expect(200);
    const chain = Array.from({ length: 60 }, (_, at) => `set:${at + 1} OR set:${at + 1}`);
    const response = await ask(session, chain).expect(200);
    const { counts } = response.body as CountAnswer;
    expect(counts).toHaveLength(60);
    expect(new Set(counts.map((entry) => ('total' in entry ? entry.total : -1))).size).toBe(1);
    await ask(
      session,
      Array.from({ length: 500 }, () => 'bats'),
    ).expect(409);
  });

  it('never finds what a request found that was given up', async () => {
    const work = createWorkHere(collections);
    const asker = { name: 'a', signal: new AbortController().signal };
    const ask = (string: string, then: string) =>
      work.do(
        {
          kind: 'count-in-session',
          database: 'heronsmere',
          strings: [string, then],
          sentLimiters: {},
          earlier: [],
        },
        asker,
      );
    // Both call their first search set 1; nobody has kept the first of the two.
    await ask('bats', 'set:1 AND light');
    const outcome = await ask('lamp*', 'set:1 AND light');
    const [, counted] = outcome.ok ? outcome.value.counts : [];
    expect(counted).toMatchObject({ total: await total('heronsmere', 'lamp* AND light') });
    expect(await total('heronsmere', 'lamp* AND light')).not.toBe(
      await total('heronsmere', 'bats AND light'),
    );
  });

  it('ends after its time, and says so instead of counting', async () => {
    const session = await begin();
    await ask(session, ['bats']).expect(200);
    day += (SESSION_MINUTES + 1) * 60_000;
    const response = await ask(session, ['set:1']).expect(401);
    expect(response.body).toMatchObject({ problem: { code: 'session-ended' } });
  });

  it('is forgotten on demand, and none is to be had where there are no sets', async () => {
    const session = await begin();
    await request(app).post('/api/standins/heronsmere/fault').send({ kind: 'forget' }).expect(204);
    await request(app)
      .post('/api/standins/heronsmere/count')
      .send({ strings: ['bats'] })
      .expect(401);
    await request(app).post('/api/standins/heronsmere/fault').send({ kind: 'none' }).expect(204);
    await ask(session, ['bats']).expect(401);
    await request(app).post('/api/standins/gantry/sessions').send({}).expect(404);
  });
});
