import { Injectable, computed, effect, inject, signal, untracked } from '@angular/core';
import { LIMITER_NAMES } from '#core/limiter/index';
import {
  createPartReader,
  findSmallestSet,
  joinEdits,
  listEdits,
  listObstacles,
  type MissedRecord,
} from '#core/must-finds/index';
import { normaliseTitle, type BibliographicRecord } from '#core/record/index';
import { listParts } from '../counting/count-state';
import { CompareSubject } from '../comparing/compare-subject';
import { MustFindCounts, type MustFindCell } from '../comparing/must-find-counts';
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
  private readonly fetched = signal<ReadonlyMap<string, BibliographicRecord | undefined>>(new Map());
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
      const record = fetched.get(key);
      return record ? [{ mustFind, database: cell.dialect.id, record }] : [];
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
  readonly edits = computed(() =>
    listEdits(this.readers(), this.subject.project(), this.thisYear, (id) => this.thesauri.find(id)),
  );
  /** The fewest changes that catch all that can be caught, as one change. */
  readonly smallest = computed(() => {
    const edits = this.edits();
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
      for (const { cell, key, title } of this.cells()) untracked(() => void this.fetch(cell, key, title));
    });
  }

  /** The record of a must-find in a database that misses it. */
  find(mustFind: string, database: string): MissedRecord | undefined {
    return this.misses().find((one) => one.mustFind === mustFind && one.database === database);
  }

  private async fetch({ dialect, there }: MustFindCell, key: string, title: string): Promise<void> {
    if (this.asking.has(key) || !there?.countKey) return;
    this.asking.add(key);
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
    const record = records.find((one) => normaliseTitle(one.title).join(' ') === wanted) ?? records[0];
    this.fetched.update((fetched) => new Map(fetched).set(key, record));
  }
}
