import {
  RecordSet,
  TIME_LIMIT_SECONDS,
  createNeutralExpression,
  listWords,
  type Deadline,
  type SetExpression,
} from '#core/collection/index';
import { isTooSlow, type CountEntry } from '#core/contract/index';
import {
  answerSetWords,
  countSet,
  countStrings,
  countUnions,
  describeSlowness,
  listRecordNumbers,
  searchString,
} from '#core/holding/index';
import { createProblem, fail, succeed, type Outcome, type Problem } from '#core/problem/index';
import { dropInactive, parseQuery } from '#core/query/index';
import { writeSkos } from '#core/vocabulary/skos/index';
import type { StandinCollection } from '../collections/index';
import { SruClient } from '../sru/client';
import { readSruAnswer } from '../sru/answers';
import { createCatalogue } from '../standins/northern/catalogue';
import { answerSru } from '../standins/northern/service';
import { readStandinString } from '../standins/standins';
import { countQuickOnesFirst } from './count-quick-ones-first';
import type { AnswerTo, Job, JobAnswers } from './jobs';
import { proveStrings } from './prove-strings';
import type { Turn } from './turn';

/** What a thread does jobs with. */
export interface Ground {
  readonly collections: ReadonlyMap<string, StandinCollection>;
}

type Of<K extends Job['kind']> = Extract<Job, { readonly kind: K }>;
type Answered<K extends Job['kind']> = Outcome<JobAnswers[K]> | Promise<Outcome<JobAnswers[K]>>;

/** Does a job within a turn. What it could not do in that time says so, as a problem or string by string. */
export async function doJob<J extends Job>(
  job: J,
  turn: Turn,
  ground: Ground,
): Promise<Outcome<AnswerTo<J>>> {
  const work = WORK[job.kind] as unknown as (job: J, turn: Turn, ground: Ground) => Answered<J['kind']>;
  return work(job, turn, ground);
}

/** A count as far as it came: what a later turn need not do again. */
export function listDone(
  job: Job,
  outcome: Outcome<unknown>,
): readonly (CountEntry | undefined)[] | undefined {
  if ((job.kind !== 'count' && job.kind !== 'catalogue-count') || !outcome.ok) return undefined;
  const counts = outcome.value as readonly CountEntry[];
  return counts.map((entry) => (isTooSlow(entry) ? undefined : entry));
}

/** The requests in sessions that this thread has had. */
let requestsInSessions = 0;

