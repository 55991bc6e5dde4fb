import { describe, expect, it } from 'vitest';
import type { Concept } from '../../project';
import { printQuery } from '../../query';
import { splitByHeadings } from './index';

const concept = (...texts: string[]): Concept => ({
  id: 'a',
  name: 'a',
  block: 'a',
  off: false,
  terms: texts.map((text, at) => ({
    id: String(at),
    text: text.replace(/^-/, ''),
    off: text.startsWith('-'),
  })),
});
const print = (texts: readonly string[], more: Partial<Concept> = {}) => {
  const { words, headings } = splitByHeadings({ ...concept(...texts), ...more });
  return [words && printQuery(words), headings && printQuery(headings)];
};

describe('words and headings of a concept', () => {
  it('are parted by what the terms are', () => {
    expect(print(['bat', 'branch: "Bats"', '"fruit bat*"', '-noctule', 'heading(gantry): "Sonar"'])).toEqual([
      'bat OR "fruit bat*"',
      'branch: "Bats" OR heading(gantry): "Sonar"',
    ]);
  });

  it('one of them may be missing', () => {
    expect(print(['bat'])).toEqual(['bat', undefined]);
    expect(print(['heading: "Bats"'])).toEqual([undefined, 'heading: "Bats"']);
    expect(print([])).toEqual([undefined, undefined]);
  });

  it('words stay in the fields of their concept, headings in none', () => {
    expect(print(['bat', 'heading: "Bats"'], { fields: ['title'] })).toEqual([
      'title: bat',
      'heading: "Bats"',
    ]);
  });
});
