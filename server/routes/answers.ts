import type { Request, Response } from 'express';
import type Joi from 'joi';
import { LARGEST_BODY } from '#core/contract/index';
import { createProblem, describeProblem, type Outcome, type Problem } from '#core/problem/index';
import type { AnswerTo, Asker, Job, Work } from '../threads/jobs';

/** What was sent as a value (the schema must require one), or nothing after a 400 that says what is wrong with it. Addresses carry numbers as text. */
export function checkRequest<T>(
  schema: Joi.Schema<T>,
  sent: unknown,
  response: Response,
  isText = false,
): T | undefined {
  const result = schema.validate(sent, { convert: isText });
  if (!result.error) return result.value;
  const detail = result.error.message.slice(0, LONGEST_DETAIL);
  sendProblem(response, 400, createProblem('request-invalid', 'error', { detail }));
  return undefined;
}

/** What is wrong with a request may quote it: so much is said of it. */
const LONGEST_DETAIL = 500;

/** Answers with a problem and its sentence. */
export function sendProblem(response: Response, status: number, problem: Problem): void {
  response.locals['code'] = problem.code;
  response.status(status).json({ problem: { ...problem, message: describeProblem(problem) } });
}

/** How each problem is said over HTTP. */
const STATUSES: Partial<Record<Problem['code'], number>> = {
  'query-too-slow': 422,
  'service-refused': 422,
  'request-invalid': 400,
  'address-refused': 403,
  'not-found': 404,
  'server-fault': 500,
};

/**
 * Answers with a problem by the status that goes with its code; what a service says in its own words
 * is passed on in them.
 * @param busyStatus 503 where this server is meant, 429 where another one asks to wait
 */
export function sendFailure(response: Response, problem: Problem, otherwise = 422, busyStatus = 503): void {
  if (problem.code === 'service-busy') {
    response.set('Retry-After', String(problem.data['seconds'] ?? 30));
    return sendProblem(response, busyStatus, problem);
  }
  const status = STATUSES[problem.code] ?? otherwise;
  if (problem.code !== 'service-refused') return sendProblem(response, status, problem);
  response.locals['code'] = problem.code;
  response.status(status).json({ problem: { ...problem, message: String(problem.data['message'] ?? '') } });
}

/** Who sent a request: one connection is one asker. They have gone when it closes before the answer. */
export function readAsker(request: Request, response: Response): Asker {
  const { remoteAddress = '', remotePort = 0 } = request.socket;
  const gone = new AbortController();
  response.once('close', () => {
    if (!response.writableEnded) gone.abort();
  });
  return { name: `${remoteAddress} ${remotePort}`, signal: gone.signal };
}

/** Has a job done for a request and sends the answer. It also handles a failure and an asker who has gone. */
export async function answerJob<J extends Job>(
  work: Work,
  job: J,
  request: Request,
  response: Response,
  send: (answer: AnswerTo<J>) => void = (answer) => void response.json(answer),
): Promise<void> {
  const outcome = await doJobFor(work, job, request, response);
  if (outcome.ok) send(outcome.value);
  else if (!response.destroyed) sendFailure(response, outcome.problem);
}

/** Has a job done for who sent a request. */
export function doJobFor<J extends Job>(
  work: Work,
  job: J,
  request: Request,
  response: Response,
): Promise<Outcome<AnswerTo<J>>> {
  return work.do(job, readAsker(request, response), measureRequest(request));
}

/** The bytes of a request; one that does not say how long it is counts as the longest that is read. */
function measureRequest({ method, headers }: Request): number {
  if (method === 'GET') return 0;
  return Number(headers['content-length'] ?? LARGEST_BODY);
}
