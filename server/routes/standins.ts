import { Router, type Request, type RequestHandler, type Response } from 'express';
import {
  CITATIONS_REQUEST,
  COUNT_REQUEST,
  IDS_REQUEST,
  NEUTRAL_REQUEST,
  LOOKUP_REQUEST,
  PROOF_REQUEST,
  RECORDS_REQUEST,
  RECORD_REQUEST,
  SEARCH_REQUEST,
  SESSION_REQUEST,
  SET_WORDS_REQUEST,
  UNIONS_REQUEST,
  WORDS_REQUEST,
  type StandinListing,
} from '#core/contract/index';
import { createProblem } from '#core/problem/index';
import { STANDIN_SCHEME } from '#core/sru/index';
import type { Faults } from '../faults';
import type { Sessions } from '../standins/sessions';
import type { Standin } from '../standins/standins';
import type { Job, Work } from '../threads/jobs';
import { answerJob, checkRequest, sendFailure, sendProblem } from './answers';
import { countInSession } from './count-in-session';
import { FAULT_REQUEST, createFaultHandler, sendCounts } from './faults';

/** A stand-in with what the server itself knows of it; all else is known to who does the work. */
export interface ServedStandin {
  readonly standin: Standin;
  /** Its records. */
  readonly size: number;
  readonly hasThesaurus: boolean;
}

export interface StandinRouteParts {
  readonly standins: ReadonlyMap<string, ServedStandin>;
  readonly work: Work;
  readonly sessions: ReadonlyMap<string, Sessions>;
  /** Nothing where stand-ins cannot be told to misbehave. */
  readonly faults: Faults | undefined;
}

