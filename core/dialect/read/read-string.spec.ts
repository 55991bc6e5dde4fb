import { describe, expect, it } from 'vitest';
import { listLimiters } from '../../limiter';
import { parseQuery, printQuery } from '../../query';
import { OPEN_DIALECTS, OWN_RECORDS, TEMPLATE_DIALECTS, findDialect } from '../profile';
import type { Dialect } from '../profile';
import { readString } from './read-string';

const pick = (id: string): Dialect =>
  findDialect(id) ?? [...OPEN_DIALECTS, ...TEMPLATE_DIALECTS, OWN_RECORDS].find((one) => one.id === id)!;
const read = (id: string, text: string) => {
  const { root, limiters, problems, other } = readString(text, pick(id));
  return {
    query: printQuery(root),
    codes: problems.map(({ code }) => code),
    places: problems.flatMap(({ span }) => (span ? [text.slice(span.start, span.end)] : [])),
    limiters: listLimiters(limiters).map(({ value }) => value),
    other: other && printQuery(other.root),
  };
};

describe('operators that others write', () => {
  it.each([
    ['heronsmere', 'bats AND NOT lamps', 'bats NOT lamps', ['missing-operand'], ['NOT']],
    [
      'heronsmere',
      'NOT (java OR python) AND android',
      'android NOT (java OR python)',
      ['pure-negation'],
      ['NOT'],
    ],
    ['heronsmere', 'NOT java', '() NOT java', ['pure-negation'], ['NOT']],
    ['heronsmere', 'java AND OR x', 'java OR x', ['missing-operand'], ['OR']],
    ['heronsmere', 'java AND', 'java', ['missing-operand'], ['AND']],
    ['gantry', 'bats and not lamps', 'bats NOT lamps', [], []],
    ['lucene', 'bats AND NOT lamps', 'bats NOT lamps', [], []],
    ['lucene', 'NOT java', '() NOT java', ['pure-negation'], ['NOT']],
    ['lucene', 'java AND OR x', 'java AND x', ['missing-operand'], ['OR']],
    ['cardinal', 'bats AND lamps OR roads', '(bats AND lamps) OR roads', ['mixed-operators'], ['OR']],
    ['plainfinder', '"bats" | -"lamps"', 'bats NOT lamps', ['missing-operand'], ['|']],
    ['plainfinder', '"a" -("b" "c")', 'a NOT (b AND c)', ['exclusion-of-group'], ['-']],
    ['own-records', 'bats AND NOT lamps', 'bats NOT lamps', [], []],
  ])('%s: %s', (id, text, query, codes, places) => {
    expect(read(id, text)).toMatchObject({ query, codes, places });
  });

  it.each(['heronsmere', 'gantry', 'cardinal', 'marlstone', 'northern', 'cql', 'field-before', 'one-box'])(
    '%s drops none of them in silence',
    (id) => {
      const { write } = pick(id).operators.or;
      for (const text of [`${write} bats`, `bats ${write}`, `bats ${write} ${write} lamps`])
        expect(read(id, text).codes.length, text).toBeGreaterThan(0);
    },
  );
});

describe('a limiter inside a string', () => {
  it.each([
    ['bats AND kind:review', 'bats', ['review']],
    ['(bats OR owls) AND year:2015..2024 NOT lamps', '(bats OR owls) NOT lamps', ['2015–2024']],
    ['bats AND (kind:review OR kind:book)', 'bats', ['review, book']],
    ['bats AND year:2000..2010 AND year:2005..2020', 'bats', ['2005–2010']],
    ['bats NOT kind:review', 'bats NOT (type: review)', []],
    ['bats NOT year:1990..2000', 'bats NOT (year: 1990..2000)', []],
    [
      '(bats AND year:2000..2005) OR (lamp AND year:2010..2015)',
      '(bats AND year: 2000..2005) OR (lamp AND year: 2010..2015)',
      [],
    ],
    ['kind:review', 'type: review', []],
    ['year:2000..2005 NOT bats', 'year: 2000..2005 NOT bats', []],
    ['bats NOT entered:2026-01..2026-03', 'bats NOT (entered: 2026-01..2026-03)', []],
  ])('%s', (text, query, limiters) => {
    expect(read('heronsmere', text)).toEqual({
      query: printQuery(parseQuery(query).root),
      limiters,
      codes: [],
      places: [],
      other: undefined,
    });
  });

  it('that can be no part of a query is said to be lost', () => {
    const dialect: Dialect = {
      ...pick('heronsmere'),
      limiters: { ...pick('heronsmere').limiters, peerReviewed: { how: 'string', form: 'peer:{value}' } },
    };
    expect(readString('bats AND peer:yes', dialect)).toMatchObject({
      limiters: { peerReviewed: true },
      problems: [],
    });
    const inside = readString('bats NOT peer:yes', dialect);
    expect(inside.problems.map(({ code }) => code)).toEqual(['limiter-lost']);
    expect(printQuery(inside.root)).toBe('bats');
  });
});

