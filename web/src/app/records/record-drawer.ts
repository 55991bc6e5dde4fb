import { Injectable, inject, signal } from '@angular/core';
import { createAmount, keepAmount, uniteParts, type Amount } from '#core/count/index';
import type { SearchAnswer } from '#core/contract/index';
import type { Problem } from '#core/problem/index';
import { listParts, type CountKey } from '../counting/count-state';
import { Connections } from '../state/connections';
import { fetchByNumbers } from '../state/fetch-records';

/** How many records a number opens. */
const FIRST_RECORDS = 10;
/** How many records of a list of numbers are shown. */
const FIRST_NUMBERS = 25;

/** What the drawer shows. */
export interface DrawerContent {
  readonly countKey: CountKey;
  readonly label: string;
  /** The number that was opened, where there was one. */
  readonly amount?: Amount;
  readonly answer?: SearchAnswer;
  readonly problem?: Problem;
  /** Only these of the string's records are meant: those that two strings do not share, for example. */
  readonly numbers?: readonly number[];
  /** They are among those that the string finds, so all of them can be read. */
  readonly areOfString?: boolean;
}

/** What parts find together that may overlap, with the first records of all of them. */
function uniteAnswers(answers: readonly SearchAnswer[]): SearchAnswer {
  const [only] = answers;
  if (answers.length === 1 && only) return only;
  const records = new Map(answers.flatMap((answer) => answer.records).map((record) => [record.id, record]));
  return {
    ...keepAmount(uniteParts(answers.map(({ total, estimated }) => createAmount(total, estimated)))),
    records: [...records.values()].slice(0, FIRST_RECORDS),
  };
}

/** The drawer behind every number: the first records of its string. */
@Injectable({ providedIn: 'root' })
export class RecordDrawer {
  private readonly connections = inject(Connections);
  private opener: HTMLElement | undefined;
  private loading: AbortController | undefined;

  readonly content = signal<DrawerContent | undefined>(undefined);

  /** Shows the first records of a string; `amount` is the number that was opened, which is known better than a page says. */
  show(countKey: CountKey, label: string, amount?: Amount): void {
    this.opener = document.activeElement instanceof HTMLElement ? document.activeElement : undefined;
    const opened = { countKey, label, ...(amount && { amount }) };
    this.content.set(opened);
    void this.load(opened);
  }

  /** What is still being loaded is given up: something else is shown, or nothing. */
  private replaceLoading(): AbortSignal {
    this.loading?.abort();
    this.loading = new AbortController();
    return this.loading.signal;
  }

  /** Closes it and gives the focus back to the number that opened it. */
  close(): void {
    this.loading?.abort();
    this.content.set(undefined);
    this.opener?.focus();
  }

  /** Shows some records by their numbers: those that two strings do not share, for example. */
  showNumbers(
    countKey: CountKey,
    label: string,
    total: number,
    numbers: readonly number[],
    areOfString = true,
  ): void {
    this.opener = document.activeElement instanceof HTMLElement ? document.activeElement : undefined;
    const shown = { countKey, label, numbers, areOfString };
    this.content.set(shown);
    const signal = this.replaceLoading();
    const connection = this.connections.find(countKey.database);
    void fetchByNumbers(connection, numbers.slice(0, FIRST_NUMBERS), signal).then((found) => {
      const records = found.filter((record) => record !== undefined);
      if (!signal.aborted) this.content.set({ ...shown, answer: { total, estimated: false, records } });
    });
  }

  /** The first of each part of a string, one after the other, each record once. */
  private async load(opened: DrawerContent): Promise<void> {
    const { countKey } = opened;
    const parts = listParts(countKey);
    const connection = this.connections.find(countKey.database);
    const signal = this.replaceLoading();
    const outcomes = await Promise.all(
      parts.map((string) =>
        connection.ask(
          'search',
          { string, sentLimiters: countKey.sentLimiters, start: 0, rows: FIRST_RECORDS, sort: 'relevance' },
          signal,
        ),
      ),
    );
    if (signal.aborted) return;
    const failed = outcomes.find((outcome) => !outcome.ok);
    if (failed && !failed.ok) return this.content.set({ ...opened, problem: failed.problem });
    const answers = outcomes.flatMap((outcome) => (outcome.ok ? [outcome.value] : []));
    this.content.set({ ...opened, answer: uniteAnswers(answers) });
  }
}
