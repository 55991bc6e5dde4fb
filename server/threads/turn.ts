import type { Clock } from '#core/holding/index';

/** Why a turn ended before its work did. */
export type TurnEnd = 'late' | 'yielded' | 'given-up';

/** How long a turn may be, in milliseconds. */
export interface TurnLimits {
  /** Of computing, in all. */
  readonly work: number;
  /** By the clock on the wall, in all. */
  readonly wall: number;
  /** Of computing, before it lets others have their turn if any wait. */
  readonly slice: number;
}

/** The time of one job in a thread: says whether to stop, and why. */
export class Turn {
  private reason: TurnEnd | undefined;
  private readonly begun: number;
  private readonly begunWall = performance.now();

  constructor(
    private readonly clock: Clock,
    private readonly limits: TurnLimits,
    private readonly asks: { isGivenUp(): boolean; doOthersWait(): boolean },
  ) {
    this.begun = clock();
  }

  /** Why it ended; nothing as long as the work may go on. */
  get end(): TurnEnd | undefined {
    return this.reason;
  }

  /** True once the work has to stop. */
  readonly isOver = (): boolean => {
    this.reason ??= this.look();
    return this.reason !== undefined;
  };

  /** A shorter time within this one, from now on: a share of what is left. */
  share(milliseconds: number): () => boolean {
    const start = this.clock();
    return () => this.isOver() || this.clock() - start > milliseconds;
  }

  /** Milliseconds of computing that are left. */
  get left(): number {
    return Math.max(0, this.limits.work - (this.clock() - this.begun));
  }

  private look(): TurnEnd | undefined {
    if (this.asks.isGivenUp()) return 'given-up';
    const work = this.clock() - this.begun;
    if (work > this.limits.work || performance.now() - this.begunWall > this.limits.wall) return 'late';
    return work > this.limits.slice && this.asks.doOthersWait() ? 'yielded' : undefined;
  }
}
