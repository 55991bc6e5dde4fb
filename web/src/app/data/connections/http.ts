import Joi from 'joi';
import { asksToWait, readRetryAfter } from '#core/contract/index';
import { createProblem, fail, succeed, type Outcome, type Problem } from '#core/problem/index';

/** A database is given up on after this many seconds. */
const PATIENCE_SECONDS = 10;

/** What the server says of a server outside is said on as it is. */
const PASSED_ON: readonly string[] = [
  'address-refused',
  'answer-too-large',
  'answer-invalid',
  'service-slow',
  'service-failed',
];
const SAID_PROBLEM = Joi.object({
  code: Joi.string().required(),
  data: Joi.object()
    .pattern(Joi.string(), Joi.alternatives(Joi.string().allow(''), Joi.number()))
    .required(),
}).unknown();

/** A request to Ewer's own server for a database. */
export interface HttpRequest {
  readonly address: string;
  /** What people call who is asked, for problems. */
  readonly name: string;
  /** Sent as JSON by POST; without it, the address is read by GET. */
  readonly body?: unknown;
  readonly signal?: AbortSignal | undefined;
}

/** Asks and checks the answer against its schema. Nothing throws. */
export function askJson<T>(request: HttpRequest, schema: Joi.Schema<T>): Promise<Outcome<T>> {
  return send(request, async (response) => {
    // An answer that breaks off is no answer: that is for who sends. What is no JSON is nothing, which no schema takes.
    const result = schema.required().validate(parseJson(await response.text()), { convert: false });
    return result.error
      ? fail(createProblem('answer-invalid', 'error', { database: request.name }))
      : succeed(result.value);
  });
}

/** Asks for a text. */
export function askText(request: HttpRequest): Promise<Outcome<string>> {
  return send(request, async (response) => succeed(await response.text()));
}

/** Asks for something to be done: that it was answered well is the answer. */
export function askDone(request: HttpRequest): Promise<Outcome<true>> {
  return send(request, () => Promise.resolve(succeed(true)));
}

function parseJson(text: string): unknown {
  try {
    return JSON.parse(text) as unknown;
  } catch {
    return undefined;
  }
}

/** True if the server answers. */
export async function isServerThere(): Promise<boolean> {
  try {
    const response = await fetch('/api/ready', { signal: AbortSignal.timeout(2_000), cache: 'no-store' });
    return response.ok;
  } catch {
    return false;
  }
}

async function send<T>(
  { address, name, body, signal }: HttpRequest,
  read: (response: Response) => Promise<Outcome<T>>,
): Promise<Outcome<T>> {
  const patience = AbortSignal.timeout(PATIENCE_SECONDS * 1000);
  try {
    const response = await fetch(address, {
      ...(body !== undefined && {
        method: 'POST',
        headers: { 'Content-Type': 'application/json' },
        body: JSON.stringify(body),
      }),
      signal: signal ? AbortSignal.any([signal, patience]) : patience,
    });
    return response.ok ? await read(response) : fail(await describeRefusal(name, response));
  } catch (error) {
    if (signal?.aborted) return fail(createProblem('request-given-up', 'note'));
    const isSlow = error instanceof DOMException && error.name === 'TimeoutError';
    return fail(
      isSlow
        ? createProblem('service-slow', 'error', { database: name, seconds: PATIENCE_SECONDS })
        : createProblem('service-gone', 'error'),
    );
  }
}

async function describeRefusal(database: string, response: Response): Promise<Problem> {
  const retryAfter = response.headers.get('Retry-After');
  if (asksToWait(response.status, retryAfter)) {
    const seconds = readRetryAfter(retryAfter, Date.now());
    return createProblem('service-busy', 'error', { database, seconds });
  }
  if (response.status === 401) return createProblem('session-ended', 'error', { database });
  const body = (await response.json().catch(() => ({}))) as { problem?: { message?: string } };
  if (response.status === 422)
    return createProblem('service-refused', 'error', { database, message: body.problem?.message ?? '' });
  const said = SAID_PROBLEM.validate(body.problem).value as
    { code: Problem['code']; data: Problem['data'] } | undefined;
  if (response.status >= 400 && said && PASSED_ON.includes(said.code))
    return createProblem(said.code, 'error', said.data);
  return createProblem('service-failed', 'error', { database, status: response.status });
}
