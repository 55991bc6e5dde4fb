import { Injectable, computed, effect, inject } from '@angular/core';
import { isSameLimiters } from '#core/limiter/index';
import { isSameAmount, readKeptAmount } from '#core/count/index';
import type { KeptState, SearchState, Working } from '#core/project/index';
import { DraftCounts, type DatabaseCount } from '../counting/draft-counts';
import { makeTally } from '../counting/make-tally';
import { writeMoment } from '../data/clock-and-ids';
import { OpenProject } from '../state/open-project';

/** The draft has rested when nothing in it and no count has changed for so long. */
const TALLY_DELAY = 5_000;

/** Keeps the states and counts of a draft that rests, each once: the log is made of them. */
@Injectable()
export class RestingTallies {
  private readonly open = inject(OpenProject);
  private readonly counts = inject(DraftCounts);
  private readonly working = computed(() => this.open.maybe()?.working);

  constructor() {
    effect((onCleanup) => {
      const draft = this.counts.draft();
      // The question and the reasons are logged, too, though no count hangs on them.
      this.working();
      const timer = setTimeout(() => {
        this.keep(draft);
      }, TALLY_DELAY);
      onCleanup(() => {
        clearTimeout(timer);
      });
    });
  }

  /** Keeps where the draft rests, with the counts that the last tally of their database does not have already. */
  private keep(draft: readonly DatabaseCount[]): void {
    if (!this.open.maybe() || this.open.isTextAhead()) return;
    const { tallies, states } = this.open.project();
    const { concepts, blocks, draft: text, limiters, databases, question, reasons } = this.open.working();
    const fresh = draft.filter(({ dialect, counted: { countKey, state } }) => {
      if (!countKey || state.status !== 'counted') return false;
      const last = tallies.findLast((tally) => tally.database === dialect.id);
      return !(
        last?.string === countKey.string &&
        isSameAmount(readKeptAmount(last), state.amount) &&
        isSameLimiters(last.limiters, limiters)
      );
    });
    const state = { concepts, blocks, draft: text, limiters, databases };
    const said = { question, reasons };
    const same = states.findLast((kept) => isSameState(kept.state, state));
    const last = states.at(-1);
    const isLogged = last !== undefined && same === last && isSameSaid(last, said);
    const isNothing = states.length === 0 && fresh.length === 0 && isBlank(this.open.working());
    if (isNothing || (fresh.length === 0 && isLogged)) return;
    // A state that came back with its counts is the old one; what was said since makes a new one.
    const known = same && isSameSaid(same, said) && fresh.length > 0 ? same : undefined;
    const id = known?.id ?? this.open.createId();
    const moment = writeMoment(this.open.now());
    const place = { createId: () => this.open.createId(), moment, limiters, state: id };
    this.open.change({
      kind: 'keep-tallies',
      tallies: fresh.flatMap(({ dialect, counted }) => makeTally(dialect, counted, place)),
      ...(!known && { state: { id, state, moment, ...said } }),
    });
  }
}

/** What is cheap to compare comes first: a project may have thousands of states. */
function isSameState(a: SearchState, b: SearchState): boolean {
  return (
    a.draft === b.draft &&
    a.concepts.length === b.concepts.length &&
    a.concepts.every(({ terms }, at) => terms.length === b.concepts[at]?.terms.length) &&
    isSame(a, b)
  );
}

function isSame(a: unknown, b: unknown): boolean {
  return a === b || JSON.stringify(a) === JSON.stringify(b);
}

/** What a state of a file of before says nothing of counts as the same. */
function isSameSaid(
  { question, reasons }: KeptState,
  now: Required<Pick<KeptState, 'question' | 'reasons'>>,
): boolean {
  return (question ?? now.question) === now.question && isSame(reasons ?? now.reasons, now.reasons);
}

/** A project in which nothing was done yet. */
function isBlank({ question, concepts, draft }: Working): boolean {
  return question === '' && concepts.length === 0 && draft === '';
}
