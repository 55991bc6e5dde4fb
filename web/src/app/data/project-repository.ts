import type { IDBPDatabase, IDBPObjectStore } from 'idb';
import type { SchemaOf } from '#core/schema/index';
import Joi from 'joi';
import { NEVER, fromEvent, type Observable } from 'rxjs';
import { createProblem, fail, succeed, type Outcome } from '#core/problem/index';
import {
  getProjectTitle,
  MAX_KEPT_STEPS,
  createKeptStep,
  joinProjects,
  listStates,
  restoreHistory,
  restoreProject,
  storeProject,
  type History,
  type Project,
  type StateRow,
} from '#core/project/index';
import { EwerDatabase, type EwerSchema, type ProjectRow, type StepPlaces } from './ewer-database';
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

/** A project as it was kept, with the way back and forth. */
export interface LoadedProject {
  readonly project: Project;
  /** Under this the next save must come. */
  readonly revision: number;
  readonly history: History;
}

const PLACE = Joi.number().integer().min(0).required();
const STEP_PLACES = Joi.object<StepPlaces>({
  first: PLACE,
  at: PLACE,
  end: PLACE,
} satisfies SchemaOf<StepPlaces>).required();
const REVISION = Joi.number().integer().min(0).required();

/** The states of a history as this window last kept them: what is the same object need not be kept again. */
interface KeptStates extends StateRow {
  /** The number of the step after the first state. */
  readonly first: number;
  /** The place of the first step that is kept; those before it are too far back. */
  readonly from: number;
}

/** Projects in the browser's own database. Every answer is a value or a problem; nothing throws. */
export class ProjectRepository {
  private readonly kept = new Map<string, KeptStates>();
  private readonly channel = openChannel();
  /** Revisions of saves that failed, by project: some of them may have been made after all. */
  private readonly unsure = new Map<string, number>();

  constructor(
    private readonly database = new EwerDatabase(),
    private readonly leftOvers = new LeftOvers(),
    /** Tells the saves of this window from those of others. */
    private readonly window: string = globalThis.crypto.randomUUID(),
  ) {}

  async list(): Promise<Outcome<ProjectEntry[]>> {
    return this.database.attempt(async (database) => {
      const rows = await database.getAll('projects');
      return succeed(rows.flatMap((row) => describeRow(row)).sort((a, b) => (a.saved < b.saved ? 1 : -1)));
    });
  }

  /** A project with its history and the revision under which the next save must come; with what was left unsaved in it. */
  async load(id: string): Promise<Outcome<LoadedProject>> {
    await this.takeLeftOver(id);
    return this.database.attempt((database) => this.read(database, id));
  }

  /** Emits when another window has saved a project, as far as the browser tells. */
  readonly savedElsewhere$: Observable<unknown> = this.channel ? fromEvent(this.channel, 'message') : NEVER;

  /** The revision of a project as it is kept now; nothing if it is not there. */
  async readRevision(id: string): Promise<Outcome<number | undefined>> {
    return this.database.attempt(async (database) => {
      const row = await database.get('projects', id);
      return succeed(row && readRevision(row));
    });
  }

  /**
   * Saves in one transaction, with the history if one is given; refused if another window saved since
   * `revision`. Gives the new revision. A save of this window that was given up on, but was made after
   * all, is no reason to refuse.
   */
  async save(project: Project, revision: number, saved: string, history?: History): Promise<Outcome<number>> {
    const outcome = await this.database.attempt<number>(async (database) => {
      const transaction = database.transaction(['projects', 'steps'], 'readwrite', { durability: 'strict' });
      const projects = transaction.objectStore('projects');
      const row = await projects.get(project.id);
      const kept = row && readRevision(row);
      const isOwn = row?.window === this.window && this.unsure.get(project.id) === kept;
      if (row && kept !== revision && !isOwn) {
        await transaction.done;
        return fail(createProblem('saved-elsewhere', 'error'));
      }
      const next = Math.max(revision, kept ?? 0) + 1;
      const steps = history
        ? this.keepSteps(transaction.objectStore('steps'), project.id, row, history)
        : findSteps(row, project);
      await projects.put({
        id: project.id,
        revision: next,
        saved,
        stored: storeProject(project),
        window: this.window,
        ...(steps && { steps: steps.places }),
      });
      await transaction.done;
      if (history && steps?.states) this.kept.set(project.id, steps.states);
      return succeed(next);
    });
    if (outcome.ok) {
      this.unsure.delete(project.id);
      this.channel?.postMessage(project.id);
    } else if (outcome.problem.code !== 'saved-elsewhere') this.unsure.set(project.id, revision + 1);
    return outcome;
  }

