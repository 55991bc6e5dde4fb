import { ChangeDetectionStrategy, Component, inject, input, model, output, signal } from '@angular/core';
import { RouterLink } from '@angular/router';
import { MatButton } from '@angular/material/button';
import { MatCheckbox } from '@angular/material/checkbox';
import type { ListedWork } from '#core/trail/index';
import { writeQuery } from '#core/dialect/index';
import { createMustFindQuery } from '#core/must-finds/index';
import type { Verdict } from '#core/project/index';
import { Judging } from '../records/judging';
import { MustFindTaking } from '../records/must-find-taking';
import { Shelf } from '../records/shelf';
import { VERDICT_ROWS, findVerdict, type VerdictRow } from '../records/verdicts';
import { createStringAddress } from '../records/string-address';
import { OpenProject } from '../state/open-project';
import { VerdictButtonsComponent } from '../records/verdict-buttons.component';
import { SayPipe } from '../words/say.pipe';

/** A work with all that its row says. */
export interface TrailRow {
  readonly work: ListedWork;
  readonly key: string;
  readonly line: string;
  /** By which citations; empty for works that are alike. */
  readonly ways: string;
  /** What it shares with the works that it is like. */
  readonly shared?: string;
  /** Nothing while it is not known. */
  readonly isFound: boolean | undefined;
}

/** The works that a trail leads to, each with what leads to it and whether the draft finds it. */
@Component({
  selector: 'app-trail-table',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButton, MatCheckbox, RouterLink, SayPipe, VerdictButtonsComponent],
  templateUrl: './trail-table.component.html',
  styleUrl: './trail-table.component.scss',
})
export class TrailTableComponent {
  private readonly shelf = inject(Shelf);
  private readonly judging = inject(Judging);
  private readonly mustFinds = inject(MustFindTaking);
  private readonly open = inject(OpenProject);

  readonly caption = input.required<string>();
  readonly rows = input.required<readonly TrailRow[]>();
  /** How many works the trail starts from. */
  readonly starts = input.required<number>();
  /** How many of them a work belongs to: what the column is called. */
  readonly fromWords = input.required<string>();
  /** It is being looked up what the draft finds. */
  readonly isComparing = input.required<boolean>();
  /** The keys of the rows that are picked. */
  readonly picked = model.required<ReadonlySet<string>>();
  /** It is to be told why the draft misses a work. */
  readonly explained = output<TrailRow>();

  private readonly openKey = signal('');

  protected isOpen({ key }: TrailRow): boolean {
    return this.openKey() === key;
  }

  protected toggle({ key }: TrailRow): void {
    this.openKey.set(this.openKey() === key ? '' : key);
  }

  protected pick({ key }: TrailRow, isPicked: boolean): void {
    const keys = new Set(this.picked());
    if (isPicked) keys.add(key);
    else keys.delete(key);
    this.picked.set(keys);
  }

  protected isKept({ work }: TrailRow): boolean {
    return this.shelf.find(work.record, work.database) !== undefined;
  }

  /** What a work was judged. */
  protected verdictOf({ work: { record, database } }: TrailRow): VerdictRow | undefined {
    const verdict = this.judging.find(record, database)?.verdict;
    return VERDICT_ROWS.find(({ id }) => id === verdict);
  }

  /** A verdict that is given again is taken back. */
  protected judge(row: TrailRow, verdict: Verdict): void {
    const isGiven = this.verdictOf(row)?.id === verdict;
    this.judging.judge(row.work.record, row.work.database, isGiven ? undefined : verdict);
  }

  /** The keys of Read, at a work that has the focus. */
  protected takeKey(event: KeyboardEvent, row: TrailRow): void {
    if (event.ctrlKey || event.metaKey || event.altKey) return;
    const verdict = findVerdict(event.key);
    if (verdict) this.judge(row, verdict.id);
    else if (event.key.toLowerCase() === 's') this.keep(row);
    else if (event.key.toLowerCase() === 'm') this.addMustFind(row);
    else return;
    event.preventDefault();
  }

  /** Citations or likeness led to it, not the query: that the draft finds it proves something. */
  protected addMustFind({ work }: TrailRow): void {
    this.mustFinds.add(work.record);
  }

  /** Where the record is read with all that Read can do with it; nothing where its database cannot be asked for it. */
  protected addressOf({ work: { record, database } }: TrailRow) {
    const dialect = this.open.findDialect(database);
    const root = createMustFindQuery({ title: record.title });
    if (!dialect || !root) return undefined;
    const { parts, sentLimiters } = writeQuery(root, dialect, {});
    const [only] = parts;
    if (!only) return undefined;
    return {
      path: ['/p', this.open.project().id, 'read'],
      ...createStringAddress({ database, string: only.text, sentLimiters }, record.title),
    };
  }

  protected keep({ work: { record, database } }: TrailRow): void {
    this.shelf.toggle(record, { database, record: record.id });
  }
}
