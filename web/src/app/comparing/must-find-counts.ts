import { Injectable, computed, inject, signal } from '@angular/core';
import { type LimitedQuery } from '#core/compare/index';
import {
  createMustFindQuery,
  judgeMustFind,
  listOpenMustFinds,
  type MustFindStanding,
} from '#core/must-finds/index';
import type { Dialect } from '#core/dialect/index';
import type { MustFind, SearchState } from '#core/project/index';
import { build, printQuery } from '#core/query/index';
import type { Counted } from '../counting/count-state';
import { OpenProject } from '../state/open-project';
import { CompareSubject } from './compare-subject';
import { findObstacle, getAmount, getGreatest } from '#core/count/index';
import { readCount } from '../counting/read-count';
import { RecordSets } from './record-sets';

/** A must-find in one database, with the counts that say how it stands. */
export interface MustFindCell {
  readonly dialect: Dialect;
  readonly standing: MustFindStanding;
  /** How many records with its title the database has. */
  readonly there: Counted | undefined;
  readonly found: Counted | undefined;
  readonly asked: readonly (Counted | undefined)[];
}

/** Whether the must-finds are in the databases, and whether a state finds them. */
@Injectable()
export class MustFindCounts {
  private readonly open = inject(OpenProject);
  private readonly subject = inject(CompareSubject);
  private readonly sets = inject(RecordSets);
  private readonly listed = signal<ReadonlyMap<string, number>>(new Map());
  private readonly asking = new Set<string>();

  /** Those that are put aside feed nothing here. */
  readonly mustFinds = computed(() => listOpenMustFinds(this.open.project().mustFinds));
  readonly aside = computed(() => this.open.project().mustFinds.filter(({ isAside }) => isAside));

  /** How each must-find stands with what is looked at, in each of its databases. */
  readonly standings = computed(() =>
    this.mustFinds().map((mustFind) => ({
      mustFind,
      cells: this.look(mustFind, this.subject.state(), this.subject.dialects()),
    })),
  );

  /** How one must-find stands with a state in each database. */
  look(mustFind: MustFind, state: SearchState, dialects: readonly Dialect[]): MustFindCell[] {
    const query = createMustFindQuery(mustFind);
    return dialects.map((dialect) => {
      if (!query) return { dialect, standing: 'unknown', there: undefined, found: undefined, asked: [] };
      const there = this.subject.look({ root: query, limiters: {} }, dialect);
      const both = build.and(this.subject.read(state), query);
      const found = this.subject.look({ root: both, limiters: state.limiters }, dialect);
      const whole = this.subject.look({ root: this.subject.read(state), limiters: state.limiters }, dialect);
      const isAlike = findObstacle(readCount(found), readCount(whole)) !== 'other-fields';
      const listed = isAlike ? undefined : this.lookListed(query, state, dialect);
      return {
        dialect,
        standing: judgeMustFind(readTotal(there), isAlike ? readTotal(found) : listed),
        there,
        found,
        asked: [there, found],
      };
    });
  }

  /** How many a state finds in any database, of how many that are in any; of those that are open, or of some others. */
  summarise(
    state: SearchState,
    dialects: readonly Dialect[],
    mustFinds: readonly MustFind[] = this.mustFinds(),
  ) {
    const standings = mustFinds.map((mustFind) => this.look(mustFind, state, dialects));
    const has = (cells: readonly MustFindCell[], wanted: MustFindStanding): boolean =>
      cells.some(({ standing }) => standing === wanted);
    return {
      found: standings.filter((cells) => has(cells, 'found')).length,
      there: standings.filter((cells) => has(cells, 'found') || has(cells, 'missed')).length,
      absent: standings.filter((cells) => cells.every(({ standing }) => standing === 'not-there')).length,
      isKnown: standings.every((cells) => has(cells, 'found') || !has(cells, 'unknown')),
      asked: standings.flatMap((cells) => cells.flatMap(({ asked }) => asked)),
    };
  }

  /** How many records with the title the state finds, record by record, where the database gives them. */
  private lookListed(query: LimitedQuery['root'], state: SearchState, dialect: Dialect): number | undefined {
    const key = `${dialect.id} ${printQuery(query)} ${JSON.stringify(state.limiters)} ${printQuery(this.subject.read(state))}`;
    const known = this.listed().get(key);
    if (known !== undefined || this.asking.has(key)) return known;
    this.asking.add(key);
    void this.countListed(query, state, dialect).then((count) => {
      if (count !== undefined) this.listed.update((listed) => new Map(listed).set(key, count));
    });
    return undefined;
  }

  private async countListed(
    query: LimitedQuery['root'],
    state: SearchState,
    dialect: Dialect,
  ): Promise<number | undefined> {
    if (!(await this.sets.gives(dialect))) return undefined;
    const found = await this.sets.list({ root: this.subject.read(state), limiters: state.limiters }, dialect);
    const titled = await this.sets.list({ root: query, limiters: {} }, dialect);
    if (!found.ok || !titled.ok) return undefined;
    const numbers = new Set(found.value.numbers);
    return titled.value.numbers.filter((number) => numbers.has(number)).length;
  }
}

/** A few records more or less are no matter here: there are some, or there are none. */
function readTotal(counted: Counted | undefined): number | undefined {
  const amount = getAmount(readCount(counted));
  return amount && getGreatest(amount);
}
