import { Injectable, computed, effect, inject, signal, untracked } from '@angular/core';
import { findDialect } from '#core/dialect/index';
import { createProblem, fail, succeed, type Outcome, type Problem } from '#core/problem/index';
import { readPlainWords, type Concept } from '#core/project/index';
import { parseQuery } from '#core/query/index';
import { createVocabulary, type Vocabulary } from '#core/vocabulary/index';
import type { SkosProgress, SkosReading } from '#core/vocabulary/skos/index';
import { CLOCK_AND_IDS, writeMoment } from '../data/clock-and-ids';
import { THESAURUS_REPOSITORY } from '../data/providers';
import { readSkosInWorker } from '../data/skos-worker';
import { OpenProject } from './open-project';
import { Connections } from './connections';

/** The status of an answer that there is no such thing (RFC 9110, 15.5.5). */
const NOT_FOUND = 404;

/** Whether asking again may help: not a database that says that it has no thesaurus. */
export function hasHope(problem: Problem): boolean {
  return problem.code !== 'not-offered' && problem.data['status'] !== NOT_FOUND;
}

/** A thesaurus that can be looked into: a database's own, or one that the person loaded. */
export interface ThesaurusEntry {
  readonly id: string;
  readonly name: string;
  readonly isOwn: boolean;
}

/** The thesauri of the chosen databases and those that people loaded; each is read in a worker, once. */
@Injectable({ providedIn: 'root' })
export class ThesaurusStore {
  private readonly open = inject(OpenProject);
  private readonly connections = inject(Connections);
  private readonly repository = inject(THESAURUS_REPOSITORY);
  private readonly clockAndIds = inject(CLOCK_AND_IDS);
  private readonly loaded = signal<ReadonlyMap<string, Vocabulary>>(new Map());
  private readonly failed = signal<ReadonlyMap<string, Problem>>(new Map());
  private readonly own = signal<readonly { id: string; name: string }[]>([]);
  private readonly asked = new Set<string>();

  readonly entries = computed<readonly ThesaurusEntry[]>(() => [
    ...this.open
      .dialects()
      .filter((dialect) => dialect.headings)
      .map(({ id, name }) => ({ id, name, isOwn: false })),
    ...this.own().map(({ id, name }) => ({ id, name, isOwn: true })),
  ]);

  constructor() {
    void this.listOwn();
  }

  /** The thesaurus of a database, as soon as it is there. */
  find(id: string): Vocabulary | undefined {
    return this.loaded().get(id);
  }

  findProblem(id: string): Problem | undefined {
    return this.failed().get(id);
  }

  /** Loads the thesauri of the chosen databases while a view lives; called while the view is made. */
  followChosen(): void {
    effect(() => {
      for (const { id, isOwn } of this.entries()) if (!isOwn) untracked(() => void this.load(id));
    });
  }

  /** Reads a thesaurus unless it is there or on its way; after a failure, again. */
  async load(id: string): Promise<void> {
    if (this.asked.has(id)) return;
    this.asked.add(id);
    this.forgetProblem(id);
    const outcome = await (this.own().some((entry) => entry.id === id) ? this.loadOwn(id) : this.fetch(id));
    if (outcome.ok) {
      this.loaded.update((all) => new Map(all).set(id, outcome.value));
    } else {
      if (hasHope(outcome.problem)) this.asked.delete(id);
      this.failed.update((all) => new Map(all).set(id, outcome.problem));
    }
  }

  /** Whether a concept has a heading that a database's thesaurus has, too. Yes while it is not known. */
  hasHeading(concept: Concept, database: string): boolean {
    return this.countHeadings(concept, database) !== 0;
  }

  /** How many headings of a database's thesaurus a concept has that are on; nothing while it is not known. */
  countHeadings(concept: Concept, database: string): number | undefined {
    const vocabulary = this.find(database);
    if (!vocabulary) return undefined;
    return concept.terms.filter((term) => {
      if (term.off || term.databases?.includes(database) === false) return false;
      const { root } = parseQuery(term.text);
      if (root.kind !== 'heading') return false;
      return (root.vocabulary ?? database) === database && vocabulary.find(root.label) !== undefined;
    }).length;
  }

  /** The headings that the words of a concept lead to in a thesaurus, the likeliest first. */
  lookUp(id: string, texts: readonly string[], most: number): ReturnType<Vocabulary['lookUp']> {
    const vocabulary = this.find(id);
    if (!vocabulary) return [];
    // Whole names first: a heading that is one for some text is not set down as a mere beginning for another.
    const found = texts
      .flatMap((text) => vocabulary.lookUp(readPlainWords(text), 4))
      .sort((a, b) => Number(b.isWhole) - Number(a.isWhole));
    const seen = new Set<string>();
    return found
      .filter(({ heading, hasWords }) => hasWords && !seen.has(heading.label) && seen.add(heading.label))
      .slice(0, most);
  }

  /** Reads a file that the person chose; kept when it is taken. */
  readFile(
    content: string,
    onProgress: (progress: SkosProgress) => void,
    signal: AbortSignal,
  ): Promise<Outcome<SkosReading> | undefined> {
    return readSkosInWorker(content, { onProgress, signal });
  }

  /** Keeps a thesaurus that was read from a file; gives its id. It can be used though it could not be kept. */
  async keep(name: string, reading: SkosReading): Promise<string> {
    const id = this.clockAndIds.createId();
    const loaded = writeMoment(this.clockAndIds.now());
    const saved = await this.repository.save({ id, name, loaded, headings: reading.headings });
    this.asked.add(id);
    this.loaded.update((all) => new Map(all).set(id, createVocabulary(id, reading.headings)));
    this.own.update((all) => [...all, { id, name }]);
    if (!saved.ok) this.failed.update((all) => new Map(all).set(id, saved.problem));
    return id;
  }

  async remove(id: string): Promise<void> {
    await this.repository.remove(id);
    this.own.update((all) => all.filter((entry) => entry.id !== id));
  }

  private forgetProblem(id: string): void {
    if (this.failed().has(id))
      this.failed.update((all) => new Map([...all].filter(([other]) => other !== id)));
  }

  private async listOwn(): Promise<void> {
    const listed = await this.repository.list();
    if (listed.ok) this.own.set(listed.value);
  }

  private async loadOwn(id: string): Promise<Outcome<Vocabulary>> {
    const outcome = await this.repository.load(id);
    return outcome.ok ? succeed(createVocabulary(id, outcome.value.headings)) : outcome;
  }

  private async fetch(id: string): Promise<Outcome<Vocabulary>> {
    const text = await this.connections.find(id).ask('thesaurus', {});
    if (!text.ok) return text;
    const outcome = await readSkosInWorker(text.value);
    const vocabulary = findDialect(id)?.headings?.vocabulary ?? id;
    if (!outcome?.ok) return outcome ?? fail(createProblem('service-gone', 'error'));
    return succeed(createVocabulary(vocabulary, outcome.value.headings));
  }
}
