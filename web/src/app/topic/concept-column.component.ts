import { CdkDrag, type CdkDragDrop, CdkDragHandle, CdkDropList } from '@angular/cdk/drag-drop';
import { CdkFixedSizeVirtualScroll, CdkVirtualForOf, CdkVirtualScrollViewport } from '@angular/cdk/scrolling';
import {
  DestroyRef,
  ChangeDetectionStrategy,
  Component,
  ElementRef,
  afterNextRender,
  computed,
  inject,
  input,
  output,
  signal,
  viewChild,
} from '@angular/core';
import { MatMenu, MatMenuContent, MatMenuItem, MatMenuTrigger } from '@angular/material/menu';
import type { TermMark } from '#core/compare/draft/index';
import { describeInFull } from '#core/problem/index';
import type { Concept, Term } from '#core/project/index';
import { shortenName } from '#core/text/index';
import { CountComponent } from '../records/count.component';
import { getHueClass } from '../ui/hues';
import { IconComponent } from '../ui/icon.component';
import { ConceptHeadComponent } from './concept-head.component';
import { TermLineComponent } from './term-line.component';
import type { ColumnAction, ConceptView, Measure, MoveDirection, TermView } from './topic-views';
import { SayPipe } from '../words/say.pipe';

/** The height of a line, in pixels; all lines are alike, so that long lists can be drawn in part. */
const LINE_HEIGHT = 37;
/** What stands above and below the lines of a column. */
const AROUND = 122;

