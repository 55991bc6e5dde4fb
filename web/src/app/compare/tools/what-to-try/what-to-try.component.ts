import { MatButton } from '@angular/material/button';
import { MatChipListbox, MatChipOption } from '@angular/material/chips';
import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import {
  describeProposal,
  listProposals,
  rankProposals,
  type LimitedQuery,
  type ProposedChange,
  type ProposalCounts,
} from '#core/compare/index';
import { MAX_GOOD_WORKS, createWantedQuery } from '#core/must-finds/index';
import { PURPOSE_ROWS } from '#core/question/index';
import { findObstacle, getAmount, getExact, isNone, isOfSomethingElse, type Amount } from '#core/count/index';
import { shortenName } from '#core/text/index';
import { describeLimiterGap } from '../../../counting/describe-count';
import { readCount } from '../../../counting/read-count';
import type { Counted } from '../../../counting/count-state';
import { OpenProject } from '../../../state/open-project';
import { ChoiceRowComponent } from '../../../ui/choice-row.component';
import { CompareSubject } from '../../../comparing/compare-subject';
import { COUNT_TABLE, type CountCell } from '../../../comparing/count-table.component';
import { Alternatives } from '../../../comparing/alternatives';
import { KeptChoices } from '../../kept-choices';
import { CountingBarComponent } from '../../../comparing/counting-bar.component';
import { OfferedTerms } from '../../../comparing/offered-terms';
import { mapSliced } from '../../../comparing/sliced';
import { SayPipe } from '../../../words/say.pipe';
import { say } from '../../../words/say';

/** So many of the best are shown first. */
const FIRST_SHOWN = 12;

/** What to change next: every change tried for real, the ones that help ranked by what the project is for. */
@Component({
  selector: 'app-what-to-try',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    SayPipe,
    COUNT_TABLE,
    ChoiceRowComponent,
    CountingBarComponent,
    MatButton,
    MatChipListbox,
    MatChipOption,
  ],
  providers: [OfferedTerms],
  templateUrl: './what-to-try.component.html',
  styleUrl: '../../../comparing/tools.scss',
})
export class WhatToTryComponent {
  protected readonly subject = inject(CompareSubject);
  protected readonly open = inject(OpenProject);
  private readonly alternatives = inject(Alternatives);
  private readonly offered = inject(OfferedTerms);
  protected readonly choices = inject(KeptChoices);

  protected readonly showsAll = signal(false);
  protected readonly towards = signal('both');
  protected readonly directions = [
    { id: 'both', name: say('compare.allThatHelp') },
    { id: 'fewer', name: say('compare.fewerRecords') },
    { id: 'more', name: say('compare.moreRecords') },
  ];
  private readonly thisYear = new Date(this.open.now()).getUTCFullYear();
  protected readonly purpose = computed(() =>
    PURPOSE_ROWS.find(({ id }) => id === this.open.working().purpose),
  );
  private readonly bands = computed(() =>
    this.subject.dialects().map(({ id }) => this.open.working().bands[id] ?? {}),
  );
  protected readonly hasBands = computed(() =>
    this.bands().some(({ from, to }) => from !== undefined || to !== undefined),
  );

  private readonly draft = computed(() =>
    this.subject.dialects().map((dialect) => this.subject.lookWhole(dialect)),
  );
  private readonly whole = computed(() => this.look(this.ask(this.subject.whole())));
  /** The concepts that can be locked: more than one, or nothing would be left to change. */
  protected readonly concepts = computed(() => {
    const concepts = this.subject.state().concepts.filter(({ off }) => !off);
    return concepts.length > 1 ? concepts : [];
  });
  protected readonly locked = computed(() => [...this.choices.lockedConcepts()]);
  private readonly listed = computed(() =>
    listProposals(this.subject.project(), this.thisYear, this.offered.terms(), this.choices.lockedConcepts()),
  );
  /** All good works, whatever the query finds: how many of them a database has. */
  private readonly there = computed(() => {
    const works = this.alternatives.goodWorks();
    if (works.length === 0) return [];
    const root = this.subject.share(createWantedQuery(works));
    return this.subject.dialects().map((dialect) => this.subject.look({ root, limiters: {} }, dialect));
  });
  /** What the good works are, and how many of them the draft finds in each database. */
  protected readonly good = computed(() => {
    const count = this.alternatives.goodWorks().length;
    if (count === 0) return undefined;
    const isWaiting = [...this.there(), ...this.whole().recalls].some(
      (counted) => readCount(counted).status === 'pending',
    );
    const databases = this.subject.dialects().flatMap((dialect, at) => {
      const good = this.countGood(this.whole().counts.found[at], at);
      return good
        ? [
            say('compare.inDatabaseOf', {
              database: shortenName(dialect),
              found: good.found,
              there: good.there,
            }),
          ]
        : [];
    });
    return say(count === MAX_GOOD_WORKS ? 'compare.goodWorksTheFirst' : 'compare.goodWorks', {
      count,
      databases: databases.join(', ') || (isWaiting ? '…' : say('compare.inNoDatabase')),
    });
  });
  private readonly proposals = mapSliced(this.listed, (proposal) => {
    const question = this.alternatives.ask(this.subject.project(), proposal.change);
    return question && { proposal, asked: this.ask(question) };
  });
  private readonly looked = computed(() =>
    this.proposals().made.map(({ proposal, asked }) => ({ proposal, ...this.look(asked) })),
  );
  protected readonly asked = computed(() => [
    ...this.whole().cells,
    ...this.whole().recalls,
    ...this.there(),
    ...this.looked().flatMap(({ cells, recalls }) => [...cells, ...recalls]),
  ]);
  /** Some database finds nothing: that is too little, whatever the band. */
  protected readonly findsNothing = computed(() => this.whole().counts.amounts.some(isNone));
  protected readonly tried = computed(
    () =>
      this.looked().filter(({ cells }) => cells.every((counted) => readCount(counted).status !== 'pending'))
        .length,
  );
  /** A change that cannot be made to this project is none to try. */
  protected readonly all = computed(() =>
    this.proposals().isDone ? this.proposals().made.length : this.listed().length,
  );

