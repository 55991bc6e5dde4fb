import { readFileSync, readdirSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, it } from 'vitest';
import fc from 'fast-check';
import { build, parseQuery, printQuery, type QueryNode } from '../query';
import { arbitraryQuery } from '../testing/arbitraries';
import { REASON_CODES, describeReason } from './fidelity';
import { isSameLimiters, listLimiters } from './limiters';
import { DIALECTS, findDialect } from './profiles';
import { readString } from './reader';
import { readDialect } from './schema';
import { writeQuery, type Rendering } from './writer';

interface Pair {
  readonly query: string;
  readonly string: string;
  readonly whole: Rendering['whole'];
  readonly reason?: string;
}

const FOLDER = join(import.meta.dirname, 'fixtures');
const fixtures = readdirSync(FOLDER).map((file) => ({
  id: file.replace('.json', ''),
  pairs: JSON.parse(readFileSync(join(FOLDER, file), 'utf8')) as Pair[],
}));
const parse = (text: string): QueryNode => parseQuery(text).root;
const listReasons = (rendering: Rendering): string[] =>
  [...rendering.fidelity.values()].flatMap((fidelity) => fidelity.reasons.map((reason) => reason.code));

describe.each(fixtures)('$id', ({ id, pairs }) => {
  const dialect = findDialect(id)!;

  it.each(pairs)('writes $query', ({ query, string, whole, reason }) => {
    const rendering = writeQuery(parse(query), dialect);
    expect(rendering.text).toBe(string);
    expect(rendering.whole).toBe(whole);
    if (reason !== undefined) expect(listReasons(rendering)).toContain(reason);
    expect(rendering.problems.map((problem) => problem.code)).toEqual(
      string === '' ? ['nothing-to-send'] : [],
    );
  });

  it.each(pairs.filter((pair) => pair.string !== ''))('reads $string', ({ string }) => {
    expect(readString(string, dialect).problems).toEqual([]);
  });
});

describe('profiles', () => {
  it('are good documents', () => {
    for (const dialect of DIALECTS) expect(readDialect(dialect).problems).toEqual([]);
  });

  it('with faults are refused with all faults at once, each with its place', () => {
    const { problems } = readDialect({ ...DIALECTS[0], sideBySide: 'maybe', stopWords: 'of', extra: 1 });
    expect(problems.map((problem) => problem.data['path'])).toEqual(['sideBySide', 'stopWords', 'extra']);
    expect(readDialect(null).problems).not.toEqual([]);
  });

  it('every reason has its witness in a fixture or here', () => {
    const seen = new Set(
      fixtures.flatMap(({ id, pairs }) =>
        pairs.flatMap(({ query }) => listReasons(writeQuery(parse(query), findDialect(id)!))),
      ),
    );
    const flat = {
      ...findDialect('heronsmere')!,
      headings: { vocabulary: 'heronsmere', heading: 'terms:"{label}"', flat: false },
    };
    for (const code of listReasons(writeQuery(parse('branch: "Bats"'), flat))) seen.add(code);
    const many = `"${'a[b]c '.repeat(5)}"`;
    for (const code of listReasons(writeQuery(parse(many), findDialect('heronsmere')!))) seen.add(code);
    const long = Array.from({ length: 25 }, (_, at) => `word${at}`).join(' OR ');
    for (const code of listReasons(writeQuery(parse(long), findDialect('marlstone')!))) seen.add(code);
    expect(REASON_CODES.filter((code) => !seen.has(code))).toEqual([]);
    expect(describeReason({ code: 'truncation-capped', data: { cap: 45 } })).toContain('45');
  });
});

describe('limits of length', () => {
  const long = Array.from({ length: 25 }, (_, at) => `word${at}`).join(' OR ');

  it('leave the fields out where the dialect says so, and say that this is wider', () => {
    const rendering = writeQuery(parse(long), findDialect('marlstone')!);
    expect(rendering.text).toBe(long.replaceAll('OR', 'or'));
    expect(rendering.whole).toBe('wider');
  });

  it('are a problem where nothing helps', () => {
    const longer = Array.from({ length: 99 }, (_, at) => `word${at}`).join(' OR ');
    expect(
      writeQuery(parse(longer), findDialect('marlstone')!).problems.map((problem) => problem.code),
    ).toEqual(['string-too-long']);
    const cut = Array.from({ length: 7 }, (_, at) => `title: words${at}*`).join(' OR ');
    expect(writeQuery(parse(cut), findDialect('marlstone')!).problems.map((problem) => problem.code)).toEqual(
      ['too-many-truncations'],
    );
  });
});

