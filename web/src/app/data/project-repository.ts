import { openDB, type DBSchema, type IDBPDatabase } from 'idb';
import { createProblem, fail, succeed, type Outcome, type Problem } from '#core/problem/index';
import { restoreProject, storeProject, type Project, type StoredProject } from '#core/project/index';

/** A project in the list, without its content. */
export interface ProjectEntry {
  readonly id: string;
  readonly name: string;
  readonly question: string;
  /** ISO 8601, UTC. */
  readonly saved: string;
  readonly variants: number;
}

interface Row {
  readonly id: string;
  /** Grows with every save; a save that does not know the last one is refused. */
  readonly revision: number;
  readonly saved: string;
  readonly stored: StoredProject;
}

interface EwerDatabase extends DBSchema {
  projects: { key: string; value: Row };
  settings: { key: string; value: string };
}

const NAME = 'ewer';

/** Projects in the browser's own database. Every answer is a value or a problem; nothing throws. */
export class ProjectRepository {
  private opened: Promise<IDBPDatabase<EwerDatabase>> | undefined;

  constructor(private readonly name = NAME) {}

  async list(): Promise<Outcome<ProjectEntry[]>> {
    return this.attempt(async (database) => {
      const rows = await database.getAll('projects');
      return succeed(rows.flatMap((row) => describeRow(row)).sort((a, b) => (a.saved < b.saved ? 1 : -1)));
    });
  }

  /** A project and the revision under which the next save must come. */
  async load(id: string): Promise<Outcome<{ project: Project; revision: number }>> {
    return this.attempt(async (database) => {
      const row = await database.get('projects', id);
      if (!row) return fail(createProblem('not-found', 'error', { what: 'such project' }));
      const restored = restoreProject(row.stored);
      return restored.ok ? succeed({ project: restored.value, revision: row.revision }) : restored;
    });
  }

  /** Saves in one transaction; refused if someone else saved since `revision`. Gives the new revision. */
  async save(project: Project, revision: number, saved: string): Promise<Outcome<number>> {
    return this.attempt(async (database) => {
      const transaction = database.transaction('projects', 'readwrite', { durability: 'strict' });
      const row = await transaction.store.get(project.id);
      if (row && row.revision !== revision) {
        await transaction.done;
        return fail(createProblem('saved-elsewhere', 'error'));
      }
      await transaction.store.put({
        id: project.id,
        revision: revision + 1,
        saved,
        stored: storeProject(project),
      });
      await transaction.done;
      return succeed(revision + 1);
    });
  }

  async remove(id: string): Promise<Outcome<void>> {
    return this.attempt(async (database) => succeed(await database.delete('projects', id)));
  }

  async readSetting(key: string): Promise<string | undefined> {
    const outcome = await this.attempt(async (database) => succeed(await database.get('settings', key)));
    return outcome.ok ? outcome.value : undefined;
  }

  async writeSetting(key: string, value: string): Promise<void> {
    await this.attempt(async (database) => succeed(await database.put('settings', value, key)));
  }

  private async attempt<T>(
    work: (database: IDBPDatabase<EwerDatabase>) => Promise<Outcome<T>>,
  ): Promise<Outcome<T>> {
    try {
      this.opened ??= openDB<EwerDatabase>(this.name, 1, {
        upgrade: (database) => {
          database.createObjectStore('projects', { keyPath: 'id' });
          database.createObjectStore('settings');
        },
      });
      return await work(await this.opened);
    } catch (error) {
      this.opened = undefined;
      return fail(describeStorageFault(error));
    }
  }
}

function describeRow(row: Row): ProjectEntry[] {
  const { id, saved } = row;
  const restored = restoreProject(row.stored);
  if (!restored.ok) return [{ id, name: 'A project that cannot be read', question: '', saved, variants: 0 }];
  const { name, working, variants } = restored.value;
  return [{ id, name, question: working.question, saved, variants: variants.length }];
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
