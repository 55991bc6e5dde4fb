import { randomUUID } from 'node:crypto';
import compression from 'compression';
import express, { type ErrorRequestHandler, type Express, type RequestHandler } from 'express';
import { LARGEST_BODY } from '#core/contract/index';
import type { Clock } from '#core/holding/index';
import { createProblem } from '#core/problem/index';
import type { Faults } from './faults';
import { LOOPBACK_HOSTS, createHostGate, createSiteGate } from './gate';
import { logFailures, type Log } from './log';
import { sendProblem } from './routes/answers';
import { createCatalogueRoutes, createSruRoutes } from './routes/sru';
import { createStandinRoutes, type ServedStandin } from './routes/standins';
import { serveWeb } from './routes/web';
import { createFetchOutside, type FetchOutside } from './sru/fetch-outside';
import { Sessions } from './standins/sessions';
import type { Work } from './threads/jobs';

/** What the application is made of; everything that reaches outside is handed in. */
export interface AppParts {
  readonly standins: ReadonlyMap<string, ServedStandin>;
  /** Who does what takes computing. */
  readonly work: Work;
  /** The folder of the built web application; none in tests of the API. */
  readonly webFolder?: string;
  /** The time by which sessions end, in milliseconds. */
  readonly wallClock: Clock;
  /** The faults in force. Without it, stand-ins cannot be told to misbehave. */
  readonly faults?: Faults;
  /** Reaches servers outside; without it, by the usual limits. */
  readonly fetchOutside?: FetchOutside;
  /** The names that the server is known by; without it, those of this machine to itself. */
  readonly hosts?: readonly string[];
  readonly log?: Log;
  /** Notes in the log what was asked, too. */
  readonly logsSearches?: boolean;
}

const CONTENT_POLICY = [
  "default-src 'self'",
  "style-src 'self' 'unsafe-inline'",
  "img-src 'self' data:",
  "worker-src 'self'",
  "script-src 'self'",
  "frame-ancestors 'none'",
  "base-uri 'none'",
  "form-action 'self'",
].join('; ');

/** Builds the server without listening. */
export function createApp(parts: AppParts): Express {
  const { standins, work, webFolder, wallClock, faults, fetchOutside = createFetchOutside() } = parts;
  const { hosts = LOOPBACK_HOSTS, log, logsSearches = false } = parts;
  const list = [...standins.values()].map(({ standin }) => standin);
  const catalogues = new Set(list.filter(({ protocol }) => protocol === 'sru').map(({ id }) => id));
  const sessions = new Map(
    list.filter(({ hasSets }) => hasSets).map(({ id }) => [id, new Sessions(wallClock, randomUUID, id)]),
  );
  const app = express();
  app.disable('x-powered-by');
  if (log) app.use(logFailures(log, logsSearches));
  app.use((_, response, next) => {
    response.set({
      'Content-Security-Policy': CONTENT_POLICY,
      'X-Content-Type-Options': 'nosniff',
      'Referrer-Policy': 'no-referrer',
      'Cross-Origin-Resource-Policy': 'same-origin',
    });
    next();
  });
  app.use(createHostGate(hosts));
  app.use(['/api', '/sru'], createSiteGate(hosts));
  app.get('/api/health', (_, response) => void response.json({ alive: true }));
  app.get('/api/ready', (_, response) => {
    response.status(work.isReady ? 200 : 503).json({ ready: work.isReady });
  });
  app.use(compression());
  app.use('/api', takeJsonOnly, express.json({ limit: LARGEST_BODY }));
  app.use('/api/standins', createStandinRoutes({ standins, work, sessions, faults }));
  app.use('/api/sru', createSruRoutes({ catalogues, work, fetchOutside, faults }));
  app.use('/sru', createCatalogueRoutes(catalogues, work));
  app.use(['/api', '/sru'], (_, response) =>
    sendProblem(response, 404, createProblem('not-found', 'error', { what: 'such address' })),
  );
  if (webFolder !== undefined) serveWeb(app, webFolder);
  app.use(reportFault);
  return app;
}

/** What is sent has to be JSON: other bodies are what a form of any page can send. */
const takeJsonOnly: RequestHandler = (request, response, next) => {
  if (request.method === 'POST' && !request.is('application/json'))
    sendProblem(response, 415, createProblem('request-not-json', 'error'));
  else next();
};

/** Every failure of a request is a problem in JSON, never a stack. */
const reportFault: ErrorRequestHandler = (
  error: { status?: number; type?: string; message?: string; stack?: string },
  _request,
  response,
  next,
) => {
  if (response.headersSent) return next(error);
  if (error.type === 'entity.too.large')
    return sendProblem(response, 413, createProblem('request-too-large', 'error', { most: '2 MiB' }));
  const { status = 500 } = error;
  const isTheirs = status >= 400 && status < 500;
  if (!isTheirs) response.locals['detail'] = error.stack ?? error.message;
  const problem = isTheirs
    ? createProblem('request-invalid', 'error', { detail: TOLD[error.type ?? ''] ?? 'it cannot be read' })
    : createProblem('server-fault', 'error');
  return sendProblem(response, isTheirs ? status : 500, problem);
};

/** What is said of a request that could not even be read; never in the words of a parser, which quote it. */
const TOLD: Readonly<Record<string, string>> = {
  'entity.parse.failed': 'not JSON',
  'encoding.unsupported': 'its encoding is not known',
  'charset.unsupported': 'its letters are not in UTF-8',
  'request.aborted': 'it was broken off',
};