describe('limiters', () => {
  const limiters = {
    years: { from: 2015, to: 2024 },
    types: ['article', 'review'] as const,
    languages: ['en'],
    peerReviewed: true,
    fullText: true,
  };
  const write = (id: string) => writeQuery(parse('bat OR lamp NOT owl'), findDialect(id)!, { limiters });

  it('go round the bracketed whole where the string has them, and into boxes where not', () => {
    const heronsmere = write('heronsmere');
    expect(heronsmere.text).toBe(
      '(bat OR (lamp NOT owl)) AND year:2015..2024 AND (kind:article OR kind:review)',
    );
    expect(heronsmere.boxes).toEqual({ languages: ['en'], peerReviewed: true, fullText: true });
    const gantry = write('gantry');
    expect(gantry.text).toBe('(bat or (lamp and not owl)) and published{2015-2024}');
    expect(gantry.steps).toContainEqual({ limiter: 'fullText', how: 'none', value: 'full text' });
    expect(gantry.boxes).not.toHaveProperty('fullText');
    expect(write('marlstone').boxes).toEqual(limiters);
  });

  it('are read back from the string', () => {
    const back = readString(write('heronsmere').text, findDialect('heronsmere')!);
    expect(back.limiters).toEqual({ years: { from: 2015, to: 2024 }, types: ['article', 'review'] });
    expect(printQuery(back.root)).toBe('bat OR (lamp NOT owl)');
    expect(readString(write('gantry').text, findDialect('gantry')!).limiters).toEqual({
      years: { from: 2015, to: 2024 },
    });
  });

  it('with an open end are written with the widest year', () => {
    expect(
      writeQuery(parse('bat'), findDialect('heronsmere')!, { limiters: { years: { from: 2020 } } }).text,
    ).toBe('bat AND year:2020..9999');
    expect(listLimiters({ years: { to: 2020 } })).toEqual([{ name: 'years', value: 'until 2020' }]);
    expect(isSameLimiters({ types: [] }, {})).toBe(true);
  });
});

describe('pieces', () => {
  it('map the string to its nodes, with the block that they came from', () => {
    const root = parse('title: bat AND "street light"');
    const rendering = writeQuery(root, findDialect('heronsmere')!);
    const texts = rendering.pieces.map(({ start, end }) => rendering.text.slice(start, end));
    expect(texts).toContain('title:bat');
    expect(texts).toContain('"street light"');
    expect(rendering.pieces[0]?.nodeId).toBe(root.id);
  });
});

describe('reading what people write', () => {
  it.each([
    ['heronsmere', 'a OR b AND c NOT d', 'a OR (b AND (c NOT d))', []],
    ['heronsmere', 'street light*', 'street AND light*', []],
    ['heronsmere', '(bat OR lamp', 'bat OR lamp', ['unclosed-bracket']],
    ['heronsmere', 'bat) OR lamp', 'bat AND lamp', ['unopened-bracket']],
    ['heronsmere', '"street light', '"street light"', ['unclosed-quote']],
    ['gantry', 'x or y and z', '(x OR y) AND z', []],
    ['gantry', 'x y', 'x AND y', ['side-by-side']],
    ['gantry', 'lamp%{title,summary} AND NOT "bat"{person}', '(title,abstract: lamp*) NOT (author: bat)', []],
    ['marlstone', 'street light* and not', 'text: "street light*"', []],
    ['marlstone', 'x ; y', 'text: (x AND y)', ['unread-sign']],
  ])('%s: %s', (id, string, query, codes) => {
    const read = readString(string, findDialect(id)!);
    expect(printQuery(read.root)).toBe(printQuery(parse(query)));
    expect(read.problems.map((problem) => problem.code)).toEqual(codes);
  });
});

describe('trees that share their leaves', () => {
  it('are written as if they did not', () => {
    fc.assert(
      fc.property(fc.array(arbitraryQuery, { minLength: 2, maxLength: 4 }), (parts) => {
        const shared = [build.or(...parts), build.or(...parts.slice(1), parts[0]!), ...parts];
        for (const dialect of DIALECTS) {
          for (const tree of shared) {
            const fresh = structuredClone(tree);
            const [one, other] = [writeQuery(tree, dialect), writeQuery(fresh, dialect)];
            expect(one.text).toBe(other.text);
            expect(one.whole).toBe(other.whole);
            expect(one.pieces).toEqual(other.pieces);
            expect([...one.fidelity]).toEqual([...other.fidelity]);
          }
        }
      }),
      { numRuns: 150 },
    );
  });

  it('are written anew under other fields', () => {
    const bat = parse('bat');
    const dialect = DIALECTS[0]!;
    const bare = writeQuery(bat, dialect).text;
    expect(writeQuery(build.fielded(['title'], bat), dialect).text).not.toBe(bare);
    expect(writeQuery(bat, dialect, { defaultFields: ['title'] }).text).not.toBe(bare);
    expect(writeQuery(bat, dialect).text).toBe(bare);
  });
});
