import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import request from 'supertest';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { CountAnswer, SearchAnswer } from '#core/contract/index';
import { createApp } from './app';
import { readSkos } from '#core/vocabulary/skos/index';
import { buildCollections, findVocabulary, openCollections, type StandinCollection } from './collections';

let folder: string;
let collections: ReadonlyMap<string, StandinCollection>;
let app: ReturnType<typeof createApp>;
let now = 0;

beforeAll(async () => {
  folder = await mkdtemp(join(tmpdir(), 'ewer-'));
  await buildCollections(join(folder, 'demo'), { seed: 3, count: 1_200, version: 'test' }, () => undefined);
  collections = await openCollections(join(folder, 'demo'));
  app = createApp({ collections, clock: () => now });
});
afterAll(() => rm(folder, { recursive: true, force: true }));

const count = async (id: string, strings: string[], boxes: unknown = {}): Promise<CountAnswer['counts']> => {
  const response = await request(app).post(`/api/standins/${id}/count`).send({ strings, boxes }).expect(200);
  return (response.body as CountAnswer).counts;
};
const total = async (id: string, string: string, boxes: unknown = {}): Promise<number> => {
  const [entry] = await count(id, [string], boxes);
  if (!entry || 'problem' in entry) throw new Error(entry?.problem.message ?? 'no entry');
  return entry.total;
};

describe('counting', () => {
  it('answers each string in its order, a refusal with its place among the counts', async () => {
    const counts = await count('heronsmere', ['bats', 'bats AND', 'lights OR']);
    expect(counts[0]).toMatchObject({ estimated: false });
    expect(counts[1]).toMatchObject({ problem: { code: 'missing', at: [8, 9] } });
    expect(counts).toHaveLength(3);
  });

  it('reads each database by its own precedence', async () => {
    const all = {
      heronsmere: ['bats OR lamps AND roads', 'bats OR (lamps AND roads)'],
      gantry: ['lamps or light and roads', '(lamps or light) and roads'],
      marlstone: ['bats or lamps and roads', 'bats or (lamps and roads)'],
    };
    for (const [id, [bare, bracketed]] of Object.entries(all))
      expect(await total(id, bare!)).toBe(await total(id, bracketed!));
  });

  it.each([
    ['heronsmere', 'la*', 'wildcard-short'],
    ['heronsmere', '?amp', 'wildcard-place'],
    ['heronsmere', '"street* light"', 'wildcard-phrase'],
    ['heronsmere', 'colour:red', 'field'],
    ['heronsmere', '"street light', 'quote'],
    ['heronsmere', '(bats', 'bracket-open'],
    ['heronsmere', 'set:3', 'set'],
    ['heronsmere', 'kind:poem', 'kind'],
    ['heronsmere', '', 'nothing'],
    ['gantry', 'street light', 'side-by-side'],
    ['gantry', '"lamp%"', 'wildcard-phrase'],
    ['gantry', '(lamp or light){title}', 'field-place'],
    ['gantry', 'lamp and within', 'operator'],
    ['gantry', 'the', 'stop-word'],
    ['gantry', 'lamp{colour}', 'field'],
    ['gantry', 'x'.repeat(3001), 'length'],
    ['marlstone', 'lamp*', 'wildcard-short'],
    [
      'marlstone',
      'lights* or roads* or hedge1* or hedge2* or hedge3* or hedge4* or hedge5*',
      'wildcard-many',
    ],
    ['marlstone', 'title=(bats or lamps)', 'field-place'],
    ['marlstone', 'x'.repeat(481), 'length'],
    ['marlstone', 'bats or', 'missing'],
  ])('%s refuses %.40s: %s', async (id, string, code) => {
    const [entry] = await count(id, [string]);
    expect(entry).toMatchObject({ problem: { code } });
  });

  it('follows the manuals in the small things', async () => {
    expect(await total('heronsmere', 'bats and')).toBe(await total('heronsmere', 'bats AND "and"'));
    expect(await total('heronsmere', 'street light')).toBe(await total('heronsmere', 'street AND light'));
    expect(await total('marlstone', 'street light')).toBe(await total('marlstone', '"street light"'));
    expect(await total('gantry', '"quality of light"')).toBe(await total('gantry', '"quality light"'));
    expect(await total('heronsmere', 'under:"Mammalia"')).toBeGreaterThan(
      await total('heronsmere', 'terms:"Mammalia"'),
    );
    expect(await total('heronsmere', 'focus:"Chiroptera"')).toBeLessThan(
      await total('heronsmere', 'terms:"Chiroptera"'),
    );
    expect(await total('heronsmere', 'terms:"Chiroptera / behaviour"')).toBeLessThan(
      await total('heronsmere', 'terms:"Chiroptera"'),
    );
    expect(await total('heronsmere', 'light AND entered:2020-01..2020-12')).toBeLessThan(
      await total('heronsmere', 'light'),
    );
    expect(await total('marlstone', 'title=light')).toBeLessThan(await total('marlstone', 'light'));
  });

  it('limits by boxes exactly those that it has', async () => {
    const whole = await total('gantry', 'light%');
    expect(await total('gantry', 'light%', { fullText: true })).toBe(whole);
    const reviewed = await total('gantry', 'light%', { peerReviewed: true });
    expect(reviewed).toBeLessThan(whole);
    const parts = await Promise.all(
      ['en', 'fr', 'de', 'es'].map((language) =>
        total('gantry', 'light% or lumi%', { languages: [language] }),
      ),
    );
    expect(parts.reduce((sum, part) => sum + part, 0)).toBe(await total('gantry', 'light% or lumi%'));
    expect(await total('marlstone', 'light', { years: { from: 2010, to: 2012 } })).toBe(
      (
        await Promise.all(
          [2010, 2011, 2012].map((year) => total('marlstone', 'light', { years: { from: year, to: year } })),
        )
      ).reduce((sum, part) => sum + part),
    );
  });

  it('rounds large numbers to hundreds where the manual says so', async () => {
    const marlstone = {
      ...collections.get('marlstone')!,
      standin: { ...collections.get('marlstone')!.standin, exactUpTo: 100 },
    };
    const rounding = createApp({ collections: new Map([['marlstone', marlstone]]), clock: () => now });
    const response = await request(rounding)
      .post('/api/standins/marlstone/count')
      .send({ strings: ['the'] });
    const [entry] = (response.body as CountAnswer).counts;
    expect(entry).toMatchObject({ estimated: true });
    expect((entry as { total: number }).total % 100).toBe(0);
  });

  it('stops a query that runs long and says so', async () => {
    let ticks = 0;
    const slow = createApp({ collections, clock: () => (ticks += 1_500) });
    const response = await request(slow)
      .post('/api/standins/heronsmere/count')
      .send({ strings: ['unheard OR unseen OR untold'], boxes: {} });
    expect((response.body as CountAnswer).counts[0]).toMatchObject({
      problem: { code: 'too-slow', message: expect.stringContaining('2 seconds') as string },
    });
  });
});

