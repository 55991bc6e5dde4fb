import { readFileSync } from 'node:fs';
import { isSameLimiters, listLimiters } from '../limiter';
import { join } from 'node:path';
import { describe, expect, it } from 'vitest';
import fc from 'fast-check';
import { build, parseQuery, printQuery, type QueryNode } from '../query';
import { arbitraryQuery } from '../testing/arbitraries';
import { REASON_CODES, describeReason } from './profile';
import { DIALECTS, OPEN_DIALECTS, OWN_RECORDS, TEMPLATE_DIALECTS, findDialect } from './profile';
import { readString } from './read';
import { readDialect } from './profile';
import type { Problem } from '../problem';
import type { FindForms } from './write';
import { writeQuery, type Rendering } from './write';

interface Pair {
  readonly query: string;
  /** Empty if nothing can be written; several if the dialect takes it only in parts. */
  readonly strings: readonly string[];
  readonly whole: Rendering['whole'];
  readonly reasons?: readonly string[];
  /** What the strings are read back as. */
  readonly reads?: readonly string[];
}

const EVERY_DIALECT = [...DIALECTS, ...OPEN_DIALECTS, ...TEMPLATE_DIALECTS, OWN_RECORDS];
const FOLDER = join(import.meta.dirname, 'fixtures');
const fixtures = EVERY_DIALECT.map((dialect) => ({
  id: dialect.id,
  dialect,
  pairs: JSON.parse(readFileSync(join(FOLDER, `${dialect.id}.json`), 'utf8')) as Pair[],
}));
const parse = (text: string): QueryNode => parseQuery(text).root;
const listReasons = (rendering: Rendering): string[] => [
  ...new Set([...rendering.fidelity.values()].flatMap(({ reasons }) => reasons.map(({ code }) => code))),
];
const isError = (problem: Problem): boolean => problem.severity === 'error';

describe.each(fixtures)('$id', ({ dialect, pairs }) => {
  it('has at least 40 pairs', () => {
    expect(pairs.length).toBeGreaterThanOrEqual(40);
    expect(pairs.filter(({ strings }) => strings.length > 0).length).toBeGreaterThanOrEqual(35);
  });

  it.each(pairs)('writes $query', ({ query, strings, whole, reasons }) => {
    const rendering = writeQuery(parse(query), dialect);
    expect(rendering.parts.map(({ text }) => text)).toEqual(strings);
    expect(rendering.whole).toBe(whole);
    expect(rendering.extent.characters).toBe(Math.max(0, ...strings.map((string) => string.length)));
    expect(listReasons(rendering)).toEqual(reasons ?? []);
    expect(rendering.problems.map((problem) => problem.code)).toEqual(
      strings.length === 0 ? ['nothing-to-send'] : [],
    );
  });

  it.each(pairs.filter((pair) => pair.reads))('reads $strings', ({ strings, reads }) => {
    const read = strings.map((string) => readString(string, dialect));
    expect(read.map(({ root }) => printQuery(root))).toEqual(reads);
    expect(read.flatMap(({ problems }) => problems).filter(isError)).toEqual([]);
  });
});

