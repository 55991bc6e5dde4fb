import type { RequestHandler } from 'express';

/** Something that went wrong, without a word of what people search. */
export interface LogEntry {
  readonly what: 'request-failed' | 'thread-failed' | 'thread-hung' | 'job-failed' | 'stopped-late';
  /** The kind of a job. */
  readonly job?: string;
  readonly method?: string;
  /** The form of an address, such as `/api/standins/:id/count`; never what stands in its place. */
  readonly route?: string;
  readonly status?: number;
  readonly code?: string;
  readonly milliseconds?: number;
  /** A stack or the words of the system. */
  readonly detail?: string;
  /** What was asked; only where that is switched on. */
  readonly asked?: string;
}

export type Log = (entry: LogEntry) => void;

/** One line of JSON an entry, with its time. */
export function createLog(write: (line: string) => void, now: () => Date): Log {
  return (entry) => write(JSON.stringify({ time: now().toISOString(), ...entry }));
}

/** Where the routes stand; the router forgets it when something failed. */
const BASE = /^\/(?:api\/(?:standins|sru)|sru)(?=[/?]|$)/;
/** So much of what was asked is noted, where it is noted at all. */
const LONGEST_ASKED = 2_000;

/** Notes every answer that says that the server failed, or that it had too much to do. */
export function logFailures(log: Log, logsSearches: boolean): RequestHandler {
  return (request, response, next) => {
    const start = performance.now();
    response.on('finish', () => {
      const { statusCode: status, locals } = response;
      const { code, detail } = locals as { code?: string; detail?: string };
      // An answer without a problem is meant, such as that of a server that is not ready yet.
      if (status < 500 || code === undefined) return;
      const route = (request.route as { path?: string } | undefined)?.path;
      log({
        what: 'request-failed',
        method: request.method,
        ...(route !== undefined && { route: `${BASE.exec(request.originalUrl)?.[0] ?? ''}${route}` }),
        status,
        code,
        milliseconds: Math.round(performance.now() - start),
        ...(detail !== undefined && { detail }),
        ...(logsSearches && { asked: describeRequest(request.originalUrl, request.body) }),
      });
    });
    next();
  };
}

function describeRequest(address: string, body: unknown): string {
  return `${address} ${JSON.stringify(body) ?? ''}`.slice(0, LONGEST_ASKED);
}
