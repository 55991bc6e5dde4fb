import { Router, type Response } from 'express';
import { SRU_COUNT_REQUEST, SRU_ENDPOINT_REQUEST, SRU_SEARCH_REQUEST } from '#core/contract/index';
import { STANDIN_SCHEME, type SruEndpoint } from '#core/sru/index';
import {
  createProblem,
  describeProblem,
  fail,
  succeed,
  type Outcome,
  type Problem,
} from '#core/problem/index';
import { checkRequest, sendProblem } from './answers';
import { readAddress, type FetchOutside } from '../sru/fetch-outside';
import { SruClient, writeSruAddress } from '../sru/client';
import { answerSru, type Catalogue } from '../standins/northern/service';
import type { Fault, Faults } from '../faults';

/** Endpoints outside that the person has looked at and said yes to; asked for anew when the server starts. */
const MOST_ENDPOINTS = 200;

/** SRU for the page: `/api/sru`. A made-up catalogue is asked in its own protocol, without leaving the server. */
export function createSruRoutes(
  catalogues: ReadonlyMap<string, Catalogue>,
  fetchOutside: FetchOutside,
  faults: Faults,
): Router {
  const confirmed = new Set<string>();
  const ask = async (
    endpoint: SruEndpoint,
    parameters: Readonly<Record<string, string>>,
  ): Promise<Outcome<string>> => {
    if (!endpoint.address.startsWith(STANDIN_SCHEME))
      return fetchOutside(writeSruAddress(endpoint, parameters));
    const id = endpoint.address.slice(STANDIN_SCHEME.length);
    const catalogue = catalogues.get(id);
    if (!catalogue) return fail(createProblem('not-found', 'error', { what: 'such database' }));
    const problem = await applyFault(id, faults.get(id));
    return problem ? fail(problem) : succeed(answerSru(parameters, catalogue));
  };
  const client = new SruClient(ask);
  const mayAsk = ({ address }: SruEndpoint): Problem | undefined => {
    if (address.startsWith(STANDIN_SCHEME) || confirmed.has(address)) return undefined;
    return createProblem('address-refused', 'error', {
      host: address,
      why: 'it has not been added and confirmed',
    });
  };
  const router = Router();
  const send = async (answer: Promise<Outcome<unknown>>, response: Response): Promise<void> => {
    const outcome = await answer;
    if (outcome.ok) response.json(outcome.value);
    else sendOutcome(response, outcome.problem);
  };
  router.post('/explain', async (request, response) => {
    const body = checkRequest(SRU_ENDPOINT_REQUEST, request.body, response);
    if (body) await send(client.explain(body.endpoint), response);
  });
  router.post('/endpoints', (request, response) => {
    const body = checkRequest(SRU_ENDPOINT_REQUEST, request.body, response);
    if (!body) return;
    const address = readAddress(body.endpoint.address);
    if (!address.ok) return sendOutcome(response, address.problem);
    if (confirmed.size >= MOST_ENDPOINTS) confirmed.clear();
    confirmed.add(body.endpoint.address);
    response.status(204).end();
  });
  router.post('/count', async (request, response) => {
    const body = checkRequest(SRU_COUNT_REQUEST, request.body, response);
    if (!body) return;
    const problem = mayAsk(body.endpoint);
    if (problem) return sendOutcome(response, problem);
    const counted = await client.count(body.endpoint, body.strings);
    if (!counted.ok) return sendOutcome(response, counted.problem);
    const isCut = faults.get(body.endpoint.address.slice(STANDIN_SCHEME.length))?.kind === 'cut';
    response.json({ counts: isCut ? counted.value.slice(1) : counted.value });
  });
  router.post('/search', async (request, response) => {
    const body = checkRequest(SRU_SEARCH_REQUEST, request.body, response);
    if (!body) return;
    const problem = mayAsk(body.endpoint);
    if (problem) return sendOutcome(response, problem);
    await send(client.search(body.endpoint, body.string, body.start, body.rows), response);
  });
  return router;
}

/** A made-up catalogue for other programs, as SRU servers are: `/sru/northern?operation=…`. */
export function createCatalogueRoutes(catalogues: ReadonlyMap<string, Catalogue>): Router {
  const router = Router();
  router.get('/:id', (request, response) => {
    const catalogue = catalogues.get(request.params.id);
    if (!catalogue)
      return sendProblem(response, 404, createProblem('not-found', 'error', { what: 'such database' }));
    const parameters = Object.fromEntries(
      Object.entries(request.query).map(([name, value]) => [
        name,
        typeof value === 'string' ? value : undefined,
      ]),
    );
    response.type('application/xml').send(answerSru(parameters, catalogue));
  });
  return router;
}

async function applyFault(id: string, fault: Fault | undefined): Promise<Problem | undefined> {
  if (fault?.kind === 'slow') await new Promise((resolve) => setTimeout(resolve, fault.milliseconds));
  if (fault?.kind === 'refuse')
    return createProblem('service-busy', 'error', { database: id, seconds: fault.seconds });
  return fault?.kind === 'fail'
    ? createProblem('service-failed', 'error', { database: id, status: 503 })
    : undefined;
}

function sendOutcome(response: Parameters<typeof sendProblem>[0], problem: Problem): void {
  const statuses: Partial<Record<Problem['code'], number>> = {
    'service-refused': 422,
    'service-busy': 429,
    'address-refused': 403,
    'not-found': 404,
  };
  if (problem.code === 'service-busy') response.set('Retry-After', String(problem.data['seconds'] ?? 30));
  const body =
    problem.code === 'service-refused'
      ? { problem: { ...problem, message: String(problem.data['message'] ?? '') } }
      : { problem: { ...problem, message: describeProblem(problem) } };
  response.status(statuses[problem.code] ?? 502).json(body);
}
