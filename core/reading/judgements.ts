import type { Judgement, Project, Verdict } from '../project';
import { type BibliographicRecord } from '../record';
import { createRecordKeys, type RecordKeys } from '../record/same-work';

/** What a record of a database is judged to be, with what tells the same work elsewhere. */
export function createJudgement(record: BibliographicRecord, verdict: Verdict, reason?: string): Judgement {
  const { identifier, work } = createRecordKeys(record);
  return { verdict, title: record.title, ...(reason && { reason }), identifier, work };
}

/** What is kept of a work: the keys by which it is told in other databases. */
type WorkKeys = Pick<RecordKeys, 'identifier' | 'work'>;
type KeptWork = Partial<WorkKeys>;

/**
 * Finds what is kept of a record, by its key in a database (empty if that is not known) and by what tells its work:
 * of the record itself, or of the same work in another database.
 */
export type FindKept<T extends KeptWork> = (key: string, keys: WorkKeys) => T | undefined;
export type FindJudgement = FindKept<Judgement>;

/**
 * Makes a look-up of what is kept of works, such as judgements. A record is the same work as a kept one if their
 * identifiers are the same; if one of them has none, if title, year and first author are.
 */
export function createWorkFinder<T extends KeptWork>(kept: Readonly<Record<string, T>>): FindKept<T> {
  const byIdentifier = new Map<number, T>();
  const byWork = new Map<number, T>();
  for (const one of Object.values(kept)) {
    if (one.identifier) byIdentifier.set(one.identifier, one);
    if (one.work) byWork.set(one.work, one);
  }
  return (key, { identifier, work }) => {
    const own = kept[key];
    if (own) return own;
    const same = identifier === 0 ? undefined : byIdentifier.get(identifier);
    if (same) return same;
    const alike = work === 0 ? undefined : byWork.get(work);
    return alike && (identifier === 0 || !alike.identifier) ? alike : undefined;
  };
}

/** The reasons that were given, the most frequent first: they are offered again. */
export function listReasons(judgements: Project['judgements']): string[] {
  const times = new Map<string, number>();
  for (const { reason } of Object.values(judgements))
    if (reason) times.set(reason, (times.get(reason) ?? 0) + 1);
  return [...times].sort((a, b) => b[1] - a[1] || (a[0] < b[0] ? -1 : 1)).map(([reason]) => reason);
}
