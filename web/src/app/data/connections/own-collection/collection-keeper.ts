import {
  createDocument,
  createEvaluator,
  createIndexBuilder,
  listWords,
  readSnapshot,
  writeSnapshot,
  type CollectionIndex,
  type Evaluator,
} from '#core/collection/index';
import { PLAIN_SORTS } from '#core/contract/index';
import type {
  CollectionAnswers,
  CollectionAsked,
  ImportProgress,
  ImportReport,
  RecordsAnswer,
  RecordsRequest,
  SearchRequest,
} from '#core/contract/index';
import {
  allowEach,
  answerSetWords,
  countStrings,
  countUnions,
  findRecordNumbers,
  listGivenHeadings,
  listRecordNumbers,
  readQueryText,
  type Holding,
  type StringProblem,
} from '#core/holding/index';
import { createProblem, fail, succeed, type Outcome } from '#core/problem/index';
import { proveRendering } from '#core/proof/index';
import { MAX_RECORDS, readRecordFile, type SkippedRecord } from '#core/record/file/index';
import { createIdentifierKey, type BibliographicRecord } from '#core/record/index';
import { UNKNOWN_KEYS, createRecordKeys, type RecordKeys } from '#core/record/same-work/index';
import type { Vocabulary } from '#core/vocabulary/index';
import { decodeText } from '../../decode-text';
import { CollectionRepository } from './collection-repository';

/** So many of the records that were left out are listed. */
const MAX_LISTED = 200;
/** So many records are indexed between two words about progress. */
const STEP = 1_000;
const OWN_SENT_LIMITERS = ['years', 'types', 'languages'] as const;

interface Open {
  keys?: readonly RecordKeys[];
  readonly holding: Holding;
  readonly vocabulary: Vocabulary;
}
type Answer = CollectionAnswers[keyof CollectionAnswers];
type Tell = (progress: ImportProgress) => void;

/** Keeps, counts and searches collections of imported records; lives in a worker. Nothing throws. */
export class CollectionKeeper {
  private readonly opened = new Map<string, Open>();

  constructor(
    private readonly repository = new CollectionRepository(),
    private readonly clock: () => number = () => performance.now(),
  ) {}

  async answer(asked: CollectionAsked, tell: Tell = () => undefined): Promise<Outcome<Answer>> {
    if (asked.kind === 'import') return this.import(asked, tell);
    const open = await this.open(asked.collection);
    if (!open.ok) return open;
    const { holding } = open.value;
    switch (asked.kind) {
      case 'count':
        return succeed(countStrings(holding, asked.strings, asked.sentLimiters, allowEach(this.clock)));
      case 'unions':
        return succeed(countUnions(holding, asked.unions, asked.sentLimiters, allowEach(this.clock)));
      case 'ids':
        return this.listIds(open.value, asked);
      case 'lookup':
        return this.lookUp(open.value, asked);
      case 'words':
        return succeed({ words: listWords(holding.evaluator.index, asked, asked.most) });
      case 'set-words': {
        const found = answerSetWords(holding, asked.request, allowEach(this.clock));
        return 'problem' in found ? refuseString(asked.collection, found.problem) : succeed(found);
      }
      case 'records':
        return this.loadRecords(open.value, asked.collection, asked.request);
      case 'search':
        return this.search(asked.collection, holding, asked.request);
      case 'proof':
        return proveRendering(asked.request, {
          database: asked.collection,
          neutral: holding.evaluator,
          vocabulary: open.value.vocabulary,
          find: (string) => {
            const read = holding.read(string);
            if ('expression' in read) return holding.evaluator.evaluate(read.expression);
            return refuseString(asked.collection, read.problem);
          },
        });
    }
  }

  private async listIds(
    open: Open,
    { collection, request }: CollectionAsked & { kind: 'ids' },
  ): Promise<Outcome<Answer>> {
    const found = listRecordNumbers(open.holding, request, allowEach(this.clock));
    if ('problem' in found) return refuseString(collection, found.problem);
    if (!request.keys) return succeed(found);
    const keys = await this.loadKeys(open, collection);
    if (!keys.ok) return keys;
    const some = found.numbers.map((number) => keys.value[number] ?? UNKNOWN_KEYS);
    return succeed({
      ...found,
      identifiers: some.map(({ identifier }) => identifier),
      works: some.map(({ work }) => work),
      signs: some.map(({ signs }) => signs),
    });
  }

  private async lookUp(
    open: Open,
    { collection, identifiers }: CollectionAsked & { kind: 'lookup' },
  ): Promise<Outcome<Answer>> {
    const found = await this.loadRecords(open, collection, { identifiers });
    return found.ok ? succeed({ titles: found.value.records.map((record) => record?.title ?? null) }) : found;
  }

  /** Records in the order asked for, with gaps where there are none. */
  private async loadRecords(
    open: Open,
    collection: string,
    request: RecordsRequest,
  ): Promise<Outcome<RecordsAnswer>> {
    const places =
      'numbers' in request ? succeed(request.numbers) : await this.findPlaces(open, collection, request);
    if (!places.ok) return places;
    const size = open.holding.evaluator.index.size;
    const isThere = (place: number): boolean => place >= 0 && place < size;
    const loaded = await this.repository.loadRecords(collection, places.value.filter(isThere));
    if (!loaded.ok) return loaded;
    const records = loaded.value[Symbol.iterator]();
    return succeed({
      records: places.value.map((place) => (isThere(place) ? (records.next().value ?? null) : null)),
    });
  }

