import {
  countKey,
  countKeys,
  countYears,
  type CountedValue,
  type Deadline,
  type RecordSet,
  type SetExpression,
} from '../collection';
import { MAX_FACET_VALUES, type FacetName, type Facets, type SearchFilter } from '../contract';
import { LIMITERS, listLimitersOf } from '../limiter';
import { createHeadingKey } from '../text';
import type { Holding } from './holding';

/** How a facet is counted, and which records have one of its values. */
interface FacetRow {
  readonly count: (holding: Holding, set: RecordSet, deadline: Deadline) => readonly CountedValue[];
  readonly find: (value: string) => SetExpression;
}

/** A facet whose values are whole keys of the index. */
const keyed = (name: string): FacetRow => ({
  count: ({ evaluator }, set, deadline) => countKeys(evaluator.index, set, name, deadline, MAX_FACET_VALUES),
  find: (value) => ({ kind: 'key', key: `${name}=${value}` }),
});

const FACET_ROWS: Readonly<Record<FacetName, FacetRow>> = {
  years: {
    count: ({ evaluator }, set) => countYears(evaluator.index, set),
    find: (value) => ({ kind: 'range', column: 'years', from: Number(value), to: Number(value) }),
  },
  types: keyed('type'),
  languages: keyed('language'),
  headings: {
    count: ({ evaluator, vocabulary }, set, deadline) =>
      countKeys(evaluator.index, set, 'heading', deadline, MAX_FACET_VALUES).map(({ value, records }) => ({
        // A key has no capitals; the thesaurus knows how the heading is written.
        value: vocabulary?.find(value)?.label ?? value,
        records,
      })),
    find: (value) => ({ kind: 'key', key: `heading=${createHeadingKey(value)}` }),
  },
  flags: {
    count: ({ evaluator }, set) =>
      listLimitersOf('flag').flatMap((name) => {
        const records = countKey(evaluator.index, set, LIMITERS[name].key);
        return records > 0 ? [{ value: name, records }] : [];
      }),
    find: (value) => {
      const name = listLimitersOf('flag').find((one) => one === value);
      return name ? { kind: 'key', key: LIMITERS[name].key } : { kind: 'none' };
    },
  },
  sources: keyed('source'),
  keywords: keyed('keyword'),
  authors: keyed('author'),
  'first-authors': keyed('first'),
  affiliations: keyed('affiliation'),
  abstracts: keyed('abstract'),
  texts: keyed('text'),
};

/** Counts the records of a set by some facets: the most frequent values of each. */
export function countFacets(
  holding: Holding,
  set: RecordSet,
  names: readonly FacetName[],
  deadline: Deadline,
): Facets {
  return Object.fromEntries(
    names.map((name) => [name, FACET_ROWS[name].count(holding, set, deadline).slice(0, MAX_FACET_VALUES)]),
  );
}

/** What a set is under some filters. */
export function applyFilters(expression: SetExpression, filters: readonly SearchFilter[]): SetExpression {
  return filters.reduce<SetExpression>((all, { facet, values, leavesOut }) => {
    const any: SetExpression = { kind: 'or', items: values.map(FACET_ROWS[facet].find) };
    return leavesOut ? { kind: 'not', include: all, exclude: any } : { kind: 'and', items: [all, any] };
  }, expression);
}
