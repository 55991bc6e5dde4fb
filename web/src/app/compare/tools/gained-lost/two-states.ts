import { Injectable, computed, inject, linkedSignal } from '@angular/core';
import { isSameLimiters } from '#core/limiter/index';
import { type LimitedQuery } from '#core/compare/index';
import { createSharedDraft, listSingleChanges } from '#core/compare/draft/index';
import type { Dialect } from '#core/dialect/index';
import { describeInFull, type Outcome } from '#core/problem/index';
import type { SearchState } from '#core/project/index';
import { DraftCounts } from '../../../counting/draft-counts';
import { OpenProject } from '../../../state/open-project';
import { CompareSubject } from '../../../comparing/compare-subject';
import { PartLists, type PartNumbers } from '../../parts/part-lists';
import { follow } from '../../parts/waiting';
import { say } from '../../../words/say';

/** So many changes are counted one by one. */
const MAX_COUNTED = 60;

/** The two states whose differences are shown, and their records in the database looked at. */
@Injectable()
export class TwoStates {
  private readonly subject = inject(CompareSubject);
  private readonly open = inject(OpenProject);
  private readonly draftCounts = inject(DraftCounts);
  private readonly partLists = inject(PartLists);

  /** Variants by their ids, or the draft. */
  readonly from = linkedSignal<string>(
    () => this.open.compared()?.id ?? this.open.project().variants[0]?.id ?? 'draft',
  );
  readonly to = linkedSignal<string>(() => (this.open.project().variants.length > 0 ? 'draft' : ''));
  readonly choices = computed(() => [
    ...this.open.project().variants.map(({ id, name }) => ({ id, name })),
    { id: 'draft', name: say('shared.theDraft') },
  ]);
  private readonly pair = computed<{ from: SearchState; to: SearchState } | undefined>(
    () => {
      const [from, to] = [this.findState(this.from()), this.findState(this.to())];
      return from && to ? { from, to } : undefined;
    },
    // Judging a record changes the project, not the states.
    { equal: (a, b) => a?.from === b?.from && a?.to === b?.to },
  );
  readonly questions = computed(() => {
    const pair = this.pair();
    if (!pair) return undefined;
    const ask = (state: SearchState): LimitedQuery => ({
      root: this.subject.read(state),
      limiters: state.limiters,
    });
    return { from: ask(pair.from), to: ask(pair.to) };
  });
  /** Both states, as they are asked. */
  readonly asTheyAre = computed(() => {
    const questions = this.questions();
    return questions ? [questions.from, questions.to] : [];
  });
  /** Searched for both states: what only one of them searches is neither gained nor lost. */
  readonly dialects = computed<readonly Dialect[]>(
    () => {
      const pair = this.pair();
      if (!pair) return [];
      const both = pair.to.databases.filter((id) => pair.from.databases.includes(id));
      return this.draftCounts.findDialects(both);
    },
    // The same databases are not compared anew.
    { equal: (a, b) => a.length === b.length && a.every((dialect, at) => dialect === b[at]) },
  );
  readonly onlyOne = computed(() => {
    const pair = this.pair();
    if (!pair) return '';
    const only = (a: SearchState, b: SearchState): string =>
      this.draftCounts
        .findDialects(a.databases.filter((id) => !b.databases.includes(id)))
        .map(({ name }) => name)
        .join(', ');
    const [from, to] = [only(pair.from, pair.to), only(pair.to, pair.from)];
    return [
      ...(from ? [say('compare.isSearchedForOnly', { from, what: this.nameOf(this.from()) })] : []),
      ...(to ? [say('compare.isSearchedForOnlyTo', { to, what: this.nameOf(this.to()) })] : []),
    ].join('; ');
  });
  readonly database = computed(
    () => this.dialects().find(({ id }) => id === this.subject.chosen()) ?? this.dialects()[0],
  );
  /** The two states have other limiters: no string says what only one of them finds. */
  readonly isAcrossLimiters = computed(() => {
    const pair = this.pair();
    return pair !== undefined && !isSameLimiters(pair.from.limiters, pair.to.limiters);
  });

  /** Each change made alone. */
  readonly singles = computed(() => {
    const pair = this.pair();
    if (!pair) return [];
    return listSingleChanges(pair.from, pair.to)
      .slice(0, MAX_COUNTED)
      .map((change) => ({
        change,
        question: { root: createSharedDraft(change.state), limiters: change.state.limiters },
      }));
  });

  /** The records of the parts, where the database gives them. */
  private readonly listing = follow(
    () => {
      const [questions, dialect] = [this.questions(), this.database()];
      return questions && dialect && this.from() !== this.to()
        ? { ...questions, dialect, singles: this.singles() }
        : undefined;
    },
    async ({ from, to, dialect, singles }): Promise<Outcome<PartNumbers>> =>
      this.partLists.list(from, to, dialect, singles),
  );
  readonly lists = computed(() => {
    const answer = this.listing();
    return answer.status === 'done' && answer.outcome.ok ? answer.outcome.value : undefined;
  });
  readonly listFailure = computed(() => {
    const answer = this.listing();
    return answer.status === 'done' && !answer.outcome.ok ? describeInFull(answer.outcome.problem) : '';
  });
  readonly isListing = computed(() => this.listing().status === 'waiting');

  nameOf(id: string): string {
    return this.choices().find((state) => state.id === id)?.name ?? '';
  }

  private findState(id: string): SearchState | undefined {
    if (id === 'draft') return this.open.working();
    return this.open.project().variants.find((variant) => variant.id === id)?.frozen;
  }
}