  /** Notes at once what a page that is being left may not save any more; the next `load` finds it. False if there is no room. */
  leave(project: Project, revision: number, saved: string): boolean {
    return this.leftOvers.put({ id: project.id, revision, saved, stored: storeProject(project) });
  }

  /** What this window noted as left is no longer needed: it or something later is saved. */
  stay(id: string): void {
    this.leftOvers.dropOwn(id);
  }

  /**
   * What was left is there if no other window saved since; else it becomes a project of its own beside the
   * other.
   */
  private async takeLeftOver(id: string): Promise<void> {
    const left = this.leftOvers.find(id);
    const restored = left && restoreProject(left.stored);
    if (!left || !restored?.ok) return;
    const project = { ...restored.value, id };
    const before = await this.database.attempt((database) => this.read(database, id));
    const history = before.ok ? addLeftStep(before.value.history, project) : undefined;
    const outcome = await this.save(project, left.revision, left.saved, history);
    if (outcome.ok) this.leftOvers.drop(id);
    if (outcome.ok || outcome.problem.code !== 'saved-elsewhere') return;
    const isTaken = (await this.addLeftCounts(project, left)) ?? (await this.saveLeftCopy(project, left));
    if (isTaken) this.leftOvers.drop(id);
  }

  /** What was left has nothing more than counts: they are added to what was saved since. Nothing if it has more. */
  private async addLeftCounts(project: Project, left: LeftOver): Promise<boolean | undefined> {
    const kept = await this.database.attempt((database) => this.read(database, left.id));
    if (!kept.ok) return undefined;
    const { project: theirs, history, revision } = kept.value;
    const joined = joinProjects({ ...theirs, tallies: [], states: [] }, project, theirs);
    if (joined?.side !== 'theirs') return undefined;
    if (joined.project.tallies.length === theirs.tallies.length) return true;
    const outcome = await this.save(joined.project, revision, left.saved, {
      ...history,
      project: joined.project,
    });
    return outcome.ok;
  }

  private async saveLeftCopy(project: Project, left: LeftOver): Promise<boolean> {
    const copy = await this.save(createCopy(project, left), 0, left.saved);
    return copy.ok || copy.problem.code === 'saved-elsewhere';
  }

