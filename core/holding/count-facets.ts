import { countKeys, countYears, type CountedValue, type Deadline, type RecordSet } from '../collection';
import { MAX_FACET_VALUES, type FacetName, type Facets } from '../contract';
import { LIMITERS, listLimitersOf } from '../limiter';
import type { Holding } from './holding';

type CountFacet = (holding: Holding, set: RecordSet, deadline: Deadline) => readonly CountedValue[];

/** How each facet is counted. */
const COUNT_FACET: Readonly<Record<FacetName, CountFacet>> = {
  years: ({ evaluator }, set) => countYears(evaluator.index, set),
  types: ({ evaluator }, set, deadline) => countKeys(evaluator.index, set, 'type=', deadline),
  languages: ({ evaluator }, set, deadline) => countKeys(evaluator.index, set, 'language=', deadline),
  headings: ({ evaluator, vocabulary }, set, deadline) =>
    countKeys(evaluator.index, set, 'heading=', deadline).map(({ value, records }) => ({
      // A key has no capitals; the thesaurus knows how the heading is written.
      value: vocabulary?.find(value)?.label ?? value,
      records,
    })),
  flags: ({ evaluator }, set) =>
    listLimitersOf('flag').flatMap((name) => {
      const [counted] = countKeys(evaluator.index, set, LIMITERS[name].key).filter(
        ({ value }) => value === '',
      );
      return counted ? [{ value: name, records: counted.records }] : [];
    }),
};

/** Counts the records of a set by some facets: the most frequent values of each. */
export function countFacets(
  holding: Holding,
  set: RecordSet,
  names: readonly FacetName[],
  deadline: Deadline,
): Facets {
  return Object.fromEntries(
    names.map((name) => [name, COUNT_FACET[name](holding, set, deadline).slice(0, MAX_FACET_VALUES)]),
  );
}
