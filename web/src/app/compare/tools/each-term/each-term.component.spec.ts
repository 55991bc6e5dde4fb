import '@angular/compiler';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { build, parseQuery, type Field, type QueryNode } from '#core/query/index';
import { readExact } from '../../../testing/counts';
import { SmallWorld, arbitraryWorld } from '../../../comparing/testing/small-world';
import { EachTermComponent } from './each-term.component';

const ANIMALS = ['bat', 'bats', 'noctule'];

/** A term in the fields of its concept. */
function placeIn(fields: readonly Field[] | undefined, term: string): QueryNode {
  const { root } = parseQuery(term);
  return fields ? build.fielded(fields, root) : root;
}

async function start(small: SmallWorld): Promise<EachTermComponent> {
  const tool = small.make(EachTermComponent);
  await small.count(() => tool['asked']());
  await small.until(() => tool['cover']() !== undefined);
  return tool;
}

describe('each term', () => {
  it('has what it finds, and what only it finds in its concept and in the whole', async () => {
    await fc.assert(
      fc.asyncProperty(arbitraryWorld, async ({ project, records, fields }) => {
        const small = new SmallWorld(project, records);
        const tool = await start(small);
        for (const id of ['heronsmere', 'cardinal']) {
          const within = ANIMALS.map((term) => small.find(id, placeIn(fields, term)));
          const isOnly =
            (at: number) =>
            (number: number): boolean =>
              within.every((one, other) => one.includes(number) === (other === at));
          const whole = small.findDraft(id);
          tool['rows']().forEach(({ term, cells }, at) => {
            const cell = cells.find(({ dialect }) => dialect.id === id);
            expect(term.text).toBe(ANIMALS[at]);
            const isUnsaidTerm = id === 'heronsmere' && (fields?.includes('keywords') ?? false);
            expect(readExact(cell?.counted)).toBe(isUnsaidTerm ? 0 : within[at]?.length);
            // Heronsmere has no keywords: the concept finds nothing there, and the draft goes without it.
            const only = isUnsaidTerm ? 0 : within[at]?.filter(isOnly(at)).length;
            const draft = whole.filter(isOnly(at)).length;
            const said = cell?.note ?? '';
            if (said.includes('a part left out')) expect(isUnsaidTerm).toBe(true);
            else expect(said).toBe(`unique: ${only} in the concept, ${draft} in the query`);
          });
        }
      }),
      { numRuns: 30 },
    );
  });

  it('keeps all records with the smallest set, whether a database gives record sets or counts only', async () => {
    await fc.assert(
      fc.asyncProperty(arbitraryWorld, async ({ project, records, fields }) => {
        const sentences = [];
        for (const givesIds of [true, false]) {
          const small = new SmallWorld(project, records, givesIds);
          const tool = await start(small);
          const said = tool['sentences']();
          const unite = (terms: readonly string[]): number =>
            new Set(terms.flatMap((term) => small.find('heronsmere', placeIn(fields, term)))).size;
          expect(unite(said?.smallest ?? [])).toBe(unite(ANIMALS));
          expect(said?.whole).toBe(unite(ANIMALS));
          expect(said?.isExact).toBe(true);
          for (const free of said?.free ?? [])
            expect(unite(ANIMALS.filter((term) => term !== free))).toBe(unite(ANIMALS));
          expect([...(said?.smallest ?? []), ...(said?.dropped ?? [])].sort()).toEqual([...ANIMALS].sort());
          sentences.push(said);
        }
        expect(sentences[1]).toEqual(sentences[0]);
      }),
      { numRuns: 20 },
    );
  });

  it('switches off what the smallest set does without, and finds the same', async () => {
    await fc.assert(
      fc.asyncProperty(arbitraryWorld, async ({ project, records, fields }) => {
        const small = new SmallWorld(project, records);
        const tool = await start(small);
        fc.pre(!fields?.includes('keywords'));
        const before = small.findDraft('heronsmere');
        const dropped = tool['sentences']()?.dropped ?? [];
        fc.pre(dropped.length > 0 && dropped.length < ANIMALS.length);
        tool['keepSmallest']();
        const [animals] = small.open.concepts();
        expect(animals?.terms.filter(({ off }) => off).map(({ text }) => text)).toEqual(dropped);
        expect(small.findDraft('heronsmere')).toEqual(before);
        small.open.undo();
        expect(small.open.concepts()[0]?.terms.some(({ off }) => off)).toBe(false);
      }),
      { numRuns: 20 },
    );
  });
});
