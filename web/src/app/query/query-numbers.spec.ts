import '@angular/compiler';
import { Injector, computed, signal } from '@angular/core';
import { describe, expect, it } from 'vitest';
import { createAmount } from '#core/count/index';
import { DIALECTS, writeQuery, type Dialect } from '#core/dialect/index';
import type { Limiters } from '#core/limiter/index';
import { createDraftQuery, createProject } from '#core/project/index';
import { printQuery, type QueryNode } from '#core/query/index';
import type { Counted } from '../counting/count-state';
import { Counts } from '../counting/counts';
import { WrittenQueries } from '../counting/written-queries';
import { OpenProject } from '../state/open-project';
import { QueryDesk } from './query-desk';
import { QueryNumbers } from './query-numbers';

const [dialect, other] = DIALECTS;

/** The numbers of a draft, counted as they are told; what is not told is waited for. */
function createNumbers(draft: string, told: Readonly<Record<string, number>>) {
  const base = createProject('p', 'P', '2026-01-01T00:00:00.000Z', [dialect!.id, other!.id]);
  const project = signal({ ...base, working: { ...base.working, draft } });
  const working = computed(() => project().working);
  const look = (root: QueryNode, one: Dialect, limiters: Limiters): Counted => {
    const rendering = writeQuery(root, one, { limiters });
    const total = told[printQuery(root)];
    return {
      root,
      rendering,
      limiters,
      missingLimiters: [],
      countKey: { database: one.id, string: rendering.text, sentLimiters: rendering.sentLimiters },
      state: total === undefined ? { status: 'waiting' } : { status: 'counted', amount: createAmount(total) },
    };
  };
  const injector = Injector.create({
    providers: [
      QueryNumbers,
      QueryDesk,
      { provide: Counts, useValue: { look, lookLater: look } },
      { provide: WrittenQueries, useValue: { dropLater: () => undefined } },
      {
        provide: OpenProject,
        useValue: {
          project,
          working,
          concepts: computed(() => working().concepts),
          draft: computed(() => createDraftQuery(working(), working().databases)),
          dialects: () => [dialect!, other!],
          limiters: () => ({}),
        },
      },
    ],
  });
  const numbers = injector.get(QueryNumbers);
  const row = (key: string) => numbers.rows().find(({ row: one }) => one.key === key)!;
  return { numbers, row };
}

describe('the numbers of a row', () => {
  it('are its count in each database, and for an excluded row what it takes away', () => {
    const { row } = createNumbers('(bat OR lamp) NOT toy', {
      'bat OR lamp': 90,
      '(bat OR lamp) NOT toy': 70,
      toy: 400,
    });
    const [cell, beside] = row('1').cells;
    expect([cell?.dialect, beside?.dialect]).toEqual([dialect, other]);
    expect(cell?.counted?.state).toMatchObject({ status: 'counted' });
    expect(cell?.removed).toMatchObject({ kind: 'difference', least: 20, greatest: 20 });
    expect(row('0').cells[0]?.removed).toBeUndefined();
  });

  it('are none where it is switched off or meant for another database', () => {
    const { row } = createNumbers(`bat AND OFF(lamp) AND IN(${other!.id}: road)`, { bat: 5 });
    expect(row('1').cells.map(({ counted }) => counted)).toEqual([undefined, undefined]);
    expect(row('2').cells.map(({ isElsewhere }) => isElsewhere)).toEqual([true, false]);
  });
});

describe('the member on which a group depends', () => {
  const told = { 'bat AND lamp AND road': 10, 'lamp AND road': 12, 'bat AND road': 200, 'bat AND lamp': 30 };
  const find = (more: Readonly<Record<string, number>>) => {
    const { numbers, row } = createNumbers('bat AND lamp AND road', { ...told, ...more });
    return numbers.findDominant(row('').row);
  };

  it('is the one without which the count changes most', () => {
    expect(find({})).toMatchObject({ member: { label: 'lamp' } });
    expect(find({ 'lamp AND road': 0 })).toMatchObject({ member: { label: 'lamp' } });
    expect(find({ 'lamp AND road': 3_000 })).toMatchObject({ member: { label: 'bat' } });
  });

  it('is none where no member changes much, or nothing is known', () => {
    expect(find({ 'bat AND road': 11, 'bat AND lamp': 14 })).toBeUndefined();
    const { numbers, row } = createNumbers('bat AND lamp', {});
    expect(numbers.findDominant(row('').row)).toBeUndefined();
  });

  it('is sought in the database that was chosen', () => {
    const { numbers } = createNumbers('bat AND lamp', {});
    expect(numbers.database()).toBe(dialect);
    numbers.choose(other!.id);
    expect(numbers.database()).toBe(other);
    numbers.choose('nowhere');
    expect(numbers.database()).toBe(dialect);
  });
});
