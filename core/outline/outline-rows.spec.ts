import { describe, expect, it } from 'vitest';
import { createBlocks, type Concept } from '../project/index';
import { createNodePool, parseQuery, printQuery } from '../query/index';
import { listOutlineRows, type OutlineRow } from './outline-rows';

const bats: Concept = {
  id: 'c',
  name: 'bats',
  block: 'bats',
  off: false,
  fields: ['title'],
  terms: [
    { id: '1', text: 'bat', off: false },
    { id: '2', text: 'bats', off: true },
    { id: '3', text: 'chiroptera', off: false, databases: ['heronsmere'] },
  ],
};
const lamps = { id: 'b', name: 'lamps', text: 'lamp OR @bulbs' };
const bulbs = { id: 'd', name: 'bulbs', text: 'bulb AND @lamps' };
const pool = createNodePool();

const list = (text: string, opened: readonly (readonly [string, boolean])[] = []): OutlineRow[] => {
  const state = { concepts: [bats], blocks: [lamps, bulbs] };
  return listOutlineRows({
    state,
    blocks: createBlocks(state),
    root: parseQuery(text).root,
    opened: new Map(opened),
    pool,
  });
};
const show = (rows: readonly OutlineRow[]): string[] =>
  rows.map(({ depth, join, isExcluded, text, isOff, fields, databases }) => {
    const words = [
      isExcluded && 'without',
      join,
      text,
      fields?.join('+'),
      databases?.join('+'),
      isOff && 'off',
    ];
    return `${'  '.repeat(depth)}${words.filter(Boolean).join(' ')}`;
  });

describe('rows', () => {
  it('have groups before their members and blocks opened in place', () => {
    expect(show(list('@bats AND lamp'))).toEqual([
      'all',
      '  any @bats',
      '    bat',
      '    bats off',
      '    chiroptera heronsmere',
      '  lamp',
    ]);
    expect(show(list('@bats', [['bats', false]]))).toEqual(['any @bats']);
  });

  it('open named blocks, and end where one uses itself', () => {
    expect(
      show(
        list('@lamps', [
          ['lamps', true],
          ['bulbs', true],
        ]),
      ),
    ).toEqual(['@lamps', '  any', '    lamp', '    @bulbs', '      all', '        bulb', '        @lamps']);
  });

  it('show what is excluded, near, in fields, for some databases, and off', () => {
    expect(show(list('(a WITHIN 3 b) AND IN(gantry: title: (x OR y)) NOT OFF(z OR q)'))).toEqual([
      'all',
      '  near',
      '    a',
      '    b',
      '  any title gantry',
      '    x gantry',
      '    y gantry',
      '  without any off',
      '    z off',
      '    q off',
    ]);
  });

  it('are counted where they stand', () => {
    const rows = list('IN(gantry: title: (x OR @bats))');
    expect(rows.map((row) => printQuery(row.query))).toEqual([
      'IN(gantry: title: (x OR title: (bat OR OFF(bats) OR IN(heronsmere: chiroptera))))',
      'IN(gantry: title: x)',
      'IN(gantry: title: title: (bat OR OFF(bats) OR IN(heronsmere: chiroptera)))',
      'IN(gantry: title: title: bat)',
      'IN(gantry: title: title: bats)',
      'IN(gantry: title: title: IN(heronsmere: chiroptera))',
    ]);
  });

  it('that take something away know what was there before and after', () => {
    const rows = list('a AND b NOT c NOT d');
    const removals = rows.flatMap(({ removal }) =>
      removal ? [[printQuery(removal.before), printQuery(removal.after)]] : [],
    );
    expect(removals).toEqual([
      ['a AND b', 'a AND b NOT c'],
      ['a AND b NOT c', 'a AND b NOT c NOT d'],
    ]);
  });

  it('share what is equal, whatever text it came from', () => {
    const [, first] = list('lamp* AND x');
    const [, , second] = list('y OR lamp*');
    expect(second?.query).toBe(first?.query);
  });

  it('have braces from the first to the last row of a group', () => {
    const parts = list('a AND (b OR c) NOT d').map(({ braces }) =>
      braces.map(({ join, part }) => `${join} ${part}`).join(', '),
    );
    expect(parts).toEqual([
      'all start',
      'all middle',
      'all middle, any start',
      'all middle, any middle',
      'all middle, any end',
      'all end, without only',
    ]);
  });

  it('there are none of an empty draft', () => {
    expect(list('')).toEqual([]);
  });
});
