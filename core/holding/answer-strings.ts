import {
  TIME_LIMIT_SECONDS,
  RecordSet,
  countBatch,
  listSetWords,
  scoreRecords,
  type Deadline,
  type SetExpression,
} from '../collection';
import {
  TOO_SLOW,
  type CountEntry,
  type Facets,
  type IdsRequest,
  type NumberFilter,
  type SearchAnswer,
  type SearchRequest,
  type SetWordsAnswer,
  type SetWordsRequest,
  type Sort,
} from '../contract';
import type { SentLimiters } from '../dialect';
import { createProblem, describeProblem, type Outcome } from '../problem';
import type { BibliographicRecord } from '../record';
import { applyFilters, countFacets } from './count-facets';
import { createLimiterExpressions } from './limiter-expressions';
import type { Holding, StringProblem } from './holding';

/** A clock in milliseconds, handed in so that time limits can be tested. */
export type Clock = () => number;

/** Gives the time of one string: a new one each, or the same for all strings of a request. */
export type CreateDeadline = () => Deadline;

/** So long for each string, from when it is begun. */
export function allowEach(clock: Clock): CreateDeadline {
  return () => {
    const start = clock();
    return () => clock() - start > TIME_LIMIT_SECONDS * 1000;
  };
}

type Found =
  | { readonly set: RecordSet; readonly expression: SetExpression; readonly notes: readonly string[] }
  | { readonly problem: StringProblem };

/** Counts strings as the database itself would: read by its own reader, limited by its own limiters. */
export function countStrings(
  holding: Holding,
  strings: readonly string[],
  sentLimiters: SentLimiters,
  createDeadline: CreateDeadline,
): CountEntry[] {
  const readings = strings.map((text) =>
    readInTime(createDeadline, text, () => readExpression(holding, text, sentLimiters)),
  );
  const expressions = readings.flatMap((read) => ('problem' in read ? [] : [read.expression]));
  const outcomes = countBatch(holding.evaluator, expressions, createDeadline);
  return describeOutcomes(holding, readings, outcomes, (at) => strings[at] ?? '');
}

/** Counts the records that any of some strings finds, each once; one count a list. */
export function countUnions(
  holding: Holding,
  unions: readonly (readonly string[])[],
  sentLimiters: SentLimiters,
  createDeadline: CreateDeadline,
): CountEntry[] {
  const readings = unions.map((strings) =>
    readInTime(createDeadline, strings.join('\n'), () => readUnion(holding, strings, sentLimiters)),
  );
  const expressions = readings.flatMap((read) => ('problem' in read ? [] : [read.expression]));
  const outcomes = countBatch(holding.evaluator, expressions, createDeadline);
  return describeOutcomes(holding, readings, outcomes, (at) => unions[at]?.join('\n') ?? '');
}

/** A string that is reached after its time is not read any more. */
function readInTime(createDeadline: CreateDeadline, text: string, read: () => Reading): Reading {
  return createDeadline()() ? describeSlowness(text) : read();
}

/** What any of some strings finds, or why the first of them that is not taken is not. */
function readUnion(holding: Holding, strings: readonly string[], sentLimiters: SentLimiters): Reading {
  const items: SetExpression[] = [];
  const notes: string[] = [];
  for (const text of strings) {
    const read = readExpression(holding, text, sentLimiters);
    if ('problem' in read) return read;
    items.push(read.expression);
    notes.push(...read.notes);
  }
  return { expression: { kind: 'or', items }, notes };
}

type Reading =
  | { readonly expression: SetExpression; readonly notes: readonly string[] }
  | { readonly problem: StringProblem };

/** The counts in the order of what was read: those that could not be read say why. */
function describeOutcomes(
  holding: Holding,
  readings: readonly Reading[],
  outcomes: readonly Outcome<number>[],
  textOf: (at: number) => string,
): CountEntry[] {
  const counted = outcomes[Symbol.iterator]();
  return readings.map((read, at) => {
    if ('problem' in read) return read;
    const outcome = counted.next().value;
    if (!outcome) throw new Error('A batch has an outcome for each expression.');
    return outcome.ok ? describeTotal(holding, outcome.value, read.notes) : describeSlowness(textOf(at));
  });
}

