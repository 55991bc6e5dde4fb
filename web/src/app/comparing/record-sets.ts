import { Injectable, inject } from '@angular/core';
import { LRUCache } from 'lru-cache';
import { createSetCounter, type LimitedQuery, type UnionCounter } from '#core/compare/index';
import { RecordSet } from '#core/collection/index';
import { listKeys } from '#core/contract/index';
import type { Dialect } from '#core/dialect/index';
import { createProblem, fail, succeed, type Outcome } from '#core/problem/index';
import { build } from '#core/query/index';
import { type BibliographicRecord } from '#core/record/index';
import { createRecordKeys, type RecordKeys } from '#core/record/same-work/index';
import { listParts, type CountKey } from '../counting/count-state';
import { Counts } from '../counting/counts';
import { CompareSubject } from './compare-subject';
import { getAmount, getExact, type Amount } from '#core/count/index';
import { readCount } from '../counting/read-count';
import { Connections } from '../state/connections';
import { fetchByNumbers } from '../state/fetch-records';
import { AskedCounts } from '../counting/asked-counts';

/** The records of a result by their numbers in the database, with what tells their works. */
export interface ListedRecords {
  readonly numbers: readonly number[];
  readonly keys: readonly RecordKeys[];
}

/** The records of a result by what tells their works, each to be read when it is shown. */
export interface ReadableRecords {
  readonly keys: readonly RecordKeys[];
  /** A record by its place; nothing if it cannot be had just now. */
  readonly read: (place: number) => Promise<BibliographicRecord | undefined>;
}

/** So many lists are remembered. */
const MAX_KEPT = 300;
/** Records that are fetched whole, a page at a time, where a database gives no numbers. */
const MAX_FETCHED = 500;
const PAGE = 100;

/** Records behind counts, where a database gives them; else unions are counted. */
@Injectable()
export class RecordSets {
  private readonly connections = inject(Connections);
  private readonly counts = inject(Counts);
  private readonly asked = inject(AskedCounts);
  private readonly subject = inject(CompareSubject);
  private readonly kept = new LRUCache<string, Promise<Outcome<ListedRecords>>>({ max: MAX_KEPT });

  /** Forgets what was listed: databases are asked anew. */
  forget(): void {
    this.kept.clear();
  }

  /** True if a database gives the numbers of its records. */
  gives(dialect: Dialect): Promise<boolean> {
    return this.connections.offers(dialect.id, 'ids');
  }

  /** The records of a question in a database that gives them. */
  async list(question: LimitedQuery, dialect: Dialect): Promise<Outcome<ListedRecords>> {
    const { rendering, countKey } = this.counts.peek(
      this.subject.share(question.root),
      dialect,
      question.limiters,
    );
    const [problem] = rendering.problems;
    if (problem?.code === 'nothing-to-send') return succeed({ numbers: [], keys: [] });
    if (problem) return fail(problem);
    return countKey ? this.listByKey(countKey) : succeed({ numbers: [], keys: [] });
  }

  /**
   * What tells the works of a result: by record numbers where the database gives them, else from the
   * records themselves while they are few. Nothing where there are too many, or only estimates.
   */
  async listReadable(
    question: LimitedQuery,
    dialect: Dialect,
    amount: Amount,
  ): Promise<Outcome<ReadableRecords | undefined>> {
    if (await this.gives(dialect)) {
      const listed = await this.list(question, dialect);
      if (!listed.ok) return listed;
      const { numbers, keys } = listed.value;
      const read = async (place: number): Promise<BibliographicRecord | undefined> =>
        (await fetchByNumbers(this.connections.find(dialect.id), numbers.slice(place, place + 1)))[0];
      return succeed({ keys, read });
    }
    const { countKey } = this.counts.peek(this.subject.share(question.root), dialect, question.limiters);
    const total = getExact(amount);
    if (!countKey || total === undefined || total > MAX_FETCHED) return succeed(undefined);
    const [only, ...more] = listParts(countKey);
    if (only === undefined || more.length > 0) return succeed(undefined);
    const records: BibliographicRecord[] = [];
    while (records.length < total) {
      const page = await this.connections.find(dialect.id).ask('search', {
        string: only,
        sentLimiters: countKey.sentLimiters,
        start: records.length,
        rows: PAGE,
        sort: 'relevance',
      });
      if (!page.ok) return page;
      if (page.value.records.length === 0) return succeed(undefined);
      records.push(...page.value.records);
    }
    const read = (place: number): Promise<BibliographicRecord | undefined> => Promise.resolve(records[place]);
    return succeed({ keys: records.map(createRecordKeys), read });
  }

