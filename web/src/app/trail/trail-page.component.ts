import { ChangeDetectionStrategy, Component, computed, inject, linkedSignal, signal } from '@angular/core';
import { Router, RouterLink } from '@angular/router';
import { MatButton } from '@angular/material/button';
import { MatProgressBar } from '@angular/material/progress-bar';
import { describeAuthors, type BibliographicRecord } from '#core/record/index';
import { countTrailYears, measureNextStep } from '#core/trail/index';
import { MustFindTaking } from '../records/must-find-taking';
import { ReadFacesComponent } from '../records/read-faces.component';
import { MAX_STARTS, writeTrail } from '../records/trail-address';
import { OpenProject } from '../state/open-project';
import { ChartComponent, type ChartContent } from '../ui/chart.component';
import { ChoiceRowComponent } from '../ui/choice-row.component';
import { formatNumber } from '../ui/number-format';
import { SayPipe } from '../words/say.pipe';
import { say } from '../words/say';
import { TrailTableComponent, type TrailRow } from './trail-table.component';
import { TrailWorks } from './trail-works';

/** So many works are shown first, and so many more each time. */
const SHOWN = 100;
/** Fewer works need no chart. */
const LEAST_IN_CHART = 5;

/** The face of Read that goes from works back to what they cite, and forward to what cites them. */
@Component({
  selector: 'app-trail-page',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    ChartComponent,
    ChoiceRowComponent,
    MatButton,
    MatProgressBar,
    ReadFacesComponent,
    RouterLink,
    SayPipe,
    TrailTableComponent,
  ],
  providers: [TrailWorks],
  templateUrl: './trail-page.component.html',
  styleUrl: './trail-page.component.scss',
})
export class TrailPageComponent {
  protected readonly trail = inject(TrailWorks);
  protected readonly open = inject(OpenProject);
  private readonly mustFinds = inject(MustFindTaking);
  private readonly router = inject(Router);

  protected readonly format = formatNumber;
  protected readonly directions = [
    { id: 'both', name: say('trail.bothWays') },
    { id: 'references', name: say('trail.whatTheyCite') },
    { id: 'citedby', name: say('trail.whatCitesThem') },
  ];
  protected readonly kinds = [
    { id: 'all', name: say('shared.allOfThem') },
    { id: 'new', name: say('trail.whatTheDraftMisses') },
  ];
  protected readonly shown = signal<'all' | 'new'>('all');
  private readonly most = linkedSignal({ source: this.trail.starts, computation: () => SHOWN });
  protected readonly pickedKeys = linkedSignal<unknown, ReadonlySet<string>>({
    source: this.trail.starts,
    computation: () => new Set(),
  });

  private readonly rows = computed<readonly TrailRow[]>(() => {
    const isFound = this.trail.isFound();
    return this.trail.works().map((work) => ({
      work,
      key: `${work.database} ${work.record.id}`,
      line: describeLine(work.record),
      ways: work.directions.map((direction) => WAYS[direction]).join(', '),
      isFound: isFound?.(work),
    }));
  });
  private readonly wanted = computed(() =>
    this.shown() === 'new' ? this.rows().filter(({ isFound }) => isFound === false) : this.rows(),
  );
  protected readonly listed = computed(() => this.wanted().slice(0, this.most()));
  protected readonly hidden = computed(() => this.wanted().length - this.listed().length);
  protected readonly missed = computed(() => this.rows().filter(({ isFound }) => isFound === false).length);
  protected readonly picked = computed(() => this.rows().filter(({ key }) => this.pickedKeys().has(key)));
  /** How many records the next step would look at. */
  protected readonly next = computed(() =>
    measureNextStep(
      this.picked().map(({ work }) => work.record),
      this.trail.directions(),
    ),
  );
  protected readonly chart = computed<ChartContent | undefined>(() => {
    const isFound = this.trail.isFound();
    const works = this.trail.works();
    if (!isFound || works.length < LEAST_IN_CHART) return undefined;
    const years = countTrailYears(works, isFound);
    return {
      kind: 'bar',
      title: say('trail.worksByYear'),
      places: years.map(({ year }) => String(year)),
      series: [
        {
          name: say('trail.theDraftFinds'),
          values: years.map(({ found }) => found || undefined),
          colours: ['--glaze-fill'],
        },
        {
          name: say('trail.theDraftMisses'),
          values: years.map(({ others }) => others || undefined),
          colours: ['--hue-b'],
        },
      ],
      isLog: false,
    };
  });

  protected showMore(): void {
    this.most.update((most) => most + SHOWN);
  }

  protected chooseDirection(id: string): void {
    this.trail.direction.set(id === 'references' || id === 'citedby' ? id : 'both');
  }

  /** Makes a work a must-find and goes to where it is told why it is missed. */
  protected explain({ work }: TrailRow): void {
    this.mustFinds.add(work.record);
    void this.router.navigate(['/p', this.open.project().id, 'read', 'must-finds']);
  }

  /** A step further: from the works that are picked. */
  protected goOn(): void {
    this.startFrom(this.picked().map(({ work }) => work.record));
  }

  protected startFromShelf(): void {
    this.startFrom(
      this.open
        .project()
        .kept.slice(-MAX_STARTS)
        .map(({ record }) => record),
    );
  }

  private startFrom(records: readonly BibliographicRecord[]): void {
    void this.router.navigate([], { fragment: writeTrail(records) });
  }
}

const WAYS = {
  get references() {
    return say('trail.cited');
  },
  get citedby() {
    return say('trail.citing');
  },
};

function describeLine({ authors, source, type }: BibliographicRecord): string {
  return [describeAuthors(authors, 2), source, ...(type === 'article' ? [] : [type])]
    .filter((part) => part !== '')
    .join(' · ');
}
