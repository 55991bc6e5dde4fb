import { ChangeDetectionStrategy, Component, computed, inject, linkedSignal, signal } from '@angular/core';
import { Router, RouterLink } from '@angular/router';
import { MatButton } from '@angular/material/button';
import { MatProgressBar } from '@angular/material/progress-bar';
import { describeAuthors, type BibliographicRecord } from '#core/record/index';
import { countTrailYears, measureNextStep, type SimilarWork } from '#core/trail/index';
import { MustFindTaking } from '../records/must-find-taking';
import { ReadFacesComponent } from '../records/read-faces.component';
import { TakeCollection } from '../own-records/take-collection';
import { MAX_STARTS, addCitingList, writeTrail } from '../records/trail-address';
import { OpenProject } from '../state/open-project';
import { ChartComponent, type ChartContent } from '../ui/chart.component';
import { ChoiceRowComponent } from '../ui/choice-row.component';
import { formatNumber } from '../ui/number-format';
import { SayPipe } from '../words/say.pipe';
import { say } from '../words/say';
import { MOST_IN_ARCS, type ArcWork } from './citation-arcs';
import { CitationArcsComponent } from './citation-arcs.component';
import { MOST_SIMILAR, SimilarWorks } from './similar-works';
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
    CitationArcsComponent,
    ChoiceRowComponent,
    MatButton,
    MatProgressBar,
    ReadFacesComponent,
    RouterLink,
    SayPipe,
    TrailTableComponent,
  ],
  providers: [SimilarWorks, TrailWorks],
  templateUrl: './trail-page.component.html',
  styleUrl: './trail-page.component.scss',
})
export class TrailPageComponent {
  protected readonly trail = inject(TrailWorks);
  protected readonly similar = inject(SimilarWorks);
  protected readonly open = inject(OpenProject);
  private readonly mustFinds = inject(MustFindTaking);
  private readonly router = inject(Router);
  private readonly collections = inject(TakeCollection);

  protected readonly format = formatNumber;
  protected readonly directions = [
    { id: 'both', name: say('trail.bothWays') },
    { id: 'references', name: say('trail.whatTheyCite') },
    { id: 'citedby', name: say('trail.whatCitesThem') },
    { id: 'similar', name: say('trail.similarWorks') },
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
    const put = (work: TrailRow['work'], how: Pick<TrailRow, 'ways' | 'shared'>): TrailRow => ({
      work,
      key: `${work.database} ${work.record.id}`,
      line: describeLine(work.record),
      isFound: isFound?.(work),
      ...how,
    });
    if (this.similar.isWanted())
      return this.similar.works().map((work) => put(work, { ways: '', shared: describeShared(work) }));
    return this.trail
      .works()
      .map((work) => put(work, { ways: work.directions.map((one) => WAYS[one]).join(', ') }));
  });
  /** What the list is called. */
  protected readonly title = computed(() =>
    say(this.similar.isWanted() ? 'trail.similarWorks' : 'trail.worksThatCitationsLeadTo'),
  );
  protected readonly sum = computed(() => {
    const count = this.rows().length;
    if (!this.similar.isWanted()) return say('trail.works', { count });
    return say(count === MOST_SIMILAR ? 'trail.theMostSimilar' : 'trail.similarWorksCount', { count });
  });
  protected readonly failed = computed(() =>
    this.similar.isWanted() ? this.similar.failed() : this.trail.failed(),
  );
  protected readonly leadsNowhere = computed(() => {
    if (this.rows().length > 0) return undefined;
    if (this.similar.isWanted()) return this.similar.isDone() ? say('trail.nothingIsSimilar') : undefined;
    const isDone = !this.trail.progress() && !this.trail.hasNone() && this.trail.standings().length > 0;
    return isDone ? say('trail.leadsNowhere') : undefined;
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
  /** Few works are drawn one by one, with their citations. */
  protected readonly arcs = computed<readonly ArcWork[]>(() => {
    const works = this.trail.works();
    if (this.similar.isWanted() || works.length === 0 || works.length > MOST_IN_ARCS) return [];
    const isFound = this.trail.isFound();
    return works.map((work) => ({
      title: work.record.title,
      year: work.record.year,
      isFound: isFound?.(work),
      ties: work.ties,
    }));
  });
  protected readonly chart = computed<ChartContent | undefined>(() => {
    const isFound = this.trail.isFound();
    const works = this.rows().map(({ work }) => work);
    if (!isFound || works.length < LEAST_IN_CHART || this.arcs().length > 0) return undefined;
    const years = countTrailYears(works, isFound);
    return {
      kind: 'bar',
      title: say(this.similar.isWanted() ? 'trail.similarWorksByYear' : 'trail.worksByYear'),
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
    this.similar.isWanted.set(id === 'similar');
    this.trail.direction.set(id === 'references' || id === 'citedby' ? id : 'both');
  }

  protected tryAgain(): void {
    if (this.similar.isWanted()) this.similar.tryAgain();
    else this.trail.tryAgain();
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

  /** Takes in a list of citing records that a citation database exported, for the one work that the trail starts from. */
  protected async addList(): Promise<void> {
    const trail = this.trail.address();
    const [start] = trail.from;
    if (!start) return;
    const name = say('trail.whatCites', { title: start.title });
    const database = await this.collections.ask(name, say('trail.addToTheTrail'));
    if (!database) return;
    void this.router.navigate([], { fragment: addCitingList(trail, database.dialect.id) });
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

/** So many words are named. */
const MOST_NAMED = 4;

/** What a work shares with those that it is like. */
function describeShared({ references, headings, words }: SimilarWork): string {
  const name = (all: readonly string[]): string =>
    all.slice(0, MOST_NAMED).join(', ') + (all.length > MOST_NAMED ? ', …' : '');
  return [
    ...(references > 0 ? [say('trail.sharedReferences', { count: references })] : []),
    ...(headings.length > 0 ? [say('trail.sharedHeadings', { names: name(headings) })] : []),
    ...(words.length > 0 ? [say('trail.sharedWords', { names: name(words) })] : []),
  ].join('; ');
}

function describeLine({ authors, source, type }: BibliographicRecord): string {
  return [describeAuthors(authors, 2), source, ...(type === 'article' ? [] : [type])]
    .filter((part) => part !== '')
    .join(' · ');
}
