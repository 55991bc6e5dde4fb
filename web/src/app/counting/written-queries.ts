import { Injectable, inject, signal } from '@angular/core';
import { listLimiters, type Limiters } from '#core/limiter/index';
import { writeQuery, type Dialect, type Rendering } from '#core/dialect/index';
import type { QueryNode } from '#core/query/index';
import { createKey, type CountKey } from './count-state';
import { SLICE, nextTurn } from './turns';
import { WritingAids } from './writing-aids';
import { Connections } from '../state/connections';

/** A query as it would be sent: kept, so that it is written and named once. */
export interface WrittenQuery {
  /** How much was known of the database. */
  readonly known: number;
  readonly rendering: Rendering;
  readonly countKey: CountKey | undefined;
  /** The text of the count key; empty without one. */
  readonly key: string;
}

/** A query that is written when there is time. */
interface LaterQuery {
  readonly root: QueryNode;
  readonly dialect: Dialect;
  readonly limiters: Limiters;
  /** It is asked for as soon as it is written. */
  readonly asks: boolean;
}

/** After so many slices those who wait are told of what is written so far. */
const SLICES_UNTOLD = 50;
/** So many are asked of a database at once, so that answers come in few pieces. */
const LATER_BATCH = 150;
/** No more than so many characters go together, so that a database has work while its next strings are written. */
const LATER_CHARACTERS = 120_000;
/** A query is kept as written under so many sets of limiters. */
const MAX_LIMITERS = 60;

/** The queries that wait to be written for one database, each once, in the order of asking. */
class LaterQueue {
  private readonly byRoot = new Map<QueryNode, LaterQuery[]>();

  add(query: LaterQuery): this {
    const same = this.byRoot.get(query.root);
    if (!same) this.byRoot.set(query.root, [query]);
    else if (!same.some(({ limiters }) => describeLimiters(limiters) === describeLimiters(query.limiters)))
      same.push(query);
    return this;
  }

  take(): LaterQuery | undefined {
    const [first] = this.byRoot;
    if (!first) return undefined;
    const [root, queries] = first;
    const next = queries.shift();
    if (queries.length === 0) this.byRoot.delete(root);
    return next;
  }

  isEmpty(): boolean {
    return this.byRoot.size === 0;
  }
}

/** Queries as they are sent: each is written once, and where there are many, in slices between other work. */
@Injectable({ providedIn: 'root' })
export class WrittenQueries {
  private readonly aids = inject(WritingAids);
  private readonly connections = inject(Connections);
  /** By the text of the limiters: one query is asked under several. */
  private readonly written = new WeakMap<QueryNode, Map<Dialect, Map<string, WrittenQuery>>>();
  /** Queries that are written when there is time, by database: one has its strings while others are written for. */
  private readonly later = new Map<Dialect, LaterQueue>();
  /** Wishes of queries that were written and are to be asked for together. */
  private readonly ready: CountKey[] = [];
  private readyCharacters = 0;
  /** Of the database whose turn it is. */
  private readyCount = 0;
  private readonly laterDone = signal(0);
  private isWriting = false;
  private slices = 0;

  /** Asks for what was written and is to be asked for at once; counting sets it. */
  onReady: (countKeys: readonly CountKey[]) => void = () => undefined;

  /** Trees, dialects and limiters are values: the same ones give the same rendering, so it is written once. */
  write(root: QueryNode, dialect: Dialect, limiters: Limiters): WrittenQuery {
    const last = this.findWritten(root, dialect, limiters);
    if (last) return last;
    const rendering = writeQuery(root, dialect, { limiters, ...this.aids.createSettings(dialect) });
    const countKey =
      rendering.problems.length > 0
        ? undefined
        : { database: dialect.id, string: rendering.text, sentLimiters: rendering.sentLimiters };
    const known = this.aids.countKnown(dialect);
    const written = { known, rendering, countKey, key: countKey ? createKey(countKey) : '' };
    const byDialect = this.written.get(root) ?? new Map<Dialect, Map<string, WrittenQuery>>();
    const byLimiters = byDialect.get(dialect) ?? new Map<string, WrittenQuery>();
    if (byLimiters.size >= MAX_LIMITERS) byLimiters.clear();
    this.written.set(root, byDialect.set(dialect, byLimiters.set(describeLimiters(limiters), written)));
    return written;
  }

