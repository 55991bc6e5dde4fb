import { FILTER_SCHEMA, type ReadyFilter } from '#core/filter/index';
import { succeed, type Outcome } from '#core/problem/index';
import { EwerDatabase } from './ewer-database';

/** The shelf of filters of one's own, which all projects share, in the browser's own database. */
export class FilterRepository {
  constructor(private readonly database = new EwerDatabase()) {}

  /** The filters by their names; what is not one is passed over. */
  async list(): Promise<Outcome<ReadyFilter[]>> {
    return this.database.attempt(async (database) => {
      const rows = (await database.getAll('filters')) as unknown[];
      const filters = rows.flatMap((row) => {
        const result = FILTER_SCHEMA.validate(row, { convert: false });
        return result.error ? [] : [result.value];
      });
      return succeed(filters.sort((a, b) => a.name.localeCompare(b.name)));
    });
  }

  async save(filter: ReadyFilter): Promise<Outcome<string>> {
    return this.database.attempt(async (database) => succeed(await database.put('filters', filter)));
  }

  async remove(id: string): Promise<Outcome<void>> {
    return this.database.attempt(async (database) => succeed(await database.delete('filters', id)));
  }
}
