import {
  nameLine,
  type Dialect,
  type HistoryLine,
  type Limiters,
  type ReadString,
} from '#core/dialect/index';
import { listBlockNames, type Change, type Tally, type Working } from '#core/project/index';
import { build, formatQuery, mapChildren, type QueryNode } from '#core/query/index';

/** What taking a string or a history in comes to: one step that can be undone, and counts that are kept. */
export interface StringImport {
  readonly change: Change;
  readonly tallies: readonly Tally[];
}

/** What only the outside can give. */
export interface ImportSurroundings {
  readonly createId: () => string;
  /** ISO 8601, UTC. */
  readonly moment: string;
}

/** The string as the draft, with the limiters that it carried. */
export function importString({ root, limiters }: ReadString, working: Working): Change {
  return {
    kind: 'mend',
    changes: [
      { kind: 'rewrite-draft', text: formatQuery(root) },
      ...(isNothing(limiters) ? [] : [limitBy(limiters, working)]),
    ],
  };
}

/** Every line of a history as a block, the last one as the draft; counts are kept as typed in. */
export function importHistory(
  lines: readonly HistoryLine[],
  last: HistoryLine | undefined,
  dialect: Dialect,
  working: Working,
  { createId, moment }: ImportSurroundings,
): StringImport {
  const taken = new Set(listBlockNames(working));
  const names = new Map(
    lines.map(({ number }) => [nameLine(number), createFreeName(nameLine(number), taken)]),
  );
  const rename = (node: QueryNode): QueryNode =>
    node.kind === 'block'
      ? { ...build.block(names.get(node.name) ?? node.name), span: node.span }
      : mapChildren(node, rename);
  const blocks = lines.filter((line) => line !== last);
  const limiters = lines.map((line) => line.limiters).find((one) => !isNothing(one));
  const changes: Change[] = blocks.map((line) => ({
    kind: 'add-block',
    block: {
      id: createId(),
      name: names.get(nameLine(line.number)) ?? '',
      text: formatQuery(rename(line.root)),
    },
  }));
  if (last) changes.push({ kind: 'rewrite-draft', text: formatQuery(rename(last.root)) });
  if (limiters) changes.push(limitBy(limiters, working));
  const tallies = lines.flatMap((line): Tally[] =>
    line.count === undefined
      ? []
      : [
          {
            id: createId(),
            database: dialect.id,
            string: line.text,
            limiters: line.limiters,
            moment,
            total: line.count,
            estimated: false,
            source: 'typed',
          },
        ],
  );
  return { change: { kind: 'mend', changes }, tallies };
}

function limitBy(limiters: Limiters, working: Working): Change {
  return { kind: 'set-limiters', limiters: { ...working.limiters, ...limiters } };
}

function isNothing(limiters: Limiters): boolean {
  return Object.keys(limiters).length === 0;
}

function createFreeName(name: string, taken: Set<string>): string {
  let free = name;
  for (let number = 2; taken.has(free); number++) free = `${name}-${number}`;
  taken.add(free);
  return free;
}
