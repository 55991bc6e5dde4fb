import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { printQuery } from '../../query';
import { rankDialects } from '../read';
import { listStrings, readHistory } from './history';
import { isHistory } from './history-lines';
import { DIALECTS, OPEN_DIALECTS, TEMPLATE_DIALECTS, findDialect } from '../profile';

const heronsmere = findDialect('heronsmere')!;
const tell = (text: string, id = 'heronsmere'): string[] =>
  readHistory(text, findDialect(id)!).lines.map(
    ({ number, root, count }) => `${number}: ${printQuery(root)}${count === undefined ? '' : ` = ${count}`}`,
  );

describe('a history', () => {
  it.each([
    ['1. bats\n2. lamps', ['1: bats', '2: lamps']],
    ['1 bats\t318\n2 lamps\t1,204', ['1: bats = 318', '2: lamps = 1204']],
    [
      '#1 bats (318)\n#2 title:(lamp OR "street light*") (12)',
      ['1: bats = 318', '2: title: (lamp OR "street light*") = 12'],
    ],
    ['1) bats   318 results\n2) lamps  7', ['1: bats = 318', '2: lamps = 7']],
    ['1. bats\n2. lamps\n3. 1 AND 2', ['1: bats', '2: lamps', '3: @line-1 AND @line-2']],
    [
      '1. bats\n2. lamps\n3. #1 or #2\n4. #3 NOT #1',
      ['1: bats', '2: lamps', '3: @line-1 OR @line-2', '4: @line-3 NOT @line-1'],
    ],
    ['1. bats\n2. set:1 AND lamps', ['1: bats', '2: @line-1 AND lamps']],
    ['1. a\n2. b\n3. c\n4. (1 or 2) and 3', ['1: a', '2: b', '3: c', '4: (@line-1 OR @line-2) AND @line-3']],
    ['1. bats OR\n"street light*"\n2. 1', ['1: bats OR "street light*"', '2: @line-1']],
    ['1. lamps AND 2700K\n2. 1995', ['1: lamps AND 2700K', '2: 1995']],
    ['1. bats AND year:2015..2024', ['1: bats']],
    [
      '1. bats AND year:2015..2024\n2. lamps\n3. 1 AND 2',
      ['1: bats AND year: 2015..2024', '2: lamps', '3: @line-1 AND @line-2'],
    ],
    ['1. a\n2. b\n3. c\n4. OR 1-3', ['1: a', '2: b', '3: c', '4: @line-1 OR @line-2 OR @line-3']],
    ['1. a\n2. b\n3. c\n4. or/1-3', ['1: a', '2: b', '3: c', '4: @line-1 OR @line-2 OR @line-3']],
    ['1. a\n2. b\n3. 1-2 OR', ['1: a', '2: b', '3: @line-1 OR @line-2']],
    ['1. a\n2. b\n3. c\n4. (OR 1-2) AND 3', ['1: a', '2: b', '3: c', '4: (@line-1 OR @line-2) AND @line-3']],
    ['1. a\n2. b\n3. 1 AND NOT 2', ['1: a', '2: b', '3: @line-1 NOT @line-2']],
    ['1. bats\n2. limit 1 to year:2015..2024', ['1: bats', '2: @line-1']],
    [
      '1. bats\n2. limit 1 to English language, 2015-2024\n3. lamps\n4. 2 AND 3',
      ['1: bats', '2: @line-1 AND language: en AND year: 2015..2024', '3: lamps', '4: @line-2 AND @line-3'],
    ],
    [
      '1. bats\n2. lamps\n3. #1 AND kind:review\n4. 3 OR 2',
      ['1: bats', '2: lamps', '3: @line-1 AND type: review', '4: @line-3 OR @line-2'],
    ],
    ['A. bats\nB. lamps\nC. A AND B', ['1: bats', '2: lamps', '3: @line-1 AND @line-2']],
    [
      '1. (318) bats\n2. (1,204) lamps\n3. (41) 1 AND 2',
      ['1: bats = 318', '2: lamps = 1204', '3: @line-1 AND @line-2 = 41'],
    ],
    ['1\t318\tbats\n2\t1204\tlamps', ['1: bats = 318', '2: lamps = 1204']],
    ['1. 318 results: bats\n2. 12 results: lamps', ['1: bats = 318', '2: lamps = 12']],
  ])('%j', (text, lines) => {
    expect(tell(text)).toEqual(lines);
  });

  it('is read in the syntax of its database', () => {
    expect(tell('1. lamp%{title}\n2. "Street lighting"{index}  44\n3. 1 or 2', 'gantry')).toEqual([
      '1: title: lamp*',
      '2: heading(gantry): "Street lighting" = 44',
      '3: @line-1 OR @line-2',
    ]);
    expect(tell('1. "bats"\n2. "lamps"\n3. 1 and 2\n4. 1 or 2\n5. 1 not 2', 'plainfinder').slice(2)).toEqual([
      '3: @line-1 AND @line-2',
      '4: @line-1 OR @line-2',
      '5: @line-1 NOT @line-2',
    ]);
  });

  it('ends in the line that no other one uses', () => {
    expect(readHistory('1. a\n2. b\n3. 1 AND 2\n4. c', heronsmere).last?.number).toBe(4);
    expect(readHistory('1. a\n2. b\n3. 1 AND 2', heronsmere).last?.number).toBe(3);
    expect(readHistory('', heronsmere).last).toBeUndefined();
  });

  it('says where a line is not understood', () => {
    const { lines } = readHistory('1. (bats OR lamps\n2. ; owls', heronsmere);
    expect(lines.map(({ problems }) => problems.map(({ code }) => code))).toEqual([
      ['unclosed-bracket'],
      ['unread-sign'],
    ]);
  });

  it('keeps what the last line is limited to as limiters', () => {
    const read = readHistory('1. bats\n2. limit 1 to reviews', heronsmere);
    expect(read.last).toMatchObject({ number: 2, limiters: { types: ['review'] }, uses: [1] });
  });

  it.each([
    ['1. a\n2. b\n3. OR 1-7', ['line-unknown']],
    ['1. a\n2. b\n3. 1 AND 7', ['line-unknown']],
    ['1. a\n2. b\n3. 1-2 combined', ['line-not-understood']],
    ['1. a\n2. b\n3. limit 1 to humans', ['limit-not-understood']],
    ['1. a\n2. b\n3. limit 9 to English', ['line-unknown']],
    ['1. a\n2. b\n3. combine 1 2', ['line-not-understood']],
    [`1. a\n2. b\n3. ${'('.repeat(60)}1 OR 2${')'.repeat(60)}`, ['nesting-too-deep', 'unclosed-bracket']],
    ['1. a\n2. b\n3. 1 AND lamps', ['line-number-as-word']],
    ['1. a\n2. b\n3. 1 AND', ['missing-operand']],
  ])('marks a line that is not understood: %j', (text, codes) => {
    const { lines } = readHistory(text, heronsmere);
    const problems = lines.at(-1)?.problems ?? [];
    expect([...new Set(problems.map(({ code }) => code))]).toEqual(codes);
    expect(problems.every(({ severity }) => severity === 'error')).toBe(true);
  });

  it('is read in the forms that a dialect has', () => {
    const history = { ranges: ['all of {from} to {to} by {operator}'], limits: ['{n} within {limiter}'] };
    const { lines } = readHistory('1. a\n2. b\n3. all of 1 to 2 by or\n4. 3 within 2015-2024\n5. OR 1-2', {
      ...heronsmere,
      history,
    });
    expect(lines.map(({ root }) => printQuery(root)).slice(2)).toEqual([
      '@line-1 OR @line-2',
      '@line-3 AND year: 2015..2024',
      expect.not.stringContaining('@'),
    ]);
    expect(lines[4]?.problems.map(({ code }) => code)).toContain('line-not-understood');
  });

  it('offers lines of ORs alone as concepts', () => {
    const { lines } = readHistory(
      '1. bats OR title:owls OR "street light"\n2. bats AND owls\n3. bats',
      heronsmere,
    );
    expect(lines.map(({ choices }) => choices?.map((choice) => printQuery(choice)))).toEqual([
      ['bats', 'title: owls', '"street light"'],
      undefined,
      undefined,
    ]);
  });

  it('is told from one string', () => {
    expect(isHistory('1. a\n2. b')).toBe(true);
    expect(isHistory('(bats OR lamps)\nAND roads')).toBe(false);
    expect(isHistory('bats')).toBe(false);
  });

  it('reads any text into lines with growing numbers', () => {
    fc.assert(
      fc.property(
        fc.oneof(fc.string(), fc.string({ unit: 'binary' })),
        fc.constantFrom(...DIALECTS),
        (text, dialect) => {
          const { lines } = readHistory(text, dialect);
          const numbers = lines.map(({ number }) => number);
          expect(numbers).toEqual([...new Set(numbers)].sort((a, b) => a - b));
          for (const { uses, number } of lines) expect(uses.every((other) => other < number)).toBe(true);
        },
      ),
      { numRuns: 500, endOnFailure: true },
    );
  });
});

