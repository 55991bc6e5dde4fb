import { Injectable, computed, inject, signal } from '@angular/core';
import { type LimitedQuery } from '#core/compare/index';
import {
  createMustFindQuery,
  createRecallQuery,
  createWantedQuery,
  judgeMustFind,
  listOpenMustFinds,
  tellByGroups,
  type GroupCounts,
  type MustFindStanding,
} from '#core/must-finds/index';
import type { Dialect } from '#core/dialect/index';
import type { MustFind, SearchState } from '#core/project/index';
import { printQuery } from '#core/query/index';
import { listParts, type Counted } from '../counting/count-state';
import { Connections } from '../state/connections';
import { OpenProject } from '../state/open-project';
import { CompareSubject } from './compare-subject';
import { findObstacle, getAmount, getExact, getGreatest } from '#core/count/index';
import { readCount } from '../counting/read-count';
import { RecordSets } from './record-sets';

/** A must-find in one database, with the counts that say how it stands. */
export interface MustFindCell {
  readonly dialect: Dialect;
  readonly standing: MustFindStanding;
  /** How it stands will be known once counts are there that are on their way, or to be made by hand. */
  readonly isWaiting: boolean;
  /** How many records with its title the database has. */
  readonly there: Counted | undefined;
  readonly found: Counted | undefined;
  /** Of those that are asked in groups, what all need stands with the first. */
  readonly asked: readonly (Counted | undefined)[];
}

/** What is counted of all must-finds together, in a database that takes one string after the other. */
export interface GroupTotals {
  readonly dialect: Dialect;
  readonly there: number;
  readonly found: number;
}

/** Whether the must-finds are in the databases, and whether a state finds them. */
@Injectable()
export class MustFindCounts {
  private readonly open = inject(OpenProject);
  private readonly subject = inject(CompareSubject);
  private readonly sets = inject(RecordSets);
  private readonly connections = inject(Connections);
  private readonly listed = signal<ReadonlyMap<string, number>>(new Map());
  private readonly asking = new Set<string>();

  /** Those that are put aside feed nothing here. */
  readonly mustFinds = computed(() => listOpenMustFinds(this.open.project().mustFinds));
  readonly aside = computed(() => this.open.project().mustFinds.filter(({ isAside }) => isAside));

  /** How each must-find stands with what is looked at, in each of its databases. */
  readonly standings = computed(() => {
    const mustFinds = this.mustFinds();
    const cells = this.look(mustFinds, this.subject.state(), this.subject.dialects());
    return mustFinds.map((mustFind, at) => ({ mustFind, cells: cells[at] ?? [] }));
  });

  /** How must-finds stand with a state: for each a cell a database; each asked alone if that is wanted. */
  private look(
    mustFinds: readonly MustFind[],
    state: SearchState,
    dialects: readonly Dialect[],
    isEachAlone = false,
  ): (readonly MustFindCell[])[] {
    const columns = dialects.map((dialect) =>
      !isEachAlone && this.isAskedInGroups(dialect.id)
        ? this.lookInGroups(mustFinds, state, dialect)
        : mustFinds.map((mustFind) => this.lookSingle(mustFind, state, dialect)),
    );
    return mustFinds.map((_, at) => columns.flatMap((column) => column[at] ?? []));
  }

  /**
   * How many a state finds in any database, of how many that are in any; of those that are open, or of some others.
   * Works of which is only known that they are not missed are not among these numbers, unless each is asked alone.
   */
  summarise(
    state: SearchState,
    dialects: readonly Dialect[],
    mustFinds: readonly MustFind[] = this.mustFinds(),
    isEachAlone = false,
  ) {
    const standings = this.look(mustFinds, state, dialects, isEachAlone);
    const has = (cells: readonly MustFindCell[], wanted: MustFindStanding): boolean =>
      cells.some(({ standing }) => standing === wanted);
    const isUnsettled = (cells: readonly MustFindCell[]): boolean =>
      !has(cells, 'found') && has(cells, 'not-missed');
    return {
      found: standings.filter((cells) => has(cells, 'found')).length,
      there: standings.filter((cells) => (has(cells, 'found') || has(cells, 'missed')) && !isUnsettled(cells))
        .length,
      /** Found in a database that was asked for all together, or not in it. */
      unsettled: standings.filter(isUnsettled).length,
      absent: standings.filter((cells) => cells.every(({ standing }) => standing === 'not-there')).length,
      isKnown: standings.every((cells) => has(cells, 'found') || !has(cells, 'unknown')),
      /** What is told of all together, where not each is told for itself. */
      groups: dialects.flatMap((dialect, at) =>
        standings.some((cells) => cells[at]?.standing === 'not-missed')
          ? this.totalGroup(mustFinds, state, dialect)
          : [],
      ),
      asked: standings.flatMap((cells) => cells.flatMap(({ asked }) => asked)),
    };
  }

