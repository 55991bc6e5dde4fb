import { createBlocks, type QueryState } from '../project';
import { build, expandBlocks, parseQuery, printQuery, type QueryNode } from '../query';

/** One of the pieces that a query joins by AND at its outermost level, or takes away by NOT. */
export interface Member {
  readonly sign: 'and' | 'not';
  /** As it is written, blocks by their names. */
  readonly words: string;
  /** The block that it is. */
  readonly block?: string;
  /** Blocks put in. */
  readonly root: QueryNode;
}

/**
 * The members of a query in the order of its text: `a AND (b NOT c) AND d` has a, b, d and, taken
 * away, c. What is switched off is none. Their AND, less any of what is taken away, is the query.
 */
export function listMembers(state: QueryState): Member[] {
  const blocks = createBlocks(state);
  const describe = (node: QueryNode, sign: Member['sign']): Member[] => {
    const root = expandBlocks(node, blocks).root;
    if (isOff(root)) return [];
    const block = node.kind === 'block' ? node.name : undefined;
    return [{ sign, words: printQuery(node), ...(block !== undefined && { block }), root }];
  };
  const flatten = (node: QueryNode): Member[] => {
    if (node.kind === 'and') return node.items.flatMap(flatten);
    if (node.kind === 'not') return [...flatten(node.include), ...describe(node.exclude, 'not')];
    return describe(node, 'and');
  };
  const { root } = parseQuery(state.draft);
  return root.kind === 'empty' ? [] : flatten(root);
}

/** Some members as one query: nothing, if there is nothing to take away from. */
export function joinMembers(members: readonly Pick<Member, 'sign' | 'root'>[]): QueryNode {
  const pick = (sign: Member['sign']): QueryNode[] =>
    members.filter((member) => member.sign === sign).map(({ root }) => root);
  const [include, exclude] = [pick('and'), pick('not')];
  const [first] = include;
  if (!first) return build.empty();
  const whole = include.length > 1 ? build.and(...include) : first;
  const [away] = exclude;
  if (!away) return whole;
  return build.not(whole, exclude.length > 1 ? build.or(...exclude) : away);
}

function isOff(node: QueryNode): boolean {
  return node.kind === 'off';
}
