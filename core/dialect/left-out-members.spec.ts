import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { build, listNodes, parseQuery, printQuery, withIds, type QueryNode } from '../query';
import { arbitraryQuery } from '../testing/arbitraries';
import { listLeftOutMembers } from './left-out-members';
import { DIALECTS, OPEN_DIALECTS, TEMPLATE_DIALECTS, findDialect } from './profiles';
import { writeQuery } from './writer';

it.each([
  ['cardinal', 'branch: "Chiroptera" AND lamp', ['branch: "Chiroptera"']],
  ['heronsmere', 'keywords: (bat OR bats) AND lamp', ['keywords: (bat OR bats)']],
  ['cardinal', '(bat OR branch: "Chiroptera") AND lamp', []],
  ['heronsmere', 'lamp AND (bat OR keywords: bats)', []],
  ['cardinal', 'lamp NOT heading: "X"', []],
  ['heronsmere', 'branch: "Chiroptera" AND lamp', []],
])('%s goes without members of %s: %j', (database, text, wanted) => {
  const { root } = parseQuery(text);
  const left = listLeftOutMembers(root, writeQuery(root, findDialect(database)!));
  expect(left.map((node) => printQuery(node))).toEqual(wanted);
});

describe('what a rendering lacks', () => {
  it('is said of it without looking at its nodes, in every dialect', () => {
    fc.assert(
      fc.property(
        arbitraryQuery,
        fc.constantFrom(...DIALECTS, ...OPEN_DIALECTS, ...TEMPLATE_DIALECTS),
        (tree, dialect) => {
          const root = withIds(tree);
          const rendering = writeQuery(root, dialect);
          const left = listLeftOutMembers(root, rendering);
          const has = (kind: QueryNode['kind']): boolean =>
            listNodes(root).some((node) => node.kind === kind);
          // Of two words that stand near one may be left out, too: they are no group.
          if (rendering.lacks && !has('near')) expect(left).not.toEqual([]);
          // Inside what is excluded a group may be left out as a whole, its members with it.
          if (left.length > 0 && !has('not')) expect(rendering.lacks).toBe(true);
          if (rendering.lacks) expect(rendering.whole).not.toBe('same');
        },
      ),
      { numRuns: 3_000 },
    );
  });

  it('is the same when the pieces were written before', () => {
    const dialect = findDialect('heronsmere')!;
    const [lamp, lost] = ['(lamp OR light)', 'keywords: (bat OR bats)'].map((text) => parseQuery(text).root);
    for (let turn = 0; turn < 2; turn++) {
      expect(writeQuery(build.and(lamp!, lost!), dialect).lacks).toBe(true);
      expect(writeQuery(build.or(lamp!, lost!), dialect).lacks).toBeUndefined();
      expect(writeQuery(build.not(lamp!, build.and(lamp!, lost!)), dialect).lacks).toBe(true);
    }
  });
});
