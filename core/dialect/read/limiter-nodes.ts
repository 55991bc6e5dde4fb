import { createProblem, type Problem } from '../../problem';
import { LIMITERS, type LimiterOf, type Limiters } from '../../limiter';
import { PROPERTIES, FIELD_TABLE, build, readProperty, type QueryNode } from '../../query';
import { DOCUMENT_TYPES, type DocumentType } from '../../record';
import type { Span } from '../../text';
import { RULE_OF, type RuleName } from '../write';

/** What a part of a string asks for as a limiter would, as a part of the query. */
export function createLimiterNode(
  name: RuleName,
  values: readonly string[],
  span: Span,
  problems: Problem[],
): QueryNode {
  const property = PROPERTIES.find((one) => RULE_OF[one] === name);
  // A limiter that is on or off has no place in the query: it stands for itself until it is lifted out.
  if (!property) return { ...build.block(`${FLAG}${name}`), span };
  const texts = property === 'year' || property === 'entered' ? [values.join('..')] : values;
  const nodes = texts.flatMap((text): QueryNode[] => {
    const node = readProperty(property, text);
    if (node) return [{ ...node, span }];
    problems.push(
      createProblem(
        'value-unknown',
        'error',
        { value: text, property, example: FIELD_TABLE[property].example },
        span,
      ),
    );
    return [];
  });
  const [only] = nodes;
  if (!only) return { ...build.empty(), span };
  return nodes.length === 1 ? only : { ...build.or(...nodes), span };
}

/** The name of no block: blanks cannot stand in one. */
const FLAG = 'limiter ';
type Flag = LimiterOf<'flag'>;

/**
 * Takes the limiters out of a tree that are ANDed with the whole of it; all others stay where they are, as
 * parts of the query. Nothing is taken if nothing else would be left.
 */
export function liftLimiters(root: QueryNode, problems: Problem[]): { root: QueryNode; limiters: Limiters } {
  let limiters: Limiters = {};
  /** What is left of a node; nothing if it is a limiter or made of limiters only. */
  const peel = (node: QueryNode): QueryNode | undefined => {
    const more = addLimiter(limiters, node);
    if (more) {
      limiters = more;
      return undefined;
    }
    if (node.kind === 'not') return peelGroup(node, [node]);
    return node.kind === 'and' ? peelGroup(node, node.items) : node;
  };
  /** What is taken away from limiters alone is taken away from what else is asked beside them. */
  const peelGroup = (node: QueryNode, items: readonly QueryNode[]): QueryNode | undefined => {
    const before = limiters;
    const excluded: QueryNode[] = [];
    const kept = items.flatMap((item) => {
      if (item.kind !== 'not') return peel(item) ?? [];
      const include = peel(item.include);
      if (!include) excluded.push(item.exclude);
      return include ? { ...item, include } : [];
    });
    const [only] = kept;
    if (!only) {
      if (excluded.length === 0) return undefined;
      limiters = before;
      return node;
    }
    const rest = kept.length > 1 ? { ...build.and(...kept), span: node.span } : only;
    return excluded.reduce((include, exclude) => ({ ...build.not(include, exclude), span: node.span }), rest);
  };
  const rest = peel(root);
  const kept = rest ?? root;
  return { root: dropFlags(kept, problems) ?? build.empty(), limiters: rest ? limiters : {} };
}

/** A query with limiters as parts of it: the other way round. Those that are on or off have no such part. */
export function joinLimiters(root: QueryNode, { years, types, languages, entered }: Limiters): QueryNode {
  const anyOf = (nodes: readonly QueryNode[]): QueryNode[] => {
    const [only] = nodes;
    return nodes.length > 1 ? [build.or(...nodes)] : only ? [only] : [];
  };
  const parts = [
    ...(years ? [build.range('year', years.from?.toString(), years.to?.toString())] : []),
    ...(entered ? [build.range('entered', entered.from, entered.to)] : []),
    ...anyOf((types ?? []).map((type) => build.value('type', type))),
    ...anyOf((languages ?? []).map((code) => build.value('language', code))),
  ];
  return parts.length > 0 ? build.and(root, ...parts) : root;
}

