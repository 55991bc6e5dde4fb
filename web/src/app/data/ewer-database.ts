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
  /** The window that saved it, so that it knows its own save again. */
  readonly window?: string;
  /** Where its steps are: the number of the first one, of the one after the present state, and one after the last. */
  readonly steps?: StepPlaces;
}

/** Numbers of steps to undo and redo: undo goes down from `at` to `first`, redo up to `end`. */
export interface StepPlaces {
  readonly first: number;
  readonly at: number;
  readonly end: number;
}

/** What the browser keeps for Ewer. */
export interface EwerSchema extends DBSchema {
  projects: { key: string; value: ProjectRow };
  /** Steps to undo and redo, by project and number; checked whenever they are read. */
  steps: { key: [string, number]; value: unknown };
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
const VERSION = 5;
/** A storage that does not answer for so long is said to fail: milliseconds. */
const PATIENCE = 6_000;
/** For what may be very large. */
export const LONG_PATIENCE = 600_000;

/** The browser's own database, opened when first needed. Nothing throws. */
export class EwerDatabase {
  private opened: Promise<IDBPDatabase<EwerSchema>> | undefined;

  constructor(private readonly name = NAME) {}

  /**
   * Does some work; every failure of the storage is a problem, and so is that it does not answer. What
   * was taken away under an open page (its data deleted, the connection closed) is opened anew, once.
   */
  async attempt<T>(
    work: (database: IDBPDatabase<EwerSchema>) => Promise<Outcome<T>>,
    patience = PATIENCE,
  ): Promise<Outcome<T>> {
    for (let tries = 0; ; tries++) {
      try {
        return await withPatience(this.open().then(work), patience);
      } catch (error) {
        this.opened = undefined;
        const isClosed = error instanceof DOMException && error.name === 'InvalidStateError';
        if (!isClosed || tries > 0) return fail(describeStorageFault(error));
      }
    }
  }

  private open(): Promise<IDBPDatabase<EwerSchema>> {
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
        if (before < 5) database.createObjectStore('steps');
      },
      // A newer Ewer in another window waits for this one to let go.
      blocking: (_, __, event) => {
        (event.target as IDBDatabase | null)?.close();
        this.opened = undefined;
      },
      terminated: () => {
        this.opened = undefined;
      },
    });
    return this.opened;
  }
}

/** The storage gives no answer: not even a failure. */
class NoAnswer extends Error {}

function withPatience<T>(answer: Promise<T>, patience: number): Promise<T> {
  let timer: ReturnType<typeof setTimeout> | undefined;
  const late = new Promise<never>((_, reject) => {
    timer = setTimeout(() => reject(new NoAnswer('the browser does not answer')), patience);
  });
  return Promise.race([answer, late]).finally(() => clearTimeout(timer));
}

function describeStorageFault(error: unknown): Problem {
  const name = error instanceof DOMException ? error.name : '';
  if (name === 'QuotaExceededError')
    return createProblem('storage-failed', 'error', { detail: 'the disk is full' });
  if (name === 'SecurityError' || name === 'InvalidStateError' || typeof indexedDB === 'undefined')
    return createProblem('storage-unavailable', 'error');
  return createProblem('storage-failed', 'error', {
    detail: (error instanceof Error ? error.message : String(error)).replace(/\.$/, ''),
  });
}
