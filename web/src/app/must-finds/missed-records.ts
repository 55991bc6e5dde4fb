import { Injectable, computed, effect, inject, signal, untracked } from '@angular/core';
import { LIMITER_NAMES } from '#core/limiter/index';
import {
  chooseTerms,
  createEditTrial,
  createPartReader,
  findSmallestSet,
  joinEdits,
  listMissedPlaces,
  listObstacles,
  listTermsInPlace,
  listTried,
  sortEdits,
  tryEdit,
  type MissedRecord,
} from '#core/must-finds/index';
import { normaliseTitle, type BibliographicRecord } from '#core/record/index';
import { listParts } from '../counting/count-state';
import { CompareSubject } from '../comparing/compare-subject';
import { MustFindCounts, type MustFindCell } from '../comparing/must-find-counts';
import { mapSliced } from '../comparing/sliced';
import { Connections } from '../state/connections';
import { OpenProject } from '../state/open-project';
import { ThesaurusStore } from '../state/thesaurus-store';

/** Of so many records that begin with a title, the one is taken that has just this title. */
const FETCHED = 10;

/** The must-finds that are missed, as the databases have them that miss them, and what would catch them. */
@Injectable()
export class MissedRecords {
  private readonly open = inject(OpenProject);
  private readonly subject = inject(CompareSubject);
  private readonly counts = inject(MustFindCounts);
  private readonly connections = inject(Connections);
  private readonly thesauri = inject(ThesaurusStore);
  /** By must-find and database; nothing where a database gives no record. */
  private readonly fetched = signal<ReadonlyMap<string, Fetched | undefined>>(new Map());
  private readonly asking = new Set<string>();
  private readonly thisYear = new Date(this.open.now()).getUTCFullYear();

  private readonly cells = computed(() =>
    this.counts.standings().flatMap(({ mustFind, cells }) =>
      cells
        .filter(({ standing }) => standing === 'missed')
        .map((cell) => ({
          mustFind: mustFind.id,
          title: mustFind.title,
          cell,
          key: `${mustFind.id} ${cell.dialect.id}`,
        })),
    ),
  );
  /** The must-finds that some database misses. */
  readonly mustFinds = computed(() => {
    const missed = new Set(this.cells().map(({ mustFind }) => mustFind));
    return this.counts.mustFinds().filter(({ id }) => missed.has(id));
  });
  /** Some are still on their way. */
  readonly isWaiting = computed(() => this.cells().some(({ key }) => !this.fetched().has(key)));
  readonly misses = computed<MissedRecord[]>(() => {
    const fetched = this.fetched();
    return this.cells().flatMap(({ mustFind, cell, key }) => {
      const found = fetched.get(key);
      return found ? [{ mustFind, database: cell.dialect.id, ...found }] : [];
    });
  });