  private lookSingle(mustFind: MustFind, state: SearchState, dialect: Dialect): MustFindCell {
    const query = createMustFindQuery(mustFind);
    if (!query) return createUnasked(dialect);
    const there = this.lookThere([mustFind], dialect);
    const found = this.lookFound([mustFind], state, dialect);
    const listed = this.isAlike(found, state, dialect) ? undefined : this.lookListed(query, state, dialect);
    const standing = judgeMustFind(
      readTotal(there),
      this.isAlike(found, state, dialect) ? readTotal(found) : listed,
    );
    const isWaiting = [there, found].some((counted) => readCount(counted).status === 'pending');
    return { dialect, standing, isWaiting, there, found, asked: [there, found] };
  }

  /** Where strings go out one after the other, by hand or to a server, fewer are better. */
  private isAskedInGroups(database: string): boolean {
    const connection = this.connections.find(database);
    return connection.kind === 'by-hand' || connection.traits()?.asksOneByOne === true;
  }

  /** As `lookSingle`, for all at once: told apart by halving where some are missed. */
  private lookInGroups(mustFinds: readonly MustFind[], state: SearchState, dialect: Dialect): MustFindCell[] {
    const withQuery = mustFinds.filter((mustFind) => createMustFindQuery(mustFind));
    const pick = (group: readonly number[]): MustFind[] => group.flatMap((at) => withQuery[at] ?? []);
    const { standings, needed } = tellByGroups(withQuery.length, (group) =>
      this.readGroup(pick(group), state, dialect),
    );
    const asked = needed.map(({ group, count }) =>
      count === 'there' ? this.lookThere(pick(group), dialect) : this.lookFound(pick(group), state, dialect),
    );
    return mustFinds.map((mustFind, at) => {
      const standing = standings[withQuery.indexOf(mustFind)] ?? 'unknown';
      // The record of one that is missed is fetched by the string that finds it.
      const there = standing === 'missed' ? this.lookThere([mustFind], dialect) : undefined;
      const found = standing === 'found' ? this.lookFound([mustFind], state, dialect) : undefined;
      const isWaiting = standing === 'unknown' && needed.length > 0 && withQuery.includes(mustFind);
      return { dialect, standing, isWaiting, there, found, asked: at === 0 ? asked : [] };
    });
  }

  private readGroup(group: readonly MustFind[], state: SearchState, dialect: Dialect): GroupCounts {
    const there = this.lookThere(group, dialect);
    const found = this.lookFound(group, state, dialect);
    const isRefused =
      !isWhole(there) ||
      !isWhole(found) ||
      !this.isAlike(found, state, dialect) ||
      this.isInexact(there, found);
    if (isRefused && group.length > 1) return { there: undefined, found: undefined, isRefused };
    const read = (counted: Counted | undefined): number | undefined =>
      group.length > 1 ? getExact(getAmount(readCount(counted))) : readTotal(counted);
    return { there: read(there), found: this.isAlike(found, state, dialect) ? read(found) : undefined };
  }

  private isInexact(...counts: readonly (Counted | undefined)[]): boolean {
    return counts.some((counted) => {
      const amount = getAmount(readCount(counted));
      return amount !== undefined && getExact(amount) === undefined;
    });
  }

  private totalGroup(mustFinds: readonly MustFind[], state: SearchState, dialect: Dialect): GroupTotals[] {
    const withQuery = mustFinds.filter((mustFind) => createMustFindQuery(mustFind));
    const { there, found } = this.readGroup(withQuery, state, dialect);
    return there === undefined || found === undefined ? [] : [{ dialect, there, found }];
  }

  private lookThere(mustFinds: readonly MustFind[], dialect: Dialect): Counted | undefined {
    return this.subject.look({ root: createWantedQuery(mustFinds), limiters: {} }, dialect);
  }

  private lookFound(
    mustFinds: readonly MustFind[],
    state: SearchState,
    dialect: Dialect,
  ): Counted | undefined {
    const root = createRecallQuery(this.subject.read(state), mustFinds);
    return this.subject.look({ root, limiters: state.limiters }, dialect);
  }

  /** The query is searched in the same fields with must-finds beside it as without. */
  private isAlike(found: Counted | undefined, state: SearchState, dialect: Dialect): boolean {
    const whole = this.subject.look({ root: this.subject.read(state), limiters: state.limiters }, dialect);
    return findObstacle(readCount(found), readCount(whole)) !== 'other-fields';
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

/** All of the query goes out in one string. */
function isWhole(counted: Counted | undefined): boolean {
  if (!counted) return true;
  const key = counted.countKey ?? counted.byHand;
  return counted.rendering.omitted === undefined && key !== undefined && listParts(key).length === 1;
}

/** A must-find that has neither a title nor an identifier that can be asked for. */
function createUnasked(dialect: Dialect): MustFindCell {
  return { dialect, standing: 'unknown', isWaiting: false, there: undefined, found: undefined, asked: [] };
}