  /** The places of the first records with some identifiers; -1 where there is none. */
  private async findPlaces(
    open: Open,
    collection: string,
    { identifiers }: { readonly identifiers: readonly string[] },
  ): Promise<Outcome<readonly number[]>> {
    const keys = await this.loadKeys(open, collection);
    if (!keys.ok) return keys;
    return succeed(
      identifiers.map((identifier) => {
        const wanted = createIdentifierKey(identifier);
        return keys.value.findIndex((key) => key.identifier === wanted);
      }),
    );
  }

  /** The keys of all records, made when they are first asked for. */
  private async loadKeys(open: Open, collection: string): Promise<Outcome<readonly RecordKeys[]>> {
    if (open.keys) return succeed(open.keys);
    const records = await this.repository.loadAll(collection);
    if (!records.ok) return records;
    open.keys = records.value.map(createRecordKeys);
    return succeed(open.keys);
  }

  /** Reads files onto what the collection has already, and keeps it whole or not at all. */
  private async import(
    { collection, name, moment, files }: CollectionAsked & { kind: 'import' },
    tell: Tell,
  ): Promise<Outcome<ImportReport>> {
    const known = await this.repository.list();
    if (!known.ok) return known;
    const before = known.value.find(({ id }) => id === collection);
    const kept = before ? await this.repository.loadAll(collection) : succeed([]);
    if (!kept.ok) return kept;
    const records: BibliographicRecord[] = [...kept.value];
    const skipped: SkippedRecord[] = [];
    const garbled: { file: string; signs: number }[] = [];
    const refused: { file: string; problem: ImportReport['refused'][number]['problem'] }[] = [];
    for (const file of files) {
      const first = records.length;
      const createId = (place: number): string => `${collection}-${first + place + 1}`;
      const { text, unreadable } = decodeText(file.content);
      if (unreadable > 0) garbled.push({ file: file.name, signs: unreadable });
      const reading = readRecordFile(file.name, text, createId, (done, all) =>
        tell({ stage: 'reading', file: file.name, done, all }),
      );
      for (const record of reading.records) records.push(record);
      skipped.push(...reading.skipped);
      if (reading.problem) refused.push({ file: file.name, problem: reading.problem });
    }
    const added = records.length - kept.value.length;
    const fault = refused[0]?.problem ?? createProblem('file-of-no-good-record', 'error');
    if (added === 0) return fail(fault);
    if (records.length > MAX_RECORDS)
      return fail(createProblem('too-many-records', 'error', { most: MAX_RECORDS }));
    const described = {
      id: collection,
      name,
      imported: moment,
      files: [...(before?.files ?? []), ...files.map((file) => file.name)],
      records: records.length,
    };
    const index = buildIndex(records, (done) =>
      tell({ stage: 'indexing', file: '', done, all: records.length }),
    );
    const saved = await this.repository.save(described, writeSnapshot(index), records, (done) =>
      tell({ stage: 'keeping', file: '', done, all: records.length }),
    );
    if (!saved.ok) return saved;
    this.opened.delete(collection);
    return succeed({
      collection: described,
      added,
      skipped: skipped.length,
      skippedFirst: skipped.slice(0, MAX_LISTED),
      refused,
      garbled,
    });
  }

  private async search(
    collection: string,
    holding: Holding,
    request: SearchRequest,
  ): Promise<Outcome<Answer>> {
    const found = findRecordNumbers(holding, request, allowEach(this.clock));
    if ('problem' in found) return refuseString(collection, found.problem);
    const { numbers, ...answer } = found;
    const records = await this.repository.loadRecords(collection, numbers);
    return records.ok ? succeed({ ...answer, records: records.value }) : records;
  }

  /** The index of a collection, loaded when it is first asked for; made anew if an older Ewer kept it. */
  private async open(collection: string): Promise<Outcome<Open>> {
    const known = this.opened.get(collection);
    if (known) return succeed(known);
    const bytes = await this.repository.loadIndex(collection);
    if (!bytes.ok) return bytes;
    let index = readSnapshot(bytes.value);
    if (!index) {
      const records = await this.repository.loadAll(collection);
      if (!records.ok) return records;
      index = buildIndex(records.value);
    }
    const open = createOpen(collection, createEvaluator(index));
    this.opened.set(collection, open);
    return succeed(open);
  }
}

/** Says why a string was not taken; the worker knows a collection by its id. */
function refuseString(collection: string, { message }: StringProblem): Outcome<never> {
  return fail(createProblem('service-refused', 'error', { database: collection, message }));
}

function createOpen(collection: string, evaluator: Evaluator): Open {
  const vocabulary = listGivenHeadings(collection, evaluator.index);
  const holding: Holding = {
    evaluator,
    vocabulary,
    sentLimiters: OWN_SENT_LIMITERS,
    sorts: PLAIN_SORTS,
    read: (text) => readQueryText(text, vocabulary),
  };
  return { holding, vocabulary };
}

function buildIndex(
  records: readonly BibliographicRecord[],
  tell: (done: number) => void = () => undefined,
): CollectionIndex {
  const builder = createIndexBuilder();
  for (const [at, record] of records.entries()) {
    if (at % STEP === 0) tell(at);
    builder.add(createDocument(record));
  }
  return builder.finish();
}