  async remove(id: string): Promise<Outcome<void>> {
    this.leftOvers.drop(id);
    this.kept.delete(id);
    return this.database.attempt(async (database) => {
      const transaction = database.transaction(['projects', 'steps'], 'readwrite');
      await Promise.all([
        transaction.objectStore('projects').delete(id),
        transaction.objectStore('steps').delete(createStepRange(id)),
        transaction.done,
      ]);
      return succeed(undefined);
    });
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

  private async read(database: Connection, id: string): Promise<Outcome<LoadedProject>> {
    const row = await database.get('projects', id);
    if (!row) return fail(createProblem('not-found', 'error', { what: 'such project' }));
    const restored = restoreProject(row.stored);
    if (!restored.ok) return restored;
    // The row is what is saved again: a project that calls itself otherwise takes its name.
    const project = restored.value.id === id ? restored.value : { ...restored.value, id };
    const places = STEP_PLACES.validate(row.steps, { convert: false });
    const { first, at, end } = places.error ? { first: 0, at: 0, end: 0 } : places.value;
    const rows = end > first ? await database.getAll('steps', createStepRange(id, first, end)) : [];
    const isWhole = rows.length === end - first;
    const history = restoreHistory(project, isWhole ? rows : [], isWhole ? at - first : 0);
    this.kept.set(id, { ...listStates(history), first: at - history.past.length, from: 0 });
    return succeed({ project, revision: readRevision(row), history });
  }

  /** Keeps the steps that are not kept yet, and drops those that are no more. */
  private keepSteps(
    store: StepStore,
    id: string,
    row: ProjectRow | undefined,
    history: History,
  ): { places: StepPlaces; states: KeptStates } {
    const now = listStates(history);
    const kept = row?.steps ? this.kept.get(id) : undefined;
    // The states that undo can still reach begin where they began, unless the history is another one.
    const begin = kept && kept.states[0] === now.states[0] ? kept : undefined;
    const first = begin?.first ?? 0;
    let same = 0;
    while (begin && same < begin.kinds.length && same < now.kinds.length && isSameStep(begin, now, same))
      same++;
    const from = Math.max(0, now.at - MAX_KEPT_STEPS);
    const end = first + now.kinds.length;
    void store.delete(createStepRange(id, begin ? end : 0));
    for (let at = from; at < now.kinds.length; at++) {
      // Whoever goes far back comes to steps that were dropped.
      if (begin && at < same && at >= begin.from) continue;
      const [kind, before, after] = [now.kinds[at], now.states[at], now.states[at + 1]];
      if (kind && before && after) void store.put(createKeptStep(kind, before, after), [id, first + at]);
    }
    if (from > 0) void store.delete(createStepRange(id, 0, first + from));
    return { places: { first: first + from, at: first + now.at, end }, states: { ...now, first, from } };
  }
}

/** Windows tell each other of their saves on it, where the browser has such a thing. */
function openChannel(): BroadcastChannel | undefined {
  const isPage = typeof document !== 'undefined' && typeof BroadcastChannel !== 'undefined';
  return isPage ? new BroadcastChannel('ewer-saves') : undefined;
}

type Connection = IDBPDatabase<EwerSchema>;
type StepStore = IDBPObjectStore<EwerSchema, ('projects' | 'steps')[], 'steps', 'readwrite'>;

function isSameStep(a: StateRow, b: StateRow, at: number): boolean {
  return (
    a.states[at] === b.states[at] && a.states[at + 1] === b.states[at + 1] && a.kinds[at] === b.kinds[at]
  );
}

/** The steps of a project from one number on, up to, not including, another. */
function createStepRange(id: string, from = 0, to = Infinity): IDBKeyRange {
  return IDBKeyRange.bound([id, from], [id, to], false, true);
}

/** A revision that is none counts as the first: what stands in the row can still be saved over. */
function readRevision({ revision }: ProjectRow): number {
  return REVISION.validate(revision, { convert: false }).error ? 0 : revision;
}

/** The steps go on being those of a project that is saved without its history, if they fit. */
function findSteps(
  row: ProjectRow | undefined,
  project: Project,
): { places: StepPlaces; states?: undefined } | undefined {
  if (!row?.steps) return undefined;
  const restored = restoreProject(row.stored);
  const fits = restored.ok && JSON.stringify(restored.value.working) === JSON.stringify(project.working);
  return fits ? { places: row.steps } : undefined;
}

/** What was left is one more step. */
function addLeftStep(history: History, project: Project): History {
  const before = history.project.working;
  if (JSON.stringify(before) === JSON.stringify(project.working)) return { ...history, project };
  const past = [...history.past, { before, kind: 'set-draft' as const }];
  return { ...history, project, past, future: [] };
}

function createCopy(project: Project, { saved, revision }: LeftOver): Project {
  const time = saved.slice(0, 16).replace('T', ' ');
  return {
    ...project,
    id: `${project.id}-${revision}-${Date.parse(saved)}`,
    name: `${getProjectTitle(project)}, left unsaved ${time}`,
  };
}

function describeRow(row: ProjectRow): ProjectEntry[] {
  const { id, saved } = row;
  const restored = restoreProject(row.stored);
  if (!restored.ok) return [{ id, name: 'A project that cannot be read', question: '', saved, variants: 0 }];
  const { working, variants } = restored.value;
  const name = getProjectTitle(restored.value);
  return [{ id, name, question: working.question, saved, variants: variants.length }];
}
