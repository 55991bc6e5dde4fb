import fc from 'fast-check';
import type { Limiters } from '#core/limiter/index';
import type { Concept, Project } from '#core/project/index';
import type { BibliographicRecord } from '#core/record/index';
import {
  arbitraryRecords,
  createConcept,
  createWorldProject,
  type WorldRecords,
} from '../../comparing/testing/small-world';

/** A subject index, a citation index, a full-text archive that takes short strings, and a finder that estimates. */
const DATABASES = ['heronsmere', 'cardinal', 'marlstone', 'plainfinder'] as const;

/** A project with corners in which numbers go wrong, and what its databases hold. */
export interface CornerWorld {
  readonly project: Project;
  readonly records: WorldRecords;
  readonly givesIds: boolean;
}

const CONCEPTS: readonly Concept[] = [
  createConcept('animals', 'bat', 'bats', 'noctule'),
  createConcept('light', 'lamp*', 'light', '"night light"'),
  createConcept('place', 'road', 'affiliation: kew'),
];

const DRAFTS = [
  '@animals AND @light',
  '@animals AND @light NOT @place',
  '@animals NOT affiliation: kew',
  '@animals NOT keywords: light',
  '(@animals OR @light) AND road',
  'OFF(@light) AND @animals',
  '@quiet AND @light',
  '@quiet NOT (road OR keywords: night)',
  'IN(heronsmere: road) AND @animals',
  'title: bat AND firstauthor: moss',
  'heading(heronsmere): "Bats" OR @animals',
];

const LIMITERS: readonly Limiters[] = [
  {},
  { years: { from: 2020, to: 2021 } },
  { peerReviewed: true },
  { years: { from: 2020 }, fullText: true },
];

/** Records with places of work, so that an affiliation finds some. */
const arbitraryHolding = fc
  .tuple(
    arbitraryRecords,
    fc.array(fc.boolean(), { minLength: 16, maxLength: 16 }),
    fc.array(fc.boolean(), { minLength: 16, maxLength: 16 }),
  )
  .map(([records, atKew, isReviewed]): BibliographicRecord[] =>
    records.map((record, at) => ({
      ...record,
      peerReviewed: isReviewed[at] === true ? 'yes' : 'no',
      hasFullText: isReviewed[15 - at] === true,
      authors: [
        { given: 'Ada', family: 'Moss', ...(atKew[at] === true && { affiliation: 'Kew Gardens' }) },
        { given: 'Jo', family: 'Reed' },
      ],
    })),
  );

/** Random projects over drafts with exclusions, alternatives, blocks, pieces that are off, elsewhere or unsayable. */
export const arbitraryCornerWorld: fc.Arbitrary<CornerWorld> = fc
  .record({
    draft: fc.constantFrom(...DRAFTS),
    limiters: fc.constantFrom(...LIMITERS),
    off: fc.constantFrom('none', 'concept', 'terms'),
    isElsewhere: fc.boolean(),
    hasFields: fc.boolean(),
    givesIds: fc.boolean(),
    holdings: fc.tuple(arbitraryHolding, arbitraryHolding, arbitraryHolding, arbitraryHolding),
  })
  .map(({ draft, limiters, off, isElsewhere, hasFields, givesIds, holdings }) => {
    const [animals, light, place] = CONCEPTS;
    const concepts: Concept[] = [
      { ...animals!, ...(hasFields && { fields: ['title', 'abstract'] as const }) },
      {
        ...light!,
        off: off === 'concept',
        terms: light!.terms.map((term, at) => ({
          ...term,
          off: off === 'terms',
          ...(isElsewhere && at === 1 && { databases: ['heronsmere'] }),
        })),
      },
      place!,
    ];
    const project = createWorldProject(concepts, draft, DATABASES);
    const blocks = [{ id: 'quiet', name: 'quiet', text: '@animals NOT @place' }];
    const [heronsmere, cardinal, marlstone, plainfinder] = holdings;
    return {
      project: { ...project, working: { ...project.working, limiters, blocks } },
      givesIds,
      // No database holds what its manual says that it does not.
      records: {
        heronsmere: heronsmere.map((record) => ({ ...record, keywords: [] })),
        cardinal: cardinal.map((record) => ({ ...record, headings: [] })),
        marlstone: marlstone.map((record) => ({ ...record, keywords: [], headings: [] })),
        plainfinder,
      },
    };
  });
