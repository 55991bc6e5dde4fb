import '@angular/compiler';
import { LIMITERS, listLimiters, listLimitersOf, withLimiter, type Limiters } from '#core/limiter/index';
import { computed, signal, type Provider, type Type } from '@angular/core';
import { Store, type Action } from '@ngrx/store';
import fc from 'fast-check';
import { createDocument, type IndexDocument } from '#core/collection/index';
import { createSharedDraft } from '#core/compare/draft/index';
import type { CountEntry } from '#core/contract/index';
import { findDialect } from '#core/dialect/index';
import { readString } from '#core/dialect/read/index';
import { succeed, type Outcome } from '#core/problem/index';
import { createProject, type Concept, type Project } from '#core/project/index';
import { dropInactive, type Field, type QueryNode } from '#core/query/index';
import { type BibliographicRecord } from '#core/record/index';
import { createRecordKeys } from '#core/record/same-work/index';
import { satisfies } from '#core/testing/naive-evaluator';
import { createByHandConnection } from '../../data/connections/by-hand/by-hand-connection';
import { createConnection, type Connection } from '../../data/connections/connection';
import { CLOCK_AND_IDS } from '../../data/clock-and-ids';
import type { Counted } from '../../counting/count-state';
import { AskedCounts } from '../../counting/asked-counts';
import { WritingAids } from '../../counting/writing-aids';
import { Connections } from '../../state/connections';
import { OpenProject } from '../../state/open-project';
import { ProjectActions } from '../../state/project.actions';
import { projectFeature } from '../../state/project.feature';
import { startInjection } from '../../testing/injection';
import { RecordDrawer } from '../../records/record-drawer';
import { CompareSubject } from '../compare-subject';
import { Alternatives } from '../alternatives';
import { MustFindCounts } from '../must-find-counts';
import { OfferedTerms } from '../offered-terms';
import { RecordSets } from '../record-sets';
import { Dialogs } from '../../ui/dialogs';
import { Messages } from '../../ui/messages';

const angular = startInjection();

const WORDS = ['bat', 'bats', 'noctule', 'lamp', 'lamps', 'light', 'road', 'night'];
const MOMENT = '2026-10-01T08:00:00.000Z';
/** What a tool needs at most until all its numbers are there, in ms. */
const PATIENCE = 10_000;

/** Records of the databases, by their short names. */
export type WorldRecords = Readonly<Record<string, readonly BibliographicRecord[]>>;

/** Some records: some stand under the same identifier or the same title as others. */
export const arbitraryRecords: fc.Arbitrary<BibliographicRecord[]> = fc
  .array(
    fc.record({
      title: fc.array(fc.constantFrom(...WORDS), { minLength: 1, maxLength: 4 }),
      abstract: fc.array(fc.constantFrom(...WORDS), { maxLength: 5 }),
      keywords: fc.array(fc.constantFrom(...WORDS), { maxLength: 2 }),
      doi: fc.option(fc.integer({ min: 1, max: 12 }), { nil: undefined }),
      year: fc.integer({ min: 2019, max: 2021 }),
    }),
    { minLength: 1, maxLength: 16 },
  )
  .map((list) =>
    list.map(({ title, abstract, keywords, doi, year }, at) => ({
      id: `r${at}`,
      title: title.join(' '),
      abstract: abstract.join(' '),
      keywords,
      headings: [],
      authors: [{ given: 'Ada', family: 'Moss' }],
      source: 'Journal of Small Worlds',
      year,
      type: 'article',
      language: 'en',
      peerReviewed: 'yes',
      hasFullText: false,
      ...(doi !== undefined && { doi: `10.5555/${doi}` }),
      entered: '2022-01',
      references: [],
    })),
  );

/** A concept with its terms, named after its block. */
export function createConcept(name: string, ...terms: readonly string[]): Concept {
  return {
    id: name,
    name,
    block: name,
    off: false,
    terms: terms.map((text, at) => ({ id: `${name}${at}`, text, off: false })),
  };
}

/** A project with some concepts in some databases. */
export function createWorldProject(
  concepts: readonly Concept[],
  draft: string,
  databases: readonly string[],
): Project {
  const project = createProject('p', 'P', MOMENT, databases);
  return { ...project, working: { ...project.working, concepts, draft } };
}

const CONCEPTS = [
  createConcept('animals', 'bat', 'bats', 'noctule'),
  createConcept('light', 'lamp*', 'light', '"night light"'),
  createConcept('place', 'road'),
];
const DATABASES = ['heronsmere', 'cardinal'];