  /** Whether a query is written. If not, a computation that asks runs again when more is. */
  isWritten(root: QueryNode, dialect: Dialect, limiters: Limiters): boolean {
    if (this.findWritten(root, dialect, limiters)) return true;
    this.laterDone();
    return false;
  }

  /** As `isWritten`; a query that is not written will be, in the order of asking, and asked for if it `asks`. */
  isWrittenSoon(root: QueryNode, dialect: Dialect, limiters: Limiters, asks: boolean): boolean {
    if (this.isWritten(root, dialect, limiters)) return true;
    const queue = this.later.get(dialect) ?? new LaterQueue();
    this.later.set(dialect, queue.add({ root, dialect, limiters, asks }));
    if (!this.isWriting) void this.writeInTurns();
    return false;
  }

  /** What is sent for a query, if anything: it stays the same when counts come. */
  findCountKey(root: QueryNode, dialect: Dialect, limiters: Limiters): CountKey | undefined {
    return this.connections.isByHand(dialect.id) ? undefined : this.write(root, dialect, limiters).countKey;
  }

  /** As `findCountKey`, for queries of which there are many: one that is not written is written soon, and asked for. */
  findKeyLater(root: QueryNode, dialect: Dialect, limiters: Limiters): CountKey | undefined {
    return this.isWrittenSoon(root, dialect, limiters, true)
      ? this.findCountKey(root, dialect, limiters)
      : undefined;
  }

  /** Gives up what waits to be written: it belongs to a state of the project that is gone. */
  dropLater(): void {
    this.later.clear();
  }

  private async writeInTurns(): Promise<void> {
    this.isWriting = true;
    while (this.isWriting) {
      await nextTurn();
      this.writeSlice();
    }
  }

  private writeSlice(): void {
    const end = performance.now() + SLICE;
    for (let next = this.takeLater(); next; next = this.takeLater()) {
      const { countKey } = this.write(next.root, next.dialect, next.limiters);
      if (countKey && next.asks && !this.connections.isByHand(countKey.database)) {
        this.ready.push(countKey);
        this.readyCharacters += countKey.string.length;
        this.readyCount++;
      }
      if (performance.now() > end) break;
    }
    this.isWriting = this.later.size > 0;
    if (++this.slices % SLICES_UNTOLD === 0 || !this.isWriting) this.laterDone.update((turn) => turn + 1);
    if (!this.isWriting) this.askForReady();
  }

  /** The next query of the database whose turn it is; what is ready for it is asked for before the next one's turn. */
  private takeLater(): LaterQuery | undefined {
    const [turn] = this.later;
    if (!turn) return undefined;
    const [dialect, queue] = turn;
    if (this.readyCharacters >= LATER_CHARACTERS) this.askForReady();
    const next = this.readyCount < LATER_BATCH ? queue.take() : undefined;
    if (next) return next;
    this.askForReady();
    this.readyCount = 0;
    this.later.delete(dialect);
    if (!queue.isEmpty()) this.later.set(dialect, queue);
    return this.takeLater();
  }

  private askForReady(): void {
    this.readyCharacters = 0;
    this.onReady(this.ready.splice(0));
  }

  private findWritten(root: QueryNode, dialect: Dialect, limiters: Limiters): WrittenQuery | undefined {
    const last = this.written.get(root)?.get(dialect)?.get(describeLimiters(limiters));
    return last?.known === this.aids.countKnown(dialect) ? last : undefined;
  }
}

const LIMITER_TEXTS = new WeakMap<Limiters, string>();

/** The limiters as a text that is the same for equal ones. */
function describeLimiters(limiters: Limiters): string {
  const known = LIMITER_TEXTS.get(limiters);
  if (known !== undefined) return known;
  const text = JSON.stringify(listLimiters(limiters));
  LIMITER_TEXTS.set(limiters, text);
  return text;
}