describe('records and proofs', () => {
  it('gives the first records of a string, each of which holds its word', async () => {
    const response = await request(app)
      .post('/api/standins/heronsmere/search')
      .send({ string: 'title:bats', boxes: {}, rows: 10 })
      .expect(200);
    const answer = response.body as SearchAnswer;
    expect(answer.total).toBe(await total('heronsmere', 'title:bats'));
    expect(answer.records.length).toBe(Math.min(10, answer.total));
    for (const record of answer.records) expect(record.title.toLowerCase()).toContain('bats');
  });

  it('gives record numbers, single records and words of the index', async () => {
    const response = await request(app)
      .post('/api/standins/heronsmere/ids')
      .send({ string: 'title:bats', boxes: {} })
      .expect(200);
    const { total: all, numbers } = response.body as { total: number; numbers: number[] };
    expect(all).toBe(await total('heronsmere', 'title:bats'));
    const record = await request(app).get(`/api/standins/heronsmere/records/${numbers[0]}`).expect(200);
    expect((record.body as { title: string }).title.toLowerCase()).toContain('bats');
    await request(app).get('/api/standins/heronsmere/records/999999').expect(404);
    const listed = await request(app).get('/api/standins/heronsmere/words?prefix=bat&most=3').expect(200);
    const { words } = listed.body as { words: { word: string; records: number }[] };
    expect(words).toHaveLength(3);
    expect(words.every(({ word, records }) => word.startsWith('bat') && records > 0)).toBe(true);
    await request(app).get('/api/standins/heronsmere/words?most=many').expect(400);
  });

  it('evaluates a neutral query in the laboratory', async () => {
    const response = await request(app)
      .post('/api/standins/gantry/laboratory')
      .send({ query: 'title: ("quality of light" OR lamp*)' })
      .expect(200);
    const body = response.body as { total: number; ids: string[] };
    expect(body.ids).toHaveLength(body.total);
    expect(body.ids.every((id) => id.startsWith('gantry-'))).toBe(true);
  });

  it('lists the databases with what they have', async () => {
    const response = await request(app).get('/api/standins').expect(200);
    expect((response.body as { id: string }[]).map((entry) => entry.id)).toEqual([
      'heronsmere',
      'gantry',
      'marlstone',
    ]);
    await request(app).get('/api/health').expect(200, { ready: true });
  });
});

