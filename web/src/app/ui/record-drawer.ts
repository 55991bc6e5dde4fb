import { Injectable, inject, signal } from '@angular/core';
import type { SearchAnswer } from '#core/contract/index';
import type { Problem } from '#core/problem/index';
import { listParts, type CountWish } from '../counting/count-state';
import { DATABASE_CLIENT } from '../data/providers';

/** How many records a number opens. */
const FIRST_RECORDS = 10;
/** How many records of a list of numbers are shown. */
const FIRST_NUMBERS = 25;

/** What the drawer shows. */
export interface DrawerContent {
  readonly wish: CountWish;
  readonly label: string;
  readonly answer?: SearchAnswer;
  readonly problem?: Problem;
}

/** Of several parts the greatest total is the least that they find together. */
function uniteAnswers(answers: readonly SearchAnswer[]): SearchAnswer {
  const [only] = answers;
  if (answers.length === 1 && only) return only;
  const records = new Map(answers.flatMap((answer) => answer.records).map((record) => [record.id, record]));
  return {
    total: Math.max(0, ...answers.map(({ total }) => total)),
    estimated: true,
    records: [...records.values()].slice(0, FIRST_RECORDS),
  };
}

/** The drawer behind every number: the first records of its string. */
@Injectable({ providedIn: 'root' })
export class RecordDrawer {
  private readonly client = inject(DATABASE_CLIENT);
  private opener: HTMLElement | undefined;

  readonly content = signal<DrawerContent | undefined>(undefined);

  show(wish: CountWish, label: string): void {
    this.opener = document.activeElement instanceof HTMLElement ? document.activeElement : undefined;
    this.content.set({ wish, label });
    void this.load(wish, label);
  }

  /** Closes it and gives the focus back to the number that opened it. */
  close(): void {
    this.content.set(undefined);
    this.opener?.focus();
  }

  /** Shows some records by their numbers: those that two strings do not share, for example. */
  showNumbers(wish: CountWish, label: string, total: number, numbers: readonly number[]): void {
    this.opener = document.activeElement instanceof HTMLElement ? document.activeElement : undefined;
    this.content.set({ wish, label });
    void this.client.records(wish.database, numbers.slice(0, FIRST_NUMBERS)).then((records) => {
      if (this.content()?.wish === wish)
        this.content.set({ wish, label, answer: { total, estimated: false, records } });
    });
  }

  /** The first of each part of a string, one after the other, each record once. */
  private async load(wish: CountWish, label: string): Promise<void> {
    const parts = listParts(wish);
    const outcomes = await Promise.all(
      parts.map((part) => this.client.search(wish.database, part, wish.boxes, FIRST_RECORDS)),
    );
    if (this.content()?.wish !== wish) return;
    const failed = outcomes.find((outcome) => !outcome.ok);
    if (failed && !failed.ok) return this.content.set({ wish, label, problem: failed.problem });
    const answers = outcomes.flatMap((outcome) => (outcome.ok ? [outcome.value] : []));
    this.content.set({ wish, label, answer: uniteAnswers(answers) });
  }
}
