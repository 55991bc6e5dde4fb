import { Injectable, computed, inject, signal } from '@angular/core';
import { createWithout, listItems } from '#core/outline/index';
import type { Dialect } from '#core/dialect/index';
import { printQuery, type QueryNode } from '#core/query/index';
import { compareCounts, measureTenfolds, type Amount, type Comparison } from '#core/count/index';
import { getAmount, type Counted } from '../counting/count-state';
import { readCount } from '../counting/read-count';
import { shortenApart } from '../ui/short-texts';
import { Counts } from '../counting/counts';
import { OpenProject } from '../state/open-project';
import { QueryDesk } from './query-desk';
import type { OutlineRow } from '#core/outline/index';
import { WrittenQueries } from '../counting/written-queries';

/** The count of a row in a database, and for an excluded row what it removed there. */
export interface RowCell {
  readonly dialect: Dialect;
  readonly counted: Counted | undefined;
  readonly removed: Comparison | undefined;
  /** The row is not meant for this database. */
  readonly isElsewhere: boolean;
}

/** A member of a group and what the group would find without it. */
export interface GroupMember {
  readonly label: string;
  readonly block: string | undefined;
  readonly isExcluded: boolean;
  /** It takes no part, so there is nothing to leave out. */
  readonly isOff: boolean;
  /** Nothing is left without it. */
  readonly isLast: boolean;
  readonly counted: Counted | undefined;
}

/** A group depends on a member if going without it changes the count at least so many times. */
const DOMINATES = 1.5;
/** What a member is called is cut after so many characters. */
const LABEL_LENGTH = 24;
/** In larger groups the one member on which it depends is not looked for. */
const MAX_MEMBERS = 40;

/** The numbers of the rows of the outline. */
@Injectable()
export class QueryNumbers {
  private readonly open = inject(OpenProject);
  private readonly counts = inject(Counts);
  private readonly queries = inject(WrittenQueries);
  private readonly desk = inject(QueryDesk);

  /** The database that what needs one is asked of. */
  private readonly chosen = signal<string | undefined>(undefined);
  readonly database = computed<Dialect | undefined>(() => {
    const dialects = this.open.dialects();
    return dialects.find((dialect) => dialect.id === this.chosen()) ?? dialects[0];
  });

  choose(database: string): void {
    this.chosen.set(database);
  }

  look(root: QueryNode, dialect: Dialect): Counted {
    return this.counts.look(root, dialect, this.open.limiters());
  }

  readonly rows = computed(() => {
    this.queries.dropLater();
    return this.desk
      .rows()
      .map((row) => ({ row, cells: this.open.dialects().map((dialect) => this.describe(row, dialect)) }));
  });

  /** What each group would find without each of its members, in the chosen database. */
  readonly withouts = computed<ReadonlyMap<string, readonly GroupMember[]>>(() => {
    const dialect = this.database();
    const found = new Map<string, GroupMember[]>();
    if (!dialect) return found;
    for (const row of this.desk.rows()) {
      if (row.item.body.kind !== 'group' || row.isOff || row.item.body.join === 'near') continue;
      const { members, excluded } = row.item.body;
      if (members.length + excluded.length > MAX_MEMBERS) continue;
      const inners = listItems(row.item).map((_, at) =>
        this.desk.rowsByKey().get(createChildKey(row.key, at)),
      );
      const labels = shortenApart(inners.map(nameRow), LABEL_LENGTH);
      found.set(
        row.key,
        inners.map((inner, at) => {
          const query = createWithout(row.item, at);
          const isOff = inner?.isOff !== false;
          return {
            label: labels[at] ?? '',
            block: inner?.block,
            isExcluded: at >= members.length,
            isOff,
            isLast: query === undefined,
            counted:
              isOff || !query
                ? undefined
                : this.counts.lookLater(row.place(query), dialect, this.open.limiters()),
          };
        }),
      );
    }
    return found;
  });

  /** The member on which a group depends most: without it, it finds many more or many fewer. */
  findDominant(row: OutlineRow): { member: GroupMember; amount: Amount } | undefined {
    const dialect = this.database();
    const members = this.withouts().get(row.key);
    if (!dialect || !members || members.length < 2) return undefined;
    const whole = readCount(this.look(row.query, dialect));
    let best: { member: GroupMember; amount: Amount; change: number } | undefined;
    for (const member of members) {
      const amount = getAmount(member.counted?.state);
      const tenfolds = measureTenfolds(readCount(member.counted), whole);
      if (!amount || tenfolds === undefined) continue;
      const change = Math.abs(tenfolds);
      if (change >= Math.log10(DOMINATES) && change > (best?.change ?? 0)) best = { member, amount, change };
    }
    return best;
  }

  private describe(row: OutlineRow, dialect: Dialect): RowCell {
    const isElsewhere = row.databases !== undefined && !row.databases.includes(dialect.id);
    if (row.isOff || isElsewhere) return { dialect, counted: undefined, removed: undefined, isElsewhere };
    const counted = this.look(row.query, dialect);
    const [before, after] = this.removal(row, dialect);
    const removed = before && after ? compareCounts(readCount(before), readCount(after)) : undefined;
    return { dialect, counted, removed, isElsewhere };
  }

  private removal(row: OutlineRow, dialect: Dialect): (Counted | undefined)[] {
    if (!row.removal) return [];
    return [row.removal.before, row.removal.after].map((query) => this.look(query, dialect));
  }
}

/** The key of a child of a row. */
function createChildKey(key: string, at: number): string {
  return key === '' || key.endsWith('/') ? `${key}${at}` : `${key}.${at}`;
}

/** What a row is called where it is spoken of. */
function nameRow(row: OutlineRow | undefined): string {
  if (!row) return '';
  if (row.use) return `@${row.use.name}`;
  return row.text || printQuery(row.item.body.kind === 'leaf' ? row.item.body.node : row.query);
}
