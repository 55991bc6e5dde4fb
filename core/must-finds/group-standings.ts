import { judgeMustFind, type MustFindStanding } from './must-find';

/** What is known of a group of works in a database: its own records, and those of them that the query finds. */
export interface GroupCounts {
  readonly there: number | undefined;
  readonly found: number | undefined;
  /** The group cannot be asked in one string: it is too long, or its number would not be exact. */
  readonly isRefused?: boolean;
}

/** A count that is needed next: of the works of a group alone, or of those that the query finds. */
export interface NeededCount {
  /** The places of the works, in their order. */
  readonly group: readonly number[];
  readonly count: 'there' | 'found';
}

/** How each of some works stands, as far as the counts of groups tell, and what has to be counted to tell more. */
export interface GroupStandings {
  readonly standings: readonly MustFindStanding[];
  readonly needed: readonly NeededCount[];
}

/** So few works take fewer strings one by one. */
const FEW = 4;

/** What follows for a group from the groups round it. */
interface Given {
  readonly there?: number;
  readonly found?: number;
  /** At least so many of its records are missed: its own counts are not needed to know that. */
  readonly missed?: number;
}

/**
 * Tells works apart by counts of whole groups, with few strings: all works together first, those that the query finds
 * and those that there are. Where these are the same, none is missed, and whether each is found or not there is not
 * asked (`not-missed`). Where they differ, the group is halved, and each half is told in the same way; where most of a
 * group are missed, its works are asked one by one. Records that have the titles of several works are allowed for:
 * nothing is taken from sums.
 */
export function tellByGroups(works: number, read: (group: readonly number[]) => GroupCounts): GroupStandings {
  const standings = Array.from({ length: works }, (): MustFindStanding => 'unknown');
  const needed: NeededCount[] = [];
  const set = (group: readonly number[], standing: MustFindStanding): void => {
    for (const at of group) standings[at] = standing;
  };
  const ask = (group: readonly number[], ...counts: readonly NeededCount['count'][]): void => {
    for (const count of counts) needed.push({ group, count });
  };
  const know = (group: readonly number[], given: Given): GroupCounts => {
    const counts = read(group);
    return { ...counts, there: given.there ?? counts.there, found: given.found ?? counts.found };
  };

  const tellSingle = (at: number, given: Given): void => {
    const { there, found, isRefused } = know([at], given);
    const least = (found ?? 0) > 0 || (given.missed ?? 0) > 0 ? 1 : undefined;
    const standing = judgeMustFind(there ?? least, found);
    set([at], standing);
    if (standing !== 'unknown' || isRefused) return;
    ask([at], found === undefined ? 'found' : 'there');
  };

  const split = (group: readonly number[], given: Given): void => {
    const inherited: Given = given.found === 0 ? { found: 0 } : {};
    const missed = given.missed ?? 0;
    if (group.length <= FEW || missed * 2 >= group.length) {
      for (const at of group) tellSingle(at, inherited);
      return;
    }
    const middle = Math.ceil(group.length / 2);
    const [first, second] = [group.slice(0, middle), group.slice(middle)];
    const counts = tell(first, inherited);
    if (!counts) return;
    if (counts.isRefused) tell(second, inherited);
    // What is not in the first half is in the second: nothing but the second can have it.
    else if (counts.there === 0) tell(second, given);
    else {
      const left = missed - ((counts.there ?? 0) - (counts.found ?? 0));
      tell(second, left > 0 ? { ...inherited, missed: left } : inherited);
    }
  };

  /** Gives the counts of the group once they are known. */
  const tell = (group: readonly number[], given: Given): GroupCounts | undefined => {
    const [only, second] = group;
    if (only === undefined) return { there: 0, found: 0 };
    if (second === undefined && given.missed !== undefined) {
      tellSingle(only, given);
      return undefined;
    }
    if (group.every((at) => isTold(know([at], {})))) {
      for (const at of group) tellSingle(at, {});
      return { there: undefined, found: undefined, isRefused: true };
    }
    const counts = know(group, given);
    const { there, found, isRefused } = counts;
    if (there === 0) set(group, 'not-there');
    else if (there !== undefined && found !== undefined) {
      if (second === undefined) set(group, judgeMustFind(there, found));
      else if (found >= there) set(group, 'not-missed');
      else split(group, { there, found, missed: there - found });
    } else if (isRefused) {
      if (second !== undefined) split(group, given);
    } else if (given.missed !== undefined) split(group, given);
    else {
      if (there === undefined) ask(group, 'there');
      if (found === undefined) ask(group, 'found');
      return undefined;
    }
    return counts;
  };

  tell(
    Array.from({ length: works }, (_, at) => at),
    {},
  );
  return { standings, needed };
}

function isTold({ there, found }: GroupCounts): boolean {
  return judgeMustFind(there ?? ((found ?? 0) > 0 ? 1 : undefined), found) !== 'unknown';
}
