import { describe, expect, it } from 'vitest';
import { SESSION_MINUTES, Sessions, type SessionLimits } from './sessions';

const LIMITS: SessionLimits = { sessions: 3, searches: 4, bytes: 100 };
const createSessions = () => {
  let now = 0;
  let number = 0;
  const sessions = new Sessions(
    () => now,
    () => `session ${++number}`,
    'heronsmere',
    LIMITS,
  );
  return { sessions, wait: (minutes: number) => (now += minutes * 60_000) };
};
const begin = (sessions: Sessions): string => {
  const begun = sessions.begin();
  if (!begun.ok) throw new Error('There is no room.');
  return begun.value;
};
const set = (bytes: number): SharedArrayBuffer => new SharedArrayBuffer(bytes);

describe('sessions', () => {
  it('are no more than there is room for, and none ends because others begin', () => {
    const { sessions } = createSessions();
    const ids = [begin(sessions), begin(sessions), begin(sessions)];
    expect(sessions.begin()).toMatchObject({ ok: false, problem: { code: 'service-busy' } });
    for (const id of ids) expect(sessions.find(id)?.id).toBe(id);
  });

  it('make room when they have ended by themselves', () => {
    const { sessions, wait } = createSessions();
    const [first] = [begin(sessions), begin(sessions), begin(sessions)];
    wait(SESSION_MINUTES - 1);
    sessions.find(first);
    wait(2);
    expect(sessions.begin().ok && sessions.begin().ok).toBe(true);
    expect(sessions.begin().ok).toBe(false);
    expect(sessions.find(first)).toBeDefined();
  });

  it('remember only so many searches, and so many bytes all together', () => {
    const { sessions } = createSessions();
    const one = sessions.find(begin(sessions))!;
    const other = sessions.find(begin(sessions))!;
    expect([sessions.hasRoom(one, 4), sessions.hasRoom(one, 5)]).toEqual([true, false]);
    one.add([set(8), set(8), set(8)]);
    expect([sessions.hasRoom(one, 1), sessions.hasRoom(one, 2)]).toEqual([true, false]);
    other.add([set(80)]);
    expect(sessions.hasRoom(one, 1)).toBe(false);
    expect(sessions.hasRoom(other, 1)).toBe(false);
  });

  it('do one thing after the other, also after one that failed', async () => {
    const { sessions } = createSessions();
    const session = sessions.find(begin(sessions))!;
    const done: number[] = [];
    let goOn = (): void => undefined;
    const waits = new Promise<void>((resolve) => (goOn = resolve));
    const first = session.inTurn(async () => {
      await waits;
      done.push(1);
    });
    const second = session.inTurn(() => {
      done.push(2);
      return Promise.reject(new Error('failed'));
    });
    const third = session.inTurn(() => Promise.resolve(done.push(3)));
    goOn();
    await Promise.all([first, expect(second).rejects.toThrow('failed'), third]);
    expect(done).toEqual([1, 2, 3]);
  });
});
