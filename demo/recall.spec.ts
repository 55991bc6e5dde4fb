import { beforeAll, describe, expect, it } from 'vitest';
import {
  buildIndex,
  createDocument,
  createEvaluator,
  createNeutralExpression,
  type Evaluator,
} from '#core/collection/index';
import { parseQuery } from '#core/query/index';
import { createHolding } from './holdings';
import { createThesauri } from './thesauri/index';
import { createCorpus } from './works';

const vocabulary = createThesauri().heronsmere;
let evaluator: Evaluator;
let answers: Set<number>;

beforeAll(() => {
  const holding = createHolding(createCorpus(2026, 12_000), 'heronsmere');
  evaluator = createEvaluator(
    buildIndex(holding.works.map((_, place) => createDocument(holding.createRecord(place)))),
  );
  answers = new Set(holding.works.flatMap((work, place) => (work.theme.answersDemo ? [place] : [])));
});

/** Share of the answers found, and share of the found that are answers. */
const measure = (query: string): { recall: number; precision: number } => {
  const outcome = evaluator.evaluate(createNeutralExpression(parseQuery(query).root, { vocabulary }));
  const found = outcome.ok ? outcome.value.list() : [];
  const good = found.filter((place) => answers.has(place)).length;
  return { recall: good / answers.size, precision: good / Math.max(1, found.length) };
};

describe('searching the corpus for the demo question', () => {
  it('rewards synonyms, truncation and headings, as real searching does', () => {
    const one = measure('bats AND "street lighting"');
    const synonyms = measure(
      '(bat OR bats) AND ("street light*" OR "road lighting" OR "artificial light" OR "light pollution" OR LED OR lamp*)',
    );
    const headings = measure(
      '(bat OR bats OR chiroptera* OR pipistrel* OR branch: "Chiroptera") AND ("street light*" OR "road lighting" OR "artificial light" OR "light pollution" OR LED OR lamp* OR heading: "Night lighting")',
    );
    expect(one.recall).toBeLessThan(0.4);
    expect(synonyms.recall).toBeGreaterThan(one.recall + 0.15);
    expect(headings.recall).toBeGreaterThan(synonyms.recall);
    expect(headings.recall).toBeGreaterThan(0.75);
  });

  it('punishes a cut that is too short and a question typed as a sentence', () => {
    expect(measure('bat*').precision).toBeLessThan(measure('bat OR bats').precision / 2);
    expect(measure('"does street lighting change how bats use roads"').recall).toBe(0);
    const query = '(bats OR chiroptera*) AND ("street light*" OR "light pollution")';
    expect(measure(query).precision).toBeGreaterThan(measure(query.replace(' AND ', ' OR ')).precision * 3);
  });
});
