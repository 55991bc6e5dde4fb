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
import { defaultKeymap, history, historyKeymap } from '@codemirror/commands';
import { bracketMatching } from '@codemirror/language';
import { lintGutter, setDiagnostics, type Diagnostic } from '@codemirror/lint';
import { EditorState, Transaction } from '@codemirror/state';
import { EditorView, keymap, placeholder } from '@codemirror/view';
import { describeInFull, applyFix, type Problem } from '#core/problem/index';
import { queryColours, setBlockHues } from './query-colours';

/** The draft as text, with colours, matching brackets and problems underlined. */
@Component({
  selector: 'app-query-editor',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: '<div #place></div>',
  styles: ':host { display: block; }',
})
export class QueryEditorComponent {
  private readonly place = viewChild.required<ElementRef<HTMLElement>>('place');
  private view: EditorView | undefined;

  readonly text = input.required<string>();
  readonly problems = input.required<readonly Problem[]>();
  /** The class of the hue of each block. */
  readonly hues = input.required<ReadonlyMap<string, string>>();
  readonly typed = output<string>();

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
    inject(DestroyRef).onDestroy(() => this.view?.destroy());
  }

  /** Puts the caret at a problem. */
  goTo(start: number, end: number): void {
    this.view?.dispatch({ selection: { anchor: start, head: end }, scrollIntoView: true });
    this.view?.focus();
  }

  private createView(): EditorView {
    const changes = EditorView.updateListener.of((update) => {
      const typed = update.transactions.some(
        (transaction) => transaction.docChanged && transaction.annotation(Transaction.remote) !== true,
      );
      if (typed) this.typed.emit(update.state.doc.toString());
    });
    const labels = EditorView.contentAttributes.of({
      'aria-label': 'The query as text',
      spellcheck: 'false',
    });
    const extensions = [
      history(),
      keymap.of([...defaultKeymap, ...historyKeymap]),
      EditorView.lineWrapping,
      bracketMatching(),
      placeholder('@concept AND @concept'),
      lintGutter(),
      queryColours,
      labels,
      changes,
    ];
    return new EditorView({
      parent: this.place().nativeElement,
      state: EditorState.create({ doc: '', extensions }),
    });
  }

  /** Takes in a text that was changed elsewhere, leaving what is the same, and the caret, in place. */
  private showText(text: string): void {
    const { view } = this;
    if (!view) return;
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
      problem.span && problem.span.end <= length ? [this.describe(problem, problem.span)] : [],
    );
    view.dispatch(setDiagnostics(view.state, diagnostics));
  }

  private describe(problem: Problem, span: { start: number; end: number }): Diagnostic {
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
