import { build, createPattern, holdsNames, mapChildren, printPattern, type QueryNode } from '../../query';
import { listPatterns } from './write-items';

/**
 * Names (a given name right beside a family name, see docs/reference/query-text.md) as a database holds them that has
 * initials only; nothing where there is no name in full.
 */
export function holdInitials(node: QueryNode & { kind: 'fielded' }): typeof node | undefined {
  if (!node.fields.every((field) => holdsNames(field, 'people'))) return undefined;
  let isChanged = false;
  const shorten = (inner: QueryNode): QueryNode => {
    if (inner.kind !== 'near') return mapChildren(inner, shorten);
    const [given] = inner.distance === 1 && !inner.ordered ? listPatterns(inner.left) : [];
    const letters = given ? printPattern(given) : '';
    if (letters.replace('*', '').length < 2) return inner;
    isChanged = true;
    const initial = build.term(createPattern(letters.slice(0, 1)));
    return { ...inner, left: { ...initial, id: inner.left.id, span: inner.left.span } };
  };
  const item = shorten(node.item);
  return isChanged ? { ...node, item } : undefined;
}
