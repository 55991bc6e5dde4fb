import { NgTemplateOutlet } from '@angular/common';
import {
  ChangeDetectionStrategy,
  Component,
  Directive,
  TemplateRef,
  computed,
  contentChildren,
  inject,
  input,
} from '@angular/core';
import type { Counted } from '../counting/count-state';
import { CountComponent } from '../records/count.component';
import { DatabaseHeadingComponent } from '../ui/database-heading.component';

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

/** What stands at the head of a line, or behind its counts as cells (`td`). */
@Directive({ selector: 'ng-template[appRowPart]' })
export class RowPartDirective<Row extends CountRow> {
  readonly appRowPart = input.required<'head' | 'end'>();
  /** The rows of the table: they tell the type of the line. */
  readonly of = input.required<readonly Row[]>();
  readonly template = inject<TemplateRef<RowContext<Row>>>(TemplateRef);

  static ngTemplateContextGuard<Row extends CountRow>(
    _directive: RowPartDirective<Row>,
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

  private readonly parts = contentChildren<RowPartDirective<Row>>(RowPartDirective);
  protected readonly head = computed(() => this.find('head'));
  protected readonly end = computed(() => this.find('end'));

  private find(which: 'head' | 'end'): TemplateRef<RowContext<Row>> | undefined {
    return this.parts().find(({ appRowPart }) => appRowPart() === which)?.template;
  }
}

/** What a view needs for such a table. */
export const COUNT_TABLE = [CountTableComponent, RowPartDirective] as const;
