import request from 'supertest';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import {
  createCountAnswerSchema,
  type CountAnswer,
  type ProofAnswer,
  type SearchAnswer,
  type RecordsAnswer,
  type SetWordsAnswer,
} from '#core/contract/index';
import { findDialect } from '#core/dialect/index';
import { planProof, type ProofPlan } from '#core/proof/index';
import { parseQuery } from '#core/query/index';
import { readSkos } from '#core/vocabulary/skos/index';
import { STANDINS } from './standins/standins';
import { findVocabulary, openCollections, type StandinCollection } from './collections/index';
import { makeSmallHoldings, type SmallHoldings } from './testing/small-holdings';
import { createTestApp } from './testing/work-here';

let holdings: SmallHoldings;
let collections: ReadonlyMap<string, StandinCollection>;
let app: ReturnType<typeof createTestApp>;

beforeAll(async () => {
  holdings = await makeSmallHoldings(1_200);
  collections = await openCollections(holdings.folder);
  app = createTestApp(collections);
});
afterAll(() => holdings.remove());

const count = async (
  id: string,
  strings: string[],
  sentLimiters: unknown = {},
): Promise<CountAnswer['counts']> => {
  const response = await request(app)
    .post(`/api/standins/${id}/count`)
    .send({ strings, sentLimiters })
    .expect(200);
  return (response.body as CountAnswer).counts;
};
const total = async (id: string, string: string, sentLimiters: unknown = {}): Promise<number> => {
  const [entry] = await count(id, [string], sentLimiters);
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

  it('limits by sentLimiters exactly those that it has', async () => {
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
    const full = collections.get('marlstone')!;
    const marlstone = { ...full, rounding: { ...full.rounding!, exactUpTo: 100 } };
    const rounding = createTestApp(new Map([['marlstone', marlstone]]));
    const response = await request(rounding)
      .post('/api/standins/marlstone/count')
      .send({ strings: ['the'] });
    const [entry] = (response.body as CountAnswer).counts;
    expect(entry).toMatchObject({ estimated: true });
    expect((entry as { total: number }).total % 100).toBe(0);
  });

  it('estimates with two figures where the manual says so, and says what it left out', async () => {
    const [many] = await count('plainfinder', ['the']);
    expect(many).toMatchObject({ estimated: true, notes: ['An estimate.'] });
    expect((many as { total: number }).total % 10).toBe(0);
    const words = Array.from({ length: 30 }, (_, at) => `light${at}`).join(' | ');
    const [cut] = await count('plainfinder', [words]);
    expect(cut).toMatchObject({ notes: ['Only the first 24 words were searched; 6 were left out.'] });
  });

  it('stops a query that runs long and says so', async () => {
    let ticks = 0;
    const slow = createTestApp(collections, { clock: () => (ticks += 1_500) });
    const response = await request(slow)
      .post('/api/standins/heronsmere/count')
      .send({ strings: ['unheard OR unseen OR untold'], sentLimiters: {} });
    expect((response.body as CountAnswer).counts[0]).toMatchObject({
      problem: { code: 'too-slow', message: expect.stringContaining('2 seconds') as string },
    });
  });
});

