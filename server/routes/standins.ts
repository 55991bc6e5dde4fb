import { randomUUID } from 'node:crypto';
import { Router, type Request, type RequestHandler, type Response } from 'express';
import Joi from 'joi';
import { createNeutralExpression, listWords } from '#core/collection/index';
import {
  CITATIONS_REQUEST,
  COUNT_REQUEST,
  IDS_REQUEST,
  LABORATORY_REQUEST,
  LOOKUP_REQUEST,
  PROOF_REQUEST,
  SEARCH_REQUEST,
  UNIONS_REQUEST,
  WORDS_REQUEST,
  type CountEntry,
  type StandinListing,
} from '#core/contract/index';
import { createProblem, describeProblem } from '#core/problem/index';
import { dropInactive, parseQuery } from '#core/query/index';
import { writeSkos } from '#core/vocabulary/skos/index';
import { createSessionHolding, type StandinCollection } from '../collections';
import { countStrings, countUnions, listRecordNumbers, searchString, type Clock } from '#core/holding/index';
import type { Fault, Faults } from '../faults';
import { Sessions } from '../standins/sessions';
import { proveStrings } from '../proving';
import { checkRequest, sendProblem } from './answers';

const FAULT = Joi.alternatives<Fault | { kind: 'none' }>(
  Joi.object({
    kind: Joi.valid('slow').required(),
    milliseconds: Joi.number().integer().min(0).max(60_000).required(),
  }),
  Joi.object({
    kind: Joi.valid('refuse').required(),
    seconds: Joi.number().integer().min(1).max(600).required(),
  }),
  Joi.object({ kind: Joi.valid('fail', 'cut', 'forget', 'none').required() }),
  Joi.object({
    kind: Joi.valid('nonsense').required(),
    answer: Joi.valid('text', 'negative', 'page').required(),
  }),
);

