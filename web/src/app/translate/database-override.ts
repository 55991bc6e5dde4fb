import { createTerm, type Change, type Concept, type Term } from '#core/project/index';
import { build, parseQuery, printQuery, type Field, type QueryNode } from '#core/query/index';

/** The parts of a draft that can be left out in one database: its rows on the first level. */
export interface DraftRow {
  readonly text: string;
  /** Where it stands in the draft, its `IN(…)` included. */
  readonly start: number;
  readonly end: number;
  /** The databases that it is meant for; all of them, if nothing is said. */
  readonly databases: readonly string[] | undefined;
}

/** The rows of a draft on the first level. */
export function listDraftRows(draft: string): DraftRow[] {
  const { root } = parseQuery(draft);
  return listFirstLevel(root).flatMap((node) => {
    if (node.kind === 'empty' || node.kind === 'off') return [];
    const isOnly = node.kind === 'only';
    return [
      {
        text: printQuery(isOnly ? node.item : node),
        start: node.span.start,
        end: node.span.end,
        databases: isOnly ? node.databases : undefined,
      },
    ];
  });
}

function listFirstLevel(root: QueryNode): readonly QueryNode[] {
  if (root.kind === 'not') return [...listFirstLevel(root.include), root.exclude];
  return root.kind === 'and' || root.kind === 'or' ? root.items : [root];
}

/** The draft with one of its rows meant for one database or left out there. */
export function setDraftRow(
  draft: string,
  row: DraftRow,
  database: string,
  isHere: boolean,
  chosen: readonly string[],
): string {
  const now = row.databases ?? chosen;
  const next = isHere ? [...now, database] : now.filter((one) => one !== database);
  if (next.length === 0) return draft;
  const isEverywhere = chosen.every((one) => next.includes(one));
  const inner = parseQuery(row.text).root;
  const isGroup = inner.kind === 'or' || inner.kind === 'and' || inner.kind === 'not';
  const bare = isGroup ? `(${row.text})` : row.text;
  const text = isEverywhere ? bare : `IN(${next.join(', ')}: ${row.text})`;
  return draft.slice(0, row.start) + text + draft.slice(row.end);
}

/** The changes that search a term in another field in one database, and as before in the others. */
export function createOtherField(
  concept: Concept,
  term: Term,
  field: Field,
  database: string,
  chosen: readonly string[],
  id: string,
): readonly Change[] {
  const others = (term.databases ?? chosen).filter((one) => one !== database);
  const { root } = parseQuery(term.text);
  const item = root.kind === 'fielded' ? root.item : root;
  const text = printQuery(build.fielded([field], item));
  const { id: own, off: _, ...rest } = term;
  const added = { ...createTerm(id, text, 'typed'), databases: [database] };
  return [
    ...(others.length > 0
      ? [{ kind: 'describe-term', id: own, term: { ...rest, databases: others } } as const]
      : [{ kind: 'remove-terms', ids: [own] } as const]),
    { kind: 'add-terms', concept: concept.id, terms: [added] },
  ];
}
