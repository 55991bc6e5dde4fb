import { Injectable, inject, signal } from '@angular/core';
import { MAX_WORDS } from '#core/contract/index';
import { spellsForms, type Dialect, type FindForms, type FormList } from '#core/dialect/index';
import { createMatcher, findPrefix, findSuffix, printPattern, type Pattern } from '#core/query/index';
import { CLOCK_AND_IDS, writeMoment } from '../data/clock-and-ids';
import { Connections } from '../state/connections';

type FormLists = ReadonlyMap<string, FormList>;
const NOTHING_KNOWN: FormLists = new Map();

/**
 * The forms of cut words in the indexes of databases that cannot cut words, asked for when a query
 * first needs them. Until they are known a query is written without them.
 */
@Injectable({ providedIn: 'root' })
export class WordForms {
  private readonly connections = inject(Connections);
  private readonly clockAndIds = inject(CLOCK_AND_IDS);
  private readonly known = signal<ReadonlyMap<string, FormLists>>(new Map());
  private readonly asked = new Set<string>();
  /** One for as long as nothing new is known: what was written with it is recalled by it. */
  private readonly finders = new Map<string, { readonly lists: FormLists; readonly find: FindForms }>();

  /** How many lists are known of a database: what was written with fewer is to be written anew. */
  countKnown(dialect: Dialect): number {
    return spellsForms(dialect) ? (this.known().get(dialect.id)?.size ?? 0) : 0;
  }

  /** Gives the forms that are known and asks for the others; nothing for a database that cuts words itself. */
  createFinder(dialect: Dialect): FindForms | undefined {
    if (!spellsForms(dialect) || !this.connections.mayOffer(dialect.id, 'words')) return undefined;
    const lists = this.known().get(dialect.id) ?? NOTHING_KNOWN;
    const made = this.finders.get(dialect.id);
    if (made?.lists === lists) return made.find;
    const find: FindForms = (pattern) => {
      const key = printPattern(pattern);
      const list = lists.get(key);
      if (!list) void this.ask(dialect.id, key, pattern);
      return list;
    };
    this.finders.set(dialect.id, { lists, find });
    return find;
  }

  private async ask(database: string, key: string, pattern: Pattern): Promise<void> {
    const name = `${database} ${key}`;
    if (this.asked.has(name)) return;
    this.asked.add(name);
    const asked = { prefix: findPrefix(pattern), suffix: findSuffix(pattern), most: MAX_WORDS };
    const outcome = await this.connections.find(database).ask('words', asked);
    if (!outcome.ok) {
      this.asked.delete(name);
      this.finders.delete(database);
      return;
    }
    const matches = createMatcher(pattern);
    const forms = outcome.value.words.map(({ word }) => word).filter(matches);
    const isWhole = outcome.value.words.length < MAX_WORDS;
    const list: FormList = {
      forms: isWhole ? forms : [],
      day: writeMoment(this.clockAndIds.now()).slice(0, 10),
    };
    this.known.update((known) => new Map(known).set(database, new Map(known.get(database)).set(key, list)));
  }
}
