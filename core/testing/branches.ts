/** Counts how often the branches of a property test are taken, so that none of them is never tested. */
export class Branches<Name extends string> {
  private readonly taken = new Map<Name, number>();

  /** Counts a branch that is taken; gives its condition, so that it can stand in an `if`. */
  take(name: Name, isTaken: boolean): boolean {
    if (isTaken) this.taken.set(name, (this.taken.get(name) ?? 0) + 1);
    return isTaken;
  }

  /** The branches that were taken fewer than so many times. */
  listRare(names: readonly Name[], least = 1): Name[] {
    return names.filter((name) => (this.taken.get(name) ?? 0) < least);
  }
}
