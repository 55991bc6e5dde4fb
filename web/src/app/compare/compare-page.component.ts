import { ChangeDetectionStrategy, Component, computed, effect, inject } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { ActivatedRoute, Router, RouterLink } from '@angular/router';
import { OpenProject } from '../state/open-project';
import { CompareSubject } from './compare-subject';
import { Alternatives } from './parts/alternatives';
import { MustFindCounts } from './parts/must-find-counts';
import { RecordSets } from './parts/record-sets';
import { CombinationsComponent } from './tools/combinations.component';
import { EachTermComponent } from './tools/each-term.component';
import { GainedLostComponent } from './tools/gained-lost.component';
import { MustFindsComponent } from './tools/must-finds.component';
import { OverlapComponent } from './tools/overlap.component';
import { StaircaseComponent } from './tools/staircase.component';
import { SwapComponent } from './tools/swap.component';
import { TalliesComponent } from './tools/tallies.component';
import { WhatToTryComponent } from './tools/what-to-try.component';
import { YearsComponent } from './tools/years.component';
import { VariantsTableComponent } from './variants/variants-table.component';

/** The questions that Compare answers, in the order in which they are usually asked. */
const TOOLS = [
  { id: 'staircase', name: 'Staircase' },
  { id: 'terms', name: 'Each term' },
  { id: 'combinations', name: 'Combinations' },
  { id: 'swap', name: 'Swap' },
  { id: 'overlap', name: 'Overlap' },
  { id: 'differences', name: 'Gained and lost' },
  { id: 'years', name: 'Years' },
  { id: 'try', name: 'What to try' },
  { id: 'must-finds', name: 'Must-finds' },
  { id: 'tallies', name: 'Tallies' },
] as const;

/** The variants beside each other, and under them the tools that ask one question each. */
@Component({
  selector: 'app-compare-page',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    CombinationsComponent,
    EachTermComponent,
    GainedLostComponent,
    MustFindsComponent,
    OverlapComponent,
    RouterLink,
    StaircaseComponent,
    SwapComponent,
    TalliesComponent,
    VariantsTableComponent,
    WhatToTryComponent,
    YearsComponent,
  ],
  providers: [Alternatives, CompareSubject, MustFindCounts, RecordSets],
  templateUrl: './compare-page.component.html',
  styleUrl: './compare-page.component.scss',
})
export class ComparePageComponent {
  protected readonly subject = inject(CompareSubject);
  private readonly open = inject(OpenProject);
  private readonly router = inject(Router);
  private readonly address = toSignal(inject(ActivatedRoute).queryParamMap);

  protected readonly tools = TOOLS;
  /** What is looked at stands in the address, so that back, reload and a copied link work. */
  protected readonly tool = computed(() => {
    const asked = this.address()?.get('tool');
    return TOOLS.find(({ id }) => id === asked)?.id ?? 'staircase';
  });
  protected readonly states = computed(() => [
    { id: 'draft', name: 'the draft' },
    ...this.open.project().variants.map(({ id, name }) => ({ id, name })),
  ]);
  /** The tools that look at one state; the others choose their own. */
  protected readonly asksOne = computed(() => this.tool() !== 'differences' && this.tool() !== 'tallies');

  constructor() {
    effect(() => {
      this.subject.of.set(this.address()?.get('of') ?? 'draft');
      this.subject.chosen.set(this.address()?.get('db') ?? undefined);
    });
  }

  protected choose(of: string): void {
    void this.router.navigate([], { queryParams: { of }, queryParamsHandling: 'merge' });
  }
}
