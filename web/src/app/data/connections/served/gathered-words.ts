import type { WordsAnswer } from '#core/contract/index';
import { succeed, type Outcome } from '#core/problem/index';
import { foldLetters } from '#core/text/index';

type Words = WordsAnswer['words'];
/** Asks a database for the words under some beginnings, so many of each at most. */
export type SendPrefixes = (
  database: string,
  prefixes: readonly string[],
  most: number,
) => Promise<Outcome<Words>>;

/** Beginnings wait so many milliseconds for others to go with them. */
const GATHERING = 15;
/** So many go together. */
const MAX_TOGETHER = 40;

interface Waiting {
  readonly prefix: string;
  readonly resolve: (outcome: Outcome<Words>) => void;
}

/** Beginnings of words that are asked for one by one, and go to each database together. */
export class GatheredWords {
  private readonly waiting = new Map<string, Waiting[]>();

  constructor(
    private readonly send: SendPrefixes,
    private readonly most: number,
  ) {}

  ask(database: string, prefix: string): Promise<Outcome<Words>> {
    return new Promise((resolve) => {
      const others = this.waiting.get(database);
      if (others) others.push({ prefix, resolve });
      else {
        this.waiting.set(database, [{ prefix, resolve }]);
        setTimeout(() => this.sendAll(database), GATHERING);
      }
    });
  }

  private sendAll(database: string): void {
    const all = this.waiting.get(database) ?? [];
    this.waiting.delete(database);
    for (let at = 0; at < all.length; at += MAX_TOGETHER)
      void this.sendSome(database, all.slice(at, at + MAX_TOGETHER));
  }

  private async sendSome(database: string, some: readonly Waiting[]): Promise<void> {
    const prefixes = [...new Set(some.map(({ prefix }) => prefix))];
    const outcome = await this.send(database, prefixes, this.most);
    for (const { prefix, resolve } of some) {
      const folded = foldLetters(prefix);
      resolve(outcome.ok ? succeed(outcome.value.filter(({ word }) => word.startsWith(folded))) : outcome);
    }
  }
}
