import { nameLine, type HistoryLine } from '#core/dialect/history/index';
import { type ReadString } from '#core/dialect/read/index';
import type { Limiters } from '#core/limiter/index';
import {
  createBlockName,
  listBlockNames,
  MAX_TERMS,
  type Change,
  type Tally,
  type Working,
} from '#core/project/index';
import { build, formatQuery, mapChildren, printQuery, type QueryNode } from '#core/query/index';
import { say } from '../words/say';

/** What taking a string or a history in comes to: one step that can be undone, and counts that are kept. */
export interface StringImport {
  readonly change: Change;
  readonly tallies: readonly Tally[];
}

/** What the person said of a history. */
export interface HistoryChoices {
  /** The database that its counts were read off; nothing if they are not to be kept. */
  readonly countsOf?: string;
  /** The lines that become concepts, with their names. */
  readonly concepts: ReadonlyMap<number, string>;
}

/** What only the outside can give. */
export interface ImportSurroundings {
  readonly createId: () => string;
  /** ISO 8601, UTC. */
  readonly moment: string;
}

/** The string as the draft, with the limiters that it carried. */
export function importString(
  { root, limiters }: Pick<ReadString, 'root' | 'limiters'>,
  working: Working,
): Change {
  return {
    kind: 'compound',
    as: 'set-draft',
    changes: [
      { kind: 'rewrite-draft', text: formatQuery(root) },
      ...(isNothing(limiters) ? [] : [limitBy(limiters, working)]),
    ],
  };
}

/** True for a line that can become a concept: terms joined by OR, no more of them than a concept takes. */
export function canBeConcept({ choices }: HistoryLine): boolean {
  return choices !== undefined && choices.length <= MAX_TERMS;
}

/** A name for the concept of a line: its first term. */
export function proposeName({ choices = [], label }: HistoryLine): string {
  const [first] = choices;
  const text = first
    ? printQuery(first)
        .replace(/^[a-z,]+: /, '')
        .replace(/["*?[\]]/g, '')
    : '';
  return text.trim() === '' ? say('translate.lineWords', { label }) : text.trim();
}

/**
 * Every line of a history as a block or, where that was chosen, as a concept; the last one as the draft. Counts
 * are kept as typed in for the database that the person named.
 */
export function importHistory(
  lines: readonly HistoryLine[],
  last: HistoryLine | undefined,
  { countsOf, concepts }: HistoryChoices,
  working: Working,
  { createId, moment }: ImportSurroundings,
): StringImport {
  const taken = [...listBlockNames(working)];
  const names = new Map<string, string>();
  for (const { number } of lines) {
    const concept = concepts.get(number);
    const name =
      concept === undefined ? createFreeName(nameLine(number), taken) : createBlockName(concept, taken);
    taken.push(name);
    names.set(nameLine(number), name);
  }
  const rename = (node: QueryNode): QueryNode =>
    node.kind === 'block'
      ? { ...build.block(names.get(node.name) ?? node.name), span: node.span }
      : mapChildren(node, rename);
  const changes = lines.flatMap((line): Change[] => {
    const concept = concepts.get(line.number);
    if (concept !== undefined && line.choices) {
      const terms = line.choices.map((node) => ({ id: createId(), text: printQuery(node), off: false }));
      return [{ kind: 'add-concept', id: createId(), name: concept, terms }];
    }
    if (line === last) return [];
    const name = names.get(nameLine(line.number)) ?? '';
    return [{ kind: 'add-block', block: { id: createId(), name, text: formatQuery(rename(line.root)) } }];
  });
  if (last) {
    const isConcept = concepts.has(last.number);
    const root = isConcept ? build.block(names.get(nameLine(last.number)) ?? '') : rename(last.root);
    changes.push({ kind: 'rewrite-draft', text: formatQuery(root) });
    if (!isNothing(last.limiters)) changes.push(limitBy(last.limiters, working));
  }
  const tallies = lines.flatMap((line): Tally[] =>
    line.count === undefined || countsOf === undefined
      ? []
      : [
          {
            id: createId(),
            database: countsOf,
            string: line.text,
            limiters: line.limiters,
            moment,
            total: line.count,
            estimated: false,
            source: 'typed',
          },
        ],
  );
  return { change: { kind: 'compound', as: 'set-draft', changes }, tallies };
}

/** The limiters that a project has once a string is taken in: those of the string, and others stay as they are. */
export function mergeLimiters(limiters: Limiters, working: Working): Limiters {
  return { ...working.limiters, ...limiters };
}

function limitBy(limiters: Limiters, working: Working): Change {
  return { kind: 'set-limiters', limiters: mergeLimiters(limiters, working) };
}

function isNothing(limiters: Limiters): boolean {
  return Object.keys(limiters).length === 0;
}

function createFreeName(name: string, taken: readonly string[]): string {
  let free = name;
  for (let number = 2; taken.includes(free); number++) free = `${name}-${number}`;
  return free;
}
