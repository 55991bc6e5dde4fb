import { ChangeDetectionStrategy, Component, computed, inject, viewChild } from '@angular/core';
import { applyFix, describeProblem, describeRemedy, type Fix, type Problem } from '#core/problem/index';
import { CountStore, listWishes } from '../counting/count-store';
import { OpenProject } from '../state/open-project';
import { CountComponent } from '../ui/count.component';
import { getHueClass } from '../ui/hues';
import { shortenName } from '../ui/short-name';
import { listOutlineRows } from './outline-rows';
import { QueryEditorComponent } from './query-editor.component';

/** The draft as a counted outline and as text: both from one tree. */
@Component({
  selector: 'app-query-page',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [CountComponent, QueryEditorComponent],
  templateUrl: './query-page.component.html',
  styleUrl: './query-page.component.scss',
})
export class QueryPageComponent {
  protected readonly open = inject(OpenProject);
  private readonly counts = inject(CountStore);
  private readonly editor = viewChild(QueryEditorComponent);

  protected readonly shorten = shortenName;
  protected readonly hues = computed(
    () => new Map(this.open.concepts().map((concept, place) => [concept.block, getHueClass(place)])),
  );
  protected readonly problems = computed(() =>
    this.open.draft().problems.map((problem) => ({
      problem,
      says: describeProblem(problem),
      remedy: describeRemedy(problem),
      isError: problem.severity === 'error',
    })),
  );
  protected readonly rows = computed(() =>
    listOutlineRows(this.open.draft().root).map((row) => ({
      ...row,
      hue: row.block === undefined ? '' : (this.hues().get(row.block) ?? ''),
      cells: this.open.dialects().map((dialect) => ({
        dialect,
        counted: row.off ? undefined : this.counts.look(row.node, dialect, this.open.limiters()),
      })),
    })),
  );
  protected readonly isEmpty = computed(() => this.open.draft().root.kind === 'empty');

  constructor() {
    this.counts.follow(listWishes(() => this.rows().flatMap((row) => row.cells.map((cell) => cell.counted))));
  }

  protected type(text: string): void {
    if (text !== this.open.working().draft) this.open.change({ kind: 'set-draft', text });
  }

  protected mend(fix: Fix): void {
    this.type(applyFix(this.open.working().draft, fix));
  }

  protected goTo(problem: Problem): void {
    if (problem.span) this.editor()?.goTo(problem.span.start, problem.span.end);
  }
}
