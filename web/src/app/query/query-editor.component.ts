import {
  ChangeDetectionStrategy,
  Component,
  DestroyRef,
  type ElementRef,
  afterNextRender,
  effect,
  inject,
  input,
  output,
  viewChild,
} from '@angular/core';
import {
  autocompletion,
  closeBrackets,
  completionKeymap,
  type CompletionSource,
} from '@codemirror/autocomplete';
import { defaultKeymap, history, historyKeymap } from '@codemirror/commands';
import { bracketMatching } from '@codemirror/language';
import { lintGutter, setDiagnostics, type Diagnostic } from '@codemirror/lint';
import { EditorState, Transaction } from '@codemirror/state';
import { EditorView, hoverTooltip, keymap, placeholder } from '@codemirror/view';
import { describeInFull, applyFix, type Problem } from '#core/problem/index';
import type { Span } from '#core/text/index';
import { Screen } from '../ui/screen';
import { queryColours, setBlockHues, setLitSpan } from './query-colours';
import { queryFolding } from './query-folding';
import { say } from '../words/say';

/** What is said of the piece of text under the pointer: filled into an element, for as long as it is shown. */
export interface PieceDescription {
  readonly span: Span;
  readonly fill: (element: HTMLElement) => () => void;
}

/** Texts longer than this are handed on when typing rests, shorter ones with every key. */
const LONG_TEXT = 2_000;
const DRAFT_DELAY = 300;

/** The draft as text, with colours, matching brackets, folding, completion, and problems underlined. */
@Component({
  selector: 'app-query-editor',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: '<div #place></div>',
  // What changes in the text moves nothing outside of it: so a key never lays out the rows anew.
  styles: ':host { display: block; contain: layout style; }',
  host: { '(focusout)': 'flush()', '(window:pagehide)': 'flush()' },
})
export class QueryEditorComponent {
  /** Comes before the outputs: when they are gone, nothing can be handed on any more. */
  private readonly leaving = inject(DestroyRef).onDestroy(() => {
    this.flush();
    this.view?.destroy();
  });
  private readonly screen = inject(Screen);
  private readonly place = viewChild.required<ElementRef<HTMLElement>>('place');
  private view: EditorView | undefined;
  private waiting: ReturnType<typeof setTimeout> | undefined;

  readonly text = input.required<string>();
  readonly problems = input.required<readonly Problem[]>();
  /** The class of the hue of each block. */
  readonly hues = input.required<ReadonlyMap<string, string>>();
  /** The piece that the outline is at. */
  readonly lit = input<Span>();
  readonly complete = input.required<CompletionSource>();
  readonly describePiece = input.required<(at: number) => PieceDescription | undefined>();
  readonly typed = output<string>();
  /** Whether the text that is shown is newer than the one that was handed on. */
  readonly ahead = output<boolean>();
  readonly formatAsked = output();
  /** The block at the caret is to be renamed. */
  readonly renameAsked = output<number>();

  constructor() {
    afterNextRender(() => {
      this.view = this.createView();
      this.showText(this.text());
      this.showHues();
      this.showProblems();
    });
    effect(() => {
      this.showText(this.text());
    });
    effect(() => {
      this.showHues();
    });
    effect(() => {
      this.showProblems();
    });
    effect(() => {
      const lit = this.lit();
      this.view?.dispatch({ effects: setLitSpan.of(lit) });
    });
  }

  /** Puts the caret at a problem. */
  goTo(start: number, end: number): void {
    const length = this.view?.state.doc.length ?? 0;
    this.view?.dispatch({
      selection: { anchor: Math.min(start, length), head: Math.min(end, length) },
      scrollIntoView: true,
    });
    this.view?.focus();
  }

  /** Hands on what was typed last. */
  protected flush(): void {
    if (this.waiting === undefined) return;
    clearTimeout(this.waiting);
    this.waiting = undefined;
    this.ahead.emit(false);
    if (this.view) this.typed.emit(this.view.state.doc.toString());
  }

