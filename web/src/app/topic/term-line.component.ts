import {
  ChangeDetectionStrategy,
  Component,
  DestroyRef,
  computed,
  inject,
  input,
  output,
  signal,
} from '@angular/core';
import { describeProblem } from '#core/problem/index';
import { tidyTerm } from '#core/project/index';
import { parseQuery } from '#core/query/index';
import { CountComponent } from '../records/count.component';
import { Screen } from '../ui/screen';
import { TermDifferenceComponent } from './term-difference.component';
import type { Measure, TermView } from './topic-views';
import { SayPipe } from '../words/say.pipe';
import { say } from '../words/say';

/** Kinds that are shown beside the term; the others are plain to see. */
const TOLD_KINDS: ReadonlySet<string> = new Set([
  'acronym',
  'heading',
  'other language',
  'author',
  'organisation',
]);

const SCOPE_WORDS = {
  get heading() {
    return say('topic.heading');
  },
  get branch() {
    return say('topic.headingNarrower');
  },
  get focus() {
    return say('topic.headingAsMainTopic');
  },
} as const;

/** What is typed is counted when no key was pressed for so long, in ms. */
const TYPING_DELAY = 300;

/** One term: its text to be edited, what it is, and its numbers. Remarks are put in from outside. */
@Component({
  selector: 'app-term-line',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [SayPipe, CountComponent, TermDifferenceComponent],
  host: { '[class.out]': 'view().term.off', '[class.alone]': '!isSideBySide()' },
  template: `
    <div class="text">
      <input
        class="line-field line code"
        #line
        [value]="isFocused() ? (typed() ?? view().term.text) : shown()"
        [class.label]="!isFocused() && shown() !== view().term.text"
        [title]="isFocused() ? before() : view().term.text"
        [attr.data-term]="view().term.id"
        [attr.aria-label]="spoken()"
        [attr.aria-description]="remark()"
        (focus)="begin()"
        (blur)="end()"
        (input)="type(line.value)"
        (change)="commit(line)"
        (keydown)="press($event, line)"
        spellcheck="false"
        dir="auto"
      />
      <div class="under">
        @for (chip of chips(); track chip) {
          <span class="chip">{{ chip }}</span>
        }
        <ng-content />
      </div>
    </div>
    @if (isSideBySide()) {
      @for (one of view().numbers; track one.dialect.id) {
        @if (measure() === 'finds') {
          <app-count
            class="finds number"
            [counted]="isAhead() ? undefined : one.finds"
            [bar]="true"
            [label]="'topic.inText' | say: { text: view().term.text, name: one.dialect.name }"
          />
        } @else {
          <span class="only number"
            ><span class="unseen">{{ one.dialect.name }}: </span
            ><app-term-difference
              [compared]="isAhead() ? undefined : measure() === 'draft' ? one.draft : one.only"
          /></span>
        }
      }
    } @else if (view().numbers[0]; as one) {
      <app-count
        class="finds number"
        [counted]="isAhead() ? undefined : one.finds"
        [bar]="true"
        [label]="'topic.inText' | say: { text: view().term.text, name: one.dialect.name }"
      />
      <span class="only number"
        ><span class="unseen">{{
          (measure() === 'draft' ? 'topic.uniqueInTheQuery' : 'topic.uniqueInTheConcept') | say
        }}</span
        ><app-term-difference
          [compared]="isAhead() ? undefined : measure() === 'draft' ? one.draft : one.only"
      /></span>
    }
  `,
  styles: `
    :host {
      display: flex;
      gap: 4px;
    }
    .text {
      flex: 1;
      min-width: 0;
    }
    .line {
      display: block;
      width: 100%;
      padding: 0 2px;
      border: 0;
      background: none;
      color: var(--ink);
      text-overflow: ellipsis;
      line-height: 18px;
    }
    .label {
      font-family: var(--font-text);
      font-size: 14px;
    }
    .under {
      display: flex;
      gap: 6px;
      height: 14px;
      overflow: hidden;
      padding-left: 2px;
    }
    .chip {
      overflow: hidden;
      min-width: 0;
      text-overflow: ellipsis;
      color: var(--mute);
      font-size: 11.5px;
      line-height: 13px;
      white-space: nowrap;
    }
    .number {
      flex: 0 0 48px;
    }
    .only {
      color: var(--mute);
      text-align: right;
    }
    /* In a narrow window what is unique stands below what is found, so that three concepts fit. */
    @media (max-width: 1150px) {
      :host(.alone) {
        display: grid;
        grid-template-columns: minmax(0, 1fr) 50px;
        gap: 0 4px;
      }
      :host(.alone) .text {
        grid-row: 1 / span 2;
      }
      :host(.alone) .finds {
        line-height: 16px;
      }
      :host(.alone) .only {
        grid-column: 2;
        margin-top: -1px;
        font-size: 11.5px;
        line-height: 11px;
      }
    }
    :host(.out) .line {
      color: var(--mute);
      text-decoration: line-through;
    }
  `,
})
export class TermLineComponent {
  private readonly screen = inject(Screen);

