import type { RequestHandler, Response } from 'express';
import Joi from 'joi';
import type { CountEntry } from '#core/contract/index';
import { createProblem } from '#core/problem/index';
import type { Fault, Faults } from '../faults';
import { sendProblem } from './answers';

/** A fault to switch on, or that there is to be none. */
export const FAULT_REQUEST = Joi.alternatives<Fault | { kind: 'none' }>(
  Joi.object({
    kind: Joi.valid('slow').required(),
    milliseconds: Joi.number().integer().min(0).max(60_000).required(),
  }),
  Joi.object({
    kind: Joi.valid('refuse').required(),
    seconds: Joi.number().integer().min(1).max(600).required(),
  }),
  Joi.object({ kind: Joi.valid('fail', 'cut', 'forget', 'none').required() }),
  Joi.object({
    kind: Joi.valid('nonsense').required(),
    answer: Joi.valid('text', 'negative', 'page').required(),
  }),
).required();

/** Misbehaves as a stand-in was told to, before it is asked anything. */
export function createFaultHandler(faults: Faults): RequestHandler<{ id: string }> {
  return (request, response, next) => {
    const database = request.params.id;
    const fault = faults.get(database);
    if (fault?.kind === 'refuse') {
      response.set('Retry-After', String(fault.seconds));
      sendProblem(
        response,
        429,
        createProblem('service-busy', 'error', { database, seconds: fault.seconds }),
      );
    } else if (fault?.kind === 'fail')
      sendProblem(response, 503, createProblem('service-failed', 'error', { database, status: 503 }));
    else if (fault?.kind === 'forget')
      sendProblem(response, 401, createProblem('session-ended', 'error', { database }));
    else if (fault?.kind === 'slow') setTimeout(next, fault.milliseconds);
    else next();
  };
}

/** The counts, or what a service sends that is told to send something else. */
export function sendCounts(
  response: Response,
  counts: readonly CountEntry[],
  fault: Fault | undefined,
): void {
  if (fault?.kind !== 'nonsense')
    return void response.json({ counts: fault?.kind === 'cut' ? counts.slice(1) : counts });
  if (fault.answer === 'page') return void response.type('html').send('<p>Please sign in.</p>');
  const total = fault.answer === 'text' ? '1–25' : -1;
  response.json({ counts: counts.map(() => ({ total, estimated: false, notes: [] })) });
}
