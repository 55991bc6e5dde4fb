import type { Request, Response } from 'express';
import type { CountEntry } from '#core/contract/index';
import type { SentLimiters } from '#core/dialect/index';
import { createProblem } from '#core/problem/index';
import type { Session, Sessions } from '../standins/sessions';
import type { Work } from '../threads/jobs';
import { doJobFor, sendFailure, sendProblem } from './answers';

/** Counts strings in a session: those that are searched become its next sets. */
export function countInSession(
  sessions: Sessions,
  session: Session,
  asked: {
    readonly database: string;
    readonly strings: readonly string[];
    readonly sentLimiters: SentLimiters;
  },
  work: Work,
  request: Request,
  response: Response,
  send: (counts: readonly CountEntry[]) => void,
): Promise<void> {
  return session.inTurn(async () => {
    if (!sessions.hasRoom(session, asked.strings.length))
      return sendProblem(response, 409, createProblem('session-full', 'error', { database: asked.database }));
    const earlier = session.sets;
    const outcome = await doJobFor(work, { kind: 'count-in-session', ...asked, earlier }, request, response);
    if (!outcome.ok) return sendFailure(response, outcome.problem);
    session.add(outcome.value.sets);
    send(outcome.value.counts);
  });
}
