import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { tellByGroups, type GroupCounts, type GroupStandings } from './group-standings';
import { judgeMustFind } from './must-find';

/** A record with the works whose title it has; most have one, some have two or none. */
interface WorldRecord {
  readonly works: readonly number[];
  readonly isFound: boolean;
}

/** A database that counts groups, and the counts that somebody asked for one after the other. */
class CountingDatabase {
  readonly known = new Map<string, number>();

  constructor(
    private readonly records: readonly WorldRecord[],
    private readonly longest = Infinity,
  ) {}

  count(group: readonly number[], onlyFound: boolean): number {
    return this.records.filter(
      ({ works, isFound }) => works.some((work) => group.includes(work)) && (isFound || !onlyFound),
    ).length;
  }

  private read(group: readonly number[]): GroupCounts {
    if (group.length > this.longest) return { there: undefined, found: undefined, isRefused: true };
    return {
      there: this.known.get(`there ${group.join(' ')}`),
      found: this.known.get(`found ${group.join(' ')}`),
    };
  }

  /** Asks until nothing more is needed. */
  tellAll(works: number): GroupStandings {
    for (;;) {
      const told = tellByGroups(works, (group) => this.read(group));
      const [next] = told.needed;
      if (!next) return told;
      const key = `${next.count} ${next.group.join(' ')}`;
      expect(this.known.has(key), 'nothing is asked twice').toBe(false);
      expect(next.group.length).toBeLessThanOrEqual(this.longest);
      this.known.set(key, this.count(next.group, next.count === 'found'));
    }
  }
}

const WORKS = 12;
const arbitraryRecords = fc.array(
  fc.record({
    works: fc.uniqueArray(fc.nat(WORKS - 1), { maxLength: 2 }),
    isFound: fc.boolean(),
  }),
  { maxLength: 16 },
);

describe('works told apart by groups', () => {
  it('stand as they do when each is asked for itself, records with several titles among them', () => {
    fc.assert(
      fc.property(arbitraryRecords, fc.integer({ min: 1, max: WORKS }), (records, longest) => {
        const database = new CountingDatabase(records, longest);
        const { standings } = database.tellAll(WORKS);
        standings.forEach((standing, at) => {
          const truth = judgeMustFind(database.count([at], false), database.count([at], true));
          if (standing === 'not-missed') expect(truth).not.toBe('missed');
          else expect(standing).toBe(truth);
        });
      }),
      { numRuns: 3_000 },
    );
  });

  it('take two strings where none is missed, whatever is not there', () => {
    const records = [0, 1, 2, 4, 5].map((work) => ({ works: [work], isFound: true }));
    const database = new CountingDatabase(records);
    expect(new Set(database.tellAll(50).standings)).toEqual(new Set(['not-missed']));
    expect(database.known.size).toBe(2);
  });

  it('take at most four strings a halving for the one that is missed', () => {
    for (let missed = 0; missed < 50; missed++) {
      const database = new CountingDatabase(
        Array.from({ length: 50 }, (_, work) => ({ works: [work], isFound: work !== missed })),
      );
      const { standings } = database.tellAll(50);
      expect(standings.flatMap((standing, at) => (standing === 'missed' ? [at] : []))).toEqual([missed]);
      expect(database.known.size).toBeLessThanOrEqual(2 + 4 * Math.ceil(Math.log2(50)));
    }
  });

  it('take hardly more strings than one by one where all are missed', () => {
    const database = new CountingDatabase(
      Array.from({ length: 50 }, (_, work) => ({ works: [work], isFound: false })),
    );
    expect(new Set(database.tellAll(50).standings)).toEqual(new Set(['missed']));
    expect(database.known.size).toBeLessThanOrEqual(52);
  });

  it('are asked one by one where they cannot be asked together', () => {
    const database = new CountingDatabase([{ works: [1], isFound: true }], 1);
    expect(database.tellAll(3).standings).toEqual(['not-there', 'found', 'not-there']);
  });
});
