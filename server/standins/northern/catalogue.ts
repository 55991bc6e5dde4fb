import {
  ALL_FIELDS,
  listWords,
  scoreRecords,
  type Deadline,
  type SetExpression,
} from '#core/collection/index';
import type { StandinCollection } from '../../collections/index';
import { readCql } from './cql';
import { diagnose } from './diagnostic';
import { readNorthernQuery } from './reader';
import type { Catalogue } from './service';

/** The catalogue that the service searches: Northern's part of the corpus, read by its own reader, until the deadline. */
export function createCatalogue(collection: StandinCollection, deadline: Deadline): Catalogue {
  const { evaluator, standin } = collection;
  const evaluate = (expression: SetExpression) => {
    const found = evaluator.evaluate(expression, deadline);
    return found.ok ? found.value : diagnose(1, 'the search took too long');
  };
  return {
    title: standin.name,
    search: (query, start, rows) => {
      const expression = readNorthernQuery(query);
      const set = evaluate(expression);
      if (rows === 0) return { total: set.count(), records: [] };
      const weights = scoreRecords(evaluator.index, expression, set, deadline);
      if (deadline()) return diagnose(1, 'the search took too long');
      const numbers = set.list().sort((a, b) => weights[b]! - weights[a]! || b - a);
      return {
        total: numbers.length,
        records: numbers.slice(start, start + rows).map((number) => collection.getRecord(number)),
      };
    },
    scan: (clause, most) => {
      const { root } = readCql(clause);
      if (root.kind !== 'clause') return diagnose(37, 'scan takes one clause');
      readNorthernQuery(clause);
      const prefix = root.term.replace(/\*$/, '').toLowerCase();
      const words = listWords(evaluator.index, { prefix, suffix: '' }, most);
      return words.map(({ word }) => ({
        word,
        records: evaluate({
          kind: 'word',
          slot: { pattern: [{ kind: 'letters', text: word }] },
          fields: ALL_FIELDS,
        }).count(),
      }));
    },
  };
}
