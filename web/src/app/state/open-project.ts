import { Injectable, computed, inject, signal } from '@angular/core';
import { Store } from '@ngrx/store';
import { countDifferences, describeDifference } from '#core/compare/draft/index';
import { findDialect, preferPhraseWay, type Dialect } from '#core/dialect/index';
import { listLimiters } from '#core/limiter/index';
import { CHANGE_NAMES, createDraftQuery, type Change, type Project, type Variant } from '#core/project/index';
import { shortenName } from '#core/text/index';
import { CLOCK_AND_IDS } from '../data/clock-and-ids';
import { ProjectActions } from './project.actions';
import { projectFeature } from './project.feature';
import { say } from '../words/say';

/** The open project as signals, and the one way to change it. Pages use this; presentational parts do not. */
@Injectable({ providedIn: 'root' })
export class OpenProject {
  private readonly store = inject(Store);
  private readonly clockAndIds = inject(CLOCK_AND_IDS);
  private readonly history = this.store.selectSignal(projectFeature.selectHistory);

  readonly maybe = this.store.selectSignal(projectFeature.selectProject);
  readonly isSaved = this.store.selectSignal(projectFeature.selectIsSaved);
  readonly saveProblem = this.store.selectSignal(projectFeature.selectSaveProblem);
  /** Where that went which was here when another window had saved. */
  readonly copy = this.store.selectSignal(projectFeature.selectCopy);
  readonly notice = this.store.selectSignal(projectFeature.selectNotice);

  /** A text on the screen is newer than the draft, which has it as soon as typing rests. */
  readonly isTextAhead = signal(false);

  readonly sitting = this.store.selectSignal(projectFeature.selectSitting);

  /** Pages stand behind a guard that opens a project first. */
  readonly project = computed<Project>(() => {
    const project = this.maybe();
    if (!project) throw new Error('No project is open.');
    return project;
  });
  readonly working = computed(() => this.project().working);
  readonly concepts = computed(() => this.working().concepts);
  readonly limiters = computed(() => this.working().limiters);
  /** What numbers are limited to, to be said where they stand: `under 2000–2026`; empty without limiters. */
  readonly underLimiters = computed(() => {
    const words = listLimiters(this.limiters()).map(({ value }) => value);
    return words.length > 0 ? say('state.under', { limiters: words.join(', ') }) : '';
  });
  readonly dialects = computed<Dialect[]>(() =>
    this.working().databases.flatMap((id) => this.findDialect(id) ?? []),
  );
  /** The dialect of a database that ships or that the person added, with the person's choices for it. */
  findDialect(database: string): Dialect | undefined {
    const dialect = this.findPlainDialect(database);
    const way = this.maybe()?.working.phraseWays?.[database];
    return dialect && way ? preferPhraseWay(dialect, way) : dialect;
  }

  /** As `findDialect`, before any choice. */
  findPlainDialect(database: string): Dialect | undefined {
    const own = this.maybe()?.working.ownDatabases.find(({ dialect }) => dialect.id === database);
    return own?.dialect ?? findDialect(database);
  }

  /** What a database is called where there is little room, by its id. */
  nameInShort(database: string): string {
    const dialect = this.findPlainDialect(database);
    return dialect ? shortenName(dialect) : database;
  }

  readonly draft = computed(() => createDraftQuery(this.working(), this.working().databases));
  readonly compared = computed<Variant | undefined>(() =>
    this.project().variants.find((variant) => variant.id === this.project().compared),
  );
  /** The variant that the draft is said to have changed since. */
  readonly latest = computed<Variant | undefined>(() => this.compared() ?? this.project().variants.at(-1));
  readonly changesSince = computed(() => {
    const latest = this.latest();
    return latest ? countDifferences(describeDifference(latest.frozen, this.working())) : 0;
  });
  readonly undoName = computed(() => nameStep(this.history()?.past.at(-1)?.kind));
  readonly redoName = computed(() => nameStep(this.history()?.future[0]?.kind));

  change(change: Change): void {
    this.store.dispatch(ProjectActions.changeMade({ change, moment: this.clockAndIds.now() }));
  }

  undo(): void {
    this.store.dispatch(ProjectActions.undone());
  }

  redo(): void {
    this.store.dispatch(ProjectActions.redone());
  }

  closeNotice(): void {
    this.store.dispatch(ProjectActions.noticeClosed());
  }

  createId(): string {
    return this.clockAndIds.createId();
  }

  now(): number {
    return this.clockAndIds.now();
  }
}

function nameStep(kind: Change['kind'] | undefined): string | undefined {
  return kind && CHANGE_NAMES[kind];
}
