import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { build, parseQuery, printQuery, withIds } from '../../query';
import { arbitraryQuery } from '../../testing/arbitraries';
import { listLeftOut } from './left-out';
import { DIALECTS, OPEN_DIALECTS, TEMPLATE_DIALECTS, findDialect } from '../profile';
import { writeQuery } from './writer';
import { Branches } from '../../testing/branches';

it.each([
  ['cardinal', 'branch: "Chiroptera" AND lamp', ['branch: "Chiroptera"'], 'wider'],
  ['heronsmere', 'keywords: (bat OR bats) AND lamp', ['keywords: (bat OR bats)'], 'wider'],
  // What would find nothing there anyway is no loss in a choice, nor in what is excluded.
  ['cardinal', '(bat OR branch: "Chiroptera") AND lamp', [], undefined],
  ['heronsmere', 'lamp AND (bat OR keywords: bats)', [], undefined],
  ['cardinal', 'lamp NOT heading: "X"', [], undefined],
  ['heronsmere', 'lamp NOT keywords: light', [], undefined],
  ['heronsmere', 'branch: "Chiroptera" AND lamp', [], undefined],
  // What its records have and nobody can search there is one.
  ['heronsmere', 'lamp NOT affiliation: kew', ['kew'], 'wider'],
  ['heronsmere', 'lamp AND affiliation: kew', ['affiliation: kew'], 'wider'],
  ['heronsmere', 'lamp OR affiliation: kew', ['kew'], 'narrower'],
  ['heronsmere', 'lamp NOT (bat OR affiliation: kew)', ['kew'], 'wider'],
  ['heronsmere', 'lamp NOT (bat AND affiliation: kew)', ['affiliation: kew'], 'narrower'],
  ['heronsmere', '(lamp OR affiliation: kew) AND keywords: light', ['kew', 'keywords: light'], 'different'],
  // A field that is searched together with others finds too much.
  ['heronsmere', 'firstauthor: moss', ['moss'], 'wider'],
  ['heronsmere', 'lamp NOT firstauthor: moss', ['moss'], 'narrower'],
])('%s goes without pieces of %s: %j, %s', (database, text, pieces, omitted) => {
  const { root } = parseQuery(text);
  const rendering = writeQuery(root, findDialect(database)!);
  expect(rendering.omitted).toBe(omitted);
  const found = listLeftOut(root, rendering);
  expect(found.map(({ node }) => printQuery(node).replace(/^affiliation: /, '')).sort()).toEqual(
    pieces.map((piece) => piece.replace(/^affiliation: /, '')).sort(),
  );
  for (const { reason } of found) expect(reason).toBeDefined();
});

describe('what a rendering lacks', () => {
  it('is said of it without looking at its nodes, in every dialect', () => {
    const branches = new Branches<'omitted'>();
    fc.assert(
      fc.property(
        arbitraryQuery,
        fc.constantFrom(...DIALECTS, ...OPEN_DIALECTS, ...TEMPLATE_DIALECTS),
        (tree, dialect) => {
          const root = withIds(tree);
          const rendering = writeQuery(root, dialect);
          if (rendering.text === '') return;
          if (!branches.take('omitted', rendering.omitted !== undefined)) return;
          expect(listLeftOut(root, rendering)).not.toEqual([]);
          expect(['different', rendering.omitted]).toContain(rendering.whole);
        },
      ),
      { numRuns: 3_000 },
    );
    expect(branches.listRare(['omitted'], 100)).toEqual([]);
  });

  it('is the same when the pieces were written before', () => {
    const dialect = findDialect('heronsmere')!;
    const [lamp, lost] = ['(lamp OR light)', 'keywords: (bat OR bats)'].map((text) => parseQuery(text).root);
    for (let turn = 0; turn < 2; turn++) {
      expect(writeQuery(build.and(lamp!, lost!), dialect).omitted).toBe('wider');
      expect(writeQuery(build.or(lamp!, lost!), dialect).omitted).toBeUndefined();
      expect(writeQuery(build.not(lamp!, build.and(lamp!, lost!)), dialect).omitted).toBe('narrower');
      expect(writeQuery(build.not(lamp!, lost!), dialect).omitted).toBeUndefined();
    }
  });
});
