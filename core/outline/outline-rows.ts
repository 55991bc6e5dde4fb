import { createOutline, createOutlineQuery, type Join, type OutlineItem, type Path } from './outline';
import {
  joinTerms,
  createTermQuery,
  type Concept,
  type NamedBlock,
  type QueryState,
  type Term,
} from '../project/index';
import {
  build,
  expandBlocks,
  printQuery,
  type Blocks,
  type Field,
  type NodePool,
  type QueryNode,
} from '../query/index';

/** The text that a row is a piece of: the draft, a named block, or a term of a concept. */
export type RowHome =
  | { readonly kind: 'draft' }
  | { readonly kind: 'block'; readonly block: NamedBlock }
  | { readonly kind: 'concept'; readonly concept: Concept; readonly term: Term };

/** A piece of the brace of a group, drawn beside a row. */
export interface RowBrace {
  readonly depth: number;
  readonly join: Join | 'without';
  readonly part: 'start' | 'middle' | 'end' | 'only';
  readonly block: string | undefined;
}

/** What a block row opens. */
export interface RowUse {
  readonly name: string;
  readonly isOpen: boolean;
  readonly isKnown: boolean;
}

/** A row of the outline: a piece of the query, where it stands, and what is to be counted for it. */
export interface OutlineRow {
  readonly key: string;
  readonly home: RowHome;
  readonly path: Path;
  readonly item: OutlineItem;
  readonly depth: number;
  readonly join: Join | undefined;
  readonly isExcluded: boolean;
  readonly text: string;
  readonly use: RowUse | undefined;
  /** The block that it comes from, for its hue. */
  readonly block: string | undefined;
  /** It is off itself. */
  readonly isSwitchedOff: boolean;
  /** It takes no part, because it or a group round it is off. */
  readonly isOff: boolean;
  readonly fields: readonly Field[] | undefined;
  readonly comments: readonly string[];
  /** The databases that it is meant for; all of them if nothing is said. */
  readonly databases: readonly string[] | undefined;
  /** In its fields, with blocks put in; the same value for equal pieces. */
  readonly query: QueryNode;
  /** Of an excluded row: the group before it takes something away, and after. */
  readonly removal: { readonly before: QueryNode; readonly after: QueryNode } | undefined;
  /** Puts a query where the row stands: its fields and databases, blocks put in. */
  readonly place: (query: QueryNode) => QueryNode;
  readonly braces: readonly RowBrace[];
}

/** What the rows are made of. */
export interface OutlineSource {
  readonly state: Pick<QueryState, 'concepts' | 'blocks'>;
  readonly blocks: Blocks;
  /** The draft as it was read, blocks not put in. */
  readonly root: QueryNode;
  /** Blocks opened or closed by the person. */
  readonly opened: ReadonlyMap<string, boolean>;
  readonly pool: NodePool;
}

/** Concepts with more terms are closed until they are opened. */
const MAX_OPENED = 20;

interface Context {
  readonly home: 'draft' | NamedBlock;
  readonly prefix: string;
  readonly depth: number;
  readonly fields: readonly Field[] | undefined;
  readonly databases: readonly string[] | undefined;
  readonly isOff: boolean;
  readonly block: string | undefined;
  readonly uses: readonly string[];
}

type OpenRow = Omit<OutlineRow, 'braces'>;

/** The rows of a draft: groups before their members, blocks opened in place. */
export function listOutlineRows(source: OutlineSource): OutlineRow[] {
  const rows: OpenRow[] = [];
  const root = createOutline(source.root);
  if (source.root.kind === 'empty') return [];
  visit(
    root,
    [],
    {
      home: 'draft',
      prefix: '',
      depth: 0,
      fields: undefined,
      databases: undefined,
      isOff: false,
      block: undefined,
      uses: [],
    },
    undefined,
    source,
    rows,
  );
  return drawBraces(rows);
}

function visit(
  item: OutlineItem,
  path: Path,
  context: Context,
  removal: OutlineRow['removal'],
  source: OutlineSource,
  rows: OpenRow[],
  isExcluded = false,
): void {
  const own = readWrappers(item, context);
  const leaf = item.body.kind === 'leaf' ? item.body.node : undefined;
  const use = leaf?.kind === 'block' ? readUse(leaf.name, context, source) : undefined;
  const concept = use && source.state.concepts.find((candidate) => candidate.block === use.name);
  const block = use?.isKnown === true && use.name !== context.block ? use.name : context.block;
  const query = createOutlineQuery({
    ...item,
    comments: [],
    wrappers: item.wrappers.filter(({ kind }) => kind !== 'off'),
  });
  rows.push({
    key: `${context.prefix}${path.join('.')}`,
    home: context.home === 'draft' ? { kind: 'draft' } : { kind: 'block', block: context.home },
    path,
    item,
    depth: context.depth,
    join:
      item.body.kind === 'group' ? item.body.join : concept && concept.terms.length > 1 ? 'any' : undefined,
    isExcluded,
    text: leaf ? printQuery({ ...leaf, comments: [] }) : '',
    use,
    block,
    isSwitchedOff: item.wrappers.some(({ kind }) => kind === 'off'),
    isOff: own.isOff || concept?.off === true,
    fields: item.wrappers.flatMap((wrapper) => (wrapper.kind === 'fielded' ? [wrapper.fields] : [])).at(-1),
    comments: item.comments,
    databases: own.databases,
    query: inContext(query, context, source),
    removal,
    place: (other) => inContext(other, context, source),
  });
  const inner: Context = { ...context, ...own, block, depth: context.depth + 1 };
  if (item.body.kind === 'group') visitGroup(item, path, inner, source, rows);
  else if (use?.isOpen) visitBlock(use, concept, path, inner, source, rows);
}

