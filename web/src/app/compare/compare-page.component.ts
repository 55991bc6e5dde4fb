import { ChangeDetectionStrategy, Component, effect, inject } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import {
  ActivatedRoute,
  NavigationEnd,
  Router,
  RouterLink,
  RouterLinkActive,
  RouterOutlet,
} from '@angular/router';
import { filter, map, startWith } from 'rxjs';
import { COMPARE_TOOLS, findTool } from './compare-tools';
import { CompareSubject } from '../comparing/compare-subject';
import { Alternatives } from '../comparing/alternatives';
import { MustFindCounts } from '../comparing/must-find-counts';
import { RecordSets } from '../comparing/record-sets';
import { StateChoiceComponent } from '../comparing/state-choice.component';
import { VariantsTableComponent } from './variants/variants-table.component';
import { SayPipe } from '../words/say.pipe';

/** The variants beside each other, and under them the tools that ask one question each. */
@Component({
  selector: 'app-compare-page',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    SayPipe,
    RouterLink,
    RouterLinkActive,
    RouterOutlet,
    VariantsTableComponent,
    StateChoiceComponent,
  ],
  providers: [Alternatives, CompareSubject, MustFindCounts, RecordSets],
  templateUrl: './compare-page.component.html',
  styleUrl: './compare-page.component.scss',
})
export class ComparePageComponent {
  protected readonly subject = inject(CompareSubject);
  private readonly router = inject(Router);
  private readonly route = inject(ActivatedRoute);
  private readonly address = toSignal(this.route.queryParamMap);

  protected readonly tools = COMPARE_TOOLS;
  /** What is looked at stands in the address, so that back, reload and a copied link work. */
  protected readonly tool = toSignal(
    this.router.events.pipe(
      filter((event) => event instanceof NavigationEnd),
      startWith(undefined),
      map(() => findTool(this.route.snapshot.firstChild?.url[0]?.path)),
    ),
  );
  constructor() {
    effect(() => {
      this.subject.of.set(this.address()?.get('of') ?? 'draft');
      this.subject.chosen.set(this.address()?.get('db') ?? undefined);
    });
  }
}
