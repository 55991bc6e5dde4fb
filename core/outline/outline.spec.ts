import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { formatQuery, isSameQuery, parseQuery, printQuery, type QueryNode } from '../query';
import { arbitraryQuery, arbitraryText } from '../testing/arbitraries';
import {
  createOutline,
  createOutlineQuery,
  duplicateItems,
  findItem,
  insertItems,
  joinItem,
  listItems,
  moveItems,
  negateItems,
  removeItems,
  replaceItem,
  setItemComments,
  setItemDatabases,
  setItemFields,
  shiftItems,
  switchItems,
  unwrapItem,
  wrapItems,
  wrapWith,
  type EditedOutline,
  type OutlineItem,
  type Path,
} from '.';
import type { Outcome } from '../problem';

const read = (text: string): OutlineItem => createOutline(parseQuery(text).root);
const show = (outcome: Outcome<EditedOutline>): string =>
  outcome.ok ? printQuery(createOutlineQuery(outcome.value.root)) : outcome.problem.code;
const parse = (text: string): QueryNode => parseQuery(text).root;

describe('the outline of a query', () => {
  it('is the query again', () => {
    fc.assert(
      fc.property(arbitraryText, (query) => {
        expect(isSameQuery(createOutlineQuery(createOutline(query)), query)).toBe(true);
      }),
      { numRuns: 500 },
    );
  });

  it('shows a chain of NOT as one group with what it takes away', () => {
    const { body } = read('a AND b NOT c NOT (d OR e)');
    expect(body.kind === 'group' && [body.join, body.members.length, body.excluded.length]).toEqual([
      'all',
      2,
      2,
    ]);
  });

  it('keeps fields, databases and being off on the row', () => {
    const { wrappers, body } = read('OFF(IN(gantry: title: (a OR b)))');
    expect(wrappers.map((wrapper) => wrapper.kind)).toEqual(['off', 'only', 'fielded']);
    expect(body.kind === 'group' && body.join).toBe('any');
  });
});