/** One concept as a column: its name, its terms with their numbers, and a line to add the next. */
@Component({
  selector: 'app-concept-column',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    SayPipe,
    CdkDrag,
    CdkDragHandle,
    CdkDropList,
    CdkFixedSizeVirtualScroll,
    CdkVirtualForOf,
    CdkVirtualScrollViewport,
    MatMenu,
    MatMenuContent,
    MatMenuItem,
    MatMenuTrigger,
    CountComponent,
    IconComponent,
    ConceptHeadComponent,
    TermLineComponent,
  ],
  templateUrl: './concept-column.component.html',
  styleUrl: './concept-column.component.scss',
  host: {
    '[class]': 'hue()',
    '[class.off]': 'view().concept.off',
    '[class.ruled]': 'isRuled()',
    '[class.at-hand]': 'isAtHand()',
    '[style.--numbers]': 'databases().length',
    '[style.--column]': 'width()',
    '[class.side]': 'isSideBySide()',
    '(focusin)': 'noteFocus($event)',
  },
})
export class ConceptColumnComponent {
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef);

  readonly view = input.required<ConceptView>();
  readonly others = input.required<readonly Concept[]>();
  /** The databases whose numbers are shown: one, or several side by side. */
  readonly databases = input.required<readonly string[]>();
  /** What a database is called in little room, by its id. */
  readonly nameDatabase = input.required<(id: string) => string>();
  readonly measure = input.required<Measure>();
  readonly isByHand = input(true);
  readonly isAtHand = input(false);
  readonly looked = output<Term | undefined>();
  readonly rangeShown = output<{ start: number; end: number }>();
  readonly acted = output<ColumnAction>();

  protected readonly lineHeight = LINE_HEIGHT;
  private readonly viewport = viewChild.required(CdkVirtualScrollViewport);
  private readonly room = signal(480);
  protected readonly hue = computed(() => getHueClass(this.view().index));
  protected readonly isRuled = computed(() => this.view().index >= 8);
  protected readonly isSideBySide = computed(() => this.databases().length > 1);
  protected readonly width = computed(
    () => `${this.isSideBySide() ? 170 + 54 * this.databases().length : 248}px`,
  );
  protected readonly targets = computed(() =>
    this.others().filter((concept) => concept.id !== this.view().concept.id),
  );
  protected readonly height = computed(() =>
    Math.min(this.view().terms.length * LINE_HEIGHT, Math.max(LINE_HEIGHT * 3, this.room())),
  );

  constructor() {
    const destroyed = inject(DestroyRef);
    afterNextRender(() => {
      const parent = this.host.nativeElement.parentElement;
      const watch = new ResizeObserver(() => {
        this.room.set((parent?.clientHeight ?? 600) - AROUND);
        this.viewport().checkViewportSize();
      });
      if (parent) watch.observe(parent);
      const shown = this.viewport().renderedRangeStream.subscribe((range) => this.rangeShown.emit(range));
      destroyed.onDestroy(() => {
        watch.disconnect();
        shown.unsubscribe();
      });
    });
  }

  protected act(action: ColumnAction): void {
    this.acted.emit(action);
  }

  protected readonly trackTerm = (_: number, row: TermView): string => row.term.id;

  protected describeMark({ problem }: TermMark): string {
    return describeInFull(problem);
  }

  protected readonly shorten = shortenName;

  protected noteFocus(event: FocusEvent): void {
    const id = (event.target as HTMLElement).closest<HTMLElement>('[data-line]')?.dataset['line'];
    this.looked.emit(this.view().terms.find((row) => row.term.id === id)?.term);
  }

  protected takeKey(event: KeyboardEvent, row: TermView, line: number, field: HTMLInputElement): void {
    const { term } = row;
    const isCommand = event.ctrlKey || event.metaKey;
    const direction = DIRECTIONS[event.key];
    if (direction && event.altKey) {
      event.preventDefault();
      this.act({ kind: 'move-term', term, direction });
    } else if (event.key === 'ArrowUp' || event.key === 'ArrowDown') {
      event.preventDefault();
      this.focusBeside(field, event.key === 'ArrowUp' ? -1 : 1);
    } else if (event.key === 'Enter' && event.altKey) {
      event.preventDefault();
      this.act({ kind: 'open-term', term });
    } else if (event.key === 'Enter' && isCommand) {
      event.preventDefault();
      field.closest('[data-line]')?.querySelector<HTMLElement>('app-count button')?.click();
    } else if (event.key === 'Enter') {
      this.commit(term, field);
      this.focusBeside(field, 1);
    } else if (event.key === 'Tab') {
      this.commit(term, field);
      this.act({ kind: 'step', line, by: event.shiftKey ? -1 : 1, event });
    } else if (event.altKey && event.key === 'Delete') {
      event.preventDefault();
      this.focusBeside(field, 1);
      this.act({ kind: 'remove-term', term });
    } else if (isCommand && event.key === '.') {
      event.preventDefault();
      this.act({ kind: 'switch-term', term });
    } else if (event.altKey && event.shiftKey && event.code === 'KeyE') {
      event.preventDefault();
      this.act({ kind: 'open-endings', term });
    }
  }

  protected commit(term: Term, field: HTMLInputElement): void {
    if (field.value !== term.text) this.act({ kind: 'edit-term', term, text: field.value });
  }

  protected add(field: HTMLInputElement): void {
    if (field.value.trim() === '') return;
    this.act({ kind: 'add', text: field.value });
    field.value = '';
  }

  protected paste(event: ClipboardEvent, field: HTMLInputElement): void {
    const text = event.clipboardData?.getData('text/plain') ?? '';
    if (field.value !== '' || !/[\n\t;,]| OR /.test(text.trim())) return;
    event.preventDefault();
    this.act({ kind: 'paste', text });
  }

  protected takeAddKey(event: KeyboardEvent, field: HTMLInputElement): void {
    if (event.key === 'ArrowUp') {
      event.preventDefault();
      this.focusBeside(field, -1);
    } else if (event.key === 'Tab') {
      this.add(field);
      const line = Math.max(this.view().terms.length, 1_000);
      this.act({ kind: 'step', line, by: event.shiftKey ? -1 : 1, event });
    }
  }

  protected drop(event: CdkDragDrop<Concept, Concept, Term>): void {
    this.act({ kind: 'drop', event, first: this.viewport().getRenderedRange().start });
  }

  /** Moves the focus among the lines of this column. */
  private focusBeside(field: HTMLInputElement, by: number): void {
    const fields = [...this.host.nativeElement.querySelectorAll<HTMLInputElement>('input.line')];
    fields[fields.indexOf(field) + by]?.focus();
  }
}

const DIRECTIONS: Readonly<Record<string, MoveDirection>> = {
  ArrowUp: 'up',
  ArrowDown: 'down',
  ArrowLeft: 'left',
  ArrowRight: 'right',
};
