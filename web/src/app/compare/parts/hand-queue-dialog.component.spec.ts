import '@angular/compiler';
import { Clipboard } from '@angular/cdk/clipboard';
import { MAT_DIALOG_DATA } from '@angular/material/dialog';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { TEMPLATE_DIALECTS, type Dialect } from '#core/dialect/index';
import { readString } from '#core/dialect/read/index';
import { omitsPart, readExact } from '../../testing/counts';
import type { Counted } from '../../counting/count-state';
import { SmallWorld, arbitraryWorld, type World } from '../../comparing/testing/small-world';
import { CombinationsComponent } from '../tools/combinations/combinations.component';
import { StaircaseComponent } from '../tools/staircase/staircase.component';
import {
  HandQueueDialogComponent,
  type HandQueueDialogData,
} from '../../comparing/hand-queue-dialog.component';

const PAPERBARK: Dialect = { ...TEMPLATE_DIALECTS[0]!, id: 'paperbark', name: 'Paperbark Index' };

/** The world's first database, searched by hand: a person reads its numbers off a page. */
function start({ project, records }: World) {
  let asked: () => readonly (Counted | undefined)[] = () => [];
  const copied: string[] = [];
  const working = {
    ...project.working,
    databases: ['paperbark'],
    ownDatabases: [{ dialect: PAPERBARK, connection: { kind: 'by-hand' as const } }],
  };
  const question: HandQueueDialogData = { title: 'Staircase', counted: (() => asked()) as never };
  const small = new SmallWorld({ ...project, working }, { paperbark: records.cardinal }, true, [
    { provide: MAT_DIALOG_DATA, useValue: question },
    { provide: Clipboard, useValue: { copy: (text: string) => copied.push(text) > 0 } },
  ]);
  const count = (string: string): number =>
    small.find('paperbark', readString(string, PAPERBARK).root).length;
  const queue = small.make(HandQueueDialogComponent);
  const show = async (counted: () => readonly (Counted | undefined)[]): Promise<void> => {
    asked = counted;
    await small.count(counted);
  };
  return { small, queue, show, count, copied };
}

describe('counting by hand', () => {
  it('fills the same tables, the shortest string first, each asked once', async () => {
    await fc.assert(
      fc.asyncProperty(arbitraryWorld, async (world) => {
        const { small, queue, show, count } = start(world);
        const tool = small.make(StaircaseComponent);
        await show(() => tool['asked']());
        const strings: string[] = [];
        for (let next = queue['open']()[0]; next; next = queue['open']()[0]) {
          strings.push(next.string);
          queue['typed'].set(`1–25 of ${count(next.string).toLocaleString('en')} results`);
          queue['keep']();
          expect(strings.length).toBeLessThan(50);
        }
        expect(new Set(strings).size).toBe(strings.length);
        expect(strings.map(({ length }) => length)).toEqual(
          strings.map(({ length }) => length).sort((a, b) => a - b),
        );
        for (const { after, cells } of tool['rows']())
          for (const { counted } of cells)
            if (!omitsPart(counted))
              expect(readExact(counted)).toBe(small.find('paperbark', after.root).length);
        expect(small.open.project().tallies.every(({ source }) => source === 'typed')).toBe(true);
      }),
      { numRuns: 25 },
    );
  });

  it('takes a column of numbers for this string and those after it', async () => {
    await fc.assert(
      fc.asyncProperty(arbitraryWorld, async (world) => {
        const { small, queue, show, count } = start(world);
        const tool = small.make(StaircaseComponent);
        await show(() => tool['asked']());
        const items = queue['open']();
        fc.pre(items.length > 1);
        queue['typed'].set(items.map(({ string }) => count(string)).join('\n'));
        expect(queue['reading']().totals.map(({ total }) => total)).toEqual(
          items.map(({ string }) => count(string)),
        );
        queue['keep']();
        expect(queue['open']()).toEqual([]);
      }),
      { numRuns: 15 },
    );
  });

  it('asks for nothing that follows from what is known, and leaves honest gaps', async () => {
    const world = fc.sample(arbitraryWorld, { numRuns: 1, seed: 9 })[0]!;
    const { small, queue, show } = start(world);
    const tool = small.make(CombinationsComponent);
    await small.until(() => tool['rows']().length === 2 ** tool['used']().length - 1);
    await show(() => tool['asked']());
    const first = queue['open']()[0]!;
    const before = queue['open']().length;
    queue['typed'].set('0');
    queue['keep']();
    // Where one finds nothing, none of its combinations can.
    expect(queue['open']().length).toBeLessThan(before - 1);
    expect(tool['nearest']()?.all).toBe(0);
    expect(tool['rows']().some(({ derived }) => derived === undefined)).toBe(true);
    expect(first.name).toBe('Paperbark Index');
  });

  it('says what is not understood, keeps nothing of it, and puts a string off', async () => {
    const world = fc.sample(arbitraryWorld, { numRuns: 1, seed: 9 })[0]!;
    const { small, queue, show, copied } = start(world);
    const tool = small.make(StaircaseComponent);
    await show(() => tool['asked']());
    const [first, second] = queue['open']();
    queue['typed'].set('1–25');
    expect(queue['reading']()).toMatchObject({ totals: [], isUnclear: true });
    queue['keep']();
    expect(small.open.project().tallies).toEqual([]);
    queue['typed'].set('about 1,200 results');
    expect(queue['reading']().words).toContain('1,200');
    expect(queue['reading']().totals).toMatchObject([{ total: 1_200, estimated: true }]);
    queue['skip'](first!.key);
    expect(queue['current']()?.key).toBe(second?.key);
    expect(queue['open']().at(-1)?.key).toBe(first?.key);
    queue['copy'](second!.string);
    expect(copied).toEqual([second!.string]);
    expect(queue['copied']()).toBe(second!.string);
  });
});
