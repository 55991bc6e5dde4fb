import { describeFidelity, type Dialect, type Reason, type Rendering } from '../dialect';
import { createProblem, type Problem } from '../problem';
import { countLetters, listNodes, type QueryNode } from '../query';
import type { CheckSubject, FoundThing } from './finding';
import { namePiece } from './text-checks';

/** What databases do to wildcards: caps, phrases in which they are not read, places where there are none. */
export function checkWrittenOtherwise(
  codes: readonly Reason['code'][],
  code: 'truncation-capped' | 'truncation-in-phrase' | 'truncation-uncut',
) {
  return (subject: CheckSubject): FoundThing[] => {
    const { root, dialects } = subject;
    const nodes = new Map(listNodes(root).map((node) => [node.id, node]));
    const found = new Map<string, { node: QueryNode; names: string[] }>();
    for (const dialect of dialects) {
      for (const [id, { reasons }] of readFidelity(subject, dialect)) {
        const node = nodes.get(id);
        if (!node || !reasons.some((reason) => codes.includes(reason.code))) continue;
        const piece = namePiece(node);
        const entry = found.get(piece) ?? { node, names: [] };
        if (!entry.names.includes(dialect.name)) entry.names.push(dialect.name);
        found.set(piece, entry);
      }
    }
    return [...found].map(([piece, { node, names }]) => ({
      problem: createProblem(code, 'note', { term: piece, databases: names.join(', ') }, placeOf(node)),
      ...blockOf(node),
    }));
  };
}

/** Several checks look at the same renderings: they are written once for a subject. */
const FIDELITIES = new WeakMap<CheckSubject, Map<Dialect, Rendering['fidelity']>>();

function readFidelity(subject: CheckSubject, dialect: Dialect): Rendering['fidelity'] {
  const known = FIDELITIES.get(subject) ?? new Map<Dialect, Rendering['fidelity']>();
  FIDELITIES.set(subject, known);
  const fidelity = known.get(dialect) ?? describeFidelity(subject.root, dialect);
  known.set(dialect, fidelity);
  return fidelity;
}

/** Wildcards for endings that a database finds by itself. */
export function checkStemming({ root, dialects }: CheckSubject): FoundThing[] {
  const stemming = dialects.filter((dialect) => dialect.stems === true);
  if (stemming.length === 0) return [];
  return listNodes(root).flatMap((node): FoundThing[] => {
    const isCut =
      node.kind === 'term' && node.pattern.at(-1)?.kind === 'any' && countLetters(node.pattern) >= 3;
    return isCut ? [{ problem: describeStemming(node, stemming), ...blockOf(node) }] : [];
  });
}

function describeStemming(node: QueryNode, stemming: readonly Dialect[]): Problem {
  const data = { term: namePiece(node), databases: stemming.map(({ name }) => name).join(', ') };
  return createProblem('truncation-and-stemming', 'note', data, placeOf(node));
}

/** Pieces of blocks have no place in the draft. */
function placeOf(node: QueryNode) {
  return node.id.includes('/') ? undefined : node.span;
}

function blockOf(node: QueryNode): { concept?: string } {
  return node.block === undefined ? {} : { concept: node.block };
}
