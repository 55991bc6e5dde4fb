import type { Clock } from '#core/holding/index';

/** A session ends when nothing was asked in it for so long, in minutes. */
export const SESSION_MINUTES = 20;
const MOST_SESSIONS = 1_000;

/** The searches of one session, in their order: the first is set 1. */
export interface Session {
  readonly strings: string[];
  last: number;
}

/** The sessions of one stand-in: each remembers its searches until it ends. */
export class Sessions {
  private readonly open = new Map<string, Session>();

  constructor(
    private readonly clock: Clock,
    private readonly createId: () => string,
  ) {}

  begin(): string {
    const id = this.createId();
    this.open.set(id, { strings: [], last: this.clock() });
    const [oldest] = this.open.keys();
    if (this.open.size > MOST_SESSIONS && oldest !== undefined) this.open.delete(oldest);
    return id;
  }

  /** A session that has not ended; it goes on from now. */
  find(id: string): Session | undefined {
    const session = this.open.get(id);
    if (!session || this.clock() - session.last > SESSION_MINUTES * 60_000) {
      this.open.delete(id);
      return undefined;
    }
    session.last = this.clock();
    return session;
  }

  /** Ends all of them. */
  forget(): void {
    this.open.clear();
  }
}
