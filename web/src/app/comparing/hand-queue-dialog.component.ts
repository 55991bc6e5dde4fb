import { FIELD_PARTS } from '../ui/field-parts';
import {
  ChangeDetectionStrategy,
  Component,
  type ElementRef,
  computed,
  inject,
  signal,
  type Signal,
  viewChild,
} from '@angular/core';
import { MAT_DIALOG_DATA } from '@angular/material/dialog';
import { createAmount } from '#core/count/index';
import type { HandStep } from '#core/dialect/index';
import { describeInFull } from '#core/problem/index';
import { readResultsColumn, readResultsLine } from '#core/tally/index';
import { TypedCounts } from '../counting/typed-counts';
import type { Counted } from '../counting/count-state';
import { OpenProject } from '../state/open-project';
import { DIALOG_PARTS } from '../ui/dialog-parts';
import { formatAmount } from '../ui/number-format';
import { TextClipboard } from '../data/text-clipboard';
import { SayPipe } from '../words/say.pipe';
import { say } from '../words/say';

/** Whose counts are typed in. */
export interface HandQueueDialogData {
  readonly title: string;
  readonly counted: Signal<readonly (Counted | undefined)[]>;
}

/**
 * The strings that only a person can count, the shortest first: copy one, paste its number or its whole
 * results line, and the next one is there; with keys alone. What is typed stays, so it can be left and
 * come back to on another day.
 */
@Component({
  selector: 'app-hand-queue-dialog',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [SayPipe, DIALOG_PARTS, FIELD_PARTS],
  template: `
    <h2 mat-dialog-title>{{ 'compare.countByHand' | say: { title: data.title } }}</h2>
    <mat-dialog-content>
      @if (current(); as item) {
        <p>
          <b>{{ open().length }}</b> {{ 'compare.leftSearchThisIn' | say }} <b>{{ item.name }}</b>{{
            item.steps ? ('compare.with' | say: { steps: item.steps }) : ''
          }}{{ item.missing ? ('compare.itHasNoLimiterFor' | say: { missing: item.missing }) : '' }}:
        </p>
        <p class="code string" tabindex="0" data-testid="hand-string">{{ item.string }}</p>
        <p class="row">
          <button mat-stroked-button type="button" (click)="copy(item.string)">
            {{ 'compare.copyTheString' | say }}
          </button>
          <span class="quiet" aria-live="polite">{{
            copied() === item.string ? ('compare.copied' | say) : ''
          }}</span>
        </p>
        <mat-form-field class="wide"
          ><mat-label>{{ 'compare.theNumberTheWholeResults' | say }}</mat-label
          ><textarea
            matInput
            #field
            rows="2"
            cdkFocusInitial
            [value]="typed()"
            (input)="typed.set(field.value)"
            (keydown.enter)="$event.preventDefault(); keep()"
          ></textarea>
        </mat-form-field>
        <p class="quiet" aria-live="polite" [class.warn]="reading().isUnclear">{{ reading().words }}</p>
        <p class="row">
          <button mat-flat-button type="button" [disabled]="reading().totals.length === 0" (click)="keep()">
            {{ 'compare.saveAndNext' | say }}
          </button>
          <button mat-button type="button" (click)="skip(item.key)">{{ 'compare.later' | say }}</button>
        </p>
      } @else {
        <p role="status">{{ 'compare.nothingIsLeftToCount' | say }}</p>
      }
    </mat-dialog-content>
    <mat-dialog-actions align="end">
      <button mat-button type="button" mat-dialog-close>{{ 'compare.closeYourNumbersAreKept' | say }}</button>
    </mat-dialog-actions>
  `,
  styles: `
    .string {
      padding: 8px 10px;
      border: 1px solid var(--rule);
      border-radius: 6px;
      max-height: 160px;
      overflow: auto;
      overflow-wrap: anywhere;
    }
    .row {
      display: flex;
      align-items: center;
      gap: 12px;
      margin: 8px 0;
    }
    .warn {
      color: var(--warn);
    }
  `,
})
export class HandQueueDialogComponent {
  private readonly clipboard = inject(TextClipboard);
  private readonly project = inject(OpenProject);
  private readonly typedCounts = inject(TypedCounts);
  protected readonly data = inject<HandQueueDialogData>(MAT_DIALOG_DATA);
  protected readonly typed = signal('');
  protected readonly copied = signal('');
  private readonly skipped = signal<readonly string[]>([]);
  private readonly field = viewChild<ElementRef<HTMLTextAreaElement>>('field');

  /** Each string once, the shortest first; those put off come last. */
  protected readonly open = computed(() => {
    const items = this.data.counted().flatMap((one) => {
      if (!one?.byHand || one.state.status === 'counted') return [];
      const { database, string } = one.byHand;
      const { limiters } = one.byHand;
      return [
        {
          key: `${database} ${string} ${JSON.stringify(limiters)}`,
          database,
          string,
          limiters,
          name: this.project.findDialect(database)?.name ?? database,
          ...describeSteps(one.rendering.steps),
        },
      ];
    });
    const unique = [...new Map(items.map((item) => [item.key, item])).values()];
    const place = (key: string): number => this.skipped().indexOf(key);
    return unique.sort((a, b) => place(a.key) - place(b.key) || a.string.length - b.string.length);
  });
  protected readonly current = computed(() => this.open()[0]);
  /** What is understood of what was pasted. */
  protected readonly reading = computed(() => {
    const text = this.typed();
    if (text.trim() === '') return { words: '', totals: [], isUnclear: false };
    const lines = readResultsColumn(text);
    const column = lines.map(({ read }) => read);
    const all = lines.length > 1 && column.every(({ ok }) => ok) ? column : [readResultsLine(text)];
    const failed = all.find(({ ok }) => !ok);
    if (failed && !failed.ok) return { words: describeInFull(failed.problem), totals: [], isUnclear: true };
    const totals = all.flatMap((read) => (read.ok ? [read.value] : []));
    const words = totals
      .map(({ total, estimated }) => formatAmount(createAmount(total, estimated)))
      .join(', ');
    return { words: say('compare.understoodAs', { words }), totals, isUnclear: false };
  });

  protected copy(string: string): void {
    if (this.clipboard.copy(string)) this.copied.set(string);
  }

  /** Keeps the number, or each of a column for the string in its turn. */
  protected keep(): void {
    const { totals } = this.reading();
    const items = this.open().slice(0, totals.length);
    if (totals.length === 0) return;
    items.forEach(({ database, string, limiters }, at) => {
      const read = totals[at];
      if (read) this.typedCounts.type(database, string, limiters, read.total, read.estimated);
    });
    this.goOn();
  }

  protected skip(key: string): void {
    this.skipped.update((keys) => [...keys.filter((other) => other !== key), key]);
    this.goOn();
  }

  /** The next number is typed where this one was. */
  private goOn(): void {
    this.typed.set('');
    this.field()?.nativeElement.focus();
  }
}

/** What is to be set on the database's page, and what it does not have. */
function describeSteps(steps: readonly HandStep[]): { readonly steps: string; readonly missing: string } {
  const list = (isMissing: boolean): string =>
    steps
      .filter(({ how }) => (how === 'none') === isMissing)
      .map(({ value }) => value)
      .join(', ');
  return { steps: list(false), missing: list(true) };
}
