import { NEUTRAL_ANALYSIS, buildIndex, createDocument, createEvaluator } from '#core/collection/index';
import { DIALECTS, type Dialect } from '#core/dialect/index';
import { createVocabulary } from '#core/vocabulary/index';
import { createHolding } from '#demo/holdings';
import { createCorpus } from '#demo/works';
import { findVocabulary, type StandinCollection } from '#server/collections';
import { STANDINS } from '#server/standins/standins';

/** A holding with the syntax that it is searched in. */
export interface BenchDatabase {
  readonly collection: StandinCollection;
  readonly dialect: Dialect;
}

/** The holdings: three by their own manuals; more of them are searched in the syntax of the first. */
const HOLDINGS = [
  ...STANDINS.map((standin) => ({ holding: standin.id, standin })),
  ...(['cardinal', 'plainfinder', 'northern'] as const).map((holding) => ({
    holding,
    standin: STANDINS[0]!,
  })),
];

/** Some databases over the corpus of 40,000 works, counted as the server counts. */
export function makeDatabases(number: number): BenchDatabase[] {
  console.log(`Making ${number} holdings of 40,000 works …`);
  const corpus = createCorpus(2026, 40_000);
  return HOLDINGS.slice(0, number).map(({ holding, standin }): BenchDatabase => {
    const held = createHolding(corpus, holding as 'heronsmere');
    const index = buildIndex(
      held.works.map((_, place) => createDocument(held.createRecord(place))),
      standin.analysis ?? NEUTRAL_ANALYSIS,
    );
    const evaluator = createEvaluator(index);
    return {
      dialect: DIALECTS.find((dialect) => dialect.id === standin.id)!,
      collection: {
        standin,
        evaluator,
        vocabulary: standin.id === holding ? findVocabulary(holding) : createVocabulary(holding, []),
        size: held.works.length,
        getRecord: (place) => held.createRecord(place),
        getLaboratory: () => Promise.resolve(evaluator),
      },
    };
  });
}
