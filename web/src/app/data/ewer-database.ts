import { openDB, type DBSchema, type IDBPDatabase } from 'idb';
import { createProblem, fail, type Outcome, type Problem } from '#core/problem/index';
import type { StoredProject } from '#core/project/index';

/** A project as it is kept. */
export interface ProjectRow {
  readonly id: string;
  /** Grows with every save; a save that does not know the last one is refused. */
  readonly revision: number;
  readonly saved: string;
  readonly stored: StoredProject;
}

/** What the browser keeps for Ewer. */
export interface EwerSchema extends DBSchema {
  projects: { key: string; value: ProjectRow };
  settings: { key: string; value: string };
  /** Checked by its schema whenever it is read. */
  thesauri: { key: string; value: { readonly id: string } };
  /** Collections of imported records as lists show them; checked whenever one is read. */
  collections: { key: string; value: { readonly id: string } };
  /** The index of each collection, as bytes that load without parsing. */
  collectionIndexes: { key: string; value: Uint8Array<ArrayBuffer> };
  /** The records of a collection in pieces, by its id and the number of the piece. */
  collectionRecords: { key: [string, number]; value: readonly unknown[] };
  /** Filters of one's own, for all projects; checked whenever one is read. */
  filters: { key: string; value: { readonly id: string } };
  /** Counts under way that go on after a reload; checked whenever one is read. */
  batches: { key: string; value: { readonly id: string } };
}

const NAME = 'ewer';
const VERSION = 4;

/** The browser's own database, opened when first needed. Nothing throws. */
export class EwerDatabase {
  private opened: Promise<IDBPDatabase<EwerSchema>> | undefined;

  constructor(private readonly name = NAME) {}

  /** Does some work; every failure of the storage is a problem. */
  async attempt<T>(work: (database: IDBPDatabase<EwerSchema>) => Promise<Outcome<T>>): Promise<Outcome<T>> {
    try {
      this.opened ??= openDB<EwerSchema>(this.name, VERSION, {
        upgrade: (database, before) => {
          if (before < 1) {
            database.createObjectStore('projects', { keyPath: 'id' });
            database.createObjectStore('settings');
          }
          if (before < 2) database.createObjectStore('thesauri', { keyPath: 'id' });
          if (before < 3) {
            database.createObjectStore('collections', { keyPath: 'id' });
            database.createObjectStore('collectionIndexes');
            database.createObjectStore('collectionRecords');
            database.createObjectStore('filters', { keyPath: 'id' });
          }
          if (before < 4) database.createObjectStore('batches', { keyPath: 'id' });
        },
        // A newer Ewer in another window waits for this one to let go.
        blocking: (_, __, event) => {
          (event.target as IDBDatabase | null)?.close();
          this.opened = undefined;
        },
      });
      return await work(await this.opened);
    } catch (error) {
      this.opened = undefined;
      return fail(describeStorageFault(error));
    }
  }
}

function describeStorageFault(error: unknown): Problem {
  const name = error instanceof DOMException ? error.name : '';
  if (name === 'QuotaExceededError')
    return createProblem('storage-failed', 'error', { detail: 'the disk is full' });
  if (name === 'SecurityError' || name === 'InvalidStateError' || typeof indexedDB === 'undefined')
    return createProblem('storage-unavailable', 'error');
  return createProblem('storage-failed', 'error', {
    detail: error instanceof Error ? error.message : String(error),
  });
}