  private createView(): EditorView {
    const changes = EditorView.updateListener.of((update) => {
      const typed = update.transactions.some(
        (transaction) => transaction.docChanged && transaction.annotation(Transaction.remote) !== true,
      );
      if (typed) this.handOn(update.state.doc.length);
      // A very long line is hard to read, and slow to type in: what was pasted as one is laid out.
      const isPasted = update.transactions.some((transaction) => transaction.isUserEvent('input.paste'));
      if (isPasted && [...update.state.doc.iterLines()].some((line) => line.length > LONG_TEXT))
        setTimeout(() => this.ask(() => this.formatAsked.emit()), 0);
    });
    const labels = EditorView.contentAttributes.of({
      'aria-label': say('query.theQueryAsText'),
      spellcheck: 'false',
    });
    const own = keymap.of([
      { key: 'Shift-Alt-f', run: () => this.ask(() => this.formatAsked.emit()) },
      { key: 'F2', run: (view) => this.ask(() => this.renameAsked.emit(view.state.selection.main.head)) },
    ]);
    const extensions = [
      history(),
      own,
      keymap.of([...completionKeymap, ...defaultKeymap, ...historyKeymap]),
      EditorView.lineWrapping,
      bracketMatching(),
      closeBrackets(),
      autocompletion({ override: [(context) => this.complete()(context)], icons: false }),
      hoverTooltip((_, at) => this.describe(at), { hoverTime: 350 }),
      placeholder('@concept AND @concept'),
      lintGutter(),
      queryFolding,
      queryColours,
      labels,
      changes,
    ];
    return new EditorView({
      parent: this.place().nativeElement,
      state: EditorState.create({ doc: '', extensions }),
    });
  }

  private handOn(length: number): void {
    const goesOn = this.waiting !== undefined;
    clearTimeout(this.waiting);
    this.waiting = setTimeout(() => this.flush(), DRAFT_DELAY);
    if (length <= LONG_TEXT) this.flush();
    else if (goesOn) return;
    else this.ahead.emit(true);
    this.screen.show();
  }

  private ask(make: () => void): boolean {
    this.flush();
    make();
    return true;
  }

  private describe(at: number) {
    const piece = this.describePiece()(at);
    if (!piece) return null;
    return {
      pos: piece.span.start,
      end: piece.span.end,
      above: true,
      create: () => {
        const dom = document.createElement('div');
        dom.className = 'ewer-piece';
        const stop = piece.fill(dom);
        return { dom, destroy: stop };
      },
    };
  }

  /** Takes in a text that was changed elsewhere, leaving what is the same, and the caret, in place. */
  private showText(text: string): void {
    const { view } = this;
    if (!view || this.waiting !== undefined) return;
    const old = view.state.doc.toString();
    if (old === text) return;
    let from = 0;
    while (from < old.length && from < text.length && old[from] === text[from]) from++;
    let tail = 0;
    while (
      tail < old.length - from &&
      tail < text.length - from &&
      old[old.length - 1 - tail] === text[text.length - 1 - tail]
    )
      tail++;
    view.dispatch({
      changes: { from, to: old.length - tail, insert: text.slice(from, text.length - tail) },
      annotations: [Transaction.remote.of(true), Transaction.addToHistory.of(false)],
    });
  }

  private showHues(): void {
    const hues = this.hues();
    this.view?.dispatch({ effects: setBlockHues.of(hues) });
  }

  private showProblems(): void {
    const problems = this.problems();
    const { view } = this;
    if (!view) return;
    const length = view.state.doc.length;
    const diagnostics = problems.flatMap((problem): Diagnostic[] =>
      problem.span && problem.span.end <= length ? [this.underline(problem, problem.span)] : [],
    );
    view.dispatch(setDiagnostics(view.state, diagnostics));
  }

  private underline(problem: Problem, span: { start: number; end: number }): Diagnostic {
    const severity = problem.severity === 'note' ? 'info' : problem.severity;
    const actions = (problem.fixes ?? []).map((fix) => ({
      name: fix.label,
      apply: (view: EditorView) => this.typed.emit(applyFix(view.state.doc.toString(), fix)),
    }));
    return {
      from: span.start,
      to: span.end,
      severity,
      message: describeInFull(problem),
      actions,
    };
  }
}
