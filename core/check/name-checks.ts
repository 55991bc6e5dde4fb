import { createProblem } from '../problem';
import {
  build,
  createNameQuery,
  holdsNames,
  listChildren,
  printQuery,
  readPersonName,
  type Field,
  type QueryNode,
} from '../query';
import type { CheckSubject, FoundThing } from './finding';

/** A name in quotation marks is searched in just that order: records may have it in the other one. */
export function checkNames({ parsed, working, dialects, count }: CheckSubject): FoundThing[] {
  const found: FoundThing[] = [];
  const visit = (node: QueryNode, fields: readonly Field[] | undefined): void => {
    if (node.kind === 'off') return;
    const inner = node.kind === 'fielded' ? node.fields : fields;
    if (node.kind === 'phrase' && inner?.every((field) => holdsNames(field, 'people'))) {
      const { start, end } = node.span;
      const written = working.draft.slice(start, end);
      const name = createNameQuery(readPersonName(written));
      if (!name) return;
      const [whole, more] = [build.fielded(inner, node), build.fielded(inner, name)];
      if (!dialects.some(({ id }) => (count(more, id) ?? 0) > (count(whole, id) ?? Infinity))) return;
      const text = `${working.draft.slice(0, start)}(${printQuery(name)})${working.draft.slice(end)}`;
      found.push({
        problem: createProblem('name-one-order', 'warning', { name: written.replaceAll('"', '') }, node.span),
        cost: { of: more, less: whole, words: 'records more with it' },
        fixes: [{ label: 'Search the name in either order', changes: [{ kind: 'rewrite-draft', text }] }],
      });
    }
    for (const child of listChildren(node)) visit(child, inner);
  };
  visit(parsed.root, undefined);
  return found;
}
