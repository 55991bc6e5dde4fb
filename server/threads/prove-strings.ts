import type { Deadline } from '#core/collection/index';
import type { ProofAnswer, ProofRequest } from '#core/contract/index';
import { createProblem, fail, type Outcome } from '#core/problem/index';
import { proveRendering } from '#core/proof/index';
import type { StandinCollection } from '../collections/index';

/** Proves strings of a made-up database against a query, in its neutral index. */
export function proveStrings(
  collection: StandinCollection,
  request: ProofRequest,
  deadline: Deadline,
): Outcome<ProofAnswer> {
  const { standin, vocabulary, evaluator } = collection;
  return proveRendering(request, {
    database: standin.id,
    neutral: collection.getNeutralIndex(),
    vocabulary,
    deadline,
    find: (string) => {
      const read = collection.read(string);
      if ('expression' in read) return evaluator.evaluate(read.expression, deadline);
      const { message } = read.problem;
      return fail(createProblem('service-refused', 'error', { database: standin.id, message }));
    },
  });
}