describe('edits', () => {
  const text = '@bats AND (lamp OR light) AND road NOT (battery OR club)';
  const root = read(text);

  it.each<[string, Outcome<EditedOutline>, string]>([
    [
      'insert',
      insertItems(root, { parent: [1], at: 1, isExcluded: false }, [parse('"street light"')]),
      '@bats AND (lamp OR "street light" OR light) AND road NOT (battery OR club)',
    ],
    [
      'insert excluded',
      insertItems(root, { parent: [], at: 1, isExcluded: true }, [parse('x')]),
      '@bats AND (lamp OR light) AND road NOT (battery OR club) NOT x',
    ],
    [
      'insert under a leaf',
      insertItems(root, { parent: [2], at: 0, isExcluded: false }, [parse('x')]),
      '@bats AND (lamp OR light) AND (road AND x) NOT (battery OR club)',
    ],
    [
      'replace',
      replaceItem(root, [1, 0], parse('title: lamp*')),
      '@bats AND (title: lamp* OR light) AND road NOT (battery OR club)',
    ],
    ['remove one of two', removeItems(root, [[1, 0]]), '@bats AND light AND road NOT (battery OR club)'],
    [
      'remove a whole group by its members',
      removeItems(root, [
        [1, 0],
        [1, 1],
      ]),
      '@bats AND road NOT (battery OR club)',
    ],
    ['remove what is excluded', removeItems(root, [[3]]), '@bats AND (lamp OR light) AND road'],
    ['remove all', removeItems(root, [[]]), '()'],
    [
      'move into a group',
      moveItems(root, [[2]], { parent: [1], at: 2, isExcluded: false }),
      '@bats AND (lamp OR light OR road) NOT (battery OR club)',
    ],
    [
      'move among the excluded',
      moveItems(root, [[1, 1]], { parent: [], at: 0, isExcluded: true }),
      '@bats AND lamp AND road NOT light NOT (battery OR club)',
    ],
    [
      'move into itself',
      moveItems(root, [[1]], { parent: [1], at: 0, isExcluded: false }),
      'outline-into-itself',
    ],
    ['up', shiftItems(root, [[1]], 'up'), '(lamp OR light) AND @bats AND road NOT (battery OR club)'],
    [
      'down',
      shiftItems(root, [[0], [1]], 'down'),
      'road AND @bats AND (lamp OR light) NOT (battery OR club)',
    ],
    ['up at the top', shiftItems(root, [[0]], 'up'), 'outline-nowhere'],
    ['in', shiftItems(root, [[2]], 'in'), '@bats AND (lamp OR light OR road) NOT (battery OR club)'],
    ['out', shiftItems(root, [[1, 1]], 'out'), '@bats AND lamp AND light AND road NOT (battery OR club)'],
    [
      'duplicate',
      duplicateItems(root, [[1, 0]]),
      '@bats AND (lamp OR lamp OR light) AND road NOT (battery OR club)',
    ],
    [
      'switch off',
      switchItems(root, [[1]], true),
      '@bats AND OFF(lamp OR light) AND road NOT (battery OR club)',
    ],
    ['negate', negateItems(root, [[2]]), '@bats AND (lamp OR light) NOT road NOT (battery OR club)'],
    ['negate back', negateItems(root, [[3]]), '@bats AND (lamp OR light) AND road AND (battery OR club)'],
    ['negate in a choice', negateItems(root, [[1, 0]]), 'outline-not-in-all'],
    ['negate all', negateItems(read('a AND b'), [[0], [1]]), 'outline-not-alone'],
    [
      'wrap',
      wrapItems(root, [[0], [2]], { join: 'any' }),
      '(@bats OR road) AND (lamp OR light) NOT (battery OR club)',
    ],
    ['wrap strangers', wrapItems(root, [[0], [1, 0]], { join: 'any' }), 'outline-not-siblings'],
    [
      'wrap with',
      wrapWith(root, [2], { join: 'near', distance: 3, ordered: false }, parse('hedge* OR verge*')),
      '@bats AND (lamp OR light) AND (road WITHIN 3 (hedge* OR verge*)) NOT (battery OR club)',
    ],
    ['wrap a block near', wrapWith(root, [0], { join: 'near', distance: 3 }, parse('road')), 'near-operand'],
    ['unwrap', unwrapItem(root, [1]), '@bats AND lamp AND light AND road NOT (battery OR club)'],
    [
      'unwrap what is excluded',
      unwrapItem(root, [3]),
      '@bats AND (lamp OR light) AND road NOT battery NOT club',
    ],
    [
      'join otherwise',
      joinItem(root, [1], { join: 'near', distance: 2, ordered: true }),
      '@bats AND (lamp BEFORE 2 light) AND road NOT (battery OR club)',
    ],
    ['any with something taken away', joinItem(read('a AND b NOT c'), [], { join: 'any' }), '(a OR b) NOT c'],
    [
      'fields',
      setItemFields(root, [[1]], ['title', 'abstract']),
      '@bats AND title,abstract: (lamp OR light) AND road NOT (battery OR club)',
    ],
    ['no fields', setItemFields(read('title: a AND b'), [[0]], []), 'a AND b'],
    [
      'databases',
      setItemDatabases(root, [[2]], ['gantry']),
      '@bats AND (lamp OR light) AND IN(gantry: road) NOT (battery OR club)',
    ],
    [
      'comment',
      setItemComments(root, [2], ['why']),
      '@bats AND (lamp OR light) AND // why\nroad NOT (battery OR club)',
    ],
    ['a row that is gone', removeItems(root, [[9]]), 'outline-gone'],
    ['one side of a nearness goes', removeItems(read('a WITHIN 3 b AND c'), [[0, 0]]), 'b AND c'],
  ])('%s', (_, outcome, expected) => {
    expect(show(outcome)).toBe(expected);
  });

  it('says which rows it was about', () => {
    const outcome = shiftItems(root, [[2]], 'in');
    expect(outcome.ok && outcome.value.selected).toEqual([[1, 2]]);
  });
});

