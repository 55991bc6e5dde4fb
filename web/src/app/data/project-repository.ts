import { createProblem, fail, succeed, type Outcome } from '#core/problem/index';
import { restoreProject, storeProject, type Project } from '#core/project/index';
import { EwerDatabase, type ProjectRow } from './ewer-database';
import { LeftOvers, type LeftOver } from './left-overs';

/** A project in the list, without its content. */
export interface ProjectEntry {
  readonly id: string;
  readonly name: string;
  readonly question: string;
  /** ISO 8601, UTC. */
  readonly saved: string;
  readonly variants: number;
}

/** Projects in the browser's own database. Every answer is a value or a problem; nothing throws. */
export class ProjectRepository {
  constructor(
    private readonly database = new EwerDatabase(),
    private readonly leftOvers = new LeftOvers(),
  ) {}

  async list(): Promise<Outcome<ProjectEntry[]>> {
    return this.database.attempt(async (database) => {
      const rows = await database.getAll('projects');
      return succeed(rows.flatMap((row) => describeRow(row)).sort((a, b) => (a.saved < b.saved ? 1 : -1)));
    });
  }

  /** A project and the revision under which the next save must come; with what was left unsaved in it. */
  async load(id: string): Promise<Outcome<{ project: Project; revision: number }>> {
    await this.takeLeftOver(id);
    return this.database.attempt(async (database) => {
      const row = await database.get('projects', id);
      if (!row) return fail(createProblem('not-found', 'error', { what: 'such project' }));
      const restored = restoreProject(row.stored);
      return restored.ok ? succeed({ project: restored.value, revision: row.revision }) : restored;
    });
  }

  /** Saves in one transaction; refused if someone else saved since `revision`. Gives the new revision. */
  async save(project: Project, revision: number, saved: string): Promise<Outcome<number>> {
    return this.database.attempt(async (database) => {
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

  /** Notes at once what a page that is being left may not save any more; the next `load` finds it. */
  leave(project: Project, revision: number, saved: string): void {
    this.leftOvers.put({ id: project.id, revision, saved, stored: storeProject(project) });
  }

  /** What this window noted as left is no longer needed: it or something later is saved. */
  stay(id: string): void {
    this.leftOvers.dropOwn(id);
  }

  /** What was left is there if nobody saved since; else it becomes a project of its own beside the other. */
  private async takeLeftOver(id: string): Promise<void> {
    const left = this.leftOvers.find(id);
    const restored = left && restoreProject(left.stored);
    if (!left || !restored?.ok) return;
    const { value: project } = restored;
    const outcome = await this.save(project, left.revision, left.saved);
    if (outcome.ok) this.leftOvers.drop(id);
    if (outcome.ok || outcome.problem.code !== 'saved-elsewhere') return;
    const kept = await this.database.attempt(async (database) => succeed(await database.get('projects', id)));
    const isKnown = kept.ok && JSON.stringify(kept.value?.stored) === JSON.stringify(left.stored);
    const copy = isKnown ? outcome : await this.save(createCopy(project, left), 0, left.saved);
    if (isKnown || copy.ok || copy.problem.code === 'saved-elsewhere') this.leftOvers.drop(id);
  }

  async remove(id: string): Promise<Outcome<void>> {
    this.leftOvers.drop(id);
    return this.database.attempt(async (database) => succeed(await database.delete('projects', id)));
  }

  async readSetting(key: string): Promise<string | undefined> {
    const outcome = await this.database.attempt(async (database) =>
      succeed(await database.get('settings', key)),
    );
    return outcome.ok ? outcome.value : undefined;
  }

  async writeSetting(key: string, value: string): Promise<void> {
    await this.database.attempt(async (database) => succeed(await database.put('settings', value, key)));
  }
}

function createCopy(project: Project, { saved, revision }: LeftOver): Project {
  const time = saved.slice(0, 16).replace('T', ' ');
  return {
    ...project,
    id: `${project.id}-${revision}-${Date.parse(saved)}`,
    name: `${project.name}, left unsaved ${time}`,
  };
}

function describeRow(row: ProjectRow): ProjectEntry[] {
  const { id, saved } = row;
  const restored = restoreProject(row.stored);
  if (!restored.ok) return [{ id, name: 'A project that cannot be read', question: '', saved, variants: 0 }];
  const { name, working, variants } = restored.value;
  return [{ id, name, question: working.question, saved, variants: variants.length }];
}
