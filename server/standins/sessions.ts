import type { Clock } from '#core/holding/index';
import { createProblem, fail, succeed, type Outcome } from '#core/problem/index';

/** A session ends when nothing was asked in it for so long, in minutes. */
export const SESSION_MINUTES = 20;

/** What sessions may take up. */
export interface SessionLimits {
  /** Sessions at a time. */
  readonly sessions: number;
  /** Searches that one session remembers. */
  readonly searches: number;
  /** Bytes of all that is remembered in all sessions together. */
  readonly bytes: number;
}

export const USUAL_SESSIONS: SessionLimits = { sessions: 1_000, searches: 500, bytes: 64 * 1024 * 1024 };

/** What somebody is told to wait who finds no room: seconds. */
const PAUSE = 60;

/** The searches of one session, each as the records that it found: the first is set 1. */
export class Session {
  readonly sets: SharedArrayBuffer[] = [];
  /** What they take up. */
  bytes = 0;
  private turn: Promise<unknown> = Promise.resolve();

  constructor(
    readonly id: string,
    public last: number,
  ) {}

  /** Remembers searches, in their order. */
  add(sets: readonly SharedArrayBuffer[]): void {
    this.sets.push(...sets);
    for (const { byteLength } of sets) this.bytes += byteLength;
  }

  /** Does something when all that was begun before is done: the searches of a session have an order. */
  async inTurn<T>(work: () => Promise<T>): Promise<T> {
    const mine = this.turn.then(work);
    this.turn = mine.catch(() => undefined);
    return mine;
  }
}

/** The sessions of one stand-in: each remembers its searches until it ends. Nobody ends that of another. */
export class Sessions {
  private readonly open = new Map<string, Session>();

  constructor(
    private readonly clock: Clock,
    private readonly createId: () => string,
    private readonly database: string,
    private readonly limits: SessionLimits = USUAL_SESSIONS,
  ) {}

  /** Begins one, unless there are too many that have not ended. */
  begin(): Outcome<string> {
    for (const session of [...this.open.values()]) if (this.hasEnded(session)) this.open.delete(session.id);
    if (this.open.size >= this.limits.sessions)
      return fail(createProblem('service-busy', 'error', { database: this.database, seconds: PAUSE }));
    const session = new Session(this.createId(), this.clock());
    this.open.set(session.id, session);
    return succeed(session.id);
  }

  /** A session that has not ended; it goes on from now. */
  find(id: string): Session | undefined {
    const session = this.open.get(id);
    if (!session || this.hasEnded(session)) {
      this.open.delete(id);
      return undefined;
    }
    session.last = this.clock();
    return session;
  }

  /** Whether a session can remember so many searches more. */
  hasRoom(session: Session, searches: number): boolean {
    const bytes = [...this.open.values()].reduce((sum, one) => sum + one.bytes, 0);
    return session.sets.length + searches <= this.limits.searches && bytes <= this.limits.bytes;
  }

  /** Ends all of them. */
  forget(): void {
    this.open.clear();
  }

  private hasEnded({ last }: Session): boolean {
    return this.clock() - last > SESSION_MINUTES * 60_000;
  }
}