describe('the dialect of a history', () => {
  it('is found from its strings, not from its numbers, counts and combinations', () => {
    const text = '1. lamp%{title}\t318\n2. "Street lighting"{index}\n3. #1 or #2  41';
    expect(listStrings(text)).toEqual(['lamp%{title}', '"Street lighting"{index}']);
    expect(rankDialects(listStrings(text), DIALECTS).guesses[0]).toMatchObject({
      dialect: { id: 'gantry' },
      faults: 0,
    });
    expect(listStrings('bats OR lamps')).toEqual(['bats OR lamps']);
  });
});

describe('how sure a syntax is', () => {
  const every = [...DIALECTS, ...OPEN_DIALECTS, ...TEMPLATE_DIALECTS];
  it('is not overstated for a string full of operators of another one', () => {
    const { guesses, sureness } = rankDialects(['dc.title any "fish chips"'], DIALECTS);
    expect(guesses[0]).toMatchObject({ dialect: { id: 'northern' }, faults: 0, strays: [] });
    expect(sureness).toBe('sure');
    for (const { faults, strays } of guesses.slice(1)) expect(faults + strays.length).toBeGreaterThan(0);
    const without = DIALECTS.filter(({ id }) => id !== 'northern');
    expect(rankDialects(['dc.title any "fish chips"'], without).sureness).toBe('unsure');
  });

  it.each([
    ['in(title, summary: bats) AND years(2015-2024)', 'sure'],
    ['in(title: bats)', 'unsure'],
    ['(bats AND year:2000..2005) OR (lamp AND year:2010..2015)', 'sure'],
    ['title:bats AND abstract:"street light"~2 OR bat-friendly', 'unsure'],
    ['bats', 'unsure'],
    ['bats and lamps', 'unsure'],
  ])('%s: %s', (text, sureness) => {
    expect(rankDialects([text], every).sureness).toBe(sureness);
  });
});