/** A page of the records of a string, by their numbers. */
export interface FoundNumbers {
  readonly total: number;
  readonly estimated: boolean;
  readonly numbers: readonly number[];
  readonly facets?: Facets;
}

/** The numbers of the first records of a string, in the order asked for, with how many there are. */
export function findRecordNumbers(
  holding: Holding,
  request: SearchRequest,
  createDeadline: CreateDeadline,
): FoundNumbers | { problem: StringProblem } {
  const deadline = createDeadline();
  const found = findFiltered(holding, request, deadline);
  if ('problem' in found) return found;
  const numbers = sortRecords(holding, found, request.sort, deadline);
  if (deadline()) return describeSlowness(request.string);
  const { total, estimated } = describeTotal(holding, numbers.length, found.notes);
  return {
    total,
    estimated,
    numbers: numbers.slice(request.start, request.start + request.rows),
    ...(request.facets && {
      facets: roundFacets(holding, countFacets(holding, found.set, request.facets, deadline)),
    }),
  };
}

/** What says which records are meant. */
type Narrowed = Pick<SearchRequest, 'string' | 'further' | 'among' | 'sentLimiters' | 'filters'>;

/** The records of all strings of a request together that pass its filters. */
function findFiltered(
  holding: Holding,
  { string, further = [], among, sentLimiters, filters = [] }: Narrowed,
  deadline: Deadline,
): Found {
  const read = readUnion(holding, [string, ...further], sentLimiters);
  if ('problem' in read) return read;
  const { expression, notes } = read;
  const outcome = holding.evaluator.evaluate(applyFilters(expression, filters), deadline);
  if (!outcome.ok) return describeSlowness(string);
  const set = among ? narrowTo(outcome.value, among, holding.evaluator.index.size) : outcome.value;
  return { set, expression, notes };
}

/** The records of a set that are among some numbers, or not among them. */
function narrowTo(set: RecordSet, { numbers, leavesOut }: NumberFilter, size: number): RecordSet {
  const named = new RecordSet(size);
  for (const number of numbers) if (number < size) named.add(number);
  const left = set.clone();
  if (leavesOut) left.subtract(named);
  else left.intersect(named);
  return left;
}

/** The first records of a string, in the order asked for, where they are at hand. */
export function searchString(
  holding: Holding & { getRecord(number: number): BibliographicRecord },
  request: SearchRequest,
  createDeadline: CreateDeadline,
): SearchAnswer | { problem: StringProblem } {
  const found = findRecordNumbers(holding, request, createDeadline);
  if ('problem' in found) return found;
  const { numbers, ...answer } = found;
  return { ...answer, records: numbers.map((number) => holding.getRecord(number)) };
}

/** Counts a set that is known already, under the limiters that are sent. */
export function countSet(
  holding: Holding,
  set: RecordSet,
  sentLimiters: SentLimiters,
  notes: readonly string[],
): CountEntry {
  const limits = createLimiterExpressions(sentLimiters, holding.sentLimiters);
  const left = set.clone();
  for (const limit of limits) {
    const found = holding.evaluator.evaluate(limit);
    if (found.ok) left.intersect(found.value);
  }
  return describeTotal(holding, left.count(), notes);
}

/** The numbers of a search's records, with the total. */
export function listRecordNumbers(
  holding: Holding,
  request: IdsRequest,
  createDeadline: CreateDeadline,
): { total: number; numbers: number[] } | { problem: StringProblem } {
  const deadline = createDeadline();
  const found = findFiltered(holding, request, deadline);
  if ('problem' in found) return found;
  const numbers = request.sort ? sortRecords(holding, found, request.sort, deadline) : found.set.list();
  if (deadline()) return describeSlowness(request.string);
  return { total: numbers.length, numbers };
}

