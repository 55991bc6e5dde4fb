import { MatTooltip } from '@angular/material/tooltip';
import { MatButton } from '@angular/material/button';
import {
  ChangeDetectionStrategy,
  Component,
  computed,
  inject,
  linkedSignal,
  output,
  signal,
} from '@angular/core';
import { describeDifference } from '#core/compare/draft/index';
import type { Finding, FindingFix } from '#core/check/index';
import { describeProblem, describeRemedy } from '#core/problem/index';
import { shortenName } from '#core/text/index';
import { describeGap } from '../counting/describe-count';
import { Counts } from '../counting/counts';
import { OpenProject } from '../state/open-project';
import { CountComponent } from '../records/count.component';
import { RecordDrawer } from '../records/record-drawer';
import { QueryFindings } from './query-findings';
import { QueryNumbers } from './query-numbers';
import { findTextChange } from './text-change';
import { SayPipe } from '../words/say.pipe';
import { say } from '../words/say';

const SHOWN = 4;
const RANKS = { error: 0, warning: 1, note: 2 } as const;
const SIGNS = { error: '●', warning: '◐', note: '○' } as const;
const SEVERITY_WORDS = {
  get error() {
    return say('query.mistake');
  },
  get warning() {
    return say('query.warning');
  },
  get note() {
    return say('shared.note');
  },
} as const;

/** What is worth a look in the draft, with what it costs, and fixes that can be looked at before they are made. */
@Component({
  selector: 'app-findings-panel',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [SayPipe, CountComponent, MatButton, MatTooltip],
  templateUrl: './findings-panel.component.html',
  styleUrl: './findings-panel.component.scss',
})
export class FindingsPanelComponent {
  private readonly open = inject(OpenProject);
  private readonly counts = inject(Counts);
  private readonly drawer = inject(RecordDrawer);
  protected readonly found = inject(QueryFindings);
  protected readonly numbers = inject(QueryNumbers);

  readonly placeAsked = output<Finding>();
  readonly reportAsked = output();

  protected readonly shorten = shortenName;
  protected readonly isLong = signal(false);
  protected readonly sorted = computed(() =>
    [...this.found.findings()].sort((a, b) => RANKS[a.problem.severity] - RANKS[b.problem.severity]),
  );
  protected readonly shown = computed(() => (this.isLong() ? this.sorted() : this.sorted().slice(0, SHOWN)));
  protected readonly rows = computed(() =>
    this.shown().map((finding) => {
      const cost = this.found.costOf(finding);
      const severity = finding.problem.severity;
      return {
        finding,
        sign: SIGNS[severity],
        severity,
        severityWords: SEVERITY_WORDS[severity],
        says: describeProblem(finding.problem),
        remedy: describeRemedy(finding.problem),
        change: cost?.change ?? '',
        words: cost
          ? say('query.wordsInDatabase', { words: cost.words, database: this.numbers.database()?.name })
          : '',
        place: cost?.change ? shortenName(this.numbers.database() ?? { name: '' }) : '',
      };
    }),
  );
  protected readonly summary = computed(() => {
    const all = this.sorted();
    const errors = all.filter(({ problem }) => problem.severity === 'error').length;
    if (all.length === 0) return this.found.isRunning() ? say('query.looking') : say('query.nothingFound');
    return say('query.findingsAndErrors', { count: all.length, errors });
  });
  /** The fix that is looked at; gone when its finding is. */
  protected readonly chosen = linkedSignal<
    readonly Finding[],
    { finding: Finding; fix: FindingFix } | undefined
  >({
    source: this.found.findings,
    computation: (findings, before) => {
      const finding = findings.find(({ key }) => key === before?.value?.finding.key);
      const fix = finding?.fixes.find(({ label }) => label === before?.value?.fix.label);
      return finding && fix ? { finding, fix } : undefined;
    },
  });
  protected readonly preview = computed(() => {
    const chosen = this.chosen();
    const preview = chosen && this.found.preview(chosen.fix);
    if (!preview) return undefined;
    const working = this.open.working();
    const text = findTextChange(working.draft, preview.working.draft);
    const { added, removed, other } = describeDifference(
      { ...working, draft: '' },
      { ...preview.working, draft: '' },
    );
    return { ...preview, text, added, removed, other };
  });

  protected choose(finding: Finding, fix: FindingFix): void {
    const now = this.chosen();
    this.chosen.set(now?.fix === fix ? undefined : { finding, fix });
  }

  protected mend(fix: FindingFix): void {
    this.chosen.set(undefined);
    this.found.mend(fix);
  }

  protected read({ show }: Finding): void {
    const dialect = this.numbers.database();
    if (!show || !dialect) return;
    const { countKey } = this.counts.peek(show.query, dialect, this.open.limiters());
    if (countKey) this.drawer.show(countKey, show.label);
  }

  protected readonly describeGap = describeGap;
}