describe('the dialect of a string', () => {
  const every = [...DIALECTS, ...OPEN_DIALECTS, ...TEMPLATE_DIALECTS];
  it.each([
    ['title:(bat OR "street light*") AND under:"Chiroptera" AND year:2015..2024', 'heronsmere'],
    ['lamp%{title} and "street light"{title,summary} and published{2015-2024}', 'gantry'],
    ['in(title, summary: bats OR NEAR(3: lamp*, road)) AND years(2015-2024)', 'cardinal'],
    ['title=bats or abstract=bats not title=cricket', 'marlstone'],
    [
      'dc.title = bat and (dc.description = "street light" prox/unit=word/distance<=3/unordered lamp)',
      'northern',
    ],
    ['"street light" title:"bat" -"cricket"', 'plainfinder'],
  ])('%s', (text, id) => {
    const [best] = rankDialects([text], DIALECTS).guesses;
    expect(best).toMatchObject({ dialect: { id }, faults: 0, strays: [] });
    expect(best!.evidence.length).toBeGreaterThan(0);
    expect(rankDialects([text], every).guesses).toHaveLength(every.length);
  });

  it('takes a number behind a single blank for a count if every line ends so, and only then', () => {
    const heronsmere = findDialect('heronsmere')!;
    const read = (text: string) =>
      readHistory(text, heronsmere).lines.map(({ text: string, count }) => [string, count]);
    expect(read('1. title:(bat* OR bats) 318\n2. lamp* 1,611\n3. 1 AND 2 41')).toEqual([
      ['title:(bat* OR bats)', 318],
      ['lamp*', 1_611],
      ['1 AND 2', 41],
    ]);
    // The last number is a line here, so no number is a count.
    expect(read('1. bats 2019\n2. lamp* 2020\n3. 1 AND 2')).toEqual([
      ['bats 2019', undefined],
      ['lamp* 2020', undefined],
      ['1 AND 2', undefined],
    ]);
  });
});
