import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { TEST_HEADINGS, arbitraryDocument, arbitraryQuery } from '../testing/arbitraries';
import { satisfies } from '../testing/naive-evaluator';
import { coversPattern, covers } from './covers';
import { createPattern } from './create';
import { parseQuery } from './parser';
import { createMatcher } from './pattern';
import { Branches } from '../testing/branches';

const settings = { listBranch: (label: string) => TEST_HEADINGS.listBranch(label) };
const isCovered = (narrow: string, wide: string) =>
  covers(parseQuery(wide).root, parseQuery(narrow).root, settings);

describe('a term covered by another', () => {
  it.each([
    ['sports', 'sport*'],
    ['"street light*"', 'light*'],
    ['"street lights"', '"street light*"'],
    ['"red street lights"', '"street light*"'],
    ['"street light"', 'street WITHIN 3 light'],
    ['street BEFORE 2 light', 'light WITHIN 3 street'],
    ['title: bats', 'bat*'],
    ['colour', 'colo[u]r'],
    ['colo[u]r', 'col*r'],
    ['heading: "Bats"', 'branch: "Animals"'],
    ['heading(heronsmere): "Bats"', 'heading: "Bats"'],
    ['focus: "Bats"', 'heading: "Bats"'],
    ['bat AND box', 'bat'],
    ['(bat OR bats)', 'bat*'],
  ])('%s by %s', (narrow, wide) => {
    expect(isCovered(narrow, wide)).toBe(true);
    expect(isCovered(wide, narrow)).toBe(false);
  });

  it.each([
    ['bat', 'bats'],
    ['bats', 'title: bat*'],
    ['"light street"', '"street light"'],
    ['light WITHIN 3 street', 'street BEFORE 3 light'],
    ['heading: "Animals"', 'heading: "Bats"'],
    ['heading: "Bats"', 'bats'],
    ['bat', 'bat NOT box'],
    ['IN(gantry: bats)', 'bat*'],
  ])('%s not by %s', (narrow, wide) => {
    expect(isCovered(narrow, wide)).toBe(false);
  });

  it('never says yes where a record is found by the one and not by the other', () => {
    fc.assert(
      fc.property(
        arbitraryQuery,
        arbitraryQuery,
        fc.array(arbitraryDocument(), { minLength: 6, maxLength: 6 }),
        (wide, narrow, documents) => {
          if (!covers(wide, narrow, settings)) return;
          for (const document of documents) {
            if (satisfies(document, narrow, TEST_HEADINGS))
              expect(satisfies(document, wide, TEST_HEADINGS)).toBe(true);
          }
        },
      ),
      { numRuns: 3_000 },
    );
  });

  it('is exact for patterns: it agrees with trying all short words', () => {
    const letters = ['a', 'b', 'c'];
    const words = [''];
    for (let at = 0; words[at]!.length < 5; at++) words.push(...letters.map((letter) => words[at]! + letter));
    const branches = new Branches<'covers'>();
    const sign = fc.constantFrom('a', 'b', '*', '?', '[a]');
    const pattern = fc
      .array(sign, { minLength: 1, maxLength: 4 })
      .map((signs) => createPattern(signs.join('')));
    fc.assert(
      fc.property(pattern, pattern, (wide, narrow) => {
        const [inWide, inNarrow] = [createMatcher(wide), createMatcher(narrow)];
        const expected = words.every((word) => !inNarrow(word) || inWide(word));
        // Words of up to five letters tell apart any two patterns of up to four signs, but for long gaps.
        if (branches.take('covers', coversPattern(wide, narrow))) expect(expected).toBe(true);
        else if (expected) expect(narrow.filter((part) => part.kind === 'any').length).toBeGreaterThan(0);
      }),
      { numRuns: 2_000 },
    );
    expect(branches.listRare(['covers'])).toEqual([]);
  });
});