/** The made-up databases over HTTP: `/api/standins`. */
export function createStandinRoutes({ standins, work, sessions, faults }: StandinRouteParts): Router {
  const router = Router();
  const withStandin = (handle: Handler): RequestHandler => findStandin(standins, handle);
  const withStrings = (handle: Handler): RequestHandler => findStandin(standins, refuseSru(handle));
  const answer = (job: Job, request: Request, response: Response): Promise<void> =>
    answerJob(work, job, request, response);

  router.get('/', (_, response) => void response.json([...standins.values()].map(describeStandin)));

  if (faults) {
    router.post(
      '/:id/fault',
      withStandin(({ standin: { id } }, request, response) => {
        const fault = checkRequest(FAULT_REQUEST, request.body, response);
        if (!fault) return;
        if (fault.kind === 'none') faults.delete(id);
        else faults.set(id, fault);
        if (fault.kind === 'forget') sessions.get(id)?.forget();
        response.status(204).end();
      }),
    );
    router.use('/:id', createFaultHandler(faults));
  }

  router.post(
    '/:id/sessions',
    withStandin(({ standin }, request, response) => {
      if (!checkRequest(SESSION_REQUEST, request.body, response)) return;
      const own = sessions.get(standin.id);
      if (!own) return sendNotFound(response, 'such service');
      const begun = own.begin();
      if (begun.ok) response.status(201).json({ session: begun.value });
      else sendFailure(response, begun.problem);
    }),
  );

  router.post(
    '/:id/count',
    withStrings(async ({ standin: { id } }, request, response) => {
      const body = checkRequest(COUNT_REQUEST, request.body, response);
      if (!body) return;
      const { strings, sentLimiters, session } = body;
      if (session === undefined)
        return answerJob(
          work,
          { kind: 'count', database: id, strings, sentLimiters },
          request,
          response,
          (counts) => sendCounts(response, counts, faults?.get(id)),
        );
      const known = sessions.get(id);
      const own = known?.find(session);
      if (!known || !own)
        return sendProblem(response, 401, createProblem('session-ended', 'error', { database: id }));
      const asked = { database: id, strings, sentLimiters };
      await countInSession(known, own, asked, work, request, response, (counts) =>
        sendCounts(response, counts, faults?.get(id)),
      );
    }),
  );

  router.post(
    '/:id/search',
    withStrings(async ({ standin: { id } }, request, response) => {
      const body = checkRequest(SEARCH_REQUEST, request.body, response);
      if (!body) return;
      await answerJob(work, { kind: 'search', database: id, request: body }, request, response, (found) =>
        response.status('problem' in found ? 422 : 200).json(found),
      );
    }),
  );

  router.post(
    '/:id/ids',
    withStrings(async ({ standin: { id, givesIds } }, request, response) => {
      const body = checkRequest(IDS_REQUEST, request.body, response);
      if (!body) return;
      if (!givesIds) return sendNotFound(response, 'such numbers');
      await answerJob(work, { kind: 'ids', database: id, request: body }, request, response, (found) =>
        response.status('problem' in found ? 422 : 200).json(found),
      );
    }),
  );

  router.post(
    '/:id/lookup',
    withStandin(async ({ standin: { id } }, request, response) => {
      const body = checkRequest(LOOKUP_REQUEST, request.body, response);
      if (body) await answer({ kind: 'lookup', database: id, ...body }, request, response);
    }),
  );

  router.post(
    '/:id/unions',
    withStrings(async ({ standin: { id, givesIds } }, request, response) => {
      const body = checkRequest(UNIONS_REQUEST, request.body, response);
      if (!body) return;
      if (!givesIds) return sendNotFound(response, 'such service');
      await answerJob(work, { kind: 'unions', database: id, ...body }, request, response, (counts) =>
        response.json({ counts }),
      );
    }),
  );

  router.get(
    '/:id/words',
    withStandin(async ({ standin: { id } }, request, response) => {
      const asked = checkRequest(WORDS_REQUEST, request.query, response, true);
      if (!asked) return;
      const { prefix, suffix, most } = asked;
      await answer(
        { kind: 'words', database: id, prefixes: [prefix].flat(), suffix, most },
        request,
        response,
      );
    }),
  );

  router.get(
    '/:id/vocabulary',
    withStandin(async ({ standin: { id } }, request, response) => {
      await answerJob(work, { kind: 'vocabulary', database: id }, request, response, (turtle) =>
        response.type('text/turtle').send(turtle),
      );
    }),
  );

  router.get(
    '/:id/records/:number',
    withStandin(async ({ standin: { id } }, request, response) => {
      const asked = RECORD_REQUEST.validate({ number: request.params['number'] });
      if (asked.error) return sendNotFound(response, 'such record');
      await answer({ kind: 'record', database: id, ...asked.value }, request, response);
    }),
  );

  router.post(
    '/:id/records',
    withStandin(async ({ standin: { id } }, request, response) => {
      const body = checkRequest(RECORDS_REQUEST, request.body, response);
      if (body) await answer({ kind: 'records', database: id, request: body }, request, response);
    }),
  );

  router.post(
    '/:id/set-words',
    withStrings(async ({ standin: { id } }, request, response) => {
      const body = checkRequest(SET_WORDS_REQUEST, request.body, response);
      if (!body) return;
      await answerJob(work, { kind: 'set-words', database: id, request: body }, request, response, (found) =>
        response.status('problem' in found ? 422 : 200).json(found),
      );
    }),
  );

  for (const direction of ['references', 'citedby'] as const) {
    router.get(
      `/:id/${direction}`,
      withStandin(async ({ standin: { id } }, request, response) => {
        const asked = checkRequest(CITATIONS_REQUEST, request.query, response, true);
        if (asked)
          await answer({ kind: 'citations', database: id, direction, request: asked }, request, response);
      }),
    );
  }

  router.post(
    '/:id/laboratory',
    withStandin(async ({ standin: { id } }, request, response) => {
      const body = checkRequest(NEUTRAL_REQUEST, request.body, response);
      if (body) await answer({ kind: 'count-neutral', database: id, ...body }, request, response);
    }),
  );

  router.post(
    '/:id/laboratory/proof',
    withStandin(async ({ standin: { id } }, request, response) => {
      const body = checkRequest(PROOF_REQUEST, request.body, response);
      if (body) await answer({ kind: 'proof', database: id, request: body }, request, response);
    }),
  );
  return router;
}

type Handler = (standin: ServedStandin, request: Request, response: Response) => void | Promise<void>;

function findStandin(standins: ReadonlyMap<string, ServedStandin>, handle: Handler): RequestHandler {
  return async (request, response) => {
    const standin = standins.get(String(request.params['id']));
    if (standin) await handle(standin, request, response);
    else sendNotFound(response, 'such database');
  };
}

/** What a database with a protocol of its own takes only by that. */
function refuseSru(handle: Handler): Handler {
  return (served, request, response) =>
    served.standin.protocol === undefined
      ? handle(served, request, response)
      : sendNotFound(response, `such service: ${served.standin.name} is asked by SRU`);
}

function sendNotFound(response: Response, what: string): void {
  sendProblem(response, 404, createProblem('not-found', 'error', { what }));
}

function describeStandin({ standin, size, hasThesaurus }: ServedStandin): StandinListing {
  return {
    id: standin.id,
    name: standin.name,
    kind: standin.kind,
    sentLimiters: standin.sentLimiters,
    records: size,
    hasThesaurus,
    ...(standin.protocol && {
      endpoint: { address: `${STANDIN_SCHEME}${standin.id}`, version: '1.2' as const },
    }),
    ...(standin.hasCitations && { hasCitations: true }),
    ...(standin.givesIds && { givesIds: true }),
    sorts: standin.sorts,
  };
}
