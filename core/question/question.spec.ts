import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { createProject } from '../project';
import { FRAMES, checkSteps, choosePhrases, isSentence, joinPicked, listPairs, readQuestion } from './index';

const QUESTION =
  'Does street lighting change how bats use roads and hedgerows, and do warmer or dimmed lamps help?';
const ofRole = (role: string, question = QUESTION) =>
  readQuestion(question)
    .filter((word) => word.role === role)
    .map((word) => word.text);

describe('reading a question', () => {
  it('tells concepts from words that give context and small words', () => {
    expect(ofRole('content')).toEqual([
      'street',
      'lighting',
      'bats',
      'roads',
      'hedgerows',
      'warmer',
      'dimmed',
      'lamps',
    ]);
    expect(ofRole('context')).toEqual(['change', 'use', 'help']);
    expect(ofRole('context', 'The role and impact of noise: occurrence and relationship')).toEqual([
      'role',
      'impact',
      'occurrence',
      'relationship',
    ]);
  });

  it('says why a word is dimmed, and lets a person change the list', () => {
    for (const word of readQuestion(QUESTION))
      expect(word.reason === undefined).toBe(word.role === 'content');
    const own = readQuestion(QUESTION, { added: ['warmer'], dropped: ['use'] });
    expect(own.find((word) => word.text === 'warmer')?.role).toBe('context');
    expect(own.find((word) => word.text === 'use')?.role).toBe('content');
  });

  it('gives every word its place, whatever the text', () => {
    fc.assert(
      fc.property(fc.string({ unit: 'grapheme' }), (text) => {
        for (const word of readQuestion(text)) expect(text.slice(word.start, word.end)).toBe(word.text);
      }),
    );
  });

  it('takes neighbours for a phrase when records do, each word once', () => {
    const words = readQuestion('red street lighting poles');
    const pairs = listPairs(words, 'red street lighting poles');
    expect(pairs.map((pair) => pair.text)).toEqual(['red street', 'street lighting', 'lighting poles']);
    const counts: Record<string, number> = { 'red street': 1, 'street lighting': 60, 'lighting poles': 30 };
    const chosen = choosePhrases(pairs, ({ text }) => ({ pair: counts[text]!, first: 100, second: 100 }));
    expect(chosen).toEqual([1]);
    expect(choosePhrases(pairs, () => undefined)).toEqual([]);
    expect(listPairs(readQuestion('bats, lamps'), 'bats, lamps')).toEqual([]);
  });

  it.each([
    [[1, 2], ['street lighting']],
    [
      [2, 1, 5],
      ['street lighting', 'bats'],
    ],
    [
      [7, 9],
      ['roads', 'hedgerows'],
    ],
    [
      [9, 10],
      ['hedgerows', 'and'],
    ],
    [[], []],
    [[99], []],
  ])('words %j are picked as %j', (picked, expected) => {
    expect(joinPicked(readQuestion(QUESTION), new Set(picked), QUESTION)).toEqual(expected);
  });

  it.each([
    ['does light change how bats fly?', true],
    ['"artificial light at night affects bats"', true],
    ['the effect of lamps on bats', true],
    ['"artificial light at night"', false],
    ['"street light*"', false],
    ['light WITHIN 3 (bat OR bats)', false],
    ['bats', false],
  ])('%s is a sentence: %s', (text, expected) => {
    expect(isSentence(text)).toBe(expected);
  });
});

describe('frames and steps', () => {
  it('have names, and parts that ask', () => {
    expect(FRAMES.length).toBeGreaterThanOrEqual(3);
    for (const frame of FRAMES) for (const part of frame.parts) expect(part.asks).not.toBe('');
  });

  it('tick themselves from the state of the project', () => {
    const empty = createProject('p', 'P', '2026-01-01T00:00:00.000Z', ['heronsmere']);
    expect(checkSteps(empty).filter((step) => step.isDone)).toEqual([]);
    const terms = ['bat*', 'bats', 'heading: "Chiroptera"'].map((text, at) => ({
      id: `${at}`,
      text,
      off: false,
    }));
    const concept = { id: 'a', name: 'bats', block: 'bats', off: false, terms };
    const working = { ...empty.working, question: 'Q', concepts: [concept], draft: '@bats' };
    const done = checkSteps({ ...empty, working }).filter((step) => step.isDone);
    expect(done.map((step) => step.id)).toEqual(['question', 'synonyms', 'endings', 'headings', 'query']);
  });
});