describe('records and proofs', () => {
  it('gives the first records of a string, each of which holds its word', async () => {
    const response = await request(app)
      .post('/api/standins/heronsmere/search')
      .send({ string: 'title:bats', sentLimiters: {}, rows: 10 })
      .expect(200);
    const answer = response.body as SearchAnswer;
    expect(answer.total).toBe(await total('heronsmere', 'title:bats'));
    expect(answer.records.length).toBe(Math.min(10, answer.total));
    for (const record of answer.records) expect(record.title.toLowerCase()).toContain('bats');
  });

  it('gives record numbers, single records and words of the index', async () => {
    const response = await request(app)
      .post('/api/standins/heronsmere/ids')
      .send({ string: 'title:bats', sentLimiters: {} })
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

  it('counts all records of a search by facets, each as a search of its own counts them', async () => {
    const facets = ['years', 'types', 'languages', 'headings', 'flags'] as const;
    const asked = { string: 'bats', sentLimiters: {}, rows: 5, sort: 'oldest', facets };
    const response = await request(app).post('/api/standins/heronsmere/search').send(asked).expect(200);
    const answer = response.body as SearchAnswer;
    const years = answer.records.map(({ year }) => year ?? 0);
    expect(years).toEqual([...years].sort((a, b) => a - b));
    const [year] = answer.facets?.years ?? [];
    expect(year?.records).toBe(await total('heronsmere', `bats AND year:${year?.value}..${year?.value}`));
    const [heading] = answer.facets?.headings ?? [];
    expect(heading?.records).toBe(await total('heronsmere', `bats AND terms:"${heading?.value}"`));
    const flag = answer.facets?.flags?.find(({ value }) => value === 'peerReviewed');
    expect(flag?.records).toBe(await total('heronsmere', 'bats', { peerReviewed: true }));
    await request(app)
      .post('/api/standins/heronsmere/search')
      .send({ ...asked, facets: ['colours'] })
      .expect(400);
  });

  it('rounds the counts of facets where it rounds its counts', async () => {
    const asked = { string: 'light', sentLimiters: {}, rows: 0, facets: ['types'] };
    const response = await request(app).post('/api/standins/plainfinder/search').send(asked).expect(200);
    const answer = response.body as SearchAnswer;
    expect(answer.estimated).toBe(true);
    const large = answer.facets?.types?.filter(({ records }) => records > 99) ?? [];
    expect(large.length).toBeGreaterThan(0);
    for (const { records } of large) expect(records % 10).toBe(0);
  });

  it('gives records by numbers and by identifiers, with gaps where there are none', async () => {
    const ask = async (body: object): Promise<RecordsAnswer['records']> =>
      (
        (await request(app).post('/api/standins/heronsmere/records').send(body).expect(200))
          .body as RecordsAnswer
      ).records;
    const size = collections.get('heronsmere')!.size;
    const [first, none] = await ask({ numbers: [0, size] });
    expect(first).toEqual(collections.get('heronsmere')!.getRecord(0));
    expect(none).toBeNull();
    const withDoi = Array.from({ length: size }, (_, at) =>
      collections.get('heronsmere')!.getRecord(at),
    ).find(({ doi }) => doi !== undefined)!;
    const found = await ask({ identifiers: ['10.5555/nowhere', withDoi.doi!] });
    expect(found[0]).toBeNull();
    expect(found[1]?.doi).toBe(withDoi.doi);
    for (const body of [{}, { numbers: [0], identifiers: ['10.1/x'] }, { numbers: [-1] }])
      await request(app).post('/api/standins/heronsmere/records').send(body).expect(400);
  });

  it('gives the words of a set, counted as searches count them', async () => {
    const response = await request(app)
      .post('/api/standins/heronsmere/set-words')
      .send({ string: 'title:bats', sentLimiters: {}, most: 20 })
      .expect(200);
    const answer = response.body as SetWordsAnswer;
    expect(answer.total).toBe(await total('heronsmere', 'title:bats'));
    expect(answer.words).toHaveLength(20);
    expect(answer.words[0]?.word).toBe('bats');
    for (const { word, found, records } of answer.words.slice(0, 5)) {
      expect(found).toBe(await total('heronsmere', `title:bats AND ${word}`));
      expect(records).toBe(await total('heronsmere', word));
    }
    await request(app)
      .post('/api/standins/heronsmere/set-words')
      .send({ string: '(bats', sentLimiters: {} })
      .expect(422);
    await request(app)
      .post('/api/standins/northern/set-words')
      .send({ string: 'bats', sentLimiters: {} })
      .expect(404);
  });

  it('evaluates a neutral query in the neutral index', async () => {
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
    expect((response.body as { id: string }[]).map((entry) => entry.id)).toEqual(
      STANDINS.map(({ id }) => id),
    );
    await request(app).get('/api/health').expect(200, { alive: true });
    await request(app).get('/api/ready').expect(200, { ready: true });
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
    '{"strings":["a"],"sentLimiters":{"years":{"from":"x"}}}',
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

  it.each(['text', 'negative', 'page'])('send %s in place of counts', async (answer) => {
    const sent = await request(app).post('/api/standins/gantry/fault').send({ kind: 'nonsense', answer });
    expect(sent.status).toBe(204);
    const response = await request(app)
      .post('/api/standins/gantry/count')
      .send({ strings: ['x'] })
      .expect(200);
    const schema = createCountAnswerSchema(1).required();
    expect(schema.validate(response.body, { convert: false }).error).toBeDefined();
    await request(app).post('/api/standins/gantry/fault').send({ kind: 'none' }).expect(204);
  });

  it('cut an answer short', async () => {
    await request(app).post('/api/standins/gantry/fault').send({ kind: 'cut' }).expect(204);
    expect(await count('gantry', ['x', 'y'])).toHaveLength(1);
    await request(app).post('/api/standins/gantry/fault').send({ kind: 'none' }).expect(204);
  });
});

it('serves the records of the demo question by a search that a person would write', async () => {
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
    const several = await ask('prefix=bat&prefix=bats&prefix=light&most=2000');
    expect(several).toEqual([
      ...(await ask('prefix=bat&most=2000')),
      ...(await ask('prefix=light&most=2000')),
    ]);
    await request(app).get('/api/standins/heronsmere/words?most=9999').expect(400);
    const many = Array.from({ length: 51 }, (_, at) => `prefix=a${at}`).join('&');
    await request(app).get(`/api/standins/heronsmere/words?${many}`).expect(400);
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
      ...[false, false, false, false],
    ]);
  });
});

