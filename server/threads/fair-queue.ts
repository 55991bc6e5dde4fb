/** A queue in which those who ask take turns: no asker waits for all that another one has asked before. */
export class FairQueue<T> {
  private readonly waiting = new Map<string, T[]>();
  private length = 0;

  get size(): number {
    return this.length;
  }

  add(asker: string, item: T): void {
    const own = this.waiting.get(asker);
    if (own) own.push(item);
    else this.waiting.set(asker, [item]);
    this.length++;
  }

  /** The first task of the asker who has waited longest since the last turn. */
  take(): T | undefined {
    const [first] = this.waiting;
    if (!first) return undefined;
    const [asker, own] = first;
    const item = own.shift();
    this.waiting.delete(asker);
    if (own.length > 0) this.waiting.set(asker, own);
    this.length--;
    return item;
  }

  /** Takes an item out, whenever its turn would have come. */
  remove(asker: string, item: T): void {
    const own = this.waiting.get(asker);
    const at = own?.indexOf(item) ?? -1;
    if (!own || at < 0) return;
    own.splice(at, 1);
    if (own.length === 0) this.waiting.delete(asker);
    this.length--;
  }

  /** Takes out everything. */
  empty(): T[] {
    const all = [...this.waiting.values()].flat();
    this.waiting.clear();
    this.length = 0;
    return all;
  }
}
