import { Injectable, inject, signal } from '@angular/core';
import type { SearchAnswer } from '#core/contract/index';
import type { Problem } from '#core/problem/index';
import type { CountWish } from '../counting/count-store';
import { STANDIN_CLIENT } from '../data/providers';

/** How many records a number opens. */
const FIRST_RECORDS = 10;

/** What the drawer shows. */
export interface DrawerContent {
  readonly wish: CountWish;
  readonly label: string;
  readonly answer?: SearchAnswer;
  readonly problem?: Problem;
}

/** The drawer behind every number: the first records of its string. */
@Injectable({ providedIn: 'root' })
export class RecordDrawer {
  private readonly client = inject(STANDIN_CLIENT);
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

  private async load(wish: CountWish, label: string): Promise<void> {
    const outcome = await this.client.search(wish.database, wish.string, wish.boxes, FIRST_RECORDS);
    if (this.content()?.wish !== wish) return;
    this.content.set(
      outcome.ok ? { wish, label, answer: outcome.value } : { wish, label, problem: outcome.problem },
    );
  }
}