/** A project with what its databases hold. */
export interface World {
  readonly project: Project;
  readonly draft: string;
  /** Where the first concept is searched. */
  readonly fields: readonly Field[] | undefined;
  readonly records: Readonly<Record<'heronsmere' | 'cardinal', readonly BibliographicRecord[]>>;
}

/** True if a database can say all of the draft: Heronsmere has no keywords to search a concept in. */
export function canSay({ fields }: World, database: string): boolean {
  return database !== 'heronsmere' || !fields?.includes('keywords');
}

/** Random records in two databases, and one of some drafts over three concepts. */
export const arbitraryWorld: fc.Arbitrary<World> = fc
  .record({
    heronsmere: arbitraryRecords,
    cardinal: arbitraryRecords,
    fields: fc.option(
      fc.constantFrom<Field[]>(['title'], ['abstract'], ['title', 'abstract'], ['keywords']),
      {
        nil: undefined,
      },
    ),
    draft: fc.constantFrom(
      '@animals AND @light',
      '@animals AND @light NOT @place',
      '@light AND @animals AND @place',
    ),
  })
  .map(({ draft, fields, heronsmere, cardinal }) => {
    const [animals, ...others] = CONCEPTS;
    const concepts = [{ ...animals!, ...(fields && { fields }) }, ...others];
    const project = createWorldProject(concepts, draft, DATABASES);
    const records = { heronsmere: heronsmere.map((record) => ({ ...record, keywords: [] })), cardinal };
    return { draft, fields, project, records };
  });

/**
 * The tools of Compare without a page, on databases of a few records. A string that is counted is read back
 * and tried on each record, word by word: so its numbers are those of the string, found without any index.
 */
export class SmallWorld {
  readonly open: OpenProject;
  readonly subject: CompareSubject;
  private readonly documents: ReadonlyMap<string, readonly IndexDocument[]>;

  constructor(
    project: Project,
    private readonly records: WorldRecords,
    private readonly givesIds = true,
    more: readonly Provider[] = [],
    /** Databases that say only about how many there are. */
    private readonly estimates: readonly string[] = [],
  ) {
    this.documents = new Map(Object.entries(records).map(([id, some]) => [id, some.map(createDocument)]));
    angular.resetTestingModule();
    angular.configureTestingModule({
      providers: [
        { provide: Store, useValue: createStore(project) },
        { provide: CLOCK_AND_IDS, useValue: { now: () => Date.parse(MOMENT), createId: createCounter() } },
        { provide: Connections, useValue: this.createConnections(project) },
        { provide: WritingAids, useValue: { countKnown: () => 0, createSettings: () => ({}) } },
        { provide: Messages, useValue: { show: () => undefined } },
        { provide: Dialogs, useValue: {} },
        { provide: RecordDrawer, useValue: {} },
        { provide: OfferedTerms, useValue: { terms: signal([]) } },
        Alternatives,
        CompareSubject,
        MustFindCounts,
        RecordSets,
        ...more,
      ],
    });
    this.open = angular.inject(OpenProject);
    this.subject = angular.inject(CompareSubject);
  }

  /** A tool as its page makes it, but for the page. */
  make<T>(tool: Type<T>): T {
    return angular.runInInjectionContext(() => new tool());
  }

  /** Waits until something is so, while effects run. */
  async until(isSo: () => boolean): Promise<void> {
    const end = Date.now() + PATIENCE;
    for (;;) {
      angular.tick();
      if (isSo()) return;
      if (Date.now() > end) throw new Error('It never came to be so.');
      await new Promise((resolve) => setTimeout(resolve, 1));
    }
  }

  /** Has all counted that a tool shows, as its counting bar does. */
  async count(listAsked: () => readonly (Counted | undefined)[]): Promise<void> {
    const asked = angular.inject(AskedCounts);
    await this.until(() => {
      const all = listAsked();
      asked.ask(all.flatMap((one) => one?.countKey ?? []));
      return all.every((one) => one !== undefined && one.state.status !== 'waiting');
    });
  }

  /** The numbers of the records that satisfy a query, found one by one from its meaning. */
  find(database: string, root: QueryNode): number[] {
    const active = dropInactive(root, database);
    const documents = this.documents.get(database) ?? [];
    return active ? documents.flatMap((document, at) => (satisfies(document, active) ? [at] : [])) : [];
  }