  private readonly readers = computed(() => {
    const misses = this.misses();
    return this.subject.dialects().flatMap(({ id, limiters }) => {
      const own = misses.filter(({ database }) => database === id);
      const held = LIMITER_NAMES.filter((name) => limiters[name].how !== 'none');
      const vocabulary = this.thesauri.find(id);
      return own.length > 0 ? [createPartReader(own, { database: id, vocabulary, limiters: held })] : [];
    });
  });
  /** What keeps each missed record out. */
  readonly obstacles = computed(() => listObstacles(this.readers(), this.subject.project()));
  /** What would let at least one of them in, the changes first that change least of what is asked. */
  readonly edits = computed(() => sortEdits(this.tried().made));
  /** All changes are tried: only then is it known what the smallest set is. */
  readonly isTried = computed(() => this.terms().isDone && this.tried().isDone);
  private readonly terms = mapSliced(
    () => {
      const project = this.subject.project();
      return listMissedPlaces(this.readers(), project).map((place) => ({ place, project }));
    },
    ({ place, project }) => listTermsInPlace(place, project, (id) => this.thesauri.find(id)),
  );
  private readonly tried = mapSliced(
    () => {
      const { made, isDone } = this.terms();
      const readers = this.readers();
      if (!isDone || readers.length === 0) return [];
      const trial = createEditTrial(readers, this.subject.project(), chooseTerms(made.flat()));
      return listTried(trial, this.thisYear).map((proposal) => ({ trial, proposal }));
    },
    ({ trial, proposal }) => tryEdit(trial, proposal),
  );
  /** The fewest changes that catch all that can be caught, as one change. */
  readonly smallest = computed(() => {
    const edits = this.isTried() ? this.edits() : [];
    const set = findSmallestSet(
      edits,
      this.obstacles().flatMap(({ keys }) => keys),
    );
    const mended = new Set(set.edits.flatMap(({ mends }) => [...mends]));
    // A record that no part keeps out by meaning is missed for a reason that no change mends.
    const isCaught = (keys: readonly string[]): boolean =>
      keys.length > 0 && keys.every((key) => mended.has(key));
    const change = joinEdits(this.subject.project(), set.edits, this.thisYear);
    const all = new Set(this.obstacles().map(({ mustFind }) => mustFind));
    const caught = new Set(
      this.obstacles()
        .filter(({ keys }) => isCaught(keys))
        .map(({ mustFind }) => mustFind),
    );
    return { ...set, change, caught: caught.size, left: all.size - caught.size };
  });

  constructor() {
    this.thesauri.followChosen();
    effect(() => {
      for (const { mustFind, cell, key, title } of this.cells()) {
        const others = this.listOthers(mustFind, cell.dialect.id);
        untracked(() => void this.fetch(cell, others, key, title));
      }
    });
  }

  /** The record of a must-find in a database that misses it. */
  find(mustFind: string, database: string): MissedRecord | undefined {
    return this.misses().find((one) => one.mustFind === mustFind && one.database === database);
  }

  private listOthers(mustFind: string, database: string): readonly MustFindCell[] {
    const cells = this.counts.standings().find((one) => one.mustFind.id === mustFind)?.cells ?? [];
    return cells.filter(({ dialect }) => dialect.id !== database);
  }

  /** Takes the record from the database that misses it, else as another one has it, without what is only its own. */
  private async fetch(
    own: MustFindCell,
    others: readonly MustFindCell[],
    key: string,
    title: string,
  ): Promise<void> {
    // Its string is still being written: this comes again once it is.
    if (this.asking.has(key) || !own.there) return;
    this.asking.add(key);
    let found: Fetched | undefined;
    const lenders = others.filter(({ standing }) => standing === 'found' || standing === 'missed');
    for (const cell of [own, ...lenders]) {
      const record = await this.fetchFrom(cell, title);
      if (!record) continue;
      found = cell === own ? { record } : { record: withoutHeadings(record), lender: cell.dialect.id };
      break;
    }
    // Another database may have it, once that is known: this comes again.
    if (!found && others.some(({ isWaiting, there }) => isWaiting && there?.countKey))
      this.asking.delete(key);
    else this.fetched.update((fetched) => new Map(fetched).set(key, found));
  }

  private async fetchFrom(
    { dialect, there }: MustFindCell,
    title: string,
  ): Promise<BibliographicRecord | undefined> {
    if (!there?.countKey) return undefined;
    const [string = ''] = listParts(there.countKey);
    const answer = await this.connections.find(dialect.id).ask('search', {
      string,
      sentLimiters: there.countKey.sentLimiters,
      start: 0,
      rows: FETCHED,
      sort: 'relevance',
    });
    const records = answer.ok ? answer.value.records : [];
    const wanted = normaliseTitle(title).join(' ');
    return records.find((one) => normaliseTitle(one.title).join(' ') === wanted) ?? records[0];
  }
}

/** A record, and the database that lent it, if it is not of the one that misses it. */
type Fetched = Pick<MissedRecord, 'record' | 'lender'>;

/** Headings are of one database: another one has its own, or none. */
function withoutHeadings(record: BibliographicRecord): BibliographicRecord {
  return { ...record, headings: [] };
}
