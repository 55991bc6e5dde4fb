import { Injectable, inject } from '@angular/core';
import { writeQuery } from '#core/dialect/index';
import { parseQuery } from '#core/query/index';
import { foldLetters, splitWords } from '#core/text/index';
import { OpenProject } from '../state/open-project';
import { Connections } from '../state/connections';

/** A beginning of fewer letters is in too many names. */
const LEAST_LETTERS = 3;
/** So many records of each database are looked through. */
const RECORDS = 40;
/** So many names are offered. */
const MAX_NAMES = 12;

/** Names of authors that the chosen databases hold, by the beginning of a family or given name. */
@Injectable()
export class AuthorNames {
  private readonly open = inject(OpenProject);
  private readonly connections = inject(Connections);
  private readonly known = new Map<string, Promise<readonly string[]>>();

  /** Names as records print them (`Sherson, Elena`), those in most records first. Databases that fail are passed over. */
  find(typed: string): Promise<readonly string[]> {
    const word = splitWords(typed).at(0);
    const beginning = word ? foldLetters(typed.slice(word.start, word.end)) : '';
    if (beginning.length < LEAST_LETTERS) return Promise.resolve([]);
    const key = `${this.open.working().databases.join()} ${beginning}`;
    const asked = this.known.get(key) ?? this.ask(beginning);
    this.known.set(key, asked);
    return asked;
  }

  private async ask(beginning: string): Promise<readonly string[]> {
    const root = parseQuery(`author: ${beginning}*`).root;
    const found = new Map<string, number>();
    const asked = this.open.dialects().flatMap((dialect) => {
      const { parts, problems } = writeQuery(root, dialect);
      const [part] = parts;
      return problems.length > 0 || !part
        ? []
        : [
            this.connections.find(dialect.id).ask('search', {
              string: part.text,
              sentLimiters: {},
              start: 0,
              rows: RECORDS,
              sort: 'relevance',
            }),
          ];
    });
    const answers = await Promise.all(asked);
    for (const answer of answers) {
      if (!answer.ok) continue;
      for (const { authors } of answer.value.records)
        for (const { family, given } of authors) {
          if (![family, given].some((part) => foldLetters(part).startsWith(beginning))) continue;
          const name = given === '' ? family : `${family}, ${given}`;
          found.set(name, (found.get(name) ?? 0) + 1);
        }
    }
    return [...found]
      .sort((a, b) => b[1] - a[1] || a[0].localeCompare(b[0]))
      .slice(0, MAX_NAMES)
      .map(([name]) => name);
  }
}