  readonly view = input.required<TermView>();
  readonly measure = input.required<Measure>();
  readonly databases = input.required<readonly string[]>();
  /** What a database is called in little room, by its id. */
  readonly nameDatabase = input.required<(id: string) => string>();
  readonly committed = output<HTMLInputElement>();
  /** What was typed, when typing rests. */
  readonly rested = output<string>();
  readonly pressed = output<{ event: KeyboardEvent; field: HTMLInputElement }>();

  protected readonly isSideBySide = computed(() => this.databases().length > 1);
  /** A heading is shown by its label until it is edited. */
  protected readonly isFocused = signal(false);
  private readonly text = computed(() => this.view().term.text);
  /** What stands in the field while it is edited, which is the term's text only when typing rests. */
  protected readonly typed = signal<string | undefined>(undefined);
  private resting: ReturnType<typeof setTimeout> | undefined;
  /** The text before it was edited: Escape brings it back. */
  protected readonly before = signal('');
  /** The numbers are of another text than the one that is shown: they are marked, as if they were waited for. */
  protected readonly isAhead = computed(() => tidyTerm(this.typed() ?? this.text()) !== this.text());
  private readonly heading = computed(() => {
    const { root, problems } = parseQuery(this.text());
    return root.kind === 'heading' && problems.length === 0 ? root : undefined;
  });
  protected readonly shown = computed(() => {
    const heading = this.heading();
    if (!heading) return this.view().term.text;
    return heading.qualifier === undefined ? heading.label : `${heading.label} / ${heading.qualifier}`;
  });
  protected readonly chips = computed(() => {
    const { term, kind, marks } = this.view();
    const heading = this.heading();
    // A remark needs the room: that it is a heading is seen by its letters.
    const isCrowded = heading !== undefined && marks.length > 0 && !this.isSideBySide();
    const told =
      kind === 'heading' && heading
        ? `${this.nameThesaurus(heading.vocabulary)}${SCOPE_WORDS[heading.scope]}`
        : kind === 'other language'
          ? (term.language ?? kind)
          : kind;
    return [
      ...(TOLD_KINDS.has(kind) && !isCrowded ? [told] : []),
      ...(term.databases
        ? [
            say('shared.only', {
              databases: term.databases.map((id) => this.nameDatabase()(id)).join(', '),
            }),
          ]
        : []),
      ...(term.note !== undefined && term.note !== '' ? [say('topic.note')] : []),
    ];
  });
  protected readonly spoken = computed(() => {
    const { term, kind } = this.view();
    const scope = term.databases ? say('topic.onlyFor', { databases: term.databases.join(', ') }) : '';
    return `${kind}${scope}${term.off ? say('topic.switchedOff') : ''}`;
  });
  constructor() {
    inject(DestroyRef).onDestroy(() => clearTimeout(this.resting));
  }

  protected begin(): void {
    this.isFocused.set(true);
    this.before.set(this.text());
  }

  protected end(): void {
    clearTimeout(this.resting);
    this.isFocused.set(false);
    this.typed.set(undefined);
  }

  protected type(text: string): void {
    this.typed.set(text);
    this.screen.show();
    clearTimeout(this.resting);
    this.resting = setTimeout(() => this.rested.emit(text), TYPING_DELAY);
  }

  protected commit(field: HTMLInputElement): void {
    clearTimeout(this.resting);
    this.committed.emit(field);
  }

  /** What takes a key may put another text into the field. */
  protected press(event: KeyboardEvent, field: HTMLInputElement): void {
    if (event.key === 'Escape') {
      clearTimeout(this.resting);
      field.value = this.before();
      this.typed.set(undefined);
      this.screen.show();
      this.committed.emit(field);
    } else this.pressed.emit({ event, field });
  }

  protected readonly remark = computed(() => {
    const marks = this.view().marks.map((mark) => describeProblem(mark.problem));
    return marks.length > 0 ? marks.join(' ') : null;
  });

  /** The database whose heading it is, in short, before what it is; nothing for a heading of any. */
  private nameThesaurus(vocabulary: string | undefined): string {
    return vocabulary === undefined ? '' : `${this.nameDatabase()(vocabulary)} `;
  }
}
