import { Injectable, inject, signal } from '@angular/core';
import { findOverlap, findWorks, type DatabaseResult } from '#core/compare/index';
import { describeReason, type Dialect } from '#core/dialect/index';
import { listLimiters } from '#core/limiter/index';
import { describeProblem } from '#core/problem/index';
import { readKeptAmount } from '#core/count/index';
import type { Run, RunDatabase, RunRecall, RunWorks, Tally, Variant } from '#core/project/index';
import { CompareSubject } from '../comparing/compare-subject';
import { MustFindCounts } from '../comparing/must-find-counts';
import { RecordSets } from '../comparing/record-sets';
import { AskedCounts } from '../counting/asked-counts';
import type { Counted } from '../counting/count-state';
import { Counts } from '../counting/counts';
import { makeTally } from '../counting/make-tally';
import { writeMoment } from '../data/clock-and-ids';
import { Connections } from '../state/connections';
import { OpenProject } from '../state/open-project';
import { say } from '../words/say';

/** How far a run is. */
export interface RunProgress {
  readonly done: number;
  readonly all: number;
}

/** Strings grow as more is known of the words of a database; so often they are looked at again. */
const TRIES = 8;
/** So many rounds of counts tell must-finds apart. */
const ROUNDS = 40;
/** What a rendering says otherwise without finding anything else. */
const HARMLESS: readonly string[] = ['heading-elsewhere', 'forms-listed'];

/** Runs a variant in all its databases: each is asked anew, and what they answered is kept with its strings. */
@Injectable()
export class RunMaker {
  private readonly open = inject(OpenProject);
  private readonly subject = inject(CompareSubject);
  private readonly counts = inject(Counts);
  private readonly asked = inject(AskedCounts);
  private readonly sets = inject(RecordSets);
  private readonly mustFinds = inject(MustFindCounts);
  private readonly connections = inject(Connections);

  /** Nothing while no run is made. */
  readonly progress = signal<RunProgress | undefined>(undefined);
  private isStopped = false;

  /** A run that is going on is given up; nothing of it is kept. */
  stop(): void {
    this.isStopped = true;
  }

  /** Makes a run and keeps it in the project; gives its id, or nothing if it was stopped. */
  async make(variant: Variant, name: string): Promise<string | undefined> {
    const project = this.open.project().id;
    this.isStopped = false;
    const { databases, limiters } = variant.frozen;
    const all = databases.length + 2;
    this.progress.set({ done: 0, all });
    try {
      this.sets.forget();
      const id = this.open.createId();
      const moment = writeMoment(this.open.now());
      const rows: RunDatabase[] = [];
      const tallies: Tally[] = [];
      const question = { root: this.subject.read(variant.frozen), limiters };
      for (const [at, database] of databases.entries()) {
        const dialect = this.open.findDialect(database);
        const counted = dialect && (await this.count(variant, dialect));
        if (this.isStopped) return undefined;
        const made = counted
          ? makeTally(dialect, counted, {
              createId: () => this.open.createId(),
              moment: writeMoment(this.open.now()),
              limiters,
              variant: variant.id,
            })
          : [];
        tallies.push(...made);
        rows.push(this.describe(database, dialect, counted, made[0], variant));
        this.progress.set({ done: at + 1, all });
      }
      const works = await this.unite(question, rows, tallies);
      this.progress.set({ done: all - 1, all });
      const recall = await this.findRecall(variant);
      // Another project may have been opened meanwhile, and a removed variant has no runs.
      const isThere = this.open.maybe()?.variants.some((one) => one.id === variant.id);
      if (this.isStopped || this.open.maybe()?.id !== project || !isThere) return undefined;
      const run: Run = {
        id,
        name,
        variant: variant.id,
        moment,
        databases: rows,
        ...(works && { works }),
        ...(recall && { recall }),
      };
      this.open.change({ kind: 'keep-run', run, tallies });
      return id;
    } finally {
      this.progress.set(undefined);
    }
  }

