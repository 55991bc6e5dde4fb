import type { QueryNode } from '../query';
import { type NARROWER, SAME, WIDER, joinDrifts, type Drift, type Reason } from './fidelity';

/** A piece of a string under construction: text and smaller pieces, and the node that it renders. */
export interface StringPart {
  readonly node: QueryNode;
  readonly parts: readonly (string | StringPart)[];
  /** It must be bracketed when it stands beside an operator. */
  readonly needsBrackets: boolean;
}

/**
 * What became of a node. `written`: it has a string. `left-out`: it has none; `drift` is what that
 * does to an OR that loses it (`SAME` if it would find nothing there anyway). `nothing`: it finds
 * nothing by its meaning, whatever the database.
 */
export type Result =
  | { readonly kind: 'written'; readonly part: StringPart; readonly drift: Drift }
  | { readonly kind: 'left-out'; readonly drift: typeof SAME | typeof NARROWER }
  | { readonly kind: 'nothing' };

/** The result of a node with the reasons found at the node itself. */
export interface Rendered {
  readonly result: Result;
  readonly reasons: readonly Reason[];
}

/** A node's string from loose text. */
export function createPart(node: QueryNode, text: string, needsBrackets = false): StringPart {
  return { node, parts: [text], needsBrackets };
}

/** The part with brackets where it needs them. */
export function bracketPart(part: StringPart): readonly (string | StringPart)[] {
  return part.needsBrackets ? ['(', part, ')'] : [part];
}

/** Several parts with an operator between them; one part stays as it is, under the outer node. */
export function joinParts(node: QueryNode, operator: string, parts: readonly StringPart[]): StringPart {
  const [first] = parts;
  if (parts.length === 1 && first) return { node, parts: [first], needsBrackets: first.needsBrackets };
  const joined = parts.flatMap((part, at) => [...(at > 0 ? [` ${operator} `] : []), ...bracketPart(part)]);
  return { node, parts: joined, needsBrackets: true };
}

/** The written parts of several results, and the drift of an OR over all of them. */
export function uniteResults(results: readonly Result[]): { parts: StringPart[]; drift: Drift } {
  const parts = results.flatMap((result) => (result.kind === 'written' ? [result.part] : []));
  const drift = joinDrifts(...results.map((result) => (result.kind === 'nothing' ? SAME : result.drift)));
  return { parts, drift };
}

/** The written parts of several results, and the drift of an AND over all of them: losing a member widens. */
export function intersectResults(results: readonly Result[]): { parts: StringPart[]; drift: Drift } {
  const parts = results.flatMap((result) => (result.kind === 'written' ? [result.part] : []));
  const drift = joinDrifts(...results.map((result) => (result.kind === 'written' ? result.drift : WIDER)));
  return { parts, drift };
}
