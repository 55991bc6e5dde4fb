import { Injectable, inject } from '@angular/core';
import type { LimitedQuery } from '#core/compare/index';
import type { SingleChange } from '#core/compare/draft/index';
import type { Dialect } from '#core/dialect/index';
import { createProblem, fail, succeed, type Outcome } from '#core/problem/index';
import {
  UNKNOWN_KEYS,
  deduplicateRecords,
  type RecordKeys,
  type SameWorkAnswers,
} from '#core/record/same-work/index';
import { RecordSets, type ListedRecords } from '../../comparing/record-sets';
import { describeSign } from './describe';
import { say } from '../../words/say';

/** What two states find: only the later one, only the earlier one, or both. */
export type PartId = 'gained' | 'common' | 'lost';

export const PARTS: readonly { readonly id: PartId; readonly name: string }[] = [
  {
    id: 'gained',
    get name() {
      return say('compare.gainedWords');
    },
  },
  {
    id: 'lost',
    get name() {
      return say('compare.lostWords');
    },
  },
  {
    id: 'common',
    get name() {
      return say('compare.inBothWords');
    },
  },
];

/** The numbers of the records of each part, and why a record is in its part. */
export interface PartNumbers extends Readonly<Record<PartId, readonly number[]>> {
  readonly why: (number: number, part: PartId) => string;
}

/** The parts of what two states find, record by record, where a database gives records. */
@Injectable()
export class PartLists {
  private readonly sets = inject(RecordSets);

  /** The three parts record by record, and which single change lets a record in or keeps it out. */
  async list(
    from: LimitedQuery,
    to: LimitedQuery,
    dialect: Dialect,
    singles: readonly { change: Pick<SingleChange, 'words' | 'sign'>; question: LimitedQuery }[],
  ): Promise<Outcome<PartNumbers>> {
    if (!(await this.sets.gives(dialect)))
      return fail(createProblem('records-not-given', 'error', { database: dialect.name }));
    const [before, after] = [await this.sets.list(from, dialect), await this.sets.list(to, dialect)];
    if (!before.ok) return before;
    if (!after.ok) return after;
    const [then, now] = [new Set(before.value.numbers), new Set(after.value.numbers)];
    const alone: { words: string; has: Set<number> }[] = [];
    for (const { change, question } of singles) {
      const listed = await this.sets.list(question, dialect);
      if (listed.ok)
        alone.push({
          words: `${describeSign(change.sign)} ${change.words}`,
          has: new Set(listed.value.numbers),
        });
    }
    return succeed({
      gained: [...now].filter((number) => !then.has(number)),
      lost: [...then].filter((number) => !now.has(number)),
      common: [...now].filter((number) => then.has(number)),
      why: (number, part) => {
        if (part === 'common') return '';
        const by = alone
          .filter(({ has }) => has.has(number) === (part === 'gained'))
          .map(({ words }) => words);
        if (by.length === 0) return say('compare.onlyBySeveralChangesTogether');
        return `${part === 'gained' ? say('compare.letInBy') : say('compare.keptOutBy')}: ${by.join('; ')}`;
      },
    });
  }
}

/** What a database gives for two states: its records by their numbers, with what tells their works. */
export interface RecordsOfBoth {
  readonly before: ListedRecords;
  readonly after: ListedRecords;
}

/**
 * Different works gained, lost and common over several databases. A record of a database is of one work, on
 * whichever side it stands, though nothing but its number tells it.
 */
export function countWorks(databases: readonly RecordsOfBoth[], answers?: SameWorkAnswers): number[] {
  const records = databases.map(({ before, after }) => {
    const keys = new Map<number, RecordKeys>();
    for (const { numbers, keys: some } of [before, after])
      numbers.forEach((number, at) => keys.set(number, some[at] ?? UNKNOWN_KEYS));
    return keys;
  });
  const { workOf } = deduplicateRecords(
    records.map((keys) => [...keys.values()]),
    answers,
  );
  const works = records.map(
    (keys, at) => new Map([...keys.keys()].map((number, place) => [number, workOf[at]?.[place] ?? -1])),
  );
  const pick = (side: keyof RecordsOfBoth): Set<number> =>
    new Set(databases.flatMap((one, at) => one[side].numbers.map((number) => works[at]?.get(number) ?? -1)));
  const [then, now] = [pick('before'), pick('after')];
  const common = [...now].filter((work) => then.has(work)).length;
  return [now.size - common, then.size - common, common];
}
