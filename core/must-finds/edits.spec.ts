import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { createDocument } from '../collection';
import { tryChange, MEANING_LEVELS } from '../compare';
import { createSharedDraft } from '../compare/draft';
import { createProject, type Concept, type Project } from '../project';
import { dropInactive } from '../query';
import type { BibliographicRecord } from '../record';
import { satisfies } from '../testing/naive-evaluator';
import { createTestRecord } from '../testing/records';
import { createVocabulary, type Heading } from '../vocabulary';
import {
  findSmallestSet,
  joinEdits,
  listEdits,
  listNearTerms,
  listObstacles,
  createPartReader,
} from './index';
import { setsAll } from './smallest-set';
import type { Edit, PartReader } from './index';

const YEAR = 2026;
const heading = (label: string, ...broader: string[]): Heading => ({
  label,
  entryTerms: [],
  broader,
  related: [],
});
const VOCABULARY = createVocabulary('heronsmere', [
  heading('Behaviour'),
  heading('Feeding behaviour', 'Behaviour'),
  heading('Flight', 'Behaviour'),
  heading('Roads'),
]);
const concept = (name: string, ...texts: string[]): Concept => ({
  id: name,
  name,
  block: name,
  off: false,
  terms: texts.map((text, at) => ({ id: `${name}${at}`, text, off: false })),
});
const makeProject = (concepts: readonly Concept[], parts: Partial<Project['working']> = {}): Project => {
  const project = createProject('p', 'P', '2026-10-01T08:00:00.000Z', ['heronsmere']);
  const draft = concepts.map(({ block }) => `@${block}`).join(' AND ');
  return { ...project, working: { ...project.working, concepts, draft, ...parts } };
};
const read = (records: readonly BibliographicRecord[]): PartReader =>
  createPartReader(
    records.map((record, at) => ({ mustFind: `m${at}`, database: 'heronsmere', record })),
    { database: 'heronsmere', vocabulary: VOCABULARY, limiters: ['years', 'types', 'peerReviewed'] },
  );
const list = (project: Project, records: readonly BibliographicRecord[]) =>
  listEdits([read(records)], project, YEAR, () => VOCABULARY);

/** Whether a draft finds a record, word by word, under the limiters of this test. */
function isFound({ working }: Project, record: BibliographicRecord): boolean {
  const root = dropInactive(createSharedDraft(working), 'heronsmere');
  const { years, peerReviewed, types } = working.limiters;
  const year = record.year ?? 0;
  return (
    root !== undefined &&
    satisfies(createDocument(record), root, VOCABULARY) &&
    (!years || (year >= (years.from ?? 0) && year <= (years.to ?? 9999))) &&
    (!peerReviewed || record.peerReviewed === 'yes') &&
    (!types || types.includes(record.type))
  );
}

describe('why a record is missed', () => {
  const record = createTestRecord({
    title: 'Predation by bats under lamps',
    abstract: 'They hunted moths.',
    keywords: ['prey capture'],
    headings: [{ label: 'Feeding behaviour' }],
    year: 1997,
    peerReviewed: 'no',
  });
  const behaviour = concept('behaviour', 'hunting', 'heading: "Flight"');
  const project = makeProject([concept('bats', 'bat*'), behaviour], {
    draft: '@bats AND @behaviour NOT moths',
    limiters: { years: { from: 2000 }, peerReviewed: true },
  });

  it('is told by each part that keeps it out', () => {
    const [obstacles] = listObstacles([read([record])], project);
    expect(obstacles?.parts.map(({ kind, words }) => `${kind} ${words}`)).toEqual([
      'piece @behaviour',
      'exclusion moths',
      expect.stringMatching(/^limiter .*2000/),
      'limiter peer-reviewed',
    ]);
  });

  it('has what stands in the place of the concept, the nearest first', () => {
    expect(listNearTerms(record, behaviour, [concept('bats', 'bat*')], VOCABULARY)).toEqual([
      { kind: 'form', text: 'hunt*' },
      { kind: 'related heading', text: 'heading(heronsmere): "Feeding behaviour"' },
      { kind: 'keyword', text: '"prey capture"' },
      { kind: 'title word', text: 'predation' },
      { kind: 'title word', text: 'lamps' },
    ]);
  });

  it('is not told by limiters that the database does not have', () => {
    const reader = createPartReader([{ mustFind: 'm', database: 'heronsmere', record }], {
      database: 'heronsmere',
      vocabulary: VOCABULARY,
      limiters: [],
    });
    expect(listObstacles([reader], project)[0]?.parts.map(({ kind }) => kind)).toEqual([
      'piece',
      'exclusion',
    ]);
  });
});

const WORDS = ['bat', 'bats', 'lamp', 'lamps', 'road', 'roads', 'night', 'hunting', 'hunted'];
const words = (least: number, most: number) =>
  fc.array(fc.constantFrom(...WORDS), { minLength: least, maxLength: most });
const arbitraryRecord = fc
  .record({
    title: words(1, 3),
    abstract: words(0, 4),
    keywords: words(0, 2),
    labels: fc.uniqueArray(fc.constantFrom('Behaviour', 'Feeding behaviour', 'Flight', 'Roads'), {
      maxLength: 2,
    }),
    year: fc.integer({ min: 1998, max: 2003 }),
    peer: fc.boolean(),
  })
  .map(({ title, abstract, labels, peer, ...rest }) =>
    createTestRecord({
      ...rest,
      title: title.join(' '),
      abstract: abstract.join(' '),
      headings: labels.map((label) => ({ label })),
      peerReviewed: peer ? 'yes' : 'no',
    }),
  );