  private listByKey(countKey: CountKey): Promise<Outcome<ListedRecords>> {
    const key = `${countKey.database}\n${JSON.stringify(countKey.sentLimiters)}\n${countKey.string}`;
    const known = this.kept.get(key);
    if (known) return known;
    const asked = this.ask(countKey).then((outcome) => {
      if (!outcome.ok) this.kept.delete(key);
      return outcome;
    });
    this.kept.set(key, asked);
    return asked;
  }

  /** Of several parts each record once. */
  private async ask(countKey: CountKey): Promise<Outcome<ListedRecords>> {
    const all = new Map<number, RecordKeys>();
    for (const part of listParts(countKey)) {
      const answer = await this.connections
        .find(countKey.database)
        .ask('ids', { string: part, sentLimiters: countKey.sentLimiters });
      if (!answer.ok) return answer;
      const keys = listKeys(answer.value);
      answer.value.numbers.forEach((number, at) => all.set(number, keys[at]!));
    }
    return succeed({ numbers: [...all.keys()], keys: [...all.values()] });
  }

  /** Counts unions of some questions, by record sets where they are to be had, else by strings. */
  async createCounter(questions: readonly LimitedQuery[], dialect: Dialect): Promise<Outcome<UnionCounter>> {
    return (await this.gives(dialect))
      ? this.createSetCounter(questions, dialect)
      : succeed(this.createStringCounter(questions, dialect));
  }

  private async createSetCounter(
    questions: readonly LimitedQuery[],
    dialect: Dialect,
  ): Promise<Outcome<UnionCounter>> {
    const lists: (readonly number[])[] = [];
    for (const question of questions) {
      const listed = await this.list(question, dialect);
      if (!listed.ok) return listed;
      lists.push(listed.value.numbers);
    }
    const size = 1 + lists.reduce((most, numbers) => numbers.reduce((a, b) => Math.max(a, b), most), 0);
    return succeed(
      createSetCounter(
        lists.map((numbers) => {
          const set = new RecordSet(size);
          numbers.forEach((number) => set.add(number));
          return set;
        }),
      ),
    );
  }

  private createStringCounter(questions: readonly LimitedQuery[], dialect: Dialect): UnionCounter {
    return {
      members: questions.length,
      count: async (unions) => {
        const counted = unions.map((union) => {
          const roots = union.flatMap((member) => questions[member]?.root ?? []);
          const [only] = roots;
          const root = roots.length === 1 && only ? only : build.or(...roots);
          const limiters = questions[union[0] ?? 0]?.limiters ?? {};
          return this.counts.peek(this.subject.share(root), dialect, limiters);
        });
        const countKeys = counted.flatMap(({ countKey }) => countKey ?? []);
        const states = (await this.asked.settle(countKeys))[Symbol.iterator]();
        const totals: number[] = [];
        for (const one of counted) {
          const state = one.countKey ? (states.next().value ?? one.state) : one.state;
          if (state.status === 'failed' && state.problem.code !== 'nothing-to-send')
            return fail(state.problem);
          const total = getExact(getAmount(readCount({ ...one, state })));
          if (total === undefined)
            return fail(createProblem('count-not-exact', 'error', { database: dialect.name }));
          totals.push(total);
        }
        return succeed(totals);
      },
    };
  }
}
