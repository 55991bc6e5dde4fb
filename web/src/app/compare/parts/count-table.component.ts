import { NgTemplateOutlet } from '@angular/common';
import {
  ChangeDetectionStrategy,
  Component,
  Directive,
  TemplateRef,
  contentChild,
  inject,
  input,
} from '@angular/core';
import type { Counted } from '../../counting/count-state';
import { CountComponent } from '../../records/count.component';
import { DatabaseHeadingComponent } from '../../ui/database-heading.component';

/** What stands in a database's column: a count with what is said below it, or only words. */
export interface CountCell {
  readonly dialect: { readonly id: string; readonly name: string };
  readonly counted: Counted | undefined;
  /** What is counted, for the records that it opens and for screen readers. */
  readonly label: string;
  readonly note?: string;
  readonly warning?: string;
  /** Stands in the place of a count. */
  readonly remark?: string;
}

/** One line of counts. */
export interface CountRow {
  readonly key: string;
  readonly cells: readonly CountCell[];
  readonly isMarked?: boolean;
}

interface RowContext<Row> {
  readonly $implicit: Row;
  readonly index: number;
}

/** The head of a line: `<ng-template [appRowHead]="rows()" let-row>`; the rows only tell the type. */
@Directive({ selector: 'ng-template[appRowHead]' })
export class RowHeadDirective<Row extends CountRow> {
  readonly appRowHead = input.required<readonly Row[]>();
  readonly template = inject<TemplateRef<RowContext<Row>>>(TemplateRef);

  static ngTemplateContextGuard<Row extends CountRow>(
    _directive: RowHeadDirective<Row>,
    _context: unknown,
  ): _context is RowContext<Row> {
    return true;
  }
}

/** The cells behind the counts of a line, each a `td`. */
@Directive({ selector: 'ng-template[appRowEnd]' })
export class RowEndDirective<Row extends CountRow> {
  readonly appRowEnd = input.required<readonly Row[]>();
  readonly template = inject<TemplateRef<RowContext<Row>>>(TemplateRef);

  static ngTemplateContextGuard<Row extends CountRow>(
    _directive: RowEndDirective<Row>,
    _context: unknown,
  ): _context is RowContext<Row> {
    return true;
  }
}

/** A table with a column of counts for each database. The head of a line, and what stands at its end, are given. */
@Component({
  selector: 'app-count-table',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [CountComponent, DatabaseHeadingComponent, NgTemplateOutlet],
  templateUrl: './count-table.component.html',
  styleUrl: './tools.scss',
})
export class CountTableComponent<Row extends CountRow> {
  /** What the region is called. */
  readonly label = input.required<string>();
  readonly caption = input.required<string>();
  readonly showsCaption = input(false);
  /** The head of the first column. */
  readonly heading = input.required<string>();
  readonly dialects = input.required<readonly { readonly id: string; readonly name: string }[]>();
  readonly rows = input.required<readonly Row[]>();
  /** The heads of the columns behind the counts; hidden ones are for screen readers. */
  readonly ends = input<readonly { readonly words: string; readonly isHidden?: boolean }[]>([]);
  readonly whenEmpty = input('');
  readonly bar = input(false);
  readonly explains = input(true);

  protected readonly head = contentChild.required<RowHeadDirective<Row>>(RowHeadDirective);
  protected readonly end = contentChild<RowEndDirective<Row>>(RowEndDirective);
}

/** What a view needs for such a table. */
export const COUNT_TABLE = [CountTableComponent, RowHeadDirective, RowEndDirective] as const;
