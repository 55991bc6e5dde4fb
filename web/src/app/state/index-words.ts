import { Injectable, inject } from '@angular/core';
import { MAX_WORDS } from '#core/contract/index';
import type { IndexWord, WordLists } from '#core/suggest/index';
import { Connections } from './connections';

/** The words of the databases' indexes, asked for once each. A database that does not answer has none for now. */
@Injectable({ providedIn: 'root' })
export class IndexWords {
  private readonly connections = inject(Connections);
  private readonly known = new Map<string, Promise<readonly IndexWord[]>>();

  async list(databases: readonly string[], prefix: string, suffix = ''): Promise<WordLists> {
    const lists = await Promise.all(
      databases.map(async (database) => [database, await this.ask(database, prefix, suffix)] as const),
    );
    return Object.fromEntries(lists);
  }

  /** The words under several beginnings, together. */
  async listAll(databases: readonly string[], prefixes: readonly string[]): Promise<WordLists> {
    const lists = await Promise.all(prefixes.map((prefix) => this.list(databases, prefix)));
    return Object.fromEntries(
      databases.map((database) => [database, lists.flatMap((list) => list[database] ?? [])]),
    );
  }

  private ask(database: string, prefix: string, suffix: string): Promise<readonly IndexWord[]> {
    const key = `${database} ${prefix} ${suffix}`;
    const known = this.known.get(key);
    if (known) return known;
    if (!this.connections.mayOffer(database, 'words')) return Promise.resolve([]);
    const asked = this.connections
      .find(database)
      .ask('words', { prefix, suffix, most: MAX_WORDS })
      .then((outcome) => {
        if (outcome.ok) return outcome.value.words;
        this.known.delete(key);
        return [];
      });
    this.known.set(key, asked);
    return asked;
  }
}
