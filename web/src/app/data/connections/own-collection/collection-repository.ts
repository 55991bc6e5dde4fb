import Joi from 'joi';
import type { SchemaOf } from '#core/schema/index';
import type { OwnCollection } from '#core/contract/index';
import { createProblem, fail, succeed, type Outcome } from '#core/problem/index';
import { RECORD_SCHEMA, type BibliographicRecord } from '#core/record/index';
import { EwerDatabase, LONG_PATIENCE } from '../../ewer-database';

/** So many records are kept as one piece. */
const PIECE = 500;
const COLLECTION = Joi.object<OwnCollection>({
  id: Joi.string().required(),
  name: Joi.string().allow('').required(),
  imported: Joi.string().isoDate().required(),
  files: Joi.array().items(Joi.string().allow('')).required(),
  records: Joi.number().integer().min(0).required(),
} satisfies SchemaOf<OwnCollection>);
const RECORDS = Joi.array<BibliographicRecord[]>().items(RECORD_SCHEMA);
const MISSING = fail<never>(createProblem('collection-missing', 'error'));

/** The collections of imported records, in the browser's own database. */
export class CollectionRepository {
  constructor(private readonly database = new EwerDatabase()) {}

  /** The collections that are here; what is not one is passed over. */
  async list(): Promise<Outcome<OwnCollection[]>> {
    return this.database.attempt(async (database) => {
      const rows = (await database.getAll('collections')) as unknown[];
      return succeed(
        rows.flatMap((row) => {
          const result = COLLECTION.validate(row, { convert: false });
          return result.error ? [] : [result.value];
        }),
      );
    });
  }

  /** Keeps a collection whole or not at all, in place of an older one. */
  async save(
    collection: OwnCollection,
    index: Uint8Array<ArrayBuffer>,
    records: readonly BibliographicRecord[],
    onProgress: (done: number) => void = () => undefined,
  ): Promise<Outcome<true>> {
    return this.database.attempt(async (database) => {
      const stores = ['collections', 'collectionIndexes', 'collectionRecords'] as const;
      const transaction = database.transaction(stores, 'readwrite');
      const pieces = transaction.objectStore('collectionRecords');
      const { id } = collection;
      const writes: Promise<unknown>[] = [
        pieces.delete(createRange(id)),
        transaction.objectStore('collections').put(collection),
        transaction.objectStore('collectionIndexes').put(index, id),
      ];
      for (let at = 0; at < records.length; at += PIECE) {
        writes.push(pieces.put(records.slice(at, at + PIECE), [id, at / PIECE]).then(() => onProgress(at)));
      }
      await Promise.all([...writes, transaction.done]);
      return succeed(true);
    }, LONG_PATIENCE);
  }

  /** The index of a collection as it was kept. */
  async loadIndex(id: string): Promise<Outcome<Uint8Array<ArrayBuffer>>> {
    return this.database.attempt(async (database) => {
      const bytes: unknown = await database.get('collectionIndexes', id);
      return bytes instanceof Uint8Array ? succeed(bytes as Uint8Array<ArrayBuffer>) : MISSING;
    }, LONG_PATIENCE);
  }

  /** Some records by their numbers, in this order. */
  async loadRecords(id: string, numbers: readonly number[]): Promise<Outcome<BibliographicRecord[]>> {
    return this.database.attempt(async (database) => {
      const wanted = [...new Set(numbers.map((number) => Math.floor(number / PIECE)))];
      const pieces = new Map(
        await Promise.all(
          wanted.map(async (piece) => [piece, await database.get('collectionRecords', [id, piece])] as const),
        ),
      );
      return checkRecords(numbers.map((number) => pieces.get(Math.floor(number / PIECE))?.[number % PIECE]));
    }, LONG_PATIENCE);
  }

  /** All records of a collection; none if it is not here. */
  async loadAll(id: string): Promise<Outcome<BibliographicRecord[]>> {
    return this.database.attempt(async (database) => {
      const pieces = await database.getAll('collectionRecords', createRange(id));
      return checkRecords(pieces.flat());
    }, LONG_PATIENCE);
  }

  async remove(id: string): Promise<Outcome<true>> {
    return this.database.attempt(async (database) => {
      const stores = ['collections', 'collectionIndexes', 'collectionRecords'] as const;
      const transaction = database.transaction(stores, 'readwrite');
      await Promise.all([
        transaction.objectStore('collections').delete(id),
        transaction.objectStore('collectionIndexes').delete(id),
        transaction.objectStore('collectionRecords').delete(createRange(id)),
        transaction.done,
      ]);
      return succeed(true);
    }, LONG_PATIENCE);
  }
}

function createRange(id: string): IDBKeyRange {
  return IDBKeyRange.bound([id, 0], [id, Number.MAX_SAFE_INTEGER]);
}

function checkRecords(rows: readonly unknown[]): Outcome<BibliographicRecord[]> {
  const result = RECORDS.validate(rows, { convert: false });
  return result.error ? MISSING : succeed(result.value);
}