describe('profiles', () => {
  it('are good documents', () => {
    for (const dialect of EVERY_DIALECT) expect(readDialect(dialect).problems).toEqual([]);
  });

  it('with faults are refused with all faults at once, each with its place', () => {
    const { problems } = readDialect({ ...DIALECTS[0], sideBySide: 'maybe', stopWords: 'of', extra: 1 });
    expect(problems.map((problem) => problem.data['path'])).toEqual(['sideBySide', 'stopWords', 'extra']);
    expect(readDialect(null).problems).not.toEqual([]);
  });

  it('every reason has its witness in a fixture or here', () => {
    const heronsmere = findDialect('heronsmere')!;
    const noBranch = { vocabulary: 'heronsmere', heading: 'terms:"{label}"', flat: false };
    const [near] = findDialect('cardinal')!.proximity;
    const many = `"${'a[b]c '.repeat(5)}"`;
    const long = Array.from({ length: 25 }, (_, at) => `word${at}`).join(' OR ');
    const forms: FindForms = () => ({ forms: ['light', 'lights'], day: '2026-11-24' });
    const maybe = { sign: '^', leastLetters: 1, where: 'anywhere', means: 'any-character' } as const;
    const witnesses: Rendering[] = [
      ...fixtures.flatMap(({ dialect, pairs }) =>
        pairs.map(({ query }) => writeQuery(parse(query), dialect)),
      ),
      writeQuery(parse('branch: "Bats"'), { ...heronsmere, headings: noBranch }),
      writeQuery(parse('bat AND year: 2015'), findDialect('marlstone')!),
      writeQuery(parse('bat AND type: review'), findDialect('plainfinder')!),
      writeQuery(parse('heading: "Bats / behaviour"'), findDialect('gantry')!),
      writeQuery(parse('author: (Elena WITHIN 1 Sherson)'), { ...heronsmere, givenNames: 'initials' }),
      writeQuery(
        parse('branch: "Bats"'),
        { ...heronsmere, headings: noBranch },
        { listBranch: () => ['Bats'] },
      ),
      writeQuery(parse(many), heronsmere),
      writeQuery(parse(long), { ...findDialect('marlstone')!, whenTooLong: ['without-fields'] }),
      writeQuery(parse('light*'), findDialect('plainfinder')!, { findForms: forms }),
      writeQuery(parse('a WITHIN 3 b'), { ...heronsmere, proximity: [{ ...near!, numbers: [1, 5] }] }),
      writeQuery(parse('x[a]y[b]z[c]w[d]v[e]u'), { ...heronsmere, wildcards: { maybe } }),
      writeQuery(parse('"street* light"'), {
        ...heronsmere,
        phrase: { wildcards: 'none', fallbacks: ['leave-out'] },
      }),
    ];
    const seen = new Set(witnesses.flatMap(listReasons));
    expect(REASON_CODES.filter((code) => !seen.has(code))).toEqual([]);
    expect(describeReason({ code: 'truncation-capped', data: { cap: 45 } })).toContain('45');
  });
});

describe('branches of headings', () => {
  const headings = { vocabulary: 'heronsmere', heading: 'terms:"{label}"', flat: false };
  const dialect = { ...findDialect('heronsmere')!, headings };
  const branch = parse('branch: "Bats"');

  it('are spelled out where there is no sign for them and the thesaurus is known', () => {
    const rendering = writeQuery(branch, dialect, { listBranch: () => ['Bats', 'Fruit bats'] });
    expect(rendering.text).toBe('terms:"Bats" OR terms:"Fruit bats"');
    expect(rendering.whole).toBe('same');
    expect(listReasons(rendering)).toEqual(['branch-spelled-out']);
  });

  it('are written as their top alone where they are unknown or too large', () => {
    const many = Array.from({ length: 201 }, (_, at) => `Bat ${at}`);
    for (const labels of [[], many]) {
      const rendering = writeQuery(branch, dialect, { listBranch: () => labels });
      expect([rendering.text, rendering.whole]).toEqual(['terms:"Bats"', 'narrower']);
    }
  });
});

