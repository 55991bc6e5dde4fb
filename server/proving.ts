import { TIME_LIMIT_SECONDS } from '#core/collection/index';
import type { ProofAnswer, ProofRequest } from '#core/contract/index';
import type { Clock } from '#core/holding/index';
import { createProblem, fail, type Outcome } from '#core/problem/index';
import { proveRendering } from '#core/proof/index';
import type { StandinCollection } from './collections';

/** Proves strings of a made-up database against a query, in its laboratory. */
export async function proveStrings(
  collection: StandinCollection,
  request: ProofRequest,
  clock: Clock,
): Promise<Outcome<ProofAnswer>> {
  const neutral = await collection.getLaboratory();
  const start = clock();
  const deadline = (): boolean => clock() - start > 2 * TIME_LIMIT_SECONDS * 1000;
  const { standin, vocabulary, evaluator } = collection;
  return proveRendering(request, {
    database: standin.id,
    neutral,
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
