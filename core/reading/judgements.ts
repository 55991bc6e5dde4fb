import type { Judgement, Project, Verdict } from '../project';
import { createRecordKeys, type BibliographicRecord, type RecordKeys } from '../record';

/** What a record of a database is judged to be, with what tells the same work elsewhere. */
export function createJudgement(record: BibliographicRecord, verdict: Verdict, reason?: string): Judgement {
  const { identifier, work } = createRecordKeys(record);
  return { verdict, title: record.title, ...(reason && { reason }), identifier, work };
}

/** Finds what was said of a record: of the record itself, or of the same work in another database. */
export interface FindJudgement {
  (key: string, record: BibliographicRecord): Judgement | undefined;
  /** The same for a record of which only the keys of its work are known. */
  readonly byKeys: (keys: RecordKeys) => Judgement | undefined;
}

/**
 * Makes a look-up of judgements. A record is the same work as a judged one if their identifiers are the same; if
 * one of them has none, if title, year and first author are.
 */
export function createJudgementFinder(judgements: Project['judgements']): FindJudgement {
  const byIdentifier = new Map<number, Judgement>();
  const byWork = new Map<number, Judgement>();
  for (const judgement of Object.values(judgements)) {
    if (judgement.identifier) byIdentifier.set(judgement.identifier, judgement);
    if (judgement.work) byWork.set(judgement.work, judgement);
  }
  const findByKeys = ({ identifier, work }: RecordKeys): Judgement | undefined => {
    const same = identifier === 0 ? undefined : byIdentifier.get(identifier);
    if (same) return same;
    const alike = work === 0 ? undefined : byWork.get(work);
    return alike && (identifier === 0 || !alike.identifier) ? alike : undefined;
  };
  const find = (key: string, record: BibliographicRecord): Judgement | undefined =>
    judgements[key] ?? findByKeys(createRecordKeys(record));
  return Object.assign(find, { byKeys: findByKeys });
}

/** The reasons that were given, the most frequent first: they are offered again. */
export function listReasons(judgements: Project['judgements']): string[] {
  const times = new Map<string, number>();
  for (const { reason } of Object.values(judgements))
    if (reason) times.set(reason, (times.get(reason) ?? 0) + 1);
  return [...times].sort((a, b) => b[1] - a[1] || (a[0] < b[0] ? -1 : 1)).map(([reason]) => reason);
}
