import { Router, type Request, type Response } from 'express';
import { SRU_COUNT_REQUEST, SRU_ENDPOINT_REQUEST, SRU_SEARCH_REQUEST } from '#core/contract/index';
import { STANDIN_SCHEME, type SruEndpoint } from '#core/sru/index';
import { createProblem, type Outcome, type Problem } from '#core/problem/index';
import { readAddress, type FetchOutside } from '../sru/fetch-outside';
import { SruClient, writeSruAddress } from '../sru/client';
import type { Fault, Faults } from '../faults';
import type { Asker, Job, Work } from '../threads/jobs';
import { answerJob, checkRequest, readAsker, sendFailure, sendProblem } from './answers';

/** Endpoints outside that the person has looked at and said yes to; asked for anew when the server starts. */
const MAX_ENDPOINTS = 200;

export interface SruRouteParts {
  /** The short names of the made-up catalogues. */
  readonly catalogues: ReadonlySet<string>;
  readonly work: Work;
  readonly fetchOutside: FetchOutside;
  readonly faults: Faults | undefined;
}

/** SRU for the page: `/api/sru`. A made-up catalogue is asked in its own protocol, without leaving the server. */
export function createSruRoutes({ catalogues, work, fetchOutside, faults }: SruRouteParts): Router {
  const confirmed = new Set<string>();
  const router = Router();

  /** Asks a server outside for who sent a request, until they have gone. Its answers are read by who does the work. */
  const createClient = (asker: Asker): SruClient =>
    new SruClient(
      (endpoint, parameters) => fetchOutside(writeSruAddress(endpoint, parameters), asker.signal),
      (text, endpoint, asked) => work.do({ kind: 'read-answer', text, endpoint, asked }, asker, text.length),
    );

  const mayAsk = ({ address }: SruEndpoint): Problem | undefined =>
    confirmed.has(address)
      ? undefined
      : createProblem('address-refused', 'error', {
          host: address,
          why: 'it has not been added and confirmed',
        });

  /** Asks a made-up catalogue, as far as it is not told to misbehave. */
  const askCatalogue = async <J extends Job>(
    database: string,
    job: J,
    request: Request,
    response: Response,
    send?: Parameters<typeof answerJob<J>>[4],
  ): Promise<void> => {
    if (!catalogues.has(database))
      return sendProblem(response, 404, createProblem('not-found', 'error', { what: 'such database' }));
    const problem = await applyFault(database, faults?.get(database));
    if (problem) return sendOutside(response, problem);
    await answerJob(work, job, request, response, send);
  };

  const answerOutside = async <T>(
    request: Request,
    response: Response,
    ask: (client: SruClient) => Promise<Outcome<T>>,
    send: (answer: T) => void = (answer) => void response.json(answer),
  ): Promise<void> => {
    const outcome = await ask(createClient(readAsker(request, response)));
    if (outcome.ok) send(outcome.value);
    else sendOutside(response, outcome.problem);
  };

  router.post('/explain', async (request, response) => {
    const body = checkRequest(SRU_ENDPOINT_REQUEST, request.body, response);
    if (!body) return;
    const database = findCatalogue(body.endpoint);
    if (database !== undefined)
      await askCatalogue(database, { kind: 'catalogue-explain', database, ...body }, request, response);
    else await answerOutside(request, response, (client) => client.explain(body.endpoint));
  });

  router.post('/endpoints', (request, response) => {
    const body = checkRequest(SRU_ENDPOINT_REQUEST, request.body, response);
    if (!body) return;
    const address = readAddress(body.endpoint.address);
    if (!address.ok) return sendOutside(response, address.problem);
    if (confirmed.size >= MAX_ENDPOINTS) confirmed.clear();
    confirmed.add(body.endpoint.address);
    response.status(204).end();
  });

  router.post('/count', async (request, response) => {
    const body = checkRequest(SRU_COUNT_REQUEST, request.body, response);
    if (!body) return;
    const database = findCatalogue(body.endpoint);
    if (database !== undefined) {
      const isCut = faults?.get(database)?.kind === 'cut';
      const job = { kind: 'catalogue-count', database, ...body } as const;
      return askCatalogue(database, job, request, response, (counts) =>
        response.json({ counts: isCut ? counts.slice(1) : counts }),
      );
    }
    const problem = mayAsk(body.endpoint);
    if (problem) return sendOutside(response, problem);
    await answerOutside(
      request,
      response,
      (client) => client.count(body.endpoint, body.strings),
      (counts) => response.json({ counts }),
    );
  });

  router.post('/search', async (request, response) => {
    const body = checkRequest(SRU_SEARCH_REQUEST, request.body, response);
    if (!body) return;
    const database = findCatalogue(body.endpoint);
    if (database !== undefined)
      return askCatalogue(database, { kind: 'catalogue-search', database, ...body }, request, response);
    const problem = mayAsk(body.endpoint);
    if (problem) return sendOutside(response, problem);
    const { endpoint, string, start, rows } = body;
    await answerOutside(request, response, (client) => client.search(endpoint, string, start, rows));
  });
  return router;
}

/** A made-up catalogue for other programs, as SRU servers are: `/sru/northern?operation=…`. */
export function createCatalogueRoutes(catalogues: ReadonlySet<string>, work: Work): Router {
  const router = Router();
  router.get('/:id', async (request, response) => {
    const database = request.params.id;
    if (!catalogues.has(database))
      return sendProblem(response, 404, createProblem('not-found', 'error', { what: 'such database' }));
    const parameters = Object.fromEntries(
      Object.entries(request.query).flatMap(([name, value]) =>
        typeof value === 'string' ? [[name, value]] : [],
      ),
    );
    await answerJob(work, { kind: 'sru', database, parameters }, request, response, (xml) =>
      response.type('application/xml').send(xml),
    );
  });
  return router;
}

/** The short name of the made-up catalogue that an endpoint stands for; nothing for a server outside. */
function findCatalogue({ address }: SruEndpoint): string | undefined {
  return address.startsWith(STANDIN_SCHEME) ? address.slice(STANDIN_SCHEME.length) : undefined;
}

async function applyFault(id: string, fault: Fault | undefined): Promise<Problem | undefined> {
  if (fault?.kind === 'slow') await new Promise((resolve) => setTimeout(resolve, fault.milliseconds));
  if (fault?.kind === 'refuse')
    return createProblem('service-busy', 'error', { database: id, seconds: fault.seconds });
  return fault?.kind === 'fail'
    ? createProblem('service-failed', 'error', { database: id, status: 503 })
    : undefined;
}

/** What went wrong with a server that this one asks for the person. */
function sendOutside(response: Response, problem: Problem): void {
  if (!response.destroyed) sendFailure(response, problem, 502, 429);
}
