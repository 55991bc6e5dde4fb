import { Router, type Request, type RequestHandler, type Response } from 'express';
import Joi from 'joi';
import { createNeutralExpression, listWords } from '#core/collection/index';
import {
  COUNT_REQUEST,
  IDS_REQUEST,
  LABORATORY_REQUEST,
  SEARCH_REQUEST,
  WORDS_REQUEST,
  type StandinListing,
} from '#core/contract/index';
import { createProblem, describeProblem } from '#core/problem/index';
import { dropInactive, parseQuery } from '#core/query/index';
import { writeSkos } from '#core/vocabulary/skos/index';
import type { StandinCollection } from '../collections';
import { countStrings, listRecordNumbers, searchString, type Clock } from '../counting';
import type { Fault, Faults } from '../faults';

const FAULT = Joi.alternatives<Fault | { kind: 'none' }>(
  Joi.object({
    kind: Joi.valid('slow').required(),
    milliseconds: Joi.number().integer().min(0).max(60_000).required(),
  }),
  Joi.object({
    kind: Joi.valid('refuse').required(),
    seconds: Joi.number().integer().min(1).max(600).required(),
  }),
  Joi.object({ kind: Joi.valid('fail', 'cut', 'none').required() }),
);

/** The made-up databases over HTTP: `/api/standins`. */
export function createStandinRoutes(
  collections: ReadonlyMap<string, StandinCollection>,
  faults: Faults,
  clock: Clock,
): Router {
  const router = Router();
  router.get('/', (_, response) => {
    const list = [...collections.values()].map(({ standin, size, vocabulary }): StandinListing => ({
      id: standin.id,
      name: standin.name,
      kind: standin.kind,
      boxes: standin.boxes,
      records: size,
      hasThesaurus: vocabulary.headings.length > 0,
    }));
    response.json(list);
  });
  router.post(
    '/:id/fault',
    withCollection(collections, (collection, request, response) => {
      const fault = check(FAULT, request.body, response);
      if (!fault) return;
      if (fault.kind === 'none') faults.delete(collection.standin.id);
      else faults.set(collection.standin.id, fault);
      response.status(204).end();
    }),
  );
  router.use('/:id', createFaultHandler(faults));
  router.post(
    '/:id/count',
    withCollection(collections, (collection, request, response) => {
      const body = check(COUNT_REQUEST, request.body, response);
      if (!body) return;
      const counts = countStrings(collection, body.strings, body.boxes, clock);
      response.json({ counts: faults.get(collection.standin.id)?.kind === 'cut' ? counts.slice(1) : counts });
    }),
  );
  router.post(
    '/:id/search',
    withCollection(collections, (collection, request, response) => {
      const body = check(SEARCH_REQUEST, request.body, response);
      if (!body) return;
      const answer = searchString(collection, body, clock);
      response.status('problem' in answer ? 422 : 200).json(answer);
    }),
  );
  router.post(
    '/:id/ids',
    withCollection(collections, (collection, request, response) => {
      const body = check(IDS_REQUEST, request.body, response);
      if (!body) return;
      const answer = listRecordNumbers(collection, body.string, body.boxes, clock);
      response.status('problem' in answer ? 422 : 200).json(answer);
    }),
  );
  router.get(
    '/:id/words',
    withCollection(collections, (collection, request, response) => {
      const asked = check(WORDS_REQUEST, request.query, response, true);
      if (asked) response.json({ words: listWords(collection.evaluator.index, asked, asked.most) });
    }),
  );
  router.get(
    '/:id/vocabulary',
    withCollection(collections, ({ standin, vocabulary }, _, response) => {
      if (vocabulary.headings.length === 0)
        return sendProblem(response, 404, createProblem('not-found', 'error', { what: 'thesaurus here' }));
      response.type('text/turtle').send(writeSkos(vocabulary, `Headings of ${standin.name}`));
    }),
  );
  router.get(
    '/:id/records/:number',
    withCollection(collections, (collection, request, response) => {
      const number = Number(request.params['number']);
      if (Number.isInteger(number) && number >= 0 && number < collection.size) {
        response.json(collection.getRecord(number));
      } else sendProblem(response, 404, createProblem('not-found', 'error', { what: 'such record' }));
    }),
  );
  router.post(
    '/:id/laboratory',
    withCollection(collections, async (collection, request, response) => {
      const body = check(LABORATORY_REQUEST, request.body, response);
      if (!body) return;
      const { root, problems } = parseQuery(body.query);
      const active = dropInactive(root, collection.standin.id);
      const laboratory = await collection.getLaboratory();
      const expression = active
        ? createNeutralExpression(active, { vocabulary: collection.vocabulary })
        : { kind: 'none' as const };
      const start = clock();
      const outcome = laboratory.evaluate(expression, () => clock() - start > 2_000);
      if (!outcome.ok)
        return void response
          .status(422)
          .json({ problem: { ...outcome.problem, message: describeProblem(outcome.problem) } });
      response.json({
        total: outcome.value.count(),
        ids: outcome.value.list().map((number) => collection.getRecord(number).id),
        problems,
      });
    }),
  );
  return router;
}

type Handler = (collection: StandinCollection, request: Request, response: Response) => void | Promise<void>;

function withCollection(
  collections: ReadonlyMap<string, StandinCollection>,
  handle: Handler,
): RequestHandler {
  return async (request, response) => {
    const collection = collections.get(String(request.params['id']));
    if (collection) await handle(collection, request, response);
    else sendProblem(response, 404, createProblem('not-found', 'error', { what: 'such database' }));
  };
}

/** What was sent as a value, or nothing after a 400 that says what is wrong with it. Addresses carry numbers as text. */
function check<T>(schema: Joi.Schema<T>, sent: unknown, response: Response, isText = false): T | undefined {
  const result = schema.validate(sent, { convert: isText });
  if (!result.error) return result.value;
  sendProblem(response, 400, createProblem('request-invalid', 'error', { detail: result.error.message }));
  return undefined;
}

/** Answers with a problem and its sentence. */
export function sendProblem(
  response: Response,
  status: number,
  problem: Parameters<typeof describeProblem>[0],
): void {
  response.status(status).json({ problem: { ...problem, message: describeProblem(problem) } });
}

function createFaultHandler(faults: Faults): RequestHandler<{ id: string }> {
  return (request, response, next) => {
    const fault = faults.get(request.params.id);
    if (fault?.kind === 'refuse') {
      response.set('Retry-After', String(fault.seconds));
      sendProblem(
        response,
        429,
        createProblem('service-busy', 'error', { database: request.params.id, seconds: fault.seconds }),
      );
    } else if (fault?.kind === 'fail')
      sendProblem(
        response,
        503,
        createProblem('service-failed', 'error', { database: request.params.id, status: 503 }),
      );
    else if (fault?.kind === 'slow') setTimeout(next, fault.milliseconds);
    else next();
  };
}
