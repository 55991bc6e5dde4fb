import { buildIndex, createDocument, createEvaluator } from '#core/collection/index';
import { DIALECTS, type Dialect } from '#core/dialect/index';
import { createHolding } from '#demo/holdings';
import type { HoldingId } from '#demo/themes/index';
import { createCorpus } from '#demo/works';
import type { Holding } from '#core/holding/index';
import { createStandinHolding, findVocabulary } from '#server/collections/index';
import { STANDINS } from '#server/standins/standins';

/** A holding with the syntax that it is searched in. */
export interface BenchDatabase {
  readonly collection: Holding;
  readonly dialect: Dialect;
}

/** Some databases over the corpus of 40,000 works, counted as the server counts. */
export function makeDatabases(number: number): BenchDatabase[] {
  console.log(`Making ${number} holdings of 40,000 works …`);
  const corpus = createCorpus(2026, 40_000);
  return STANDINS.slice(0, number).map((standin): BenchDatabase => {
    const held = createHolding(corpus, standin.id as HoldingId);
    const index = buildIndex(
      held.works.map((_, place) => createDocument(held.createRecord(place))),
      standin.analysis,
      standin.stem,
    );
    const evaluator = createEvaluator(index);
    return {
      dialect: DIALECTS.find((dialect) => dialect.id === standin.id)!,
      collection: createStandinHolding(standin, evaluator, findVocabulary(standin.id)),
    };
  });
}