  /** The records that the draft would find after a change of the project; no database limits by what it has not. */
  findDraft(database: string, project: Project = this.open.project()): number[] {
    const { working } = project;
    const rules = findDialect(database)?.limiters;
    const kept = listLimiters(working.limiters).filter(({ name }) => rules?.[name].how !== 'none');
    const limiters = kept.reduce<Limiters>(
      (all, { name }) => withLimiter(all, name, working.limiters[name]),
      {},
    );
    return this.within(database, this.find(database, createSharedDraft(working)), limiters);
  }

  private read(database: string, string: string, sentLimiters: Limiters = {}): number[] {
    const dialect = findDialect(database);
    if (!dialect) throw new Error(`There is no ${database}.`);
    const { root, limiters, problems } = readString(string, dialect);
    if (problems.some(({ severity }) => severity === 'error'))
      throw new Error(`${database} cannot read ${string}`);
    return this.within(database, this.within(database, this.find(database, root), limiters), sentLimiters);
  }

  /** Those of some records that some limiters let through. */
  within(database: string, numbers: readonly number[], limiters: Limiters): number[] {
    const { years } = limiters;
    const flags = listLimitersOf('flag').filter((name) => limiters[name]);
    return numbers.filter((number) => {
      const record = this.records[database]?.[number];
      const year = record?.year ?? 0;
      if (flags.some((name) => !record || !LIMITERS[name].lets(record))) return false;
      return year >= (years?.from ?? -Infinity) && year <= (years?.to ?? Infinity);
    });
  }

  private createConnections({ working }: Project): Partial<Connections> {
    const connections = new Map(
      Object.keys(this.records).map((database) => [database, this.createConnection(database)] as const),
    );
    const isByHand = (database: string): boolean =>
      working.ownDatabases.some(
        ({ dialect, connection }) => dialect.id === database && connection.kind === 'by-hand',
      );
    const find = (database: string): Connection =>
      isByHand(database)
        ? createByHandConnection(database)
        : (connections.get(database) ?? createConnection('served', database, {}));
    return {
      find,
      mayOffer: (database, kind) => find(database).traits()?.offers.has(kind) ?? false,
      offers: (database, kind) => Promise.resolve(find(database).traits()?.offers.has(kind) ?? false),
      isByHand,
      isServerThere: () => Promise.resolve(true),
    };
  }

  private createConnection(database: string): Connection {
    const entry = (total: number, estimated = false): CountEntry => ({ total, estimated, notes: [] });
    const answer = <T>(value: T): Promise<Outcome<T>> => Promise.resolve(succeed(value));
    const held = this.records[database] ?? [];
    const get = (numbers: readonly number[]): BibliographicRecord[] =>
      numbers.flatMap((number) => held[number] ?? []);
    return createConnection('served', database, {
      count: ({ strings, sentLimiters }) =>
        answer(
          strings.map((string) => {
            const { length } = this.read(database, string, sentLimiters);
            return this.estimates.includes(database)
              ? entry(2 * Math.round(length / 2), true)
              : entry(length);
          }),
        ),
      lookup: ({ identifiers }) =>
        answer({ titles: identifiers.map((one) => held.find(({ doi }) => doi === one)?.title ?? null) }),
      records: (asked) =>
        answer({ records: 'numbers' in asked ? asked.numbers.map((number) => held[number] ?? null) : [] }),
      search: ({ string, sentLimiters, start, rows }) => {
        const numbers = this.read(database, string, sentLimiters);
        return answer({
          total: numbers.length,
          estimated: false,
          records: get(numbers).slice(start, start + rows),
        });
      },
      ...(this.givesIds && {
        unions: ({ unions, sentLimiters }) =>
          answer(
            unions.map((strings) =>
              entry(new Set(strings.flatMap((one) => this.read(database, one, sentLimiters))).size),
            ),
          ),
        ids: ({ string, sentLimiters }) => {
          const numbers = this.read(database, string, sentLimiters);
          const keys = get(numbers).map(createRecordKeys);
          return answer({
            total: numbers.length,
            numbers,
            identifiers: keys.map(({ identifier }) => identifier),
            works: keys.map(({ work }) => work),
            signs: keys.map(({ signs }) => signs),
          });
        },
      }),
    });
  }
}

/** A store of the open project alone, with the reducer that the application has. */
function createStore(project: Project) {
  const opened = ProjectActions.opened({ project, revision: 1 });
  const state = signal({ project: projectFeature.reducer(undefined, opened) });
  return {
    selectSignal: (selector: (state: object) => unknown) => computed(() => selector(state())),
    dispatch: (action: Action) =>
      state.update(({ project: before }) => ({ project: projectFeature.reducer(before, action) })),
  };
}

function createCounter(): () => string {
  let last = 0;
  return () => `id${++last}`;
}