/** The words that set the records of a string apart from the others. */
export function answerSetWords(
  holding: Holding,
  { string, sentLimiters, most }: SetWordsRequest,
  createDeadline: CreateDeadline,
): SetWordsAnswer | { readonly problem: StringProblem } {
  const deadline = createDeadline();
  const found = findRecords(holding, string, sentLimiters, deadline);
  if ('problem' in found) return found;
  const words = listSetWords(holding.evaluator.index, found.set, most, deadline);
  if (deadline()) return describeSlowness(string);
  const round = (count: number): number => describeTotal(holding, count, []).total;
  return {
    total: round(found.set.count()),
    words: words.map(({ word, found: inSet, records }) => ({
      word,
      found: round(inSet),
      records: round(records),
    })),
  };
}

/** A database that gives its counts rounded gives those of facets so. */
function roundFacets(holding: Holding, facets: Facets): Facets {
  return Object.fromEntries(
    Object.entries(facets).map(([name, values]) => [
      name,
      values.map(({ value, records }) => ({ value, records: describeTotal(holding, records, []).total })),
    ]),
  );
}

function sortRecords(
  holding: Holding,
  found: { set: RecordSet; expression: SetExpression },
  wanted: Sort,
  deadline: Deadline,
): number[] {
  const { index } = holding.evaluator;
  const sort = holding.sorts.includes(wanted) ? wanted : 'relevance';
  if (sort === 'relevance')
    return sortBy(found.set, scoreRecords(index, found.expression, found.set, deadline), 'falling');
  const { column, direction } = SORT_COLUMNS[sort];
  return sortBy(found.set, index[column], direction);
}

/** The column of the index that each order goes by. */
const SORT_COLUMNS = {
  newest: { column: 'years', direction: 'falling' },
  oldest: { column: 'years', direction: 'rising' },
  cited: { column: 'timesCited', direction: 'falling' },
  title: { column: 'titleRanks', direction: 'rising' },
  author: { column: 'authorRanks', direction: 'rising' },
} as const satisfies Readonly<Record<Exclude<Sort, 'relevance'>, object>>;

/** Records by a column. What has no value there stands last either way; equals come newest first. */
function sortBy(set: RecordSet, weights: ArrayLike<number>, direction: 'rising' | 'falling'): number[] {
  const rising = (weight: number): number => (weight === 0 ? Infinity : weight);
  return direction === 'falling'
    ? set.list().sort((a, b) => weights[b]! - weights[a]! || b - a)
    : set.list().sort((a, b) => compareNumbers(rising(weights[a]!), rising(weights[b]!)) || b - a);
}

/** Less, equal or greater, for infinite numbers, too. */
function compareNumbers(one: number, other: number): number {
  return one === other ? 0 : one - other;
}

/** What the database's own reader makes of a string, under the sent limiters that it has. */
function readExpression(holding: Holding, text: string, sentLimiters: SentLimiters): Reading {
  const read = holding.read(text);
  if ('problem' in read) return read;
  const limits = createLimiterExpressions(sentLimiters, holding.sentLimiters);
  const { expression, notes } = read;
  return { expression: { kind: 'and', items: [expression, ...limits] }, notes };
}

/** The records of a string under the limiters that are sent. */
export function findRecords(
  holding: Holding,
  text: string,
  sentLimiters: SentLimiters,
  deadline: Deadline,
): Found {
  const read = readExpression(holding, text, sentLimiters);
  if ('problem' in read) return read;
  const outcome = holding.evaluator.evaluate(read.expression, deadline);
  return outcome.ok
    ? { set: outcome.value, expression: read.expression, notes: read.notes }
    : describeSlowness(text);
}

/** What is answered to a string for which there was not time enough. */
export function describeSlowness(text: string): { readonly problem: StringProblem } {
  const message = describeProblem(createProblem('query-too-slow', 'error', { seconds: TIME_LIMIT_SECONDS }));
  return { problem: { code: TOO_SLOW, at: [0, text.length], message } };
}

function describeTotal(
  { rounding }: Holding,
  count: number,
  notes: readonly string[],
): { total: number; estimated: boolean; notes: string[] } {
  if (!rounding || count <= rounding.exactUpTo) return { total: count, estimated: false, notes: [...notes] };
  const step = rounding.to === 'hundreds' ? 100 : 10 ** (String(count).length - 2);
  return { total: Math.round(count / step) * step, estimated: true, notes: [...notes, rounding.note] };
}
