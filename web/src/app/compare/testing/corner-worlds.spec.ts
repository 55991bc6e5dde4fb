import '@angular/compiler';
import { ElementRef, type Type } from '@angular/core';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  compareCounts,
  getExact,
  getGreatest,
  getLeast,
  isOfSomethingElse,
  type Count,
} from '#core/count/index';
import { findDialect } from '#core/dialect/index';
import type { Counted } from '../../counting/count-state';
import { readCount } from '../../counting/read-count';
import { FreezeVariant } from '../../freezing/freeze-variant';
import { startInjection } from '../../testing/injection';
import { PartLists } from '../parts/part-lists';
import { CombinationsComponent } from '../tools/combinations/combinations.component';
import { EachTermComponent } from '../tools/each-term/each-term.component';
import { GainedLostComponent } from '../tools/gained-lost/gained-lost.component';
import { TwoStates } from '../tools/gained-lost/two-states';
import { StaircaseComponent } from '../tools/staircase/staircase.component';
import { SwapComponent } from '../tools/swap/swap.component';
import { WhatToTryComponent } from '../tools/what-to-try/what-to-try.component';
import { YearsComponent } from '../tools/years/years.component';
import { VariantsTableComponent } from '../variants/variants-table.component';
import { VariantsTogether } from '../variants/variants-together';
import { arbitraryCornerWorld, type CornerWorld } from './corner-worlds';
import { SmallWorld } from '../../comparing/testing/small-world';

const angular = startInjection();
const ESTIMATES = ['plainfinder'];
/** So many counts of a tool are set beside each other, each with each. */
const MAX_PAIRED = 40;
/** What a database does to words is said in Translate, piece by piece; here it is what it goes without that matters. */
const SAID_HERE: ReadonlySet<string> = new Set([
  'field-missing',
  'field-widened',
  'fields-left-out',
  'member-left-out',
  'heading-elsewhere',
  'hyphens-joined',
]);

interface Tool {
  readonly asked: () => readonly (Counted | undefined)[];
}
const TOOLS: readonly (readonly [string, Type<unknown>])[] = [
  ['Staircase', StaircaseComponent],
  ['Each term', EachTermComponent],
  ['Combinations', CombinationsComponent],
  ['Swap', SwapComponent],
  ['Gained and lost', GainedLostComponent],
  ['Years', YearsComponent],
  ['What to try', WhatToTryComponent],
  ['the variants', VariantsTableComponent],
];

function open({ project, records, givesIds }: CornerWorld): SmallWorld {
  const more = [VariantsTogether, PartLists, TwoStates, { provide: ElementRef, useValue: {} }];
  const small = new SmallWorld(project, records, givesIds, more, ESTIMATES);
  angular.inject(FreezeVariant).freeze('before', '');
  small.open.change({ kind: 'switch-term', id: 'animals0', off: true });
  return small;
}

/** How many records a count really is of: by the meaning of its query, record by record, under the limiters that the database has. */
function findTruth(small: SmallWorld, { root, rendering, limiters, missingLimiters }: Counted): number {
  const { database } = rendering;
  const dialect = findDialect(database)!;
  const missing = new Set<string>(missingLimiters);
  const kept = Object.fromEntries(Object.entries(limiters).filter(([name]) => !missing.has(name)));
  expect([...missing].every((name) => dialect.limiters[name as 'years'].how === 'none')).toBe(true);
  return small.within(database, small.find(database, root), kept).length;
}

function isOff(count: Count): boolean {
  return count.status === 'known' && (count.basis.omitted !== undefined || count.basis.isFieldless);
}

describe.each(TOOLS)('in corners, the numbers of %s', (_, type) => {
  it('are those of their queries, or say what they are not quite; what can be told of two of them is true', async () => {
    await fc.assert(
      fc.asyncProperty(arbitraryCornerWorld, async (world) => {
        const small = open(world);
        const tool = small.make<unknown>(type) as Tool;
        await small.count(() => tool.asked());
        const told = tool.asked().flatMap((counted) => {
          if (!counted) return [];
          const count = readCount(counted);
          const reasons = [...counted.rendering.fidelity.values()].flatMap((one) => one.reasons);
          if (!reasons.every(({ code }) => SAID_HERE.has(code))) return [];
          return count.status === 'known' ? [{ count, truth: findTruth(small, counted) }] : [];
        });
        for (const { count, truth } of told) {
          if (isOff(count)) {
            expect(isOfSomethingElse(count)).toBe(true);
            continue;
          }
          if (count.amount.kind === 'estimate') expect(count.basis.database).toBe('plainfinder');
          else {
            expect(getLeast(count.amount)).toBeLessThanOrEqual(truth);
            expect(getGreatest(count.amount)).toBeGreaterThanOrEqual(truth);
            if (count.amount.kind === 'exact') expect(getExact(count.amount)).toBe(truth);
          }
        }
        const some = told.slice(0, MAX_PAIRED);
        for (const a of some)
          for (const b of some) {
            const compared = compareCounts(a.count, b.count);
            if (compared.kind === 'none') continue;
            expect(a.count.basis.database).toBe(b.count.basis.database);
            // Both in the full text: then the difference is one of the full text, and both say so.
            if (a.count.basis.isFieldless) continue;
            expect(compared.least).toBeLessThanOrEqual(a.truth - b.truth);
            expect(compared.greatest).toBeGreaterThanOrEqual(a.truth - b.truth);
          }
      }),
      { numRuns: 60 },
    );
  });
});
