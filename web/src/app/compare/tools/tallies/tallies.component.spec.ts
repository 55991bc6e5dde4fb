import '@angular/compiler';
import fc from 'fast-check';
import { beforeEach, describe, expect, it } from 'vitest';
import { FreezeVariant } from '../../../freezing/freeze-variant';
import { startInjection } from '../../../testing/injection';
import { SmallWorld, arbitraryWorld } from '../../../comparing/testing/small-world';
import { StaircaseComponent } from '../staircase/staircase.component';
import { TalliesComponent } from './tallies.component';

const angular = startInjection();
const OLD = '2026-09-21T08:00:00.000Z';

describe('the tallies', () => {
  let small: SmallWorld;
  let tool: TalliesComponent;

  /** A variant with the counts of its day, then a changed draft. */
  beforeEach(async () => {
    const { project, records } = fc.sample(arbitraryWorld, { numRuns: 1, seed: 21 })[0]!;
    small = new SmallWorld({ ...project, working: { ...project.working, draft: '@animals' } }, records);
    const steps = small.make(StaircaseComponent);
    await small.count(() => steps['asked']());
    angular.inject(FreezeVariant).freeze('animals alone', '');
    small.open.change({ kind: 'set-draft', text: '@animals AND @light' });
    tool = small.make(TalliesComponent);
  });

  it('are kept when a variant is frozen, with its string, and found by any of their words', () => {
    expect(
      tool['rows']()
        .map(({ name, belongs }) => [name, belongs])
        .sort(),
    ).toEqual([
      ['Cardinal', 'animals alone'],
      ['Heronsmere', 'animals alone'],
    ]);
    const totals = new Map(tool['rows']().map(({ tally }) => [tally.database, tally.total]));
    small.open.change({ kind: 'set-draft', text: '@animals' });
    for (const id of ['heronsmere', 'cardinal']) expect(totals.get(id)).toBe(small.findDraft(id).length);
    tool['sought'].set('cardinal BAT');
    expect(tool['rows']().map(({ name }) => name)).toEqual(['Cardinal']);
    tool['sought'].set('cardinal nothing');
    expect(tool['all']()).toBe(0);
  });

  it('say how old they are, and how far a count has changed since', async () => {
    const [tally] = small.open.project().tallies;
    small.open.change({
      kind: 'keep-tallies',
      tallies: [{ ...tally!, id: 'old', moment: OLD, total: tally!.total + 5 }],
    });
    const find = () => tool['rows']().find((row) => row.tally.id === 'old')!;
    expect(find().age).toBe('10 days old');
    expect(find().sinceThen).toBe('');
    tool['countAgain'](find().tally);
    await small.until(() => find().sinceThen !== '');
    expect(find().sinceThen).toBe('−5 since');
    const before = small.open.project().tallies.length;
    tool['keepAgain'](find().tally, find().counted!);
    expect(small.open.project().tallies).toHaveLength(before + 1);
    expect(small.open.project().tallies.at(-1)).toMatchObject({
      database: tally!.database,
      string: tally!.string,
      total: tally!.total,
      source: 'measured',
    });
    small.open.change({
      kind: 'keep-tallies',
      tallies: [{ ...tally!, id: 'guess', total: tally!.total + 9, estimated: true }],
    });
    const guess = () => tool['rows']().find((row) => row.tally.id === 'guess')!;
    tool['countAgain'](guess().tally);
    await small.until(() => guess().sinceThen !== '');
    expect(guess().sinceThen).toBe('not exact: cannot tell');
  });

  it('lead back to the query that they were counted for, and can be taken away', () => {
    const [row] = tool['rows']();
    expect(row?.canRestore).toBe(true);
    tool['restore'](row!.tally);
    expect(small.open.working().draft).toBe('@animals');
    small.open.undo();
    expect(small.open.working().draft).toBe('@animals AND @light');
    tool['remove'](row!.tally);
    expect(small.open.project().tallies.map(({ id }) => id)).not.toContain(row!.tally.id);
    small.open.change({ kind: 'keep-tallies', tallies: [{ ...row!.tally, id: 'lost', variant: 'gone' }] });
    const lost = tool['rows']().find(({ tally }) => tally.id === 'lost')!;
    expect(lost.canRestore).toBe(false);
    tool['restore'](lost.tally);
    expect(small.open.working().draft).toBe('@animals AND @light');
  });
});
