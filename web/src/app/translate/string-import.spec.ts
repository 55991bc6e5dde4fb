import { describe, expect, it } from 'vitest';
import { findDialect, readHistory, readString } from '#core/dialect/index';
import { applyChange, createProject, type Project } from '#core/project/index';
import { importHistory, importString } from './string-import';

const dialect = findDialect('heronsmere')!;
const project = createProject('p', 'p', '2026-11-24T00:00:00.000Z', ['heronsmere']);
const surroundings = () => {
  let next = 0;
  return { createId: () => `id${next++}`, moment: '2026-11-24T00:00:00.000Z' };
};
const take = (text: string, from: Project = project) => {
  const { lines, last } = readHistory(text, dialect);
  const { change, tallies } = importHistory(lines, last, dialect, from.working, surroundings());
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
});
