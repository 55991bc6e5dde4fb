import {
  createNeutralExpression,
  type Deadline,
  type Evaluator,
  type RecordSet,
  type SetExpression,
} from '../collection';
import type { ProofAnswer, ProofDifference, ProofRequest, ProofSwap } from '../contract';
import { createProblem, fail, succeed, type Outcome } from '../problem';
import { dropInactive, listNodes, parseQuery, type QueryNode } from '../query';
import type { Vocabulary } from '../vocabulary';

/** So many numbers of a difference are given to be read. */
const MAX_NUMBERS = 100;

/** The collection that a proof is made in. */
export interface ProofGround {
  readonly database: string;
  /** Evaluates the neutral meaning. */
  readonly neutral: Evaluator;
  readonly vocabulary: Vocabulary;
  /** What the database itself finds by a string, read by its own reader. */
  find(string: string): Outcome<RecordSet>;
  readonly deadline?: Deadline;
}

/**
 * Compares what some strings find with what a query means. Each node of `swaps` is put alone into the
 * otherwise neutral query, which shows its own gains and losses; what appears only with several of them is
 * given as `together`.
 */
export function proveRendering(request: ProofRequest, ground: ProofGround): Outcome<ProofAnswer> {
  const { root } = parseQuery(request.query);
  const active = dropInactive(root, ground.database);
  const nodes = active ? listNodes(active) : [];
  const evaluate = (replaced?: ReadonlyMap<QueryNode, SetExpression>): Outcome<RecordSet> =>
    ground.neutral.evaluate(
      active
        ? createNeutralExpression(active, { vocabulary: ground.vocabulary, ...(replaced && { replaced }) })
        : { kind: 'none' },
      ground.deadline,
    );
  const wanted = evaluate();
  if (!wanted.ok) return wanted;
  const found = findAny(request.strings, ground, wanted.value);
  if (!found.ok) return found;
  const gained = found.value.clone().subtract(wanted.value);
  const lost = wanted.value.clone().subtract(found.value);
  const restGained = gained.clone();
  const restLost = lost.clone();
  const swaps: ProofAnswer['swaps'][number][] = [];
  for (const [place, swap] of request.swaps.entries()) {
    const node = nodes[swap.node];
    if (!node)
      return fail(createProblem('request-invalid', 'error', { detail: `there is no node ${swap.node}` }));
    const other = findSwapped(swap, place, ground, wanted.value);
    if (!other.ok) return other;
    const alone = evaluate(new Map([[node, other.value]]));
    if (!alone.ok) return alone;
    const more = alone.value.clone().subtract(wanted.value);
    const less = wanted.value.clone().subtract(alone.value);
    restGained.subtract(more);
    restLost.subtract(less);
    swaps.push({ gained: describe(more), lost: describe(less) });
  }
  return succeed({
    wanted: wanted.value.count(),
    found: found.value.count(),
    gained: describe(gained),
    lost: describe(lost),
    swaps,
    together: { gained: describe(restGained), lost: describe(restLost) },
  });
}

function findSwapped(
  swap: ProofSwap,
  place: number,
  ground: ProofGround,
  like: RecordSet,
): Outcome<SetExpression> {
  if (swap.leftOut) return succeed({ kind: swap.leftOut });
  const set = findAny(swap.strings ?? [], ground, like);
  // The name tells one question's sets from another's in the evaluator's memory.
  return set.ok
    ? succeed({ kind: 'given', name: `${place} ${(swap.strings ?? []).join('\n')}`, set: set.value })
    : set;
}

/** What any of some strings finds; nothing for no strings. */
function findAny(strings: readonly string[], ground: ProofGround, like: RecordSet): Outcome<RecordSet> {
  const all = like.clone().subtract(like);
  for (const string of strings) {
    const found = ground.find(string);
    if (!found.ok) return found;
    all.unite(found.value);
  }
  return succeed(all);
}

function describe(set: RecordSet): ProofDifference {
  const numbers = set.list();
  return { total: numbers.length, numbers: numbers.slice(0, MAX_NUMBERS) };
}
