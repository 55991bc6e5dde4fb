import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Concept } from '#core/project/index';
import { readTermTable, writeTermTable } from './term-table';

const concept = (name: string, ...texts: string[]): Concept => ({
  id: name,
  name,
  block: name,
  off: false,
  terms: texts.map((text, at) => ({ id: `${name}${at}`, text, off: false })),
});

describe('a table of terms', () => {
  it('has a concept a column and its name in the first line', () => {
    expect(writeTermTable([concept('bats', 'bat', 'noctule'), concept('lamps', '"street light"')])).toBe(
      'bats\tlamps\nbat\t"""street light"""\nnoctule\t',
    );
  });

  it('carries the databases that a term is meant for', () => {
    const bats = concept('bats', 'bat');
    const meant = { ...bats, terms: bats.terms.map((term) => ({ ...term, databases: ['gantry'] })) };
    expect(writeTermTable([meant])).toBe('bats\nIN(gantry: bat)');
  });

  it('comes in as it went out', () => {
    const text = fc.constantFrom(
      'bat',
      'lamp*',
      '"street light"',
      'behavio[u]r',
      'heading: "Bats"',
      'a WITHIN 3 b',
    );
    const concepts = fc
      .uniqueArray(fc.stringMatching(/^[a-z]{1,6}$/), { minLength: 2, maxLength: 4 })
      .chain((names) =>
        fc.tuple(
          ...names.map((name) =>
            fc.uniqueArray(text, { minLength: 1, maxLength: 5 }).map((texts) => concept(name, ...texts)),
          ),
        ),
      );
    fc.assert(
      fc.property(concepts, (list) => {
        const { columns } = readTermTable(writeTermTable(list), true);
        expect(columns).toEqual(
          list.map(({ name, terms }) => ({ name, cells: terms.map((term) => term.text) })),
        );
      }),
    );
  });

  it('takes cells of several lines, gaps, repeats and missing names as they come', () => {
    expect(readTermTable('bat\tlamp\r\nbat\t\r\n\tstreet light\r\n', false).columns).toEqual([
      { name: '', cells: ['bat'] },
      { name: '', cells: ['lamp', '"street light"'] },
    ]);
    expect(readTermTable('bat\nlamp\n', false).columns).toEqual([{ name: '', cells: ['bat', 'lamp'] }]);
    expect(readTermTable('', false).columns).toEqual([{ name: '', cells: [] }]);
  });

  it('never throws, whatever was pasted', () => {
    fc.assert(
      fc.property(fc.string(), fc.boolean(), (pasted, hasNames) => {
        for (const { cells } of readTermTable(pasted, hasNames).columns)
          for (const cell of cells) expect(cell).not.toBe('');
      }),
    );
  });
});
