import { Injectable, inject } from '@angular/core';
import type { Dialect, Rendering } from '#core/dialect/index';
import type { LimiterName, Limiters } from '#core/limiter/index';
import type { QueryNode } from '#core/query/index';
import { Connections } from '../state/connections';
import { AskedCounts } from './asked-counts';
import { createKey, type CountState, type CountKey, type Counted } from './count-state';
import { KnownCounts } from './known-counts';
import { TypedCounts } from './typed-counts';
import { WrittenQueries } from './written-queries';

/** Standing values: who compares states sees that nothing changed. */
const EMPTY: CountState = { status: 'empty' };
const NOTHING_MISSING: readonly LimiterName[] = [];

/**
 * The counts of queries: written, asked for and known. To look at a count is to want it: read in a computation,
 * it is asked for and followed, for as long as somebody shows what comes of it.
 */
@Injectable({ providedIn: 'root' })
export class Counts {
  private readonly queries = inject(WrittenQueries);
  private readonly asked = inject(AskedCounts);
  private readonly known = inject(KnownCounts);
  private readonly typed = inject(TypedCounts);
  private readonly connections = inject(Connections);

  constructor() {
    this.queries.onReady = (countKeys) => this.asked.ask(countKeys);
  }

  /** Writes a query in a dialect, asks for its count and says how that stands. */
  look(root: QueryNode, dialect: Dialect, limiters: Limiters): Counted {
    const counted = this.peek(root, dialect, limiters);
    if (counted.countKey && counted.state.status === 'waiting') this.asked.ask([counted.countKey]);
    return counted;
  }

  /** As `look`, without asking: the count comes if somebody else asks for it. */
  peek(root: QueryNode, dialect: Dialect, limiters: Limiters): Counted {
    const { rendering, countKey, key } = this.queries.write(root, dialect, limiters);
    const isByHand = this.connections.isByHand(dialect.id);
    const missingLimiters = listMissing(rendering, isByHand);
    const [problem] = rendering.problems;
    const isEmpty = problem?.code === 'nothing-to-send' && !hasReasons(rendering);
    const create = (state: CountState): Counted => ({
      root,
      rendering,
      countKey: undefined,
      state,
      limiters,
      missingLimiters,
    });
    if (isEmpty) return create(EMPTY);
    if (problem) return create({ status: 'failed', problem });
    if (countKey && isByHand)
      return { ...create(this.typed.look(countKey, dialect, limiters)), byHand: { ...countKey, limiters } };
    return { ...create(this.known.get(key)), countKey };
  }

  /**
   * As `look`, for queries of which there are many: one that was not written before is written in a
   * short slice of time between other work, in the order of asking. Until then there is nothing.
   */
  lookLater(root: QueryNode, dialect: Dialect, limiters: Limiters): Counted | undefined {
    return this.queries.isWrittenSoon(root, dialect, limiters, true)
      ? this.look(root, dialect, limiters)
      : undefined;
  }

  /** As `lookLater`, without asking. */
  peekLater(root: QueryNode, dialect: Dialect, limiters: Limiters): Counted | undefined {
    return this.queries.isWrittenSoon(root, dialect, limiters, false)
      ? this.peek(root, dialect, limiters)
      : undefined;
  }

  /** As `look`, for a query that may not be written yet: then nothing, and it is not written for this. */
  lookIfWritten(root: QueryNode, dialect: Dialect, limiters: Limiters): Counted | undefined {
    return this.queries.isWritten(root, dialect, limiters) ? this.look(root, dialect, limiters) : undefined;
  }

  /** How the count of a key stands; it is not asked for. */
  stateOf(countKey: CountKey): CountState {
    return this.known.get(createKey(countKey));
  }

  /** The counts that are not made yet, each once; those that failed are not among them. */
  listUnknown(countKeys: readonly CountKey[]): CountKey[] {
    const each = new Map(countKeys.map((countKey) => [createKey(countKey), countKey]));
    return [...each]
      .filter(([key]) => this.known.get(key).status === 'waiting')
      .map(([, countKey]) => countKey);
  }
}

/** The limiters that a count goes without. The person who counts on a database's page sets them there. */
function listMissing({ steps }: Rendering, isByHand: boolean): readonly LimiterName[] {
  const missing = steps.filter(({ how }) => how === 'none' || (how === 'hand' && !isByHand));
  return missing.length === 0 ? NOTHING_MISSING : missing.map(({ limiter }) => limiter);
}

/** Something of the query was left out for a reason of the database: that is to be said. */
function hasReasons({ fidelity }: Rendering): boolean {
  return [...fidelity.values()].some(({ reasons }) => reasons.length > 0);
}
