import { describe, expect, it } from 'vitest';
import { DIALECTS } from '#core/dialect/index';
import type { Concept } from '#core/project/index';
import { describeConcept } from './concept-description';

const concept = (block: string, ...texts: string[]): Concept => ({
  id: block,
  name: `the ${block}`,
  block,
  off: false,
  terms: texts.map((text, at) => ({ id: `${block}${at}`, text, off: false })),
});
const [bats, lamps, empty] = [concept('bats', 'bat', 'ALAN'), concept('lamps', 'lamp*'), concept('empty')];
const blocks = [
  { id: 'x', name: 'x', text: '@bats NOT owl' },
  { id: 'y', name: 'y', text: '@x OR moth' },
  { id: 'z', name: 'z', text: 'OFF(@bats)' },
];
const describeIn = (draft: string, one = bats, has = (_: Concept, __: string) => true) =>
  describeConcept(one, { concepts: [bats, lamps, empty], blocks, draft }, DIALECTS, has);

describe('what is said of a concept', () => {
  it.each([
    ['@bats AND @lamps', 'required'],
    ['@lamps NOT @bats', 'excluded'],
    ['(@bats OR @lamps) AND x', 'or the lamps'],
    ['@lamps', 'not in the query'],
    ['title: @bats', 'in the query'],
    ['@x AND @lamps', 'in the query through @x'],
    ['@y', 'in the query through @y'],
    ['@z', 'not in the query'],
    ['OFF(@bats) AND @lamps', 'switched off in the query'],
    ['OFF(@bats) AND @x', 'in the query through @x'],
    ['@bats OR @unknown', 'or unknown'],
  ])('%s: %s', (draft, words) => {
    expect(describeIn(draft).placeWords).toBe(words);
  });

  it('names the databases with headings in which it has none', () => {
    expect(describeIn('@bats').headingWords).toBe('');
    expect(describeIn('@bats', bats, (_, database) => database !== 'gantry').headingWords).toBe(
      'no heading used yet: Gantry',
    );
    expect(describeIn('@bats', bats, () => false).headingWords).toBe(
      'no heading used yet: Heronsmere, Gantry, Northern',
    );
    expect(describeIn('@bats', empty, () => false).headingWords).toBe('');
  });

  it('knows the kind of each term', () => {
    expect([...describeIn('@bats').kinds.values()]).toEqual(['word', 'acronym']);
  });
});
