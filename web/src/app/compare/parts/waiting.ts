import { DestroyRef, computed, effect, inject, signal, untracked, type Signal } from '@angular/core';
import type { Outcome } from '#core/problem/index';

/** How an answer stands that takes a while. */
export type Waiting<T> =
  { readonly status: 'none' | 'waiting' } | { readonly status: 'done'; readonly outcome: Outcome<T> };

/**
 * Asks whenever what is asked changes; an answer to an older question is dropped. Nothing is asked for
 * `undefined`, nor for what is the same as before: then the answer stays.
 */
export function follow<A, T>(
  asked: () => A | undefined,
  ask: (asked: A) => Promise<Outcome<T>>,
  isSame: (a: A, b: A) => boolean = Object.is,
): Signal<Waiting<T>> {
  const current = computed(asked, {
    equal: (a, b) => a === b || (a !== undefined && b !== undefined && isSame(a, b)),
  });
  const answer = signal<Waiting<T>>({ status: 'none' });
  let turn = 0;
  inject(DestroyRef).onDestroy(() => turn++);
  effect(() => {
    const now = current();
    const mine = ++turn;
    untracked(() => {
      if (now === undefined) return answer.set({ status: 'none' });
      answer.set({ status: 'waiting' });
      void ask(now).then((outcome) => {
        if (mine === turn) answer.set({ status: 'done', outcome });
      });
    });
  });
  return answer;
}
