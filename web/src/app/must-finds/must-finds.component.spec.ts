import '@angular/compiler';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { MAT_DIALOG_DATA } from '@angular/material/dialog';
import { Clipboard } from '@angular/cdk/clipboard';
import { TEMPLATE_DIALECTS, type Dialect } from '#core/dialect/index';
import { readString } from '#core/dialect/read/index';
import { createMustFindQuery } from '#core/must-finds/index';
import { HandQueueDialogComponent, type HandQueueDialogData } from '../comparing/hand-queue-dialog.component';
import type { Counted } from '../counting/count-state';
import { SmallWorld, arbitraryWorld, canSay } from '../comparing/testing/small-world';
import { MustFindEntryComponent } from './must-find-entry.component';
import { MustFindsComponent } from './must-finds.component';
import { ProbableWorks } from './probable-works';

const DATABASES = ['heronsmere', 'cardinal'] as const;
const PAPERBARK: Dialect = { ...TEMPLATE_DIALECTS[0]!, id: 'paperbark', name: 'Paperbark Index' };

describe('must-finds', () => {
  it('are found, missed or not there, in each database', async () => {
    await fc.assert(
      fc.asyncProperty(arbitraryWorld, fc.nat(), async (world, turn) => {
        fc.pre(canSay(world, 'heronsmere'));
        const { project, records } = world;
        const all = [...records.heronsmere, ...records.cardinal];
        const titles = [all[turn % all.length]!.title, 'a title that is in no database'];
        const mustFinds = titles.map((title, at) => ({ id: `m${at}`, title }));
        const small = new SmallWorld({ ...project, mustFinds }, records, true, [ProbableWorks]);
        const tool = small.make(MustFindsComponent);
        await small.count(() => tool['asked']());
        const expected = mustFinds.map((mustFind) =>
          DATABASES.map((id) => {
            const there = small.find(id, createMustFindQuery(mustFind)!);
            if (there.length === 0) return 'not-there';
            return there.some((number) => small.findDraft(id).includes(number)) ? 'found' : 'missed';
          }),
        );
        expect(tool['rows']().map(({ cells }) => cells.map(({ standing }) => standing))).toEqual(expected);
        const has = (standings: readonly string[], one: string): boolean => standings.includes(one);
        expect(tool['summary']()).toMatchObject({
          found: expected.filter((one) => has(one, 'found')).length,
          there: expected.filter((one) => has(one, 'found') || has(one, 'missed')).length,
          absent: expected.filter((one) => one.every((standing) => standing === 'not-there')).length,
          isKnown: true,
        });
      }),
      { numRuns: 40 },
    );
  });

  it('are pasted as titles and identifiers, each once, and a removed one is gone', async () => {
    const [world] = fc.sample(arbitraryWorld, { numRuns: 1, seed: 4 });
    const small = new SmallWorld(world!.project, world!.records, true, [ProbableWorks]);
    const tool = small.make(MustFindsComponent);
    const entry = small.make(MustFindEntryComponent);
    const field = { value: '- Bats and lamps on roads\n10.5555/none\n\nBats and lamps on roads' };
    await entry['add'](field as HTMLTextAreaElement);
    expect(field.value).toBe('');
    expect(tool['rows']().map(({ name, isUnknown }) => [name, isUnknown])).toEqual([
      ['Bats and lamps on roads', false],
      ['10.5555/none', true],
    ]);
    await entry['add']({ value: '10.5555/none' } as HTMLTextAreaElement);
    expect(tool['rows']()).toHaveLength(2);
    tool['remove'](tool['rows']()[0]!.mustFind);
    expect(tool['rows']().map(({ name }) => name)).toEqual(['10.5555/none']);
  });

  it('are told apart by groups in a database that is searched by hand', async () => {
    await fc.assert(
      fc.asyncProperty(arbitraryWorld, async ({ project, records }) => {
        const titles = [...new Set(records.cardinal.map(({ title }) => title)), 'a title that is nowhere'];
        const mustFinds = titles.map((title, at) => ({ id: `m${at}`, title }));
        const working = {
          ...project.working,
          databases: ['paperbark'],
          ownDatabases: [{ dialect: PAPERBARK, connection: { kind: 'by-hand' as const } }],
        };
        let asked: () => readonly (Counted | undefined)[] = () => [];
        const question: HandQueueDialogData = { title: 'Must-finds', counted: (() => asked()) as never };
        const small = new SmallWorld(
          { ...project, working, mustFinds },
          { paperbark: records.cardinal },
          true,
          [
            ProbableWorks,
            { provide: MAT_DIALOG_DATA, useValue: question },
            { provide: Clipboard, useValue: { copy: () => true } },
          ],
        );
        fc.pre(small.findDraft('paperbark').length > 0);
        const tool = small.make(MustFindsComponent);
        const queue = small.make(HandQueueDialogComponent);
        asked = () => tool['asked']();
        let strings = 0;
        for (;;) {
          await small.count(asked);
          const [next] = queue['open']();
          if (!next) break;
          strings++;
          queue['typed'].set(`${small.find('paperbark', readString(next.string, PAPERBARK).root).length}`);
          queue['keep']();
          expect(strings).toBeLessThanOrEqual(4 * mustFinds.length);
        }
        tool['rows']().forEach(({ mustFind, cells: [cell] }) => {
          const there = small.find('paperbark', createMustFindQuery(mustFind)!);
          const isFound = there.some((number) => small.findDraft('paperbark').includes(number));
          const truth = there.length === 0 ? 'not-there' : isFound ? 'found' : 'missed';
          if (cell?.standing === 'not-missed') expect(truth).not.toBe('missed');
          else expect(cell?.standing).toBe(truth);
        });
        // What is told of all together is what a person would count; only works that are surely told are in the sum.
        const standings = tool['rows']().map(({ cells: [cell] }) => cell?.standing);
        const count = (wanted: string): number => standings.filter((one) => one === wanted).length;
        expect(tool['summary']()).toMatchObject({
          found: count('found'),
          there: count('found') + count('missed'),
          unsettled: count('not-missed'),
        });
      }),
      { numRuns: 15 },
    );
  });
});