describe('the classic Lucene syntax', () => {
  it.each([
    ['+x -y', 'x NOT y', []],
    ['x !y', 'x NOT y', []],
    ['"a b"~10', '(a BEFORE 11 b) OR (b BEFORE 9 a)', []],
    ['"a b c"~10', '"a b c"', ['slop-refused']],
    ['bat-friendly', '"bat friendly"', ['split-word']],
    ['bats^4 OR owls', 'bats OR owls', ['weights-left-out']],
    ['roam~', 'roam', ['fuzzy-refused']],
    ['{a TO b}', '()', ['range-refused']],
    ['colour:red', 'red', ['index-unknown']],
    ['bats AND year:2000..2005', 'bats', ['value-unknown']],
    ['title:(a AND b)', 'title: (a AND b)', []],
    ['a b', 'a OR b', []],
    ['*bats', '*bats', ['wildcard-refused']],
  ])('%s', (text, query, codes) => {
    expect(read('lucene', text)).toMatchObject({ query, codes });
  });

  it('gives each of two readings the limiters that are ANDed with the whole of it', () => {
    const { root, limiters, other } = readString('bats OR lamps AND year:[2000 TO 2005]', pick('lucene'));
    expect([printQuery(root), limiters]).toEqual(['lamps', { years: { from: 2000, to: 2005 } }]);
    expect([other && printQuery(other.root), other?.limiters]).toEqual([
      'bats OR (lamps AND year: 2000..2005)',
      {},
    ]);
  });

  it('has AND and OR on one level in two readings', () => {
    expect(read('lucene', 'a AND b OR c')).toMatchObject({
      query: 'a AND b',
      codes: ['mixed-operators'],
      other: '(a AND b) OR c',
    });
    // AND makes what stands before it required, too, also what OR joined.
    expect(read('lucene', 'a AND b OR c AND d')).toMatchObject({
      query: 'a AND b AND c AND d',
      codes: ['mixed-operators'],
      other: '(a AND b) OR (c AND d)',
    });
    expect(read('lucene', 'bats AND year:{1999 TO 2006}')).toMatchObject({
      query: 'bats',
      limiters: ['2000–2005'],
    });
  });
});

describe('a template, of which nobody says how its operators bind', () => {
  it('gives both readings of mixed operators', () => {
    expect(read('field-before', 'a OR b AND c')).toMatchObject({
      query: 'a OR (b AND c)',
      codes: ['mixed-operators'],
      other: '(a OR b) AND c',
    });
    expect(read('field-before', 'a AND b NOT c').codes).toEqual([]);
  });
});

describe('CQL as its standard has it', () => {
  it.each([
    ['title = x', 'title: x', []],
    ['dc.title any "fish chips"', 'title: (fish OR chips)', []],
    ['dc.title all "fish chips"', 'title: (fish AND chips)', []],
    ['dc.title adj "fish chips"', 'title: "fish chips"', []],
    ['dc.subject == "Fish"', 'heading(cql): "Fish"', []],
    ['dc.title == "fish chips"', 'title: "fish chips"', ['relation-refused']],
    ['dc.title <> fish', 'title: fish', ['relation-refused']],
    ['cql.serverChoice = fish', 'fish', []],
    ['> x = "info:srw/cql-context-set/1/dc-v1.1" x.title = fish', 'title: fish', []],
    ['x.title = fish', 'fish', ['context-set-unknown', 'index-unknown']],
    ['a prox b', 'a WITHIN 1 b', []],
    ['a prox/unit=word/distance<4/ordered b', 'a BEFORE 3 b', []],
    ['a prox/unit=sentence b', 'a WITHIN 1 b', ['modifier-refused']],
    ['a prox/distance>3 b', 'a WITHIN 3 b', ['modifier-refused']],
    ['a and/rel.combine=sum b', 'a AND b', ['modifier-refused']],
    ['dc.title =/stem fish', 'title: fish', ['modifier-refused']],
    ['fish sortby dc.date/sort.descending', 'fish', ['sort-left-out']],
    ['^fish', 'fish', ['anchor-refused']],
    ['fi?h* or fis\\*h', 'fi?h* OR "fis h"', []],
    ['a or', 'a', ['cql-syntax']],
    ['() not b', '() NOT b', ['cql-syntax']],
    ['()', '()', ['cql-syntax']],
    ['a b', 'a AND b', ['cql-syntax']],
    ['a or b and c', '(a OR b) AND c', []],
    ['"and" or fish', '"and" OR fish', []],
  ])('%s', (text, query, codes) => {
    expect(read('cql', text)).toMatchObject({ query, codes });
  });

  it.each([
    ['fish and dc.date >= 2015 and dc.date <= 2024', ['2015–2024']],
    ['fish and dc.date > 2014', ['from 2015']],
    ['fish and date within "2015 2024"', ['2015–2024']],
    ['fish and dc.type any "book thesis" and dc.language = en', ['book, thesis', 'English']],
  ])('takes the limiters of %s', (text, limiters) => {
    expect(read('cql', text)).toMatchObject({ query: 'fish', codes: [], limiters });
  });
});

describe('what a database does to words in silence', () => {
  it.each([
    ['gantry', '"quality of light"', ['gaps-closed']],
    ['gantry', 'light', []],
    ['gantry', 'of', ['stop-word-alone']],
    ['marlstone', 'streetlight', ['hyphens-joined']],
    ['marlstone', 'lights*', ['hyphens-joined', 'forms-capped']],
    ['plainfinder', 'lights lamps', ['stemmed-word']],
    ['plainfinder', '"lights"', []],
  ])('%s: %s', (id, text, codes) => {
    const { problems } = readString(text, pick(id));
    expect(problems.map(({ code }) => code)).toEqual(codes);
    expect(problems.every(({ severity }) => severity === 'note')).toBe(!codes.includes('stop-word-alone'));
  });

  it('reads a heading with its qualifier', () => {
    const text = 'terms:"Animal behaviour / methods"';
    expect(read('heronsmere', text)).toMatchObject({
      query: 'heading(heronsmere): "Animal behaviour / methods"',
      codes: [],
    });
    expect(read('heronsmere', 'terms:"Day/night"').query).toBe('heading(heronsmere): "Day/night"');
  });
});
