import { buildIndex, createDocument, createEvaluator, createNeutralExpression } from '../collection';
import type { IndexDocument, IndexField } from '../collection';
import { createTermQuery, type Concept, type Term } from '../project';
import { build, dropInactive, type QueryNode } from '../query';
import type { BibliographicRecord } from '../record';
import { createVocabulary, type Vocabulary } from '../vocabulary';

/** Where in a record a term stands, the most telling first. */
export const PLACES = ['title', 'headings', 'keywords', 'abstract', 'full text'] as const;
export type Place = (typeof PLACES)[number];

/** The fields and the keys of the index that make up each place. */
const PLACE_PARTS: Readonly<
  Record<Place, { readonly field: IndexField; readonly keys: RegExp | undefined }>
> = {
  title: { field: 'title', keys: undefined },
  headings: { field: 'heading', keys: /^(heading|focus|qualified)=/ },
  keywords: { field: 'keywords', keys: undefined },
  abstract: { field: 'abstract', keys: undefined },
  'full text': { field: 'fulltext', keys: undefined },
};

/** How much a place says about what a record is about, from 0 to 1. */
const PLACE_WEIGHTS: Readonly<Record<Place, number>> = {
  title: 1,
  headings: 0.8,
  keywords: 0.8,
  abstract: 0.55,
  'full text': 0.2,
};
/** A term that is met by several places together, or by a name or a source. */
const ELSEWHERE_WEIGHT = 0.35;

/** A term that lets a record in, with the places where it stands. */
export interface TermInRecord {
  readonly term: Term;
  /** Empty: it is met by several places together, or by something that is none of them, such as an author. */
  readonly places: readonly Place[];
}

/** How a record meets a concept. */
export interface ConceptInRecord {
  readonly concept: Concept;
  readonly terms: readonly TermInRecord[];
  /** How strongly, from 0 (not at all) to 1 (in the title): the best place of its best term. */
  readonly strength: number;
}

/** The documents made of one record: each place alone, and the whole. */
const DOCUMENTS = PLACES.length + 1;

/**
 * Why some records are found: for each record the concepts, with the terms that stand in it and where. It is told
 * by the neutral meaning of each term, field by field; a database that searches in its own way may find a record
 * by what no term says here. Terms for other databases are not looked at.
 */
export function explainRecords(
  records: readonly BibliographicRecord[],
  concepts: readonly Concept[],
  database: string,
  vocabulary: Vocabulary = nameHeadings(records, database),
): ConceptInRecord[][] {
  const evaluator = createEvaluator(buildIndex(records.flatMap(listPlaceDocuments)));
  const find = (root: QueryNode): { has(at: number): boolean } => {
    const active = dropInactive(root, database);
    if (!active) return NONE;
    const found = evaluator.evaluate(createNeutralExpression(active, { vocabulary }));
    return found.ok ? found.value : NONE;
  };
  const terms = concepts.map(({ terms: all, fields }) =>
    all
      .filter((term) => !term.off && (term.databases?.includes(database) ?? true))
      .map((term) => {
        const root = createTermQuery(term);
        return { term, found: find(fields ? build.fielded(fields, root) : root) };
      }),
  );
  return records.map((_, at) =>
    concepts.map((concept, which): ConceptInRecord => {
      const met = (terms[which] ?? []).flatMap(({ term, found }): TermInRecord[] => {
        const first = at * DOCUMENTS;
        const places = PLACES.filter((__, place) => found.has(first + place));
        return places.length > 0 || found.has(first + PLACES.length) ? [{ term, places }] : [];
      });
      return { concept, terms: met, strength: Math.max(0, ...met.map(weigh)) };
    }),
  );
}

/** The headings of some records, as far as they tell: none stands above another. */
function nameHeadings(records: readonly BibliographicRecord[], database: string): Vocabulary {
  const labels = new Set(records.flatMap(({ headings }) => headings.map(({ label }) => label)));
  return createVocabulary(
    database,
    [...labels].map((label) => ({ label, entryTerms: [], broader: [], related: [] })),
  );
}

const NONE = { has: () => false };

function weigh({ places }: TermInRecord): number {
  return places[0] ? PLACE_WEIGHTS[places[0]] : ELSEWHERE_WEIGHT;
}

/** A record cut into its places, and the whole of it, as documents of an index. */
function listPlaceDocuments(record: BibliographicRecord): IndexDocument[] {
  const whole = createDocument(record);
  const parts = PLACES.map((place): IndexDocument => {
    const { field, keys } = PLACE_PARTS[place];
    const values = whole.values[field];
    return {
      values: values ? { [field]: values } : {},
      keys: keys ? whole.keys.filter((key) => keys.test(key)) : [],
    };
  });
  return [...parts, whole];
}

/** The records among some that a query finds, by its neutral meaning. */
export function findAmong(
  records: readonly BibliographicRecord[],
  queries: readonly QueryNode[],
  vocabulary?: Vocabulary,
): boolean[][] {
  const evaluator = createEvaluator(buildIndex(records.map(createDocument)));
  return queries.map((root) => {
    const found = evaluator.evaluate(createNeutralExpression(root, vocabulary && { vocabulary }));
    return records.map((_, at) => found.ok && found.value.has(at));
  });
}