const arbitraryConcept = (name: string) =>
  fc
    .uniqueArray(
      fc.constantFrom(
        'bat',
        'lamp*',
        'road',
        'hunting',
        '"night bat"',
        'heading: "Flight"',
        'lamp WITHIN 2 road',
      ),
      {
        minLength: 1,
        maxLength: 3,
      },
    )
    .map((texts) => concept(name, ...texts));
const arbitraryProject = fc
  .tuple(
    arbitraryConcept('a'),
    arbitraryConcept('b'),
    fc.constantFrom('@a AND @b', '@a AND @b NOT night', '@a', '@a OR @b', '(@a AND @b) NOT @a'),
    fc.constantFrom(
      {},
      { years: { from: 2000 } },
      { peerReviewed: true },
      { years: { to: 2001 }, peerReviewed: true },
    ),
  )
  .map(([a, b, draft, limiters]) => makeProject([a, b], { draft, limiters }));

describe('changes that would catch what is missed', () => {
  it('really catch what they say, and the parts that keep a record out are told of all that are missed', () => {
    fc.assert(
      fc.property(
        arbitraryProject,
        fc.array(arbitraryRecord, { minLength: 1, maxLength: 5 }),
        (project, records) => {
          const obstacles = listObstacles([read(records)], project);
          records.forEach((record, at) => {
            expect(obstacles[at]?.keys.length === 0).toBe(isFound(project, record));
          });
          for (const { proposal, catches } of list(project, records)) {
            const changed = tryChange(project, proposal.change)!;
            const caught = records.flatMap((record, at) =>
              !isFound(project, record) && isFound(changed, record) ? [`m${at}`] : [],
            );
            expect(catches, proposal.words).toEqual(caught);
          }
        },
      ),
      { numRuns: 60 },
    );
  });

  it('together catch all that they can, however they work on each other', () => {
    fc.assert(
      fc.property(
        arbitraryProject,
        fc.array(arbitraryRecord, { minLength: 1, maxLength: 4 }),
        (project, records) => {
          const edits = list(project, records);
          const obstacles = listObstacles([read(records)], project);
          const { edits: set } = findSmallestSet(
            edits,
            obstacles.flatMap(({ keys }) => keys),
          );
          const change = joinEdits(project, set, YEAR);
          const changed = change && tryChange(project, change);
          // Changes of single terms can always be made together.
          if (!set.some(({ proposal }) => setsAll(proposal.change))) expect(changed).toBeDefined();
          const mended = new Set(edits.flatMap(({ mends }) => [...mends]));
          records.forEach((record, at) => {
            const canBe = obstacles[at]?.keys.every((key) => mended.has(key)) ?? false;
            if (changed && canBe) expect(isFound(changed, record), JSON.stringify(change)).toBe(true);
          });
        },
      ),
      { numRuns: 60 },
    );
  });

  it('come in the order of how little they change of what is asked', () => {
    fc.assert(
      fc.property(arbitraryProject, arbitraryRecord, (project, record) => {
        const levels = list(project, [record]).map(({ proposal }) => MEANING_LEVELS.indexOf(proposal.level));
        expect(levels).toEqual([...levels].sort((a, b) => a - b));
      }),
      { numRuns: 40 },
    );
  });
});

describe('the smallest set of changes', () => {
  const LETTERS = ['p', 'q', 'r', 's', 't', 'u'];
  const edit = (name: string, level: Edit['proposal']['level'], mends: readonly string[]): Edit => ({
    proposal: {
      key: name,
      level,
      words: name,
      change: { kind: 'set-question', question: name },
      concepts: [],
    },
    mends: new Set(mends),
    catches: [],
  });
  const arbitraryEdits = fc
    .array(
      fc.tuple(
        fc.constantFrom(...MEANING_LEVELS),
        fc.uniqueArray(fc.constantFrom(...LETTERS), { maxLength: 4 }),
      ),
      {
        maxLength: 8,
      },
    )
    .map((all) => all.map(([level, mends], at) => edit(`e${at}`, level, mends)));

  it('is as small as any that mends as much, and of these changes least of what is asked', () => {
    fc.assert(
      fc.property(arbitraryEdits, (edits) => {
        const { edits: found, isExact } = findSmallestSet(edits, LETTERS);
        const mendedBy = (some: readonly Edit[]) =>
          LETTERS.filter((key) => some.some(({ mends }) => mends.has(key))).join('');
        const costOf = (some: readonly Edit[]) =>
          some.reduce(
            (sum, { proposal: { level } }) =>
              sum + (level === 'question' ? 1e6 : 1e3) + MEANING_LEVELS.indexOf(level),
            0,
          );
        const all = mendedBy(edits);
        const choices = Array.from({ length: 2 ** edits.length }, (_, bits) =>
          edits.filter((__, at) => (bits >> at) & 1),
        ).filter((some) => mendedBy(some) === all);
        expect(isExact).toBe(true);
        expect(mendedBy(found)).toBe(all);
        expect(costOf(found)).toBe(Math.min(...choices.map(costOf)));
      }),
    );
  });
});
