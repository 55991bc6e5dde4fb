import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { printQuery } from '../query';
import type { BibliographicRecord } from '../record';
import { createTestRecord } from '../testing/records';
import { compareTitles, createProbableQuery, findProbable } from './probable-work';

const WORDS = [
  'lamps',
  'hedgerow',
  'commuting',
  'luminaires',
  'activity',
  'predation',
  'underpasses',
  'detectors',
];
const createRecord = (title: string): BibliographicRecord => createTestRecord({ id: title, title });

describe('the work that is probably meant', () => {
  it('is searched by the longest words of its title, any one of them left out', () => {
    expect(printQuery(createProbableQuery('Bats and lamps on roads: a study')!)).toContain('title: lamps');
    expect(printQuery(createProbableQuery('Warm lamps near')!)).toBe(
      '(title: near AND title: warm) OR (title: lamps AND title: warm) OR (title: lamps AND title: near)',
    );
    expect(createProbableQuery('Warm lamps')).toBeUndefined();
  });

  it('is found with a letter wrong, left out, doubled or changed with the next, and no other work is taken', () => {
    const title = fc
      .uniqueArray(fc.constantFrom(...WORDS), { minLength: 4, maxLength: 6 })
      .map((words) => words.join(' '));
    fc.assert(
      fc.property(
        title,
        fc.nat(),
        fc.constantFrom('wrong', 'left-out', 'doubled', 'swapped'),
        (whole, turn, slip) => {
          const at = 1 + (turn % (whole.length - 2));
          const slipped = {
            wrong: `${whole.slice(0, at)}x${whole.slice(at + 1)}`,
            'left-out': whole.slice(0, at) + whole.slice(at + 1),
            doubled: whole.slice(0, at) + whole.charAt(at) + whole.slice(at),
            swapped: whole.slice(0, at) + whole.charAt(at + 1) + whole.charAt(at) + whole.slice(at + 2),
          }[slip];
          const other = createRecord('What owls hear near quiet motorways at dawn');
          expect(findProbable(slipped, [other, createRecord(whole)])?.title).toBe(whole);
          expect(findProbable(slipped, [other])).toBeUndefined();
        },
      ),
    );
  });

  it('may lack its subtitle, on either side', () => {
    const whole = createRecord(
      'Commuting bats avoid lit verges: evidence from a before-after study of forty sites',
    );
    expect(findProbable('Commuting bats avoid lit verges', [whole])).toBe(whole);
    expect(findProbable(whole.title, [createRecord('Commuting bats avoid lit verges')])).toBeDefined();
    expect(compareTitles('Bats', 'bats!')).toBe(1);
    expect(compareTitles('', '')).toBeCloseTo(1);
  });
});