/** The paths of all rows. */
function listPaths(item: OutlineItem, path: Path = []): Path[] {
  return [path, ...listItems(item).flatMap((child, at) => listPaths(child, [...path, at]))];
}

type Edit = (root: OutlineItem, pick: (turn: number) => Path, query: QueryNode) => Outcome<EditedOutline>;
const EDITS: readonly Edit[] = [
  (root, pick, query) => insertItems(root, { parent: pick(0), at: 0, isExcluded: false }, [query]),
  (root, pick, query) => insertItems(root, { parent: pick(0), at: 0, isExcluded: true }, [query]),
  (root, pick, query) => replaceItem(root, pick(0), query),
  (root, pick) => removeItems(root, [pick(0), pick(1)]),
  (root, pick) => moveItems(root, [pick(0)], { parent: pick(1), at: 1, isExcluded: false }),
  (root, pick) => moveItems(root, [pick(0)], { parent: pick(1), at: 0, isExcluded: true }),
  (root, pick) => shiftItems(root, [pick(0)], 'up'),
  (root, pick) => shiftItems(root, [pick(0)], 'down'),
  (root, pick) => shiftItems(root, [pick(0)], 'in'),
  (root, pick) => shiftItems(root, [pick(0)], 'out'),
  (root, pick) => duplicateItems(root, [pick(0)]),
  (root, pick) => switchItems(root, [pick(0), pick(1)], true),
  (root, pick) => switchItems(root, [pick(0)], false),
  (root, pick) => negateItems(root, [pick(0)]),
  (root, pick) => wrapItems(root, [pick(0), pick(1)], { join: 'any' }),
  (root, pick) => wrapItems(root, [pick(0), pick(1)], { join: 'near', distance: 3 }),
  (root, pick, query) => wrapWith(root, pick(0), { join: 'all' }, query),
  (root, pick) => unwrapItem(root, pick(0)),
  (root, pick) => joinItem(root, pick(0), { join: 'any' }),
  (root, pick) => joinItem(root, pick(0), { join: 'near', distance: 5, ordered: true }),
  (root, pick) => setItemFields(root, [pick(0)], ['title', 'abstract']),
  (root, pick) => setItemFields(root, [pick(0)], []),
  (root, pick) => setItemDatabases(root, [pick(0)], ['heronsmere']),
  (root, pick) => setItemComments(root, pick(0), ['a remark', 'and another']),
];

it('both faces agree after any 200 edits', () => {
  let refused = 0;
  let made = 0;
  fc.assert(
    fc.property(
      arbitraryText,
      fc.array(fc.tuple(fc.nat(EDITS.length - 1), fc.nat(), fc.nat(), arbitraryQuery), {
        minLength: 200,
        maxLength: 200,
      }),
      (start, edits) => {
        let root = createOutline(start);
        for (const [kind, first, second, query] of edits) {
          const paths = listPaths(root);
          // A draft that grows without end is no draft: a large one begins anew.
          if (paths.length > 60) root = createOutline(start);
          const all = listPaths(root);
          const pick = (turn: number): Path => all[(turn === 0 ? first : second) % all.length] ?? [];
          const outcome = EDITS[kind]!(root, pick, query);
          if (!outcome.ok) {
            refused++;
            continue;
          }
          made++;
          root = outcome.value.root;
          const tree = createOutlineQuery(root);
          for (const text of [printQuery(tree), formatQuery(tree)]) {
            const parsed = parseQuery(text);
            expect(isSameQuery(parsed.root, tree), text).toBe(true);
            const again = createOutline(parsed.root);
            expect(listPaths(again).join(' '), `${kind} ${text}`).toBe(listPaths(root).join(' '));
          }
          for (const path of outcome.value.selected) expect(findItem(root, path)).toBeDefined();
        }
      },
    ),
    { numRuns: 12, endOnFailure: true },
  );
  expect(made).toBeGreaterThan(refused / 4);
});