  protected readonly ranked = computed(() => {
    const draft = this.whole().counts;
    const bands = this.bands();
    const dialects = this.subject.dialects();
    const ranked = rankProposals(
      this.looked().map(({ proposal, counts, cells }) => ({
        proposal: { ...proposal, cells },
        level: proposal.level,
        counts,
      })),
      draft,
      bands,
      this.open.working().purpose,
    );
    return ranked
      .filter(({ direction }) => this.towards() === 'both' || direction === this.towards())
      .map((judged) => ({
        ...judged,
        key: judged.proposal.key,
        reason: describeProposal(judged, draft, dialects.map(shortenName)),
        cells: dialects.map((dialect, at): CountCell => {
          const counted = judged.proposal.cells[at];
          return {
            dialect,
            counted,
            label: say('shared.in', { name: judged.proposal.words, database: dialect.name }),
            note: [
              describeLimiterGap(readCount(counted), readCount(this.whole().cells[at])),
              this.describeGood(judged.counts.found[at], at),
            ]
              .filter((words) => words !== '')
              .join(' · '),
          };
        }),
      }));
  });
  protected readonly shown = computed(() =>
    this.showsAll() ? this.ranked() : this.ranked().slice(0, FIRST_SHOWN),
  );

  /** How many good works are found of those that a database has; nothing if it has none, or while that is not known. */
  private countGood(
    found: number | undefined,
    at: number,
  ): { readonly found: number; readonly there: number } | undefined {
    const count = readCount(this.there()[at]);
    // A database that lacks the field of titles has other records under them, too.
    if (isOfSomethingElse(count)) return undefined;
    const amount = getAmount(count);
    const there = getExact(amount);
    return found === undefined || there === undefined || isNone(amount) ? undefined : { found, there };
  }

  private describeGood(found: number | undefined, at: number): string {
    const good = this.countGood(found, at);
    return good ? say('compare.goodWorksOf', { found: good.found, there: good.there }) : '';
  }

  protected take({ change, words }: ProposedChange): void {
    this.alternatives.take(change, words);
  }

  protected takeAndFreeze({ change, words }: ProposedChange): void {
    this.alternatives.takeAndFreeze(change, words);
  }

  /** What is asked for a question; equal pieces are found once here, in a slice, and not when the counts are looked at. */
  private ask({ root, limiters }: LimitedQuery): Asked {
    const question = { root: this.subject.share(root), limiters };
    const recall = this.alternatives.askRecall(question);
    return { question, recall: recall && { ...recall, root: this.subject.share(recall.root) } };
  }

  private look({ question, recall }: Asked): Looked {
    const dialects = this.subject.dialects();
    const cells = dialects.map((dialect) => this.subject.look(question, dialect));
    const recalls = recall ? dialects.map((dialect) => this.subject.look(recall, dialect)) : [];
    const amounts = cells.map((counted, at) => this.judge(counted, this.draft()[at]));
    const found = recalls.map((counted, at) =>
      findObstacle(readCount(counted), readCount(cells[at])) === undefined
        ? getExact(getAmount(readCount(counted)))
        : undefined,
    );
    return { cells, recalls, counts: { amounts, found } };
  }

  /**
   * The amount by which a change is judged in a database: none of something else than is asked. A limiter that a
   * database does not have changes nothing there.
   */
  private judge(counted: Counted | undefined, draft: Counted | undefined): Amount | undefined {
    const [count, whole] = [readCount(counted), readCount(draft)];
    const obstacle = findObstacle(count, whole);
    if (obstacle === undefined) return getAmount(count);
    return obstacle === 'limiter-missing' ? getAmount(whole) : undefined;
  }
}

/** A question, and the same within the must-finds where there are any. */
interface Asked {
  readonly question: LimitedQuery;
  readonly recall: LimitedQuery | undefined;
}

/** How the counts of what is asked stand, one a database. */
interface Looked {
  readonly cells: readonly (Counted | undefined)[];
  readonly recalls: readonly (Counted | undefined)[];
  readonly counts: ProposalCounts;
}
