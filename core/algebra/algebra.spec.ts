import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { IndexDocument } from '../collection/document';
import { isSameQuery, listNodes, parseQuery, printQuery, type QueryNode } from '../query';
import { TEST_HEADINGS, arbitraryDocument, arbitraryQuery } from '../testing/arbitraries';
import { satisfies } from '../testing/naive-evaluator';
import { compareQueries, factorQuery, simplifyQuery, splitByQueries } from '.';

const settings = { listBranch: (label: string) => TEST_HEADINGS.listBranch(label) };
const finds = (documents: readonly IndexDocument[], query: QueryNode): boolean[] =>
  documents.map((document) => satisfies(document, query, TEST_HEADINGS));
const documents = fc.array(arbitraryDocument(), { minLength: 1, maxLength: 12 });
const parse = (text: string): QueryNode => parseQuery(text).root;

describe('simplify', () => {
  it('keeps the record set, for any records', () => {
    fc.assert(
      fc.property(arbitraryQuery, documents, (query, records) => {
        expect(finds(records, simplifyQuery(query, settings))).toEqual(finds(records, query));
      }),
      { numRuns: 1_500 },
    );
  });

  it('never makes a query larger, and has nothing to do the second time', () => {
    fc.assert(
      fc.property(arbitraryQuery, (query) => {
        const simple = simplifyQuery(query, settings);
        expect(listNodes(simple).length).toBeLessThanOrEqual(listNodes(query).length + 1);
        expect(isSameQuery(simplifyQuery(simple, settings), simple)).toBe(true);
      }),
      { numRuns: 500 },
    );
  });

  it.each([
    ['a OR (b OR c)', 'a OR b OR c'],
    ['a OR b OR a', 'a OR b'],
    ['source: (a OR (title: a))', 'source: (a OR title: a)'],
    ['light* OR lights OR lamp', 'light* OR lamp'],
    ['a AND (a OR b)', 'a'],
    ['a OR (a AND b)', 'a'],
    ['light* AND lights', 'lights'],
    ['a NOT b NOT c', 'a NOT (b OR c)'],
    ['a NOT a', '()'],
    ['lights NOT light*', '()'],
    ['(a AND ()) OR b', 'b'],
    ['title: title: a', 'title: a'],
    ['@x OR @x OR a', '@x OR a'],
    ['OFF(a) OR a', 'OFF(a) OR a'],
    ['a AND // why\n(a OR b)', 'a AND // why\n(a OR b)'],
    ['"street light" OR light', 'light'],
    ['@x AND (@x OR b)', '@x AND (@x OR b)'],
  ])('%s', (text, expected) => {
    expect(printQuery(simplifyQuery(parse(text)))).toBe(expected);
  });
});

describe('factor', () => {
  it('keeps the record set, for any records', () => {
    const pieces = fc.array(fc.array(arbitraryQuery, { minLength: 1, maxLength: 3 }), {
      minLength: 2,
      maxLength: 3,
    });
    fc.assert(
      fc.property(pieces, arbitraryQuery, documents, (groups, common, records) => {
        const text = groups
          .map((group) => `(${[common, ...group].map((item) => `(${printQuery(item)})`).join(' AND ')})`)
          .join(' OR ');
        const query = parse(text);
        expect(finds(records, factorQuery(query))).toEqual(finds(records, query));
      }),
      { numRuns: 300 },
    );
  });

  it.each([
    ['(a AND b) OR (a AND c)', 'a AND (b OR c)'],
    ['(a AND b AND c) OR (a AND b AND d)', 'a AND b AND (c OR d)'],
    ['(a AND b) OR a', 'a'],
    ['(a AND b) OR (c AND d)', '(a AND b) OR (c AND d)'],
  ])('%s', (text, expected) => {
    expect(printQuery(factorQuery(parse(text)))).toBe(expected);
  });
});