describe('several searches together', () => {
  it('count each record once', async () => {
    const strings = ['title=light or abstract=light', 'title=lamp or abstract=lamp'];
    const body = { unions: [strings, strings.slice(0, 1), ['title='], []], sentLimiters: {} };
    const response = await request(app).post('/api/standins/marlstone/unions').send(body).expect(200);
    const { counts } = response.body as CountAnswer;
    expect(counts[0]).toMatchObject({ total: await total('marlstone', strings.join(' or ')) });
    expect(counts[1]).toMatchObject({ total: await total('marlstone', strings[0]!) });
    expect(counts[2]).toHaveProperty('problem');
    expect(counts[3]).toMatchObject({ total: 0 });
    await request(app).post('/api/standins/plainfinder/unions').send(body).expect(404);
  });
});

describe('citations', () => {
  it('go both ways', async () => {
    const ask = async (path: string): Promise<SearchAnswer> =>
      (await request(app).get(`/api/standins/cardinal/${path}`).expect(200)).body as SearchAnswer;
    const size = collections.get('cardinal')!.size;
    const citing = Array.from({ length: size }, (_, number) => number).find(
      (number) => collections.get('cardinal')!.listReferences(number).length > 0,
    )!;
    const cited = await ask(`references?record=${citing}`);
    expect(cited.total).toBeGreaterThan(0);
    const [first] = collections.get('cardinal')!.listReferences(citing);
    const back = await ask(`citedby?record=${first}&rows=100`);
    const record = collections.get('cardinal')!.getRecord(citing);
    expect(back.numbers).toEqual(collections.get('cardinal')!.listCitedBy(first!).slice(0, 100));
    expect(back.records.map(({ id }) => id)).toContain(record.id);
    const { cited: said } = collections.get('cardinal')!.getRecord(first!);
    expect(said?.times).toBe(back.total);
    expect(said!.ahead).toBeLessThan(said!.peers);
    await request(app).get('/api/standins/gantry/references?record=0').expect(404);
    await request(app).get(`/api/standins/cardinal/references?record=${size}`).expect(404);
  });
});

