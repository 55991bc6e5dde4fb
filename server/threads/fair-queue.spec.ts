import { describe, expect, it } from 'vitest';
import { FairQueue } from './fair-queue';

describe('a fair queue', () => {
  it('lets those who ask take turns, however much one of them asks', () => {
    const queue = new FairQueue<string>();
    for (const item of ['a1', 'a2', 'a3']) queue.add('a', item);
    queue.add('b', 'b1');
    queue.add('c', 'c1');
    expect(queue.size).toBe(5);
    expect(Array.from({ length: 6 }, () => queue.take())).toEqual(['a1', 'b1', 'c1', 'a2', 'a3', undefined]);
    expect(queue.size).toBe(0);
  });

  it('gives up what is taken out of it, and keeps the turns of the rest', () => {
    const queue = new FairQueue<string>();
    for (const [asker, item] of [
      ['a', 'a1'],
      ['a', 'a2'],
      ['b', 'b1'],
    ] as const)
      queue.add(asker, item);
    queue.remove('a', 'a1');
    queue.remove('b', 'of nobody');
    expect(queue.size).toBe(2);
    expect([queue.take(), queue.take(), queue.take()]).toEqual(['a2', 'b1', undefined]);
  });

  it('empties itself', () => {
    const queue = new FairQueue<number>();
    queue.add('a', 1);
    queue.add('b', 2);
    expect(queue.empty().sort()).toEqual([1, 2]);
    expect([queue.size, queue.take()]).toEqual([0, undefined]);
  });
});
