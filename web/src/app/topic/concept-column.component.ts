import { CdkDrag, type CdkDragDrop, CdkDragHandle, CdkDropList } from '@angular/cdk/drag-drop';
import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { MatMenu, MatMenuItem, MatMenuTrigger } from '@angular/material/menu';
import { describeProblem } from '#core/problem/index';
import { getConceptLetter, type Concept, type Term } from '#core/project/index';
import { parseQuery } from '#core/query/index';
import { CountComponent } from '../ui/count.component';
import { getHueClass } from '../ui/hues';
import { IconComponent } from '../ui/icon.component';
import type { ConceptView, TermMove } from './topic-views';

/** One concept as a column: its name, its terms with their numbers, and a line to add the next. */
@Component({
  selector: 'app-concept-column',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    CdkDrag,
    CdkDragHandle,
    CdkDropList,
    MatMenu,
    MatMenuItem,
    MatMenuTrigger,
    CountComponent,
    IconComponent,
  ],
  templateUrl: './concept-column.component.html',
  styleUrl: './concept-column.component.scss',
  host: { '[class]': 'hue()', '[class.off]': 'view().concept.off' },
})
export class ConceptColumnComponent {
  readonly view = input.required<ConceptView>();
  readonly others = input.required<readonly Concept[]>();
  readonly database = input.required<string>();
  readonly renamed = output<string>();
  readonly removed = output();
  readonly switched = output<boolean>();
  /** By how many places to the right. */
  readonly movedConcept = output<number>();
  readonly typed = output<string>();
  readonly pasted = output<string>();
  readonly edited = output<{ term: Term; text: string }>();
  readonly termSwitched = output<Term>();
  readonly termRemoved = output<Term>();
  readonly termMoved = output<TermMove>();
  readonly termSent = output<{ term: Term; concept: Concept }>();
  readonly dropped = output<CdkDragDrop<Concept, Concept, Term>>();

  protected readonly hue = computed(() => getHueClass(this.view().place));
  protected readonly letter = computed(() => getConceptLetter(this.view().place));
  protected readonly isFirst = computed(() => this.view().place === 0);
  protected readonly isLast = computed(() => this.view().place === this.others().length - 1);
  protected readonly targets = computed(() =>
    this.others().filter((concept) => concept.id !== this.view().concept.id),
  );
  /** What is wrong with the text of each term, by its id. */
  protected readonly notes = computed(() => {
    const notes = new Map<string, string>();
    for (const { term } of this.view().terms) {
      const [problem] = parseQuery(term.text).problems;
      if (problem) notes.set(term.id, describeProblem(problem));
    }
    return notes;
  });

  protected commit(term: Term, field: HTMLInputElement): void {
    if (field.value !== term.text) this.edited.emit({ term, text: field.value });
  }

  protected takeKey(event: KeyboardEvent, term: Term, field: HTMLInputElement): void {
    const directions: Record<string, TermMove['direction']> = {
      ArrowUp: 'up',
      ArrowDown: 'down',
      ArrowLeft: 'left',
      ArrowRight: 'right',
    };
    const direction = directions[event.key];
    if (direction && event.altKey) {
      event.preventDefault();
      this.termMoved.emit({ term, concept: this.view().concept, direction });
    } else if (event.key === 'ArrowUp' || event.key === 'ArrowDown') {
      event.preventDefault();
      this.focusBeside(field, event.key === 'ArrowUp' ? -1 : 1);
    } else if (event.key === 'Enter') {
      this.commit(term, field);
      this.focusBeside(field, 1);
    } else if (event.key === 'Escape') {
      field.value = term.text;
    } else if ((event.ctrlKey || event.metaKey) && event.key === 'Backspace') {
      event.preventDefault();
      this.focusBeside(field, 1);
      this.termRemoved.emit(term);
    } else if ((event.ctrlKey || event.metaKey) && event.key === '.') {
      event.preventDefault();
      this.termSwitched.emit(term);
    }
  }

  protected add(field: HTMLInputElement): void {
    if (field.value.trim() === '') return;
    this.typed.emit(field.value);
    field.value = '';
  }

  protected paste(event: ClipboardEvent, field: HTMLInputElement): void {
    const text = event.clipboardData?.getData('text/plain') ?? '';
    if (field.value !== '' || !/[\n\t;,]| OR /.test(text.trim())) return;
    event.preventDefault();
    this.pasted.emit(text);
  }

  protected takeAddKey(event: KeyboardEvent, field: HTMLInputElement): void {
    if (event.key !== 'ArrowUp') return;
    event.preventDefault();
    this.focusBeside(field, -1);
  }

  /** Moves the focus among the lines of this column. */
  private focusBeside(field: HTMLInputElement, by: number): void {
    const fields = [
      ...(field.closest('app-concept-column')?.querySelectorAll<HTMLInputElement>('input.line') ?? []),
    ];
    fields[fields.indexOf(field) + by]?.focus();
  }
}
