import { FIELD_PARTS } from '../../ui/field-parts';
import { formatDate } from '@angular/common';
import { listLimiters } from '#core/limiter/index';
import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { MatCheckbox } from '@angular/material/checkbox';
import { createElementKey, createReport, printReport } from '#core/check/index';
import { describeProblem, describeRemedy } from '#core/problem/index';
import type { ReviewMark } from '#core/project/index';
import { getAmount } from '../../counting/count-state';
import { describeBasis } from '../../counting/describe-count';
import { DraftCounts } from '../../counting/draft-counts';
import { writeMoment } from '../../data/clock-and-ids';
import { saveFile } from '../../data/save-file';
import { OpenProject } from '../../state/open-project';
import { DIALOG_PARTS } from '../../ui/dialog-parts';
import { formatAmount } from '../../ui/number-format';
import { QueryFindings } from '../query-findings';
import { createFileName } from '../../ui/file-name';
import { SayPipe } from '../../words/say.pipe';
import { say } from '../../words/say';

const NOTHING_SAID: ReviewMark = { isDone: false, comment: '' };

/** The report on the query by the elements of peer review: to be ticked, commented on, and taken along as a file. */
@Component({
  selector: 'app-report-dialog',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [SayPipe, DIALOG_PARTS, MatCheckbox, FIELD_PARTS],
  template: `
    <h2 mat-dialog-title>{{ 'query.reportOnTheQuery' | say }}</h2>
    <mat-dialog-content>
      @for (element of elements(); track element.id) {
        <section [attr.aria-label]="element.name">
          <h3>{{ element.name }}</h3>
          <p class="quiet">{{ 'query.lookedFor' | say: { kinds: element.looksFor.join('; ') } }}</p>
          @for (point of element.points; track point.finding.key) {
            <div class="point">
              <mat-checkbox
                [checked]="point.mark?.isDone ?? false"
                (change)="mark(point.finding.key, { isDone: $event.checked })"
                >{{ describe(point.finding.problem) }}</mat-checkbox
              >
              <mat-form-field class="inline"
                ><input
                  matInput
                  #comment
                  type="text"
                  maxlength="2000"
                  [placeholder]="'query.comment' | say"
                  [attr.aria-label]="'query.commentOn' | say: { describe: describe(point.finding.problem) }"
                  [value]="point.mark?.comment ?? ''"
                  (change)="mark(point.finding.key, { comment: comment.value.trim() })"
              /></mat-form-field>
            </div>
          } @empty {
            <p>{{ 'shared.nothingWasFound' | say }}</p>
          }
          <div class="point">
            <mat-checkbox
              [checked]="element.mark?.isDone ?? false"
              (change)="mark(elementKey(element.id), { isDone: $event.checked })"
              >{{ 'query.reviewedAsAWhole' | say }}</mat-checkbox
            >
            <mat-form-field class="inline"
              ><input
                matInput
                #whole
                type="text"
                maxlength="2000"
                [placeholder]="'query.comment' | say"
                [attr.aria-label]="'query.commentOnName' | say: { name: element.name }"
                [value]="element.mark?.comment ?? ''"
                (change)="mark(elementKey(element.id), { comment: whole.value.trim() })"
            /></mat-form-field>
          </div>
        </section>
      }
    </mat-dialog-content>
    <mat-dialog-actions align="end">
      <button mat-button type="button" (click)="save()">{{ 'shared.saveAsAFile' | say }}</button>
      <button mat-flat-button type="button" mat-dialog-close>{{ 'shared.done' | say }}</button>
    </mat-dialog-actions>
  `,
  styleUrl: './report-dialog.component.scss',
})
export class ReportDialogComponent {
  private readonly open = inject(OpenProject);
  private readonly found = inject(QueryFindings);
  private readonly counts = inject(DraftCounts);

  protected readonly elements = computed(() =>
    createReport(this.found.findings(), this.open.project().review),
  );
  protected readonly elementKey = createElementKey;

  protected describe(problem: Parameters<typeof describeProblem>[0]): string {
    return `${describeProblem(problem)} ${describeRemedy(problem)}`;
  }

  protected mark(key: string, said: Partial<ReviewMark>): void {
    const moment = writeMoment(this.open.now());
    const mark = { ...NOTHING_SAID, ...this.open.project().review[key], ...said, moment };
    const isNothing = !mark.isDone && mark.comment === '';
    this.open.change({ kind: 'mark-review', key, mark: isNothing ? undefined : mark });
  }

  protected save(): void {
    const { name, working } = this.open.project();
    const text = printReport(
      {
        name,
        question: working.question,
        draft: working.draft,
        limiters: listLimiters(working.limiters).map(({ value }) => value),
        counts: this.counts.draft().map(({ dialect, counted }) => {
          const amount = getAmount(counted.state);
          const basis = describeBasis(counted).join(', ');
          return {
            database: dialect.name,
            total: amount ? `${formatAmount(amount)}${basis ? ` (${basis})` : ''}` : say('shared.notCounted'),
            string: counted.countKey?.string ?? '',
          };
        }),
        date: formatDate(this.open.now(), 'd MMMM y', 'en'),
      },
      this.elements(),
    );
    saveFile(`${createFileName(name)}-review.md`, text, 'text/markdown');
  }
}