/** The limiters with what a node asks for; nothing if it is none, or cannot be said together with them. */
function addLimiter(limiters: Limiters, node: QueryNode): Limiters | undefined {
  switch (node.kind) {
    case 'block':
      return node.name.startsWith(FLAG)
        ? { ...limiters, [node.name.slice(FLAG.length) as Flag]: true }
        : undefined;
    case 'range': {
      if (node.property === 'entered') {
        const entered = limitRange(limiters.entered, node);
        return entered && { ...limiters, entered };
      }
      const { years } = limiters;
      const text = {
        ...(years?.from && { from: String(years.from) }),
        ...(years?.to && { to: String(years.to) }),
      };
      const range = limitRange(text, node);
      if (!range) return undefined;
      const { from, to } = range;
      return {
        ...limiters,
        years: {
          ...(from !== undefined && { from: Number(from) }),
          ...(to !== undefined && { to: Number(to) }),
        },
      };
    }
    case 'value':
      return addValues(limiters, [node]);
    case 'or':
      return addValues(limiters, node.items);
    case 'and':
    case 'not':
    case 'near':
    case 'fielded':
    case 'term':
    case 'phrase':
    case 'heading':
    case 'off':
    case 'only':
    case 'empty':
      return undefined;
  }
}

interface TextRange {
  readonly from?: string;
  readonly to?: string;
}

/** Both ranges at once; nothing if no record is in both. */
function limitRange(range: TextRange | undefined, { from, to }: TextRange): TextRange | undefined {
  const froms = [range?.from, from].filter((one) => one !== undefined).sort();
  const tos = [range?.to, to].filter((one) => one !== undefined).sort();
  const [first, last] = [froms.at(-1), tos[0]];
  if (first !== undefined && last !== undefined && first > last) return undefined;
  return { ...(first !== undefined && { from: first }), ...(last !== undefined && { to: last }) };
}

function addValues(limiters: Limiters, nodes: readonly QueryNode[]): Limiters | undefined {
  const values = nodes.flatMap((node) => (node.kind === 'value' ? [node] : []));
  const [first] = values;
  if (!first || values.length < nodes.length || values.some(({ property }) => property !== first.property))
    return undefined;
  const asked = [...new Set(values.map(({ value }) => value))];
  switch (first.property) {
    case 'language':
      return limiters.languages ? undefined : { ...limiters, languages: asked };
    case 'type': {
      const types = DOCUMENT_TYPES.filter((type): type is DocumentType => asked.includes(type));
      return limiters.types ? undefined : { ...limiters, types };
    }
    case 'doi':
      return undefined;
  }
}

/** Limiters that can be no part of a query are lost where they are not ANDed with the whole: that is said. */
export function dropFlags(node: QueryNode, problems: Problem[]): QueryNode | undefined {
  if (node.kind === 'block' && node.name.startsWith(FLAG)) {
    problems.push(
      createProblem(
        'limiter-lost',
        'error',
        { limiter: LIMITERS[node.name.slice(FLAG.length) as Flag].label },
        node.span,
      ),
    );
    return undefined;
  }
  if (node.kind === 'and' || node.kind === 'or') {
    const items = node.items.flatMap((item) => dropFlags(item, problems) ?? []);
    const [only] = items;
    return items.length > 1 ? { ...node, items } : only;
  }
  if (node.kind === 'not') {
    const [include, exclude] = [dropFlags(node.include, problems), dropFlags(node.exclude, problems)];
    return include && exclude ? { ...node, include, exclude } : include;
  }
  if (node.kind !== 'fielded') return node;
  const item = dropFlags(node.item, problems);
  return item && { ...node, item };
}
