import { describe, expect, it } from 'vitest';
import { findDialect } from '#core/dialect/index';
import { readHistory } from '#core/dialect/history/index';
import { readString } from '#core/dialect/read/index';
import { applyChange, createProject, type Project } from '#core/project/index';
import { importHistory, importString, proposeName } from './string-import';

const dialect = findDialect('heronsmere')!;
const project = createProject('p', 'p', '2026-11-24T00:00:00.000Z', ['heronsmere']);
const clockAndIds = () => {
  let next = 0;
  return { createId: () => `id${next++}`, moment: '2026-11-24T00:00:00.000Z' };
};
const take = (
  text: string,
  from: Project = project,
  concepts: ReadonlyMap<number, string> = new Map(),
  countsOf: string | undefined = 'heronsmere',
) => {
  const { lines, last } = readHistory(text, dialect);
  const choices = { concepts, ...(countsOf && { countsOf }) };
  const { change, tallies } = importHistory(lines, last, choices, from.working, clockAndIds());
  const made = applyChange(from, change);
  if (!made.ok) throw new Error('refused');
  return { project: made.value, tallies };
};

describe('taking in', () => {
  it('makes a string the draft, with the limiters that it carried', () => {
    const change = importString(readString('title:bats AND year:2015..2024', dialect), project.working);
    const made = applyChange(project, change);
    expect(made.ok && made.value.working).toMatchObject({
      draft: 'title: bats',
      limiters: { years: { from: 2015, to: 2024 } },
    });
  });

  it('makes the lines of a history blocks and the last one the draft, and keeps the counts as typed in', () => {
    const { project: made, tallies } = take('1. bats\t318\n2. lamps OR "street light*"\n3. 1 AND 2  41');
    expect(made.working.blocks.map(({ name, text }) => [name, text])).toEqual([
      ['line-1', 'bats'],
      ['line-2', 'lamps OR "street light*"'],
    ]);
    expect(made.working.draft).toBe('@line-1 AND @line-2');
    expect(tallies.map(({ string, total, source, database }) => [database, string, total, source])).toEqual([
      ['heronsmere', 'bats', 318, 'typed'],
      ['heronsmere', '1 AND 2', 41, 'typed'],
    ]);
  });

  it('gives lines other names where theirs are taken', () => {
    const once = take('1. bats\n2. lamps\n3. 1 AND 2').project;
    const twice = take('1. owls\n2. roads\n3. 1 OR 2', once).project;
    expect(twice.working.blocks.map(({ name }) => name)).toEqual([
      'line-1',
      'line-2',
      'line-1-2',
      'line-2-2',
    ]);
    expect(twice.working.draft).toBe('@line-1-2 OR @line-2-2');
  });

  it('makes lines of ORs concepts where that is wanted, and uses them where their lines were used', () => {
    const concepts = new Map([
      [1, 'Bats'],
      [2, 'Night light'],
    ]);
    const { project: made } = take(
      '1. bats OR title:myotis\n2. lamps OR "street light*"\n3. 1 AND 2',
      project,
      concepts,
    );
    expect(
      made.working.concepts.map(({ name, block, terms }) => [name, block, terms.map(({ text }) => text)]),
    ).toEqual([
      ['Bats', 'bats', ['bats', 'title: myotis']],
      ['Night light', 'night-light', ['lamps', '"street light*"']],
    ]);
    expect(made.working.blocks).toEqual([]);
    expect(made.working.draft).toBe('@bats AND @night-light');
  });

  it('proposes the first term as a name', () => {
    const { lines } = readHistory('1. title:(a)\n2. "street light*" OR lamps', dialect);
    expect(lines.map(proposeName)).toEqual(['line 1', 'street light']);
  });

  it('keeps what limits a line within it, and what limits the last one as limiters', () => {
    const { project: made } = take(
      '1. bats AND year:2010..2012\n2. lamps\n3. 1 AND 2 AND kind:review\n4. limit 3 to 2015-2020',
    );
    expect(made.working.blocks[0]?.text).toBe('bats AND year: 2010..2012');
    expect(made.working.limiters).toEqual({ years: { from: 2015, to: 2020 } });
  });

  it('keeps counts for the database that was named, and none if none was', () => {
    const text = '1. bats\t318\n2. lamps\t7';
    expect(take(text, project, new Map(), 'gantry').tallies.map(({ database }) => database)).toEqual([
      'gantry',
      'gantry',
    ]);
    expect(take(text, project, new Map(), '').tallies).toEqual([]);
  });
});