describe('limits of length', () => {
  const long = Array.from({ length: 25 }, (_, at) => `word${at}`).join(' OR ');

  it('split a string into parts that are each short enough', () => {
    const rendering = writeQuery(parse(long), findDialect('marlstone')!);
    expect(rendering.problems).toEqual([]);
    expect(rendering.parts).toHaveLength(2);
    expect(rendering.extent.characters).toBeLessThanOrEqual(480);
    expect(rendering.text).toBe(rendering.parts.map(({ text }) => text).join('\n'));
    const pieces = rendering.pieces.map(({ start, end }) => rendering.text.slice(start, end));
    for (let at = 0; at < 25; at++) expect(pieces).toContain(`title=word${at}`);
  });

  it('leave the fields out where parts are too many, and say that this is wider', () => {
    const dialect = { ...findDialect('marlstone')!, whenTooLong: ['without-fields'] as const };
    const rendering = writeQuery(parse(long), dialect);
    expect(rendering.text).toBe(long.replaceAll('OR', 'or'));
    expect(rendering.whole).toBe('wider');
  });

  it('are a problem where nothing helps', () => {
    const codes = (query: string, id: string): string[] =>
      writeQuery(parse(query), { ...findDialect(id)!, whenTooLong: [] }).problems.map(({ code }) => code);
    const longer = Array.from({ length: 99 }, (_, at) => `word${at}`).join(' OR ');
    expect(codes(longer, 'marlstone')).toEqual(['string-too-long']);
    expect(codes(longer, 'plainfinder')).toEqual(['too-many-words']);
    const cut = Array.from({ length: 7 }, (_, at) => `title: words${at}*`).join(' OR ');
    expect(codes(cut, 'marlstone')).toEqual(['too-many-truncations']);
    const pairs = (group: number): string =>
      Array.from({ length: 8 }, (_, at) => `(a${group}${at} AND b${group}${at})`).join(' OR ');
    const deep = Array.from({ length: 4 }, (_, group) => `(${pairs(group)})`);
    expect(codes(deep.join(' AND '), 'plainfinder')).toEqual(['too-nested']);
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

  it('go round the bracketed whole where the string has them, and into sentLimiters where not', () => {
    const heronsmere = write('heronsmere');
    expect(heronsmere.text).toBe(
      '(bat OR (lamp NOT owl)) AND year:2015..2024 AND (kind:article OR kind:review)',
    );
    expect(heronsmere.sentLimiters).toEqual({ languages: ['en'], peerReviewed: true, fullText: true });
    const gantry = write('gantry');
    expect(gantry.text).toBe('(bat or (lamp and not owl)) and published{2015-2024}');
    expect(gantry.steps).toContainEqual({ limiter: 'fullText', how: 'none', value: 'full text' });
    expect(gantry.sentLimiters).not.toHaveProperty('fullText');
    expect(write('marlstone').sentLimiters).toEqual(limiters);
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
    ['heronsmere', 'bat) OR lamp', 'bat AND lamp', ['unopened-bracket', 'missing-operand']],
    ['heronsmere', '"street light', '"street light"', ['unclosed-quote']],
    ['gantry', 'x or y and z', '(x OR y) AND z', []],
    ['gantry', 'x y', 'x AND y', ['side-by-side']],
    ['gantry', 'lamp%{title,summary} AND NOT "bat"{person}', '(title,abstract: lamp*) NOT (author: bat)', []],
    [
      'marlstone',
      'street lights* and not',
      'text: "street lights*"',
      ['missing-operand', 'missing-operand', 'hyphens-joined', 'forms-capped'],
    ],
    ['marlstone', 'x ; y', 'text: (x AND y)', ['unread-sign', 'side-by-side', 'hyphens-joined']],
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

describe('a string that is too long with its fields', () => {
  it('says that they are left out, so that its count is set beside no other one', () => {
    const marlstone = { ...findDialect('marlstone')!, whenTooLong: ['without-fields'] as const };
    const words = Array.from({ length: 30 }, (_, at) => `word${at}`);
    const short = writeQuery(parse(words.slice(0, 2).join(' OR ')), marlstone);
    const long = writeQuery(parse(words.join(' OR ')), marlstone);
    expect(short.withoutFields).toBeUndefined();
    expect(long).toMatchObject({ withoutFields: true, whole: 'wider', problems: [] });
  });
});

describe('what a database would refuse', () => {
  const write = (query: string, id: string): [string, string] => {
    const { text, whole } = writeQuery(parse(query), findDialect(id)!);
    return [text, whole];
  };

  it('is not written: spellings that are small words, alone or among others', () => {
    expect(write('a[n] OR bat', 'gantry')).toEqual(['bat', 'narrower']);
    expect(write('o[f]f', 'gantry')).toEqual(['off', 'narrower']);
    expect(write('bat AND a[n]', 'gantry')).toEqual(['bat', 'wider']);
  });

  it('is not written: signs of wildcards in a label', () => {
    expect(write('heading: "50 % rule_book"', 'gantry')).toEqual(['"50 rule book"{index}', 'same']);
    expect(write('heading: "C# and C++"', 'gantry')).toEqual(['"C# and C++"{index}', 'same']);
    expect(write('heading: "What? *"', 'northern')).toEqual(['dc.subject == "What\\? \\*"', 'same']);
  });

  it('is not written: distances that reach beyond one value', () => {
    expect(parseQuery('a WITHIN 91 b').problems.map(({ code }) => code)).toEqual(['near-distance']);
    expect(write('bat WITHIN 90 road', 'gantry')[0]).toBe('bat within:89 road');
    expect(readString('a within:90 b', findDialect('gantry')!).problems.map(({ code }) => code)).toContain(
      'near-distance',
    );
  });
});

describe('hyphenated words that are found joined', () => {
  const whole = (query: string) => writeQuery(parse(query), findDialect('marlstone')!).whole;

  it('move a claim only where the string shows it', () => {
    expect(whole('text: (bat AND "street light")')).toBe('same');
    expect(whole('text: (streetlight OR "street light")')).toBe('wider');
    expect(whole('text: (bat NOT (streetlight OR "street light"))')).toBe('narrower');
    expect(listReasons(writeQuery(parse('text: bat'), findDialect('marlstone')!))).toEqual([
      'hyphens-joined',
    ]);
  });
});
