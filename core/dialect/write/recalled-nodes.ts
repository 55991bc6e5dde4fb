import type { Field, QueryNode } from '../../query';
import type { Dialect } from '../profile';
import type { Fidelity } from '../profile';
import type { Rendered } from './string-tree';

/** What became of the nodes of a query, by their ids; gathered when somebody asks, as most strings are only sent. */
export class NodeNotes {
  private readonly own: (readonly [string, Fidelity])[] = [];
  private readonly inner: NodeNotes[] = [];

  note(id: string, fidelity: Fidelity): void {
    this.own.push([id, fidelity]);
  }

  /** Takes the notes of a piece with it. */
  include(notes: NodeNotes): void {
    this.inner.push(notes);
  }

  gather(into = new Map<string, Fidelity>()): ReadonlyMap<string, Fidelity> {
    for (const notes of this.inner) notes.gather(into);
    for (const [id, fidelity] of this.own) into.set(id, fidelity);
    return into;
  }
}

/** What a node came to, with the notes of the nodes inside it. */
export interface RecalledNode {
  readonly rendered: Rendered;
  readonly notes: NodeNotes;
}

/** In what way a node is written, apart from what it is. */
export interface WritingWay {
  /** What is known of forms, a value that stays the same while nothing new is known. */
  readonly forms: object | undefined;
  readonly fields: readonly Field[] | undefined;
  readonly defaultFields: readonly Field[];
  readonly bare: boolean;
}

/** Words, headings and groups stand unchanged in many queries of a batch; what joins them hardly does. */
const RECALLED: ReadonlySet<QueryNode['kind']> = new Set(['term', 'phrase', 'heading', 'near', 'or']);
/** Stands for the forms where none are known. */
const NO_FORMS = {};

type NodesByForms = WeakMap<object, WeakMap<QueryNode, Map<string, RecalledNode>>>;

/** By dialect, what is known of forms, and node: all are values that never change. */
const WRITTEN = new WeakMap<Dialect, NodesByForms>();

/** True for a node that is worth being remembered. */
export function isRecalled({ kind }: QueryNode): boolean {
  return RECALLED.has(kind);
}

/** What a node came to when it was written before in the same way, or what it comes to now. */
export function recallNode(
  node: QueryNode,
  dialect: Dialect,
  { forms = NO_FORMS, fields, defaultFields, bare }: WritingWay,
  write: () => RecalledNode,
): RecalledNode {
  const byForms: NodesByForms = WRITTEN.get(dialect) ?? new WeakMap();
  WRITTEN.set(dialect, byForms);
  const nodes = byForms.get(forms) ?? new WeakMap<QueryNode, Map<string, RecalledNode>>();
  byForms.set(forms, nodes);
  const ways = nodes.get(node) ?? new Map<string, RecalledNode>();
  nodes.set(node, ways);
  const key = `${fields?.join() ?? ''} ${bare} ${defaultFields.join()}`;
  const known = ways.get(key);
  if (known) return known;
  const made = write();
  ways.set(key, made);
  return made;
}