describe('bad requests', () => {
  const post = (body: string) =>
    request(app).post('/api/standins/heronsmere/count').set('Content-Type', 'application/json').send(body);

  it.each([
    '{',
    '[]',
    '{}',
    '{"strings":"bats"}',
    '{"strings":[1]}',
    '{"strings":["a"],"boxes":{"years":{"from":"x"}}}',
    '{"strings":[],"more":1}',
    'null',
  ])('get 400 and a problem: %s', async (body) => {
    const response = await post(body).expect(400);
    expect(response.body).toMatchObject({
      problem: { code: 'request-invalid', message: expect.any(String) as string },
    });
    expect(response.text).not.toMatch(/\bat .*\.ts|node_modules/);
  });

  it('larger than 2 MiB get 413', async () => {
    await post(JSON.stringify({ strings: ['x'.repeat(2 * 1024 * 1024)] })).expect(413);
  });

  it('to unknown places get 404 with a problem', async () => {
    await request(app).post('/api/standins/nowhere/count').send({ strings: [] }).expect(404);
    const response = await request(app).get('/api/elsewhere').expect(404);
    expect(response.body).toMatchObject({ problem: { code: 'not-found' } });
  });
});

describe('faults on demand', () => {
  it.each([
    [{ kind: 'refuse', seconds: 7 }, 429],
    [{ kind: 'fail' }, 503],
  ])('%j', async (fault, status) => {
    await request(app).post('/api/standins/gantry/fault').send(fault).expect(204);
    const response = await request(app)
      .post('/api/standins/gantry/count')
      .send({ strings: ['x'] })
      .expect(status);
    if (status === 429) expect(response.headers['retry-after']).toBe('7');
    await request(app).post('/api/standins/gantry/fault').send({ kind: 'none' }).expect(204);
    await count('gantry', ['x']);
  });

  it('cut an answer short', async () => {
    await request(app).post('/api/standins/gantry/fault').send({ kind: 'cut' }).expect(204);
    expect(await count('gantry', ['x', 'y'])).toHaveLength(1);
    await request(app).post('/api/standins/gantry/fault').send({ kind: 'none' }).expect(204);
  });
});

it('serves the records of the demo question by a search that a person would write', async () => {
  now = 0;
  const found = await total(
    'heronsmere',
    '(bat OR bats OR chiroptera* OR under:"Chiroptera") AND ("street light*" OR "artificial light" OR "light pollution" OR terms:"Night lighting")',
  );
  expect(found).toBeGreaterThan(3);
  expect(found).toBeLessThan(60);
});

describe('words and thesauri', () => {
  it('lists the words of an index by beginning, by end and by both', async () => {
    const ask = async (query: string) => {
      const response = await request(app).get(`/api/standins/heronsmere/words?${query}`).expect(200);
      return (response.body as { words: { word: string; records: number }[] }).words;
    };
    const begun = await ask('prefix=bat&most=50');
    expect(begun.map(({ word }) => word)).toContain('bats');
    expect(begun.every(({ word, records }) => word.startsWith('bat') && records > 0)).toBe(true);
    const ended = await ask('suffix=ing&most=50');
    expect(ended.every(({ word }) => word.endsWith('ing'))).toBe(true);
    const both = await ask('prefix=l&suffix=ing&most=50');
    expect(both.map(({ word }) => word)).toContain('lighting');
    await request(app).get('/api/standins/heronsmere/words?most=9999').expect(400);
  });

  it('serves each thesaurus as SKOS that the reader takes without a problem', async () => {
    for (const id of ['heronsmere', 'gantry']) {
      const response = await request(app).get(`/api/standins/${id}/vocabulary`).expect(200);
      expect(response.type).toBe('text/turtle');
      const reading = await readSkos(response.text);
      expect(reading.problems).toEqual([]);
      expect(reading.headings).toEqual(findVocabulary(id).headings);
    }
    await request(app).get('/api/standins/marlstone/vocabulary').expect(404);
    const list = await request(app).get('/api/standins').expect(200);
    expect((list.body as { hasThesaurus: boolean }[]).map((one) => one.hasThesaurus)).toEqual([
      true,
      true,
      false,
    ]);
  });
});
