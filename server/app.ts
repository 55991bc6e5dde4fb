import compression from 'compression';
import express, { type ErrorRequestHandler, type Express } from 'express';
import { TIME_LIMIT_SECONDS } from '#core/collection/index';
import { LARGEST_BODY } from '#core/contract/index';
import { createProblem } from '#core/problem/index';
import type { StandinCollection } from './collections';
import type { Clock } from '#core/holding/index';
import type { Fault, Faults } from './faults';
import { sendProblem } from './routes/answers';
import { createCatalogueRoutes, createSruRoutes } from './routes/sru';
import { createStandinRoutes } from './routes/standins';
import { serveWeb } from './routes/web';
import { createFetchOutside, type FetchOutside } from './sru/fetch-outside';
import { createCatalogue } from './standins/northern/catalogue';
import type { Catalogue } from './standins/northern/service';

/** What the application is made of; everything that reaches outside is handed in. */
export interface AppParts {
  readonly collections: ReadonlyMap<string, StandinCollection>;
  /** The folder of the built web application; none in tests of the API. */
  readonly webFolder?: string;
  readonly clock: Clock;
  /** The time by which sessions end, in milliseconds. */
  readonly wallClock: Clock;
  readonly faults?: Faults;
  /** Reaches servers outside; without it, by the usual limits. */
  readonly fetchOutside?: FetchOutside;
}

const CONTENT_POLICY =
  "default-src 'self'; style-src 'self' 'unsafe-inline'; img-src 'self' data:; worker-src 'self'; script-src 'self'";

/** Builds the server without listening. */
export function createApp(parts: AppParts): Express {
  const { collections, webFolder, clock, wallClock, fetchOutside = createFetchOutside() } = parts;
  const faults: Faults = parts.faults ?? new Map<string, Fault>();
  const catalogues = listCatalogues(collections, clock);
  const app = express();
  app.disable('x-powered-by');
  app.use((_, response, next) => {
    response.set({
      'Content-Security-Policy': CONTENT_POLICY,
      'X-Content-Type-Options': 'nosniff',
      'Referrer-Policy': 'no-referrer',
    });
    next();
  });
  app.use(compression());
  app.use(express.json({ limit: LARGEST_BODY }));
  app.get('/api/health', (_, response) => void response.json({ ready: true }));
  app.use('/api/standins', createStandinRoutes(collections, faults, clock, wallClock));
  app.use('/api/sru', createSruRoutes(catalogues, fetchOutside, faults));
  app.use('/sru', createCatalogueRoutes(catalogues));
  app.use('/api', (_, response) =>
    sendProblem(response, 404, createProblem('not-found', 'error', { what: 'such address' })),
  );
  if (webFolder !== undefined) serveWeb(app, webFolder);
  app.use(reportFault);
  return app;
}

/** The made-up databases that are asked by SRU. */
function listCatalogues(
  collections: ReadonlyMap<string, StandinCollection>,
  clock: Clock,
): ReadonlyMap<string, Catalogue> {
  const isLate = (): (() => boolean) => {
    const start = clock();
    return () => clock() - start > TIME_LIMIT_SECONDS * 1000;
  };
  const asked = [...collections].filter(([, { standin }]) => standin.protocol === 'sru');
  return new Map(asked.map(([id, collection]) => [id, createCatalogue(collection, isLate)]));
}

/** Every failure of a request is a problem in JSON, never a stack. */
const reportFault: ErrorRequestHandler = (
  error: { status?: number; type?: string; message?: string },
  _request,
  response,
  next,
) => {
  if (response.headersSent) return next(error);
  if (error.type === 'entity.too.large')
    return sendProblem(response, 413, createProblem('request-too-large', 'error', { most: '2 MiB' }));
  const isTheirs = error.status !== undefined && error.status < 500;
  const problem = isTheirs
    ? createProblem('request-invalid', 'error', { detail: error.message ?? 'not JSON' })
    : createProblem('server-fault', 'error');
  return sendProblem(response, isTheirs ? 400 : 500, problem);
};