/** The made-up databases over HTTP: `/api/standins`. */
export function createStandinRoutes(
  collections: ReadonlyMap<string, StandinCollection>,
  faults: Faults,
  clock: Clock,
  wallClock: Clock,
): Router {
  const sessions = new Map(
    [...collections.values()]
      .filter(({ standin }) => standin.hasSets)
      .map(({ standin }) => [standin.id, new Sessions(wallClock, randomUUID)]),
  );
  const router = Router();
  router.get('/', (_, response) => {
    const list = [...collections.values()].map(({ standin, size, vocabulary }): StandinListing => ({
      id: standin.id,
      name: standin.name,
      kind: standin.kind,
      boxes: standin.boxes,
      records: size,
      hasThesaurus: vocabulary.headings.length > 0,
      ...(standin.protocol && { protocol: standin.protocol }),
      ...(standin.hasCitations && { hasCitations: true }),
      ...(standin.givesIds && { givesIds: true }),
    }));
    response.json(list);
  });
  router.post(
    '/:id/fault',
    withCollection(collections, (collection, request, response) => {
      const fault = checkRequest(FAULT, request.body, response);
      if (!fault) return;
      if (fault.kind === 'none') faults.delete(collection.standin.id);
      else faults.set(collection.standin.id, fault);
      if (fault.kind === 'forget') sessions.get(collection.standin.id)?.forget();
      response.status(204).end();
    }),
  );
  router.use('/:id', createFaultHandler(faults));
  router.post(
    '/:id/sessions',
    withCollection(collections, ({ standin }, _, response) => {
      const begun = sessions.get(standin.id);
      if (begun) response.status(201).json({ session: begun.begin() });
      else sendProblem(response, 404, createProblem('not-found', 'error', { what: 'such service' }));
    }),
  );
  router.post(
    '/:id/count',
    withStrings(collections, (collection, request, response) => {
      const body = checkRequest(COUNT_REQUEST, request.body, response);
      if (!body) return;
      const { id } = collection.standin;
      const session = body.session === undefined ? undefined : sessions.get(id)?.find(body.session);
      if (body.session !== undefined && !session) return sendSessionEnd(response, id);
      const holding = session ? createSessionHolding(collection, session) : collection;
      const counts = countStrings(holding, body.strings, body.boxes, clock);
      sendCounts(response, counts, faults.get(id));
    }),
  );
  router.post(
    '/:id/search',
    withStrings(collections, (collection, request, response) => {
      const body = checkRequest(SEARCH_REQUEST, request.body, response);
      if (!body) return;
      const answer = searchString(collection, body, clock);
      response.status('problem' in answer ? 422 : 200).json(answer);
    }),
  );
  router.post(
    '/:id/ids',
    withStrings(collections, (collection, request, response) => {
      const body = checkRequest(IDS_REQUEST, request.body, response);
      if (!body) return;
      if (!collection.standin.givesIds)
        return sendProblem(response, 404, createProblem('not-found', 'error', { what: 'such numbers' }));
      const answer = listRecordNumbers(collection, body.string, body.boxes, clock);
      if ('problem' in answer) return void response.status(422).json(answer);
      const keys = body.keys ? answer.numbers.map((number) => collection.getKeys(number)) : undefined;
      response.json({
        ...answer,
        ...(keys && {
          identifiers: keys.map(({ identifier }) => identifier),
          works: keys.map(({ work }) => work),
        }),
      });
    }),
  );
  router.post(
    '/:id/lookup',
    withCollection(collections, (collection, request, response) => {
      const body = checkRequest(LOOKUP_REQUEST, request.body, response);
      if (!body) return;
      const titles = body.identifiers.map((identifier) => {
        const number = collection.findByIdentifier(identifier);
        return number === undefined ? null : collection.getRecord(number).title;
      });
      response.json({ titles });
    }),
  );
  router.post(
    '/:id/unions',
    withStrings(collections, (collection, request, response) => {
      const body = checkRequest(UNIONS_REQUEST, request.body, response);
      if (!body) return;
      if (!collection.standin.givesIds)
        return sendProblem(response, 404, createProblem('not-found', 'error', { what: 'such service' }));
      response.json({ counts: countUnions(collection, body.unions, body.boxes, clock) });
    }),
  );
  router.get(
    '/:id/words',
    withCollection(collections, (collection, request, response) => {
      const asked = checkRequest(WORDS_REQUEST, request.query, response, true);
      if (!asked) return;
      const { suffix, most } = asked;
      const words = [asked.prefix]
        .flat()
        .flatMap((prefix) => listWords(collection.evaluator.index, { prefix, suffix }, most));
      response.json({ words: [...new Map(words.map((entry) => [entry.word, entry])).values()] });
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
  router.get(
    '/:id/references',
    withCitations(collections, (collection, number) => collection.listReferences(number)),
  );
  router.get(
    '/:id/citedby',
    withCitations(collections, (collection, number) => collection.listCitedBy(number)),
  );
  router.post(
    '/:id/laboratory',
    withCollection(collections, async (collection, request, response) => {
      const body = checkRequest(LABORATORY_REQUEST, request.body, response);
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
  router.post(
    '/:id/laboratory/proof',
    withCollection(collections, async (collection, request, response) => {
      const body = checkRequest(PROOF_REQUEST, request.body, response);
      if (!body) return;
      const outcome = await proveStrings(collection, body, clock);
      if (outcome.ok) return void response.json(outcome.value);
      response
        .status(422)
        .json({ problem: { ...outcome.problem, message: describeProblem(outcome.problem) } });
    }),
  );
  return router;
}

/** The numbers that a record is connected with by citations, and the records themselves. */
function withCitations(
  collections: ReadonlyMap<string, StandinCollection>,
  list: (collection: StandinCollection, number: number) => readonly number[],
): RequestHandler {
  return withCollection(collections, (collection, request, response) => {
    const asked = checkRequest(CITATIONS_REQUEST, request.query, response, true);
    if (!asked) return;
    if (!collection.standin.hasCitations || asked.record >= collection.size)
      return sendProblem(response, 404, createProblem('not-found', 'error', { what: 'such citations' }));
    const numbers = list(collection, asked.record);
    const page = numbers.slice(asked.start, asked.start + asked.rows);
    response.json({
      total: numbers.length,
      estimated: false,
      records: page.map((number) => collection.getRecord(number)),
    });
  });
}

/** As `withCollection`, for what a database with a protocol of its own takes only by that. */
function withStrings(collections: ReadonlyMap<string, StandinCollection>, handle: Handler): RequestHandler {
  return withCollection(collections, (collection, request, response) => {
    if (collection.standin.protocol === undefined) return handle(collection, request, response);
    const what = `such service: ${collection.standin.name} is asked by SRU`;
    sendProblem(response, 404, createProblem('not-found', 'error', { what }));
  });
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
    else if (fault?.kind === 'forget') sendSessionEnd(response, request.params.id);
    else if (fault?.kind === 'slow') setTimeout(next, fault.milliseconds);
    else next();
  };
}

function sendSessionEnd(response: Response, database: string): void {
  sendProblem(response, 401, createProblem('session-ended', 'error', { database }));
}

/** The counts, or what a service sends that is told to send something else. */
function sendCounts(response: Response, counts: readonly CountEntry[], fault: Fault | undefined): void {
  if (fault?.kind !== 'nonsense')
    return void response.json({ counts: fault?.kind === 'cut' ? counts.slice(1) : counts });
  if (fault.answer === 'page') return void response.type('html').send('<p>Please sign in.</p>');
  const total = fault.answer === 'text' ? '1–25' : -1;
  response.json({ counts: counts.map(() => ({ total, estimated: false, notes: [] })) });
}
