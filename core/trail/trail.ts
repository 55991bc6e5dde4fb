import type { CitationDirection } from '../contract';
import { createWorkFinder } from '../reading';
import type { BibliographicRecord } from '../record';
import type { RecordKeys, SameWorkAnswers } from '../record/same-work';
import { tellWorks, type TrailStart } from './tell-works';

/** The records that one start leads to in one database. */
export interface TrailStep {
  /** The place of the start in the list of starts. */
  readonly start: number;
  readonly direction: CitationDirection;
  readonly database: string;
  readonly records: readonly BibliographicRecord[];
}

/** A citation: the start cites the work (`references`), or is cited by it. */
export interface TrailTie {
  readonly start: number;
  readonly direction: CitationDirection;
}

/** A work that a trail leads to. */
export interface TrailWork {
  /** As the first database has it that knows it. */
  readonly record: BibliographicRecord;
  readonly database: string;
  readonly keys: RecordKeys;
  /** The starts that lead to it, by their places. */
  readonly from: readonly number[];
  /** Whether it is cited by a start, cites one, or both. */
  readonly directions: readonly CitationDirection[];
  /** Each citation between it and a start. */
  readonly ties: readonly TrailTie[];
}

/**
 * The works that some steps lead to, each once however many databases have it, and without the starts themselves.
 * Those that most starts lead to come first, then those that are cited most, then the newest.
 */
export function gatherTrail(
  starts: readonly TrailStart[],
  steps: readonly TrailStep[],
  answers?: SameWorkAnswers,
): TrailWork[] {
  const met = tellWorks(starts, steps, answers);
  const gathered = new Map<number, TrailWork>();
  for (const { start, direction, database, record, keys, work } of met) {
    const known = gathered.get(work);
    const ties = known?.ties ?? [];
    const isKnown = ties.some((tie) => tie.start === start && tie.direction === direction);
    gathered.set(work, {
      record: known?.record ?? record,
      database: known?.database ?? database,
      keys: known?.keys ?? keys,
      from: [...new Set([...(known?.from ?? []), start])].sort((a, b) => a - b),
      directions: [...new Set([...(known?.directions ?? []), direction])].sort(),
      ties: isKnown ? ties : [...ties, { start, direction }],
    });
  }
  return [...gathered.values()].sort(
    (a, b) =>
      b.from.length - a.from.length ||
      countCited(b) - countCited(a) ||
      (b.record.year ?? 0) - (a.record.year ?? 0) ||
      (a.record.title < b.record.title ? -1 : 1),
  );
}

const countCited = ({ record }: TrailWork): number => record.cited?.times ?? 0;

/** Tells which works of a trail a search finds, from the keys of all that it finds. */
export function createFoundTest(found: readonly RecordKeys[]): (work: Pick<TrailWork, 'keys'>) => boolean {
  const find = createWorkFinder(Object.fromEntries(found.map((keys, at) => [String(at), keys])));
  return ({ keys }) => find('', keys) !== undefined;
}

/**
 * How many records the next step would look at, as far as the records say it: what they cite, or how often they are
 * cited. Works that several of them lead to count each time.
 */
export function measureNextStep(
  records: readonly BibliographicRecord[],
  directions: readonly CitationDirection[],
): number {
  return records.reduce(
    (sum, { references, cited }) =>
      sum +
      (directions.includes('references') ? references.length : 0) +
      (directions.includes('citedby') ? (cited?.times ?? 0) : 0),
    0,
  );
}

/** A work in a list of a trail. */
export type ListedWork = Pick<TrailWork, 'record' | 'database' | 'keys' | 'from'>;

/** The works of a trail by year, from the first to the last: all, and those that a search does not find. */
export function countTrailYears(
  works: readonly ListedWork[],
  isFound: (work: ListedWork) => boolean,
): { readonly year: number; readonly found: number; readonly others: number }[] {
  const years = works.flatMap(({ record }) => record.year ?? []);
  if (years.length === 0) return [];
  const [first, last] = [Math.min(...years), Math.max(...years)];
  const rows = Array.from({ length: last - first + 1 }, (_, at) => ({
    year: first + at,
    found: 0,
    others: 0,
  }));
  for (const work of works) {
    const row = work.record.year === undefined ? undefined : rows[work.record.year - first];
    if (row) row[isFound(work) ? 'found' : 'others']++;
  }
  return rows;
}