function visitGroup(
  item: OutlineItem,
  path: Path,
  inner: Context,
  source: OutlineSource,
  rows: OpenRow[],
): void {
  if (item.body.kind === 'leaf') return;
  const { members, excluded } = item.body;
  members.forEach((member, at) => {
    visit(member, [...path, at], inner, undefined, source, rows);
  });
  excluded.forEach((member, at) => {
    const removal = (count: number): QueryNode =>
      inContext(
        createOutlineQuery({
          ...item,
          comments: [],
          wrappers: [],
          body: { kind: 'group', join: 'all', members, excluded: excluded.slice(0, count) },
        }),
        inner,
        source,
      );
    visit(
      member,
      [...path, members.length + at],
      inner,
      { before: removal(at), after: removal(at + 1) },
      source,
      rows,
      true,
    );
  });
}

function visitBlock(
  use: RowUse,
  concept: Concept | undefined,
  path: Path,
  inner: Context,
  source: OutlineSource,
  rows: OpenRow[],
): void {
  const prefix = `${inner.prefix}${path.join('.')}/`;
  const uses = [...inner.uses, use.name];
  if (!concept) {
    const block = source.state.blocks.find((candidate) => candidate.name === use.name);
    const root = block && source.blocks.get(block.name);
    if (block && root && root.kind !== 'empty')
      visit(createOutline(root), [], { ...inner, home: block, prefix, uses }, undefined, source, rows);
    return;
  }
  concept.terms.forEach((term, at) => {
    const item = createOutline(createTermQuery(term));
    const query = joinTerms(concept, [createTermQuery(term)]);
    rows.push({
      key: `${prefix}${at}`,
      home: { kind: 'concept', concept, term },
      path: [at],
      item,
      depth: inner.depth,
      join: undefined,
      isExcluded: false,
      text: term.text,
      use: undefined,
      block: use.name,
      isSwitchedOff: term.off,
      isOff: inner.isOff || concept.off || term.off,
      fields: undefined,
      comments: term.note === undefined || term.note === '' ? [] : [term.note],
      databases: joinDatabases(inner.databases, term.databases),
      query: inContext(query, inner, source),
      removal: undefined,
      place: (other) => inContext(other, inner, source),
    });
  });
}

function readWrappers(item: OutlineItem, context: Context): Pick<Context, 'isOff' | 'fields' | 'databases'> {
  let { isOff, fields, databases } = context;
  for (const wrapper of item.wrappers) {
    if (wrapper.kind === 'off') isOff = true;
    else if (wrapper.kind === 'fielded') fields = wrapper.fields;
    else databases = joinDatabases(databases, wrapper.databases);
  }
  return { isOff, fields, databases };
}

function joinDatabases(
  a: readonly string[] | undefined,
  b: readonly string[] | undefined,
): readonly string[] | undefined {
  return a && b ? a.filter((id) => b.includes(id)) : (a ?? b);
}

function readUse(name: string, context: Context, { state, opened }: OutlineSource): RowUse {
  const concept = state.concepts.find((candidate) => candidate.block === name);
  const isKnown = concept !== undefined || state.blocks.some((candidate) => candidate.name === name);
  const isCircle = context.uses.includes(name);
  const isSmall = (concept?.terms.length ?? 0) <= MAX_OPENED;
  return { name, isKnown, isOpen: isKnown && !isCircle && (opened.get(name) ?? isSmall) };
}

/** What a piece finds by itself where it stands: in the fields of the groups round it, for their databases. */
function inContext(query: QueryNode, { fields, databases }: Context, source: OutlineSource): QueryNode {
  const fielded = fields ? build.fielded(fields, query) : query;
  const meant = databases ? build.only(databases, fielded) : fielded;
  return source.pool(expandBlocks(meant, source.blocks).root);
}

/** Every group has a brace from its own row to the last of its rows. */
function drawBraces(rows: readonly OpenRow[]): OutlineRow[] {
  const braces: RowBrace[][] = rows.map(() => []);
  rows.forEach((row, at) => {
    let last = at;
    while (last + 1 < rows.length && (rows[last + 1]?.depth ?? 0) > row.depth) last++;
    const join = row.isExcluded ? 'without' : row.join;
    if (join === undefined || (last === at && join !== 'without')) return;
    for (let place = at; place <= last; place++) {
      const part = last === at ? 'only' : place === at ? 'start' : place === last ? 'end' : 'middle';
      braces[place]?.push({ depth: row.depth, join, part, block: row.block });
    }
  });
  return rows.map((row, at) => ({ ...row, braces: braces[at] ?? [] }));
}
