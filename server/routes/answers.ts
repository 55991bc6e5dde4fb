import type { Response } from 'express';
import type Joi from 'joi';
import { createProblem, describeProblem, type Problem } from '#core/problem/index';

/** What was sent as a value, or nothing after a 400 that says what is wrong with it. Addresses carry numbers as text. */
export function checkRequest<T>(
  schema: Joi.Schema<T>,
  sent: unknown,
  response: Response,
  isText = false,
): T | undefined {
  const result = schema.validate(sent, { convert: isText });
  if (!result.error) return result.value;
  sendProblem(response, 400, createProblem('request-invalid', 'error', { detail: result.error.message }));
  return undefined;
}

/** Answers with a problem and its sentence. */
export function sendProblem(response: Response, status: number, problem: Problem): void {
  response.status(status).json({ problem: { ...problem, message: describeProblem(problem) } });
}
