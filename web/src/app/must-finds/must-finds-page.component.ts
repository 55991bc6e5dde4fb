import { ChangeDetectionStrategy, Component, computed, effect, inject, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { ActivatedRoute } from '@angular/router';
import { Alternatives } from '../comparing/alternatives';
import { CompareSubject } from '../comparing/compare-subject';
import { MustFindCounts } from '../comparing/must-find-counts';
import { RecordSets } from '../comparing/record-sets';
import { StateChoiceComponent } from '../comparing/state-choice.component';
import { ReadFacesComponent } from '../records/read-faces.component';
import { SayPipe } from '../words/say.pipe';
import { MissedPanelComponent } from './missed-panel.component';
import { MissedRecords } from './missed-records';
import { ProbableWorks } from './probable-works';
import { MustFindsComponent } from './must-finds.component';

/** The face of Read for what the search has to find: which of it is missed, why, and what would catch it. */
@Component({
  selector: 'app-must-finds-page',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MissedPanelComponent, MustFindsComponent, ReadFacesComponent, SayPipe, StateChoiceComponent],
  providers: [Alternatives, CompareSubject, MissedRecords, MustFindCounts, ProbableWorks, RecordSets],
  template: `
    <h2 class="unseen">{{ 'shared.mustFinds' | say }}</h2>
    <div class="top">
      <app-read-faces />
      <app-state-choice />
    </div>
    <div class="columns" [class.two]="shown()">
      <app-must-finds [chosen]="shown()?.id" (chose)="chosen.set($event)" />
      @if (shown(); as mustFind) {
        <app-missed-panel
          role="region"
          [attr.aria-label]="'mustFinds.whyItIsMissedAndWhat' | say"
          [mustFind]="mustFind"
        />
      }
    </div>
  `,
  styles: `
    .top {
      display: flex;
      justify-content: space-between;
      align-items: center;
      gap: 16px;
      min-height: 34px;
      margin-bottom: 10px;
    }
    .two {
      display: grid;
      grid-template-columns: minmax(0, 1fr) minmax(0, 1.1fr);
      gap: 28px;
      align-items: start;
    }
    .two > * {
      min-width: 0;
    }
    app-missed-panel {
      padding-left: 20px;
      border-left: 1px solid var(--rule);
    }
    @media (max-width: 1180px) {
      .two {
        grid-template-columns: minmax(0, 1fr);
      }
    }
  `,
})
export class MustFindsPageComponent {
  protected readonly subject = inject(CompareSubject);
  private readonly missed = inject(MissedRecords);
  private readonly address = toSignal(inject(ActivatedRoute).queryParamMap);

  protected readonly chosen = signal<string | undefined>(undefined);
  /** The missed work that is explained: the chosen one, else the first that is missed. */
  protected readonly shown = computed(() => {
    const missed = this.missed.mustFinds();
    return missed.find(({ id }) => id === this.chosen()) ?? missed[0];
  });

  constructor() {
    effect(() => this.subject.of.set(this.address()?.get('of') ?? 'draft'));
  }
}
