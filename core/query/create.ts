import { NOWHERE } from '../text';
import type { Field } from './field-table';
import type { HeadingNode, QueryNode, RangeNode, ValueNode } from './node';
import { mergeParts, type Pattern, type PatternPart } from './pattern';

const BARE = { id: '', span: NOWHERE } as const;

/** Builds nodes that stand in no text: for algebra, translation and tests. */
export const build = {
  and: (...items: QueryNode[]): QueryNode => ({ ...BARE, kind: 'and', items }),
  or: (...items: QueryNode[]): QueryNode => ({ ...BARE, kind: 'or', items }),
  /** Any of some: one alone is itself, none is nothing. */
  any: (items: readonly QueryNode[]): QueryNode =>
    items.length > 1 ? build.or(...items) : (items[0] ?? build.empty()),
  not: (include: QueryNode, exclude: QueryNode): QueryNode => ({ ...BARE, kind: 'not', include, exclude }),
  near: (left: QueryNode, distance: number, right: QueryNode, ordered = false): QueryNode => ({
    ...BARE,
    kind: 'near',
    left,
    right,
    distance,
    ordered,
  }),
  fielded: (fields: readonly Field[], item: QueryNode): QueryNode => ({
    ...BARE,
    kind: 'fielded',
    fields,
    item,
  }),
  phrase: (...words: Pattern[]): QueryNode => ({ ...BARE, kind: 'phrase', words }),
  term: (pattern: Pattern): QueryNode => ({ ...BARE, kind: 'term', pattern }),
  heading: (
    label: string,
    scope: HeadingNode['scope'] = 'heading',
    vocabulary?: string,
    qualifier?: string,
  ): QueryNode => ({
    ...BARE,
    kind: 'heading',
    scope,
    label,
    ...(vocabulary !== undefined && { vocabulary }),
    ...(qualifier !== undefined && { qualifier }),
  }),
  range: (property: RangeNode['property'], from: string | undefined, to: string | undefined): RangeNode => ({
    ...BARE,
    kind: 'range',
    property,
    ...(from !== undefined && { from }),
    ...(to !== undefined && { to }),
  }),
  value: (property: ValueNode['property'], value: string): ValueNode => ({
    ...BARE,
    kind: 'value',
    property,
    value,
  }),
  block: (name: string): QueryNode => ({ ...BARE, kind: 'block', name }),
  off: (item: QueryNode): QueryNode => ({ ...BARE, kind: 'off', item }),
  only: (databases: readonly string[], item: QueryNode): QueryNode => ({
    ...BARE,
    kind: 'only',
    databases,
    item,
  }),
  empty: (): QueryNode => ({ ...BARE, kind: 'empty' }),
} as const;

/** A pattern from Ewer's own signs, without checks: for programs, not for what people type. */
export function createPattern(signs: string): Pattern {
  const parts: PatternPart[] = [];
  for (let at = 0; at < signs.length; at++) {
    const sign = signs.charAt(at);
    if (sign === '*') parts.push({ kind: 'any' });
    else if (sign === '?') parts.push({ kind: 'one' });
    else if (sign === '[') {
      parts.push({ kind: 'maybe', letter: signs.charAt(at + 1) });
      at += 2;
    } else parts.push({ kind: 'letters', text: sign });
  }
  return mergeParts(parts);
}
