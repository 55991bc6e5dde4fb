import { DestroyRef, effect, inject, signal, untracked, type Signal } from '@angular/core';
import { SLICE, nextTurn } from '../counting/turns';

/** What is made of a list so far. */
export interface Sliced<B> {
  readonly made: readonly B[];
  readonly isDone: boolean;
}

/**
 * Makes something of each entry of a list that takes a while altogether: in short slices, begun anew when
 * the list changes. Until all is made, what was made of the list before stands.
 */
export function mapSliced<A, B>(
  list: () => readonly A[],
  make: (entry: A) => B | undefined,
): Signal<Sliced<B>> {
  const result = signal<Sliced<B>>({ made: [], isDone: true });
  let turn = 0;
  inject(DestroyRef).onDestroy(() => turn++);
  const work = async (entries: readonly A[], mine: number): Promise<void> => {
    const made: B[] = [];
    let end = 0;
    for (const entry of entries) {
      if (performance.now() > end) {
        await nextTurn();
        if (mine !== turn) return;
        end = performance.now() + SLICE;
      }
      const one = make(entry);
      if (one !== undefined) made.push(one);
    }
    result.set({ made, isDone: true });
  };
  effect(() => {
    const entries = list();
    untracked(() => {
      result.update(({ made }) => ({ made, isDone: false }));
      void work(entries, ++turn);
    });
  });
  return result;
}
