import { DestroyRef, effect, inject, signal, untracked, type Signal } from '@angular/core';

/** Milliseconds of work before input has its turn. */
const SLICE = 10;

/** Makes something of each entry of a list that takes a while altogether: in short slices, begun anew when the list changes. */
export function mapSliced<A, B>(
  list: () => readonly A[],
  make: (entry: A) => B | undefined,
): Signal<{ readonly made: readonly B[]; readonly isDone: boolean }> {
  const result = signal<{ readonly made: readonly B[]; readonly isDone: boolean }>({
    made: [],
    isDone: true,
  });
  const channel = new MessageChannel();
  let work: (() => void) | undefined;
  channel.port1.onmessage = () => work?.();
  inject(DestroyRef).onDestroy(() => {
    work = undefined;
    channel.port1.close();
  });
  effect(() => {
    const entries = list();
    untracked(() => {
      const made: B[] = [];
      let at = 0;
      work = () => {
        const end = performance.now() + SLICE;
        for (; at < entries.length && performance.now() < end; at++) {
          const one = make(entries[at] as A);
          if (one !== undefined) made.push(one);
        }
        if (at >= entries.length) {
          work = undefined;
          result.set({ made, isDone: true });
        } else channel.port2.postMessage(undefined);
      };
      result.set({ made: result().made, isDone: false });
      channel.port2.postMessage(undefined);
    });
  });
  return result;
}