describe('long chains', () => {
  const row = (operator: string): string =>
    `bats${Array.from({ length: 4_000 }, (_, at) => ` ${operator} lamp${at}`).join('')}`;

  it('of NOTs are read, whoever reads them', async () => {
    const [chain, plain, other] = await count('heronsmere', [row('NOT'), 'bats', 'light']);
    expect(chain).toMatchObject({ total: (plain as { total: number }).total });
    expect(other).toMatchObject({ estimated: false });
    const endpoint = { address: 'standin:northern', version: '1.2' };
    const body = { endpoint, strings: [row('not'), row('or'), 'bats'] };
    const { counts } = (await request(app).post('/api/sru/count').send(body).expect(200)).body as CountAnswer;
    for (const entry of counts) expect(entry).toMatchObject({ estimated: false });
  });

  it('of operators that take turns are refused at a stated length, without harm to others', async () => {
    const endpoint = { address: 'standin:northern', version: '1.2' };
    const turns = (times: number): string => `${'bats or lamps and '.repeat(times)}roads`;
    const body = { endpoint, strings: [turns(4_000), turns(200), 'bats'] };
    const { counts } = (await request(app).post('/api/sru/count').send(body).expect(200)).body as CountAnswer;
    expect(counts[0]).toMatchObject({
      problem: { message: expect.stringContaining('Too many boolean operators') as string },
    });
    for (const entry of counts.slice(1)) expect(entry).toMatchObject({ estimated: false });
  });
});

describe('the catalogue', () => {
  const sru = async (parameters: Record<string, string>): Promise<string> =>
    (await request(app).get('/sru/northern').query(parameters).expect(200)).text;
  const count = async (string: string): Promise<unknown> => {
    const endpoint = { address: 'standin:northern', version: '1.2' };
    const body = { endpoint, strings: [string] };
    const { counts } = (await request(app).post('/api/sru/count').send(body).expect(200)).body as CountAnswer;
    return counts[0];
  };

  it('is counted only by SRU, with the same number to all', async () => {
    await request(app)
      .post('/api/standins/northern/count')
      .send({ strings: ['bats'] })
      .expect(404);
    const counted = await count('light or lamp');
    const text = await sru({
      operation: 'searchRetrieve',
      version: '1.2',
      query: 'light or lamp',
      maximumRecords: '3',
    });
    expect(text).toContain(`<numberOfRecords>${(counted as { total: number }).total}</numberOfRecords>`);
    expect(text.match(/<recordData>/g)).toHaveLength(3);
    expect(await count('dc.colour = red')).toEqual({
      problem: { code: 'diagnostic', at: [0, 15], message: 'Unsupported index: dc.colour.' },
    });
  });

  it('explains itself, scans its words and says what it does not do', async () => {
    const endpoint = { address: 'standin:northern', version: '1.2' };
    const explained = (await request(app).post('/api/sru/explain').send({ endpoint }).expect(200)).body as {
      title: string;
      indexes: { name: string }[];
    };
    expect(explained.title).toBe('Northern Union Catalogue');
    expect(explained.indexes.map(({ name }) => name)).toContain('dc.title');
    expect(
      await sru({ operation: 'scan', version: '1.2', scanClause: 'dc.title = ligh', maximumTerms: '5' }),
    ).toContain('<value>light</value>');
    expect(await sru({ operation: 'update', version: '1.2' })).toContain('info:srw/diagnostic/1/4');
    expect(await sru({ operation: 'searchRetrieve', version: '9' })).toContain('info:srw/diagnostic/1/5');
    expect(await sru({ operation: 'searchRetrieve', version: '1.2' })).toContain('info:srw/diagnostic/1/7');
    const records = { operation: 'searchRetrieve', version: '1.2', query: 'light' };
    expect(await sru({ ...records, startRecord: '99999' })).toContain('info:srw/diagnostic/1/61');
    expect(await sru({ ...records, recordSchema: 'mods' })).toContain('info:srw/diagnostic/1/66');
    expect(await sru({ ...records, recordPacking: 'string', maximumRecords: '1' })).toContain(
      '&lt;title&gt;',
    );
  });

  it('gives records in Dublin Core that come back as records', async () => {
    const body = {
      endpoint: { address: 'standin:northern', version: '1.2' },
      string: 'light',
      start: 0,
      rows: 5,
    };
    const found = (await request(app).post('/api/sru/search').send(body).expect(200)).body as SearchAnswer;
    expect(found.records).toHaveLength(5);
    for (const record of found.records) {
      expect(record.id).toMatch(/^northern-/);
      expect(record.title).not.toBe('');
      expect(record.authors.length).toBeGreaterThan(0);
    }
  });

  it('asks no server outside that was not confirmed', async () => {
    const endpoint = { address: 'http://8.8.8.8/sru', version: '1.2' };
    const answer = await request(app)
      .post('/api/sru/count')
      .send({ endpoint, strings: ['a'] })
      .expect(403);
    expect((answer.body as { problem: { code: string } }).problem.code).toBe('address-refused');
    const file = { endpoint: { address: 'file:///etc/passwd', version: '1.2' } };
    await request(app).post('/api/sru/endpoints').send(file).expect(400);
    const here = { endpoint: { address: 'http://127.0.0.1:9/sru', version: '1.2' } };
    await request(app).post('/api/sru/endpoints').send(here).expect(204);
    await request(app)
      .post('/api/sru/count')
      .send({ ...here, strings: ['a'] })
      .expect(403);
  });
});