  /** Asks a database anew. While more becomes known of its words, its string grows: the last one counts. */
  private async count(variant: Variant, dialect: Dialect): Promise<Counted> {
    const root = this.subject.read(variant.frozen);
    const peek = (): Counted => this.counts.look(root, dialect, variant.frozen.limiters);
    await this.connections.find(dialect.id).whenKnown();
    let counted = peek();
    for (let turn = 0; turn < TRIES && counted.countKey; turn++) {
      const { countKey } = counted;
      if (turn === 0) this.asked.countAgain([countKey]);
      await this.asked.settle([countKey]);
      counted = peek();
      if (counted.countKey?.string === countKey.string) break;
    }
    return counted;
  }

  private describe(
    database: string,
    dialect: Dialect | undefined,
    counted: Counted | undefined,
    tally: Tally | undefined,
    { frozen: { limiters } }: Variant,
  ): RunDatabase {
    const name = dialect?.name ?? database;
    if (!counted)
      return {
        database,
        name,
        string: '',
        limiters,
        boxes: [],
        without: [],
        differences: [],
        problem: say('logbook.notInThisProject'),
      };
    const { rendering, byHand, state } = counted;
    const isByHand = byHand !== undefined;
    const size = this.connections.find(database).traits()?.records;
    const reasons = [...rendering.fidelity.values()]
      .flatMap((fidelity) => fidelity.reasons)
      .filter(({ code }) => !HARMLESS.includes(code))
      .map(describeReason);
    const missing = listLimiters(limiters).filter(({ name: limiter }) =>
      counted.missingLimiters.includes(limiter),
    );
    const boxes = rendering.steps.filter(({ how }) => how === 'box' || (how === 'hand' && isByHand));
    return {
      database,
      name,
      string: (counted.countKey ?? byHand)?.string ?? '',
      limiters,
      boxes: boxes.map(({ value, note }) => (note === undefined ? value : `${value} (${note})`)),
      without: missing.map(({ value }) => value),
      differences: [...new Set(reasons)],
      ...(size !== undefined && { size }),
      ...(tally && { tally: tally.id }),
      // What is counted by hand comes later.
      ...(!tally && !isByHand && state.status === 'failed' && { problem: describeProblem(state.problem) }),
    };
  }

  /** The works of all databases, each once; nothing where one of them has no count. */
  private async unite(
    question: Parameters<RecordSets['listReadable']>[0],
    rows: readonly RunDatabase[],
    tallies: readonly Tally[],
  ): Promise<RunWorks | undefined> {
    const results: DatabaseResult[] = [];
    for (const { database, tally: id } of rows) {
      const tally = tallies.find((one) => one.id === id);
      const dialect = this.open.findDialect(database);
      if (!tally || !dialect || this.isStopped) return undefined;
      const amount = readKeptAmount(tally);
      const records = await this.sets.listReadable(question, dialect, amount);
      if (!records.ok) return undefined;
      results.push({ database, amount, keys: records.value?.keys });
    }
    const { bounds, compared, countsOnly, duplicates, works, matched } = findOverlap(
      results,
      findWorks(results, this.subject.sameWork()),
    );
    return {
      least: bounds.least,
      greatest: bounds.greatest,
      estimated: bounds.isEstimated,
      records: works + duplicates,
      duplicates,
      matched: { identifier: matched.identifier, work: matched.work, answer: matched.answer },
      compared,
      countsOnly,
    };
  }

  /** How many must-finds the variant finds; nothing where that cannot be told without counting by hand. */
  private async findRecall(variant: Variant): Promise<RunRecall | undefined> {
    if (this.mustFinds.mustFinds().length === 0) return undefined;
    const dialects = variant.frozen.databases.flatMap((id) => this.open.findDialect(id) ?? []);
    for (let round = 0; round < ROUNDS && !this.isStopped; round++) {
      const { found, there, isKnown, asked, unsettled } = this.mustFinds.summarise(variant.frozen, dialects);
      if (isKnown) return unsettled > 0 ? undefined : { found, there };
      const keys = this.counts.listUnknown(asked.flatMap((counted) => counted?.countKey ?? []));
      // Where nothing is on its way, the queries may still have to be written.
      if (keys.length > 0) await this.asked.settle(keys);
      else await new Promise((resolve) => setTimeout(resolve, 50));
    }
    return undefined;
  }
}
