import { Injectable, computed, inject } from '@angular/core';
import { createJudgementKey } from '#core/compare/index';
import type { Judgement, Verdict } from '#core/project/index';
import { createJudgement, createWorkFinder } from '#core/reading/index';
import type { BibliographicRecord } from '#core/record/index';
import { createRecordKeys } from '#core/record/same-work/index';
import { writeMoment } from '../data/clock-and-ids';
import { OpenProject } from '../state/open-project';

/** Judges works: a work has one judgement, whichever database its record is from. */
@Injectable({ providedIn: 'root' })
export class Judging {
  private readonly open = inject(OpenProject);
  /** Finds a judgement by the key of the record and by what tells its work. */
  readonly finder = computed(() => createWorkFinder(this.open.project().judgements));

  /** What a work was judged, in this database or another one. */
  find(record: BibliographicRecord, database: string): Judgement | undefined {
    return this.finder()(createJudgementKey(database, record.id), createRecordKeys(record));
  }

  /** Judges a work, or takes its judgement back; where it was judged in another database, that one changes. */
  judge(record: BibliographicRecord, database: string, verdict: Verdict | undefined, reason?: string): void {
    const known = this.find(record, database);
    const [key = createJudgementKey(database, record.id)] =
      Object.entries(this.open.project().judgements).find(([, judgement]) => judgement === known) ?? [];
    const judgement = verdict && {
      ...createJudgement(record, verdict, reason),
      moment: writeMoment(this.open.now()),
    };
    this.open.change({ kind: 'judge-record', record: key, judgement });
  }
}