describe('proof', () => {
  const prove = async (id: string, query: string): Promise<{ plan: ProofPlan; answer: ProofAnswer }> => {
    const plan = planProof(parseQuery(query).root, findDialect(id)!)!;
    const response = await request(app)
      .post(`/api/standins/${id}/laboratory/proof`)
      .send(plan.request)
      .expect(200);
    return { plan, answer: response.body as ProofAnswer };
  };

  it('finds no difference where the same is claimed', async () => {
    for (const id of ['heronsmere', 'cardinal', 'northern', 'plainfinder']) {
      const { answer } = await prove(id, '(light OR lamp) AND (road OR street OR "bat" OR lighting)');
      expect(answer.wanted).toBeGreaterThan(0);
      expect(answer).toMatchObject({ gained: { total: 0 }, lost: { total: 0 }, swaps: [] });
    }
  });

  it('pins gains and losses to the nodes that cause them', async () => {
    const { plan, answer } = await prove('heronsmere', '(light WITHIN 2 road) OR (lamp AND l*ght)');
    expect(plan.suspects.map(({ reasons }) => reasons[0]?.code)).toEqual([
      'proximity-missing',
      'wildcard-missing',
    ]);
    const [near, cut] = answer.swaps;
    expect(near!.gained.total).toBeGreaterThan(0);
    expect(near!.lost.total).toBe(0);
    expect(cut!.gained.total).toBeGreaterThan(0);
    const sum = near!.gained.total + cut!.gained.total + answer.together.gained.total;
    expect(sum).toBeGreaterThanOrEqual(answer.gained.total);
    expect(answer.found - answer.wanted).toBe(answer.gained.total - answer.lost.total);
    const collection = collections.get('heronsmere')!;
    expect(near!.gained.numbers.map((number) => collection.getRecord(number).title)).toHaveLength(
      Math.min(100, near!.gained.total),
    );
  });

  it('says what is lost only together', async () => {
    const { answer } = await prove('gantry', '(light BEFORE 1 road) AND (road BEFORE 1 light)');
    expect(answer.gained.total).toBe(answer.found - answer.wanted + answer.lost.total);
    expect(answer.together.gained.total).toBeLessThanOrEqual(answer.gained.total);
  });
});
