import Joi from 'joi';
import type { SchemaOf } from '#core/schema/index';
import { succeed, type Outcome } from '#core/problem/index';
import { EwerDatabase } from './ewer-database';

/** One count to be made: an exact string in one database under the limiters that are sent with it. */
export interface BatchCount {
  readonly database: string;
  readonly string: string;
  readonly sentLimiters: object;
}

/** Many counts that are made one after the other, and those that are there already. */
export interface StoredBatch {
  readonly id: string;
  readonly project: string;
  readonly title: string;
  /** ISO 8601, UTC. */
  readonly moment: string;
  readonly isPaused: boolean;
  readonly countKeys: readonly BatchCount[];
  /** One for each count; nothing where it is not counted yet. */
  readonly answers: readonly ({
    readonly total: number;
    readonly estimated: boolean;
    readonly upTo?: number;
  } | null)[];
}

const total = Joi.number().integer().min(0);
/** Batches that were kept by an earlier Ewer have other names. */
const FORMER = { ignoreUndefined: true };
const STORED_BATCH = Joi.object<StoredBatch>({
  id: Joi.string().required(),
  project: Joi.string().required(),
  title: Joi.string().allow('').required(),
  moment: Joi.string().isoDate().required(),
  isPaused: Joi.boolean().required(),
  countKeys: Joi.array()
    .items(
      Joi.object({
        database: Joi.string().required(),
        string: Joi.string().required(),
        sentLimiters: Joi.object().unknown().required(),
      }).rename('boxes', 'sentLimiters', FORMER),
    )
    .required(),
  answers: Joi.array()
    .items(
      Joi.object({ total: total.required(), estimated: Joi.boolean().required(), upTo: total }).allow(null),
    )
    .required(),
} satisfies SchemaOf<StoredBatch>).rename('wishes', 'countKeys', FORMER);

/** Batches that are not done, so that they go on after a reload. */
export class BatchRepository {
  constructor(private readonly database = new EwerDatabase()) {}

  /** The batches of a project; what is not one is passed over. */
  async list(project: string): Promise<Outcome<StoredBatch[]>> {
    return this.database.attempt(async (database) => {
      const rows = (await database.getAll('batches')) as unknown[];
      return succeed(
        rows.flatMap((row) => {
          const result = STORED_BATCH.validate(row, { convert: false });
          return result.error || result.value.project !== project ? [] : [result.value];
        }),
      );
    });
  }

  async save(batch: StoredBatch): Promise<Outcome<string>> {
    return this.database.attempt(async (database) => succeed(await database.put('batches', batch)));
  }

  async remove(id: string): Promise<Outcome<void>> {
    return this.database.attempt(async (database) => succeed(await database.delete('batches', id)));
  }
}
