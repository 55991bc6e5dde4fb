import {
  TIME_LIMIT_SECONDS,
  scoreRecords,
  type Deadline,
  type RecordSet,
  type SetExpression,
} from '#core/collection/index';
import type { CountEntry, SearchAnswer, SearchRequest } from '#core/contract/index';
import type { Boxes } from '#core/dialect/index';
import { describeProblem, type Problem } from '#core/problem/index';
import type { StandinCollection } from './collections';
import { readStandinString, type BoxName } from './standins/standins';
import type { ServiceProblem } from './standins/string-fault';

/** A clock in milliseconds, handed in so that time limits can be tested. */
export type Clock = () => number;

type Found =
  | { readonly set: RecordSet; readonly expression: SetExpression; readonly notes: readonly string[] }
  | { readonly problem: ServiceProblem };

/** Counts strings as the database itself would: read by its own reader, limited by its own boxes. */
export function countStrings(
  collection: StandinCollection,
  strings: readonly string[],
  boxes: Boxes,
  clock: Clock,
): CountEntry[] {
  return strings.map((text) => {
    const read = readExpression(collection, text, boxes);
    if ('problem' in read) return read;
    const outcome = collection.evaluator.count(read.expression, createDeadline(clock));
    return outcome.ok
      ? describeTotal(collection, outcome.value, read.notes)
      : describeSlowness(text, outcome.problem);
  });
}

/** Counts the records that any of some strings finds, each once; one count a list. */
export function countUnions(
  collection: StandinCollection,
  unions: readonly (readonly string[])[],
  boxes: Boxes,
  clock: Clock,
): CountEntry[] {
  return unions.map((strings) => {
    const items: SetExpression[] = [];
    const notes: string[] = [];
    for (const text of strings) {
      const read = readExpression(collection, text, boxes);
      if ('problem' in read) return read;
      items.push(read.expression);
      notes.push(...read.notes);
    }
    const outcome = collection.evaluator.count({ kind: 'or', items }, createDeadline(clock));
    return outcome.ok
      ? describeTotal(collection, outcome.value, notes)
      : describeSlowness(strings.join('\n'), outcome.problem);
  });
}

/** The first records of a string, in the order asked for. */
export function searchString(
  collection: StandinCollection,
  request: SearchRequest,
  clock: Clock,
): SearchAnswer | { problem: ServiceProblem } {
  const found = findRecords(collection, request.string, request.boxes, clock);
  if ('problem' in found) return found;
  const sort = collection.standin.onlyByRelevance ? 'relevance' : request.sort;
  const numbers = sortRecords(collection, found, sort);
  const records = numbers
    .slice(request.start, request.start + request.rows)
    .map((number) => collection.getRecord(number));
  const { total, estimated } = describeTotal(collection, numbers.length, found.notes);
  return { total, estimated, records };
}

/** The numbers of a string's records, with the total. */
export function listRecordNumbers(
  collection: StandinCollection,
  text: string,
  boxes: Boxes,
  clock: Clock,
): { total: number; numbers: number[] } | { problem: ServiceProblem } {
  const found = findRecords(collection, text, boxes, clock);
  if ('problem' in found) return found;
  const numbers = found.set.list();
  return { total: numbers.length, numbers };
}

function sortRecords(
  collection: StandinCollection,
  found: { set: RecordSet; expression: SetExpression },
  sort: SearchRequest['sort'],
): number[] {
  const { index } = collection.evaluator;
  const weights: ArrayLike<number> =
    sort === 'newest' ? index.years : scoreRecords(index, found.expression, found.set);
  return found.set.list().sort((a, b) => weights[b]! - weights[a]! || b - a);
}

/** What the database's own reader makes of a string, under the boxes that it has. */
function readExpression(
  collection: StandinCollection,
  text: string,
  boxes: Boxes,
): { expression: SetExpression; notes: readonly string[] } | { readonly problem: ServiceProblem } {
  const read = readStandinString(collection.standin, text, collection.vocabulary);
  if (read.problem) return { problem: read.problem };
  const limits = createBoxExpressions(boxes, collection.standin.boxes);
  const { expression, notes } = read.value;
  return { expression: { kind: 'and', items: [expression, ...limits] }, notes };
}

function findRecords(collection: StandinCollection, text: string, boxes: Boxes, clock: Clock): Found {
  const read = readExpression(collection, text, boxes);
  if ('problem' in read) return read;
  const outcome = collection.evaluator.evaluate(read.expression, createDeadline(clock));
  return outcome.ok
    ? { set: outcome.value, expression: read.expression, notes: read.notes }
    : describeSlowness(text, outcome.problem);
}

function createDeadline(clock: Clock): Deadline {
  const start = clock();
  return () => clock() - start > TIME_LIMIT_SECONDS * 1000;
}

function describeSlowness(text: string, problem: Problem): { readonly problem: ServiceProblem } {
  return { problem: { code: 'too-slow', at: [0, text.length], message: describeProblem(problem) } };
}

/** The ticked boxes as sets; a box that the database does not have does nothing there. */
function createBoxExpressions(boxes: Boxes, known: readonly BoxName[]): SetExpression[] {
  const sets: SetExpression[] = [];
  const any = (name: string, values: readonly string[]): SetExpression => ({
    kind: 'or',
    items: values.map((value) => ({ kind: 'key', key: `${name}=${value}` })),
  });
  const { years, types = [], languages = [], peerReviewed, fullText } = boxes;
  if (known.includes('years') && years)
    sets.push({ kind: 'range', column: 'years', from: years.from ?? 1, to: years.to ?? 9999 });
  if (known.includes('types') && types.length > 0) sets.push(any('type', types));
  if (known.includes('languages') && languages.length > 0) sets.push(any('language', languages));
  if (known.includes('peerReviewed') && peerReviewed) sets.push({ kind: 'key', key: 'peer=yes' });
  if (known.includes('fullText') && fullText) sets.push({ kind: 'key', key: 'fulltext=yes' });
  return sets;
}

function describeTotal(
  { standin: { rounding } }: StandinCollection,
  count: number,
  notes: readonly string[],
): { total: number; estimated: boolean; notes: string[] } {
  if (!rounding || count <= rounding.exactUpTo) return { total: count, estimated: false, notes: [...notes] };
  const step = rounding.to === 'hundreds' ? 100 : 10 ** (String(count).length - 2);
  return { total: Math.round(count / step) * step, estimated: true, notes: [...notes, rounding.note] };
}