it('the parts of two queries are each other’s rest', () => {
  fc.assert(
    fc.property(arbitraryQuery, arbitraryQuery, documents, (a, b, records) => {
      const { onlyA, onlyB, both } = splitByQueries(a, b);
      const [inA, inB] = [finds(records, a), finds(records, b)];
      expect(finds(records, onlyA)).toEqual(inA.map((found, at) => found && !inB[at]));
      expect(finds(records, onlyB)).toEqual(inB.map((found, at) => found && !inA[at]));
      expect(finds(records, both)).toEqual(inA.map((found, at) => found && inB[at]));
    }),
    { numRuns: 300 },
  );
});

describe('the same query', () => {
  it.each([
    ['a AND b', 'b AND a'],
    ['a AND (b OR c)', '(a AND b) OR (a AND c)'],
    ['a NOT b NOT c', 'a NOT (b OR c)'],
    ['title,abstract: (a OR b)', '(title: a OR abstract: a) OR (title,abstract: b)'],
    ['a WITHIN 3 (b OR c)', '(b WITHIN 3 a) OR (a WITHIN 3 c)'],
    ['Colour', 'colour'],
    ['a AND OFF(b)', 'a'],
    ['(a OR b) NOT (a AND b)', '(a NOT b) OR (b NOT a)'],
    ['colo[u]r', 'color OR colour'],
    ['"a[b]x c[d]e"', '"ax ce" OR "abx ce" OR "ax cde" OR "abx cde"'],
    ['x WITHIN 2 a[b]c', '(x WITHIN 2 ac) OR (x WITHIN 2 abc)'],
  ])('%s is %s', (a, b) => {
    expect(compareQueries(parse(a), parse(b))).toBe('the same');
  });

  it.each([
    ['a AND b', 'a OR b'],
    ['"a b"', 'a AND b'],
    ['a BEFORE 3 b', 'b BEFORE 3 a'],
    ['title: a', 'abstract: a'],
    ['IN(gantry: a)', 'a'],
    ['a', 'a*'],
  ])('%s is not shown to be %s', (a, b) => {
    expect(compareQueries(parse(a), parse(b), ['heronsmere'])).toBe('not shown to be the same');
  });

  it.each([
    ['a OR heading(gantry): "B"', 'a'],
    ['heading: "Bats"', 'heading(heronsmere): "bats"'],
    ['branch: "Bats"', 'heading: "Bats"'],
    ['a', 'title,abstract,heading: a'],
    ['a NOT keywords: b', 'a'],
  ])('%s is %s in a database', (a, b) => {
    const place = { held: ['title', 'abstract', 'heading'], vocabulary: 'heronsmere', isFlat: true } as const;
    expect(compareQueries(parse(a), parse(b), [], place)).toBe('the same');
    expect(compareQueries(parse(a), parse(b))).toBe('not shown to be the same');
  });

  it('never calls two queries the same that differ on a record of a small vocabulary', () => {
    const words = ['bat', 'bats', 'light', 'lights', 'street', 'lamp', 'colour', 'color'];
    // Every set of two words in two fields, and every pair of words in a row.
    const records: IndexDocument[] = words.flatMap((first) =>
      words.flatMap((second) => [
        { values: { title: [first], abstract: [second] }, keys: [] },
        { values: { title: [`${first} ${second}`] }, keys: ['heading=bats'] },
      ]),
    );
    let same = 0;
    fc.assert(
      fc.property(arbitraryQuery, arbitraryQuery, fc.boolean(), (a, other, isRelated) => {
        const b = isRelated
          ? simplifyQuery(
              parse(`(${printQuery(a)}) OR ((${printQuery(a)}) AND (${printQuery(other)}))`),
              settings,
            )
          : other;
        if (compareQueries(a, b) !== 'the same') return;
        same++;
        expect(finds(records, a)).toEqual(finds(records, b));
      }),
      { numRuns: 1_000 },
    );
    expect(same).toBeGreaterThan(50);
  });

  it('gives up on what is too large, without an end', () => {
    const pairs = Array.from({ length: 60 }, (_, at) => `(a${at} AND b${at})`);
    const firsts = Array.from({ length: 60 }, (_, at) => `a${at}`);
    const text = `(${firsts.join(' OR ')}) AND (${pairs.join(' OR ')})`;
    expect(['the same', 'not shown to be the same']).toContain(compareQueries(parse(text), parse(text)));
  });
});