const WORK: { readonly [K in Job['kind']]: (job: Of<K>, turn: Turn, ground: Ground) => Answered<K> } = {
  count: ({ database, strings, sentLimiters, done = [] }, turn, ground) =>
    withCollection(ground, database, async (collection) => {
      const entries = await countQuickOnesFirst(strings.length, done, turn, (places, createDeadline) =>
        countStrings(
          collection,
          places.map((at) => strings[at] ?? ''),
          sentLimiters,
          createDeadline,
        ),
      );
      return succeed(entries.map((entry, at) => entry ?? describeSlowness(strings[at] ?? '')));
    }),

  'count-in-session': ({ database, strings, sentLimiters, earlier }, turn, ground) =>
    withCollection(ground, database, (collection) => {
      const { standin, vocabulary, evaluator, size } = collection;
      const sets = earlier.map((bits) => new RecordSet(size, new Uint32Array(bits)));
      const made: SharedArrayBuffer[] = [];
      // Sets of a request that is given up are none of the session's: no other request may meet them by name.
      const name = ++requestsInSessions;
      const findSet = (number: number): SetExpression | undefined => {
        const set = sets[number - 1];
        return set && { kind: 'given', name: `${name}:${number}`, set };
      };
      const counts = strings.map((text): CountEntry => {
        const read = readStandinString(standin, text, vocabulary, findSet);
        if (!read.value) return { problem: read.problem };
        const found = evaluator.evaluate(read.value.expression, turn.isOver);
        if (!found.ok) return describeSlowness(text);
        const bits = shareBits(found.value);
        const set = new RecordSet(size, new Uint32Array(bits));
        sets.push(set);
        made.push(bits);
        return countSet(collection, set, sentLimiters, read.value.notes);
      });
      return succeed({ counts, sets: made });
    }),

  unions: ({ database, unions, sentLimiters }, turn, ground) =>
    withCollection(ground, database, async (collection) => {
      const entries = await countQuickOnesFirst(unions.length, [], turn, (places, createDeadline) =>
        countUnions(
          collection,
          places.map((at) => unions[at] ?? []),
          sentLimiters,
          createDeadline,
        ),
      );
      return succeed(entries.map((entry, at) => entry ?? describeSlowness(unions[at]?.join('\n') ?? '')));
    }),

  search: ({ database, request }, turn, ground) =>
    withCollection(ground, database, (collection) =>
      succeed(searchString(collection, request, () => turn.isOver)),
    ),

  ids: ({ database, request }, turn, ground) =>
    withCollection(ground, database, (collection): Outcome<JobAnswers['ids']> => {
      const answer = listRecordNumbers(collection, request, () => turn.isOver);
      if ('problem' in answer || !request.keys) return succeed(answer);
      const keys = answer.numbers.map((number) => collection.getKeys(number));
      return succeed({
        ...answer,
        identifiers: keys.map(({ identifier }) => identifier),
        works: keys.map(({ work }) => work),
        signs: keys.map(({ signs }) => signs),
      });
    }),

  lookup: ({ database, identifiers }, _, ground) =>
    withCollection(ground, database, (collection) => {
      const titles = identifiers.map((identifier) => {
        const number = collection.findByIdentifier(identifier);
        return number === undefined ? null : collection.getRecord(number).title;
      });
      return succeed({ titles });
    }),

  record: ({ database, number }, _, ground) =>
    withCollection(ground, database, (collection) =>
      number < collection.size
        ? succeed(collection.getRecord(number))
        : fail(createProblem('not-found', 'error', { what: 'such record' })),
    ),

  records: ({ database, request }, _, ground) =>
    withCollection(ground, database, (collection) => {
      const numbers =
        'numbers' in request
          ? request.numbers
          : request.identifiers.map((one) => collection.findByIdentifier(one));
      const records = numbers.map((number) =>
        number !== undefined && number < collection.size ? collection.getRecord(number) : null,
      );
      return succeed({ records });
    }),

  'set-words': ({ database, request }, turn, ground) =>
    withCollection(ground, database, (collection) =>
      succeed(answerSetWords(collection, request, () => turn.isOver)),
    ),

  citations: ({ database, direction, request: { record, start, rows } }, _, ground) =>
    withCollection(ground, database, (collection) => {
      if (!collection.standin.hasCitations || record >= collection.size)
        return fail(createProblem('not-found', 'error', { what: 'such citations' }));
      const numbers =
        direction === 'references' ? collection.listReferences(record) : collection.listCitedBy(record);
      const page = numbers.slice(start, start + rows);
      return succeed({
        total: numbers.length,
        estimated: false,
        records: page.map((number) => collection.getRecord(number)),
        numbers: page,
      });
    }),

  words: ({ database, prefixes, suffix, most }, turn, ground) =>
    withCollection(ground, database, ({ evaluator }) => {
      const words = prefixes.flatMap((prefix) =>
        listWords(evaluator.index, { prefix, suffix }, most, turn.isOver),
      );
      return turn.isOver()
        ? fail(SLOW)
        : succeed({ words: [...new Map(words.map((entry) => [entry.word, entry])).values()] });
    }),

  vocabulary: ({ database }, _, ground) =>
    withCollection(ground, database, ({ standin, vocabulary }) =>
      vocabulary.headings.length === 0
        ? fail(createProblem('not-found', 'error', { what: 'thesaurus here' }))
        : succeed(writeSkos(vocabulary, `Headings of ${standin.name}`)),
    ),

  'count-neutral': ({ database, query }, turn, ground) =>
    withCollection(ground, database, (collection) => {
      const { root, problems } = parseQuery(query);
      const active = dropInactive(root, database);
      const expression: SetExpression = active
        ? createNeutralExpression(active, { vocabulary: collection.vocabulary })
        : { kind: 'none' };
      const found = collection.getNeutralIndex().evaluate(expression, turn.isOver);
      if (!found.ok) return found;
      const ids = found.value.list().map((number) => collection.getRecord(number).id);
      return succeed({ total: ids.length, ids, problems });
    }),

  proof: ({ database, request }, turn, ground) =>
    withCollection(ground, database, (collection) => proveStrings(collection, request, turn.isOver)),

  sru: ({ database, parameters }, turn, ground) =>
    withCollection(ground, database, (collection) =>
      succeed(answerSru(parameters, createCatalogue(collection, turn.isOver))),
    ),

  'catalogue-explain': ({ database, endpoint }, turn, ground) =>
    withCollection(ground, database, (collection) =>
      createOwnClient(collection, turn.isOver).explain(endpoint),
    ),

  'catalogue-count': ({ database, endpoint, strings, done = [] }, turn, ground) =>
    withCollection(ground, database, async (collection) => {
      let failure: Problem | undefined;
      const countOne = async (string: string, isOver: Deadline): Promise<CountEntry> => {
        const counted = await createOwnClient(collection, isOver).count(endpoint, [string]);
        const entry = counted.ok ? counted.value[0] : undefined;
        if (!counted.ok) failure ??= counted.problem;
        // In its protocol a catalogue says only that the search took too long, not that it may be asked again.
        return !entry || ('problem' in entry && isOver()) ? describeSlowness(string) : entry;
      };
      const entries = await countQuickOnesFirst(
        strings.length,
        done,
        turn,
        async (places, createDeadline) => {
          const counted: CountEntry[] = [];
          for (const at of places) counted.push(await countOne(strings[at] ?? '', createDeadline()));
          return counted;
        },
      );
      return failure
        ? fail(failure)
        : succeed(entries.map((entry, at) => entry ?? describeSlowness(strings[at] ?? '')));
    }),

  'catalogue-search': ({ database, endpoint, string, start, rows }, turn, ground) =>
    withCollection(ground, database, (collection) =>
      createOwnClient(collection, turn.isOver).search(endpoint, string, start, rows),
    ),

  'read-answer': ({ text, endpoint, asked }) => readSruAnswer(text, endpoint, asked),
};

const SLOW = createProblem('query-too-slow', 'error', { seconds: TIME_LIMIT_SECONDS });

function withCollection<T>(
  ground: Ground,
  database: string,
  work: (collection: StandinCollection) => Outcome<T> | Promise<Outcome<T>>,
): Outcome<T> | Promise<Outcome<T>> {
  const collection = ground.collections.get(database);
  return collection ? work(collection) : fail(createProblem('not-found', 'error', { what: 'such database' }));
}

/** Asks a made-up catalogue as one asks a server, without leaving the thread. */
function createOwnClient(collection: StandinCollection, deadline: Deadline): SruClient {
  const catalogue = createCatalogue(collection, deadline);
  return new SruClient(
    (_, parameters) => Promise.resolve(succeed(answerSru(parameters, catalogue))),
    (text, endpoint, asked) => Promise.resolve(readSruAnswer(text, endpoint, asked)),
  );
}

function shareBits({ words }: RecordSet): SharedArrayBuffer {
  const bits = new SharedArrayBuffer(words.byteLength);
  new Uint32Array(bits).set(words);
  return bits;
}
