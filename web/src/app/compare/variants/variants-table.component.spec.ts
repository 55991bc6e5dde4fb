import '@angular/compiler';
import { ElementRef } from '@angular/core';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { createSharedDraft } from '#core/compare/draft/index';
import { readExact } from '../../testing/counts';
import { FreezeVariant } from '../../freezing/freeze-variant';
import { startInjection } from '../../testing/injection';
import { formatDifference } from '../../ui/number-format';
import { SmallWorld, arbitraryWorld, canSay, type World } from '../../comparing/testing/small-world';
import { describeRatio } from './variant-row';
import { VariantsTableComponent } from './variants-table.component';
import { VariantsTogether } from './variants-together';

const DATABASES = ['heronsmere', 'cardinal'] as const;
const angular = startInjection();

/** Two variants, the second of which lacks a term, and a draft that lacks another; the second is compared with. */
async function start({ project, records }: World) {
  const small = new SmallWorld(project, records, true, [
    VariantsTogether,
    { provide: ElementRef, useValue: {} },
  ]);
  const freezing = angular.inject(FreezeVariant);
  freezing.freeze('whole', '');
  small.open.change({ kind: 'switch-term', id: 'animals0', off: true });
  freezing.freeze('without bat', '');
  small.open.change({ kind: 'switch-term', id: 'light1', off: true });
  const tool = small.make(VariantsTableComponent);
  await small.count(() => tool['asked']());
  const counts = DATABASES.map((id) => ({
    rows: small.open.project().variants.map(({ frozen }) => small.find(id, createSharedDraft(frozen)).length),
    draft: small.findDraft(id).length,
  }));
  return { small, tool, counts };
}

describe('the variants', () => {
  it('stand with their counts, and with differences and ratios only where both mean what they say', async () => {
    await fc.assert(
      fc.asyncProperty(arbitraryWorld, async (world) => {
        const { tool, counts } = await start(world);
        const rows = [...tool['rows'](), tool['draftRow']()];
        expect(rows.map(({ name }) => name)).toEqual(['whole', 'without bat', 'draft']);
        DATABASES.forEach((id, at) => {
          const { rows: [whole = 0, base = 0] = [], draft } = counts[at]!;
          const [first, compared, last] = rows.map(({ cells }) => cells[at]!);
          if (!canSay(world, id)) {
            // Where something wider finds nothing, so does what is meant: only then there is a difference.
            for (const cell of [first, last])
              expect(
                readExact(cell?.counted) === 0 ? ['0', 'a part left out'] : ['a part left out'],
              ).toContain(cell?.below);
            expect(compared?.below).toBe('compared with this');
            expect([first?.ratio, last?.ratio]).toEqual(['', '']);
            return;
          }
          expect([first, compared, last].map((cell) => readExact(cell?.counted))).toEqual([
            whole,
            base,
            draft,
          ]);
          expect([first?.below, compared?.below, last?.below]).toEqual([
            formatDifference(whole - base),
            'compared with this',
            formatDifference(draft - base),
          ]);
          expect([first?.ratio, compared?.ratio, last?.ratio]).toEqual(
            base > 0 ? [describeRatio(whole / base), '', describeRatio(draft / base)] : ['', '', ''],
          );
        });
      }),
      { numRuns: 25 },
    );
  });

  it('are sorted by a database’s counts, hidden and shown again', async () => {
    const [world] = fc.sample(arbitraryWorld, { numRuns: 1, seed: 2 });
    const { tool, small } = await start(world!);
    const [first, second] = small.open.project().variants;
    tool['choices'].choose({ sort: 'name' });
    expect(tool['rows']().map(({ name }) => name)).toEqual(['whole', 'without bat']);
    tool['choices'].toggle('hiddenVariants', first!.id);
    expect(tool['rows']().map(({ id }) => id)).toEqual([second!.id]);
    tool['choices'].toggle('hiddenVariants', first!.id);
    tool['choices'].choose({ sort: 'cardinal' });
    const totals = tool['rows']().map(({ cells }) => readExact(cells[1]?.counted) ?? -1);
    expect(totals).toEqual([...totals].sort((a, b) => b - a));
  });

  it('have the works of all databases together, each once', async () => {
    await fc.assert(
      fc.asyncProperty(arbitraryWorld, async (world) => {
        const { tool, small, counts } = await start(world);
        tool['choices'].choose({ showsTogether: true });
        await small.until(() => tool['togetherOf']()('draft') !== '…');
        const together = Number(tool['togetherOf']()('draft'));
        const [here, there] = counts.map(({ draft }) => draft);
        fc.pre(canSay(world, 'heronsmere'));
        expect(together).toBeLessThanOrEqual(here! + there!);
        // Records of one database may be of one work, too; none is lost.
        expect(together > 0).toBe(here! + there! > 0);
      }),
      { numRuns: 15 },
    );
  });
});
