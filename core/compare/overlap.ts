import { boundWorks, type Amount, type WorkBounds } from '../count';
import {
  UNKNOWN_KEYS,
  compareWorks,
  createPairKey,
  deduplicateRecords,
  readWorkSigns,
  type Deduplicated,
  type RecordKeys,
  type SameWorkAnswers,
  type SameWorkRule,
  type WorkComparison,
} from '../record/same-work';

/** What one database gives: its count, and its records' keys where it gives records. */
export interface DatabaseResult {
  readonly database: string;
  readonly amount: Amount;
  readonly keys: readonly RecordKeys[] | undefined;
}

/** One step of searching database after database. */
export interface SearchOrderStep {
  readonly database: string;
  /** The works that none before it had. */
  readonly fresh: number;
  /** All works so far. */
  readonly total: number;
}

/** A record of a work that stands more than once. */
export interface RepeatedRecord {
  readonly database: string;
  /** Its place in the keys of the database. */
  readonly place: number;
  /** By what it was told to be of the work; nothing for the first record of it. */
  readonly rule: SameWorkRule | undefined;
  /** How it agrees with the first record of the work. */
  readonly comparison: WorkComparison;
}

/** Two records of which it is not sure whether they are of one work. */
export interface DoubtfulPair {
  /** By which the answer is kept. */
  readonly key: string;
  readonly records: readonly Pick<RepeatedRecord, 'database' | 'place'>[];
  readonly comparison: WorkComparison;
}

/** How the results of several databases overlap. */
export interface Overlap {
  /** The databases that give records, in the order given. */
  readonly compared: readonly string[];
  /** Different works among them. */
  readonly works: number;
  /** Works of each: less than its records where one stands twice in it. */
  readonly worksOf: readonly number[];
  /** Works that two have both, by their places. */
  readonly shared: readonly (readonly number[])[];
  /** Works that no other one has. */
  readonly alone: readonly number[];
  /** The order that brings the most new works each time. */
  readonly order: readonly SearchOrderStep[];
  /** Records that will turn up again. */
  readonly duplicates: number;
  readonly matched: Readonly<Record<SameWorkRule, number>>;
  /** Pairs of records that are versions of one work: they count as two. */
  readonly versions: number;
  /** The databases that give numbers only. */
  readonly countsOnly: readonly string[];
  /** Between these lies the number of different works of all databases, count-only ones among them. */
  readonly bounds: WorkBounds;
}

/** The works of some results, told apart as `deduplicateRecords` does. */
export function findWorks(results: readonly DatabaseResult[], answers?: SameWorkAnswers): Deduplicated {
  return deduplicateRecords(
    listCompared(results).map(({ keys }) => keys),
    answers,
  );
}

/** What several databases have in common, record by record where that can be had, else as bounds. */
export function findOverlap(
  results: readonly DatabaseResult[],
  { works, workOf, matched, versions }: Deduplicated,
): Overlap {
  const compared = listCompared(results);
  // Which databases have a work: bit n stands for the nth of those compared.
  const holders = new Uint32Array(works);
  workOf.forEach((list, place) => list.forEach((work) => (holders[work]! |= 1 << place)));
  const size = compared.length;
  const shared = Array.from({ length: size }, () => new Array<number>(size).fill(0));
  const alone = new Array<number>(size).fill(0);
  const byHolders = countByHolders(holders);
  for (const [mask, count] of byHolders) {
    for (let a = 0; a < size; a++) {
      if ((mask & (1 << a)) === 0) continue;
      if (mask === 1 << a) alone[a]! += count;
      for (let b = 0; b < size; b++) if ((mask & (1 << b)) !== 0) shared[a]![b]! += count;
    }
  }
  const others = results.filter(({ keys }) => !keys);
  return {
    compared: compared.map(({ database }) => database),
    works,
    worksOf: shared.map((row, place) => row[place] ?? 0),
    shared,
    alone,
    order: findOrder(
      byHolders,
      compared.map(({ database }) => database),
    ),
    duplicates: compared.reduce((sum, { keys }) => sum + keys.length, 0) - works,
    matched,
    versions: versions.length,
    countsOnly: others.map(({ database }) => database),
    bounds: boundWorks(
      works,
      others.map(({ amount }) => amount),
    ),
  };
}

function listCompared(
  results: readonly DatabaseResult[],
): { readonly database: string; readonly keys: readonly RecordKeys[] }[] {
  return results.flatMap(({ database, keys }) => (keys ? [{ database, keys }] : []));
}

/**
 * The works with several records in some databases, those with most records first. Each has the rule that
 * matched its records.
 */
export function listRepeatedWorks(
  results: readonly DatabaseResult[],
  { works, workOf, ruleOf }: Deduplicated,
): RepeatedRecord[][] {
  const compared = listCompared(results);
  const counts = new Uint32Array(works);
  for (const list of workOf) for (const work of list) counts[work]!++;
  const repeated = new Map<number, RepeatedRecord[]>();
  workOf.forEach((list, at) => {
    const database = compared[at]?.database ?? '';
    list.forEach((work, place) => {
      if (counts[work]! < 2) return;
      const records = repeated.get(work) ?? [];
      repeated.set(work, records);
      const keys = compared[at]?.keys[place];
      const first = records[0] ? findKeys(compared, records[0]) : keys;
      records.push({ database, place, rule: ruleOf[at]?.[place], comparison: compareKeys(first, keys) });
    });
  });
  return [...repeated.values()].sort((a, b) => b.length - a.length);
}

/** The records that may be of one work and were not put together: a person knows better. */
export function listDoubtfulPairs(
  results: readonly DatabaseResult[],
  { doubtful }: Deduplicated,
): DoubtfulPair[] {
  const compared = listCompared(results);
  return doubtful.map((pair) => {
    const [one, other] = pair.map(({ list, place }) => compared[list]?.keys[place] ?? UNKNOWN_KEYS);
    return {
      key: createPairKey(one!, other!),
      records: pair.map(({ list, place }) => ({ database: compared[list]?.database ?? '', place })),
      comparison: compareKeys(one, other),
    };
  });
}

function findKeys(
  compared: ReturnType<typeof listCompared>,
  { database, place }: RepeatedRecord,
): RecordKeys | undefined {
  return compared.find((one) => one.database === database)?.keys[place];
}

function compareKeys(one = UNKNOWN_KEYS, other = UNKNOWN_KEYS): WorkComparison {
  return compareWorks(readWorkSigns(one.signs), readWorkSigns(other.signs));
}

function countByHolders(holders: Uint32Array): Map<number, number> {
  const counts = new Map<number, number>();
  for (const mask of holders) counts.set(mask, (counts.get(mask) ?? 0) + 1);
  return counts;
}

function findOrder(byHolders: ReadonlyMap<number, number>, databases: readonly string[]): SearchOrderStep[] {
  const steps: SearchOrderStep[] = [];
  let seen = 0;
  let total = 0;
  while (steps.length < databases.length) {
    let best = { place: -1, fresh: -1 };
    databases.forEach((_, place) => {
      if ((seen & (1 << place)) !== 0) return;
      let fresh = 0;
      for (const [mask, count] of byHolders)
        if ((mask & (1 << place)) !== 0 && (mask & seen) === 0) fresh += count;
      if (fresh > best.fresh) best = { place, fresh };
    });
    seen |= 1 << best.place;
    total += best.fresh;
    steps.push({ database: databases[best.place] ?? '', fresh: best.fresh, total });
  }
  return steps;
}
