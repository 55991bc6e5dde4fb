import { FIELDS, holdsNames, mapChildren, type Field, type QueryNode } from '../query';
import { LIMITER_NAMES, listLimiters, type LimiterName, type Limiters } from '../limiter';
import type { QueryState } from '../project';
import { joinMembers, listMembers, type Member } from './members';
import type { LimitedQuery } from './limited-query';

/** One step of a staircase: what is put on, what stands after it, and the whole without it alone. */
export interface Step {
  /** Stable under reordering: it names what is put on. */
  readonly key: string;
  readonly kind: 'and' | 'not' | 'field' | 'limiter';
  /** What is put on, as it is written. */
  readonly words: string;
  readonly block?: string;
  readonly after: LimitedQuery;
  /** The whole query under all limiters, this step left out; nothing for a step without which nothing is left. */
  readonly without: LimitedQuery | undefined;
}

/** A part that a step puts on. */
type Part =
  | { readonly kind: 'member'; readonly key: string; readonly member: Member; readonly bare: QueryNode }
  | {
      readonly kind: 'field';
      readonly key: string;
      readonly of: string;
      readonly member: Member;
      readonly fields: readonly Field[];
    }
  | { readonly kind: 'limiter'; readonly key: string; readonly name: LimiterName; readonly words: string };

/**
 * The steps of a query: each member with AND or NOT, each field after its member, then the limiters one by
 * one. `order` holds keys of steps in the order wanted; the first must be joined by AND and a field stays
 * behind its member, whatever it says. What a step does depends on the order; what is lost without it
 * (`without`) does not.
 */
export function listSteps(state: QueryState, limiters: Limiters, order: readonly string[] = []): Step[] {
  const parts = arrange(listParts(state, limiters), order);
  const done: Part[] = [];
  return parts.map((part) => {
    done.push(part);
    const rest = parts.filter(
      (other) => other !== part && !(other.kind === 'field' && other.of === part.key),
    );
    const hasFirst = rest.some((other) => other.kind === 'member' && other.member.sign === 'and');
    return {
      key: part.key,
      ...describePart(part),
      after: ask(done, limiters),
      without: hasFirst ? ask(rest, limiters) : undefined,
    };
  });
}

function describePart(part: Part): Pick<Step, 'kind' | 'words' | 'block'> {
  if (part.kind === 'limiter') return { kind: 'limiter', words: part.words };
  if (part.kind === 'field')
    return { kind: 'field', words: `${nameMember(part.member)} in ${part.fields.join(', ')}` };
  const { sign, block } = part.member;
  // Its fields are a step of their own.
  const words = part.bare === part.member.root ? part.member.words : nameMember(part.member);
  return { kind: sign, words, ...(block !== undefined && { block }) };
}

/** A member without the fields that are written before it: they are said behind it. */
function nameMember({ words }: Member): string {
  return words.replace(/^[a-z, ]+:\s*/, '');
}

function listParts(state: QueryState, limiters: Limiters): Part[] {
  const parts: Part[] = [];
  const used = new Map<string, number>();
  for (const member of listMembers(state)) {
    // Equal members are told apart by their occurrence.
    const name = `${member.sign} ${member.words}`;
    const occurrence = (used.get(name) ?? 0) + 1;
    used.set(name, occurrence);
    const key = occurrence === 1 ? name : `${name} ${occurrence}`;
    const { fields, bare } = member.sign === 'and' ? liftFields(member.root) : { bare: member.root };
    parts.push({ kind: 'member', key, member, bare });
    if (fields) parts.push({ kind: 'field', key: `field ${key}`, of: key, member, fields });
  }
  for (const { name, value } of listLimiters(limiters))
    parts.push({ kind: 'limiter', key: `limiter ${name}`, name, words: value });
  return parts;
}

/** A member that is searched in fields of its own, and the same in the usual ones. */
function liftFields(root: QueryNode): { fields?: readonly Field[]; bare: QueryNode } {
  const found = new Set<Field>();
  const strip = (node: QueryNode): QueryNode => {
    if (node.kind === 'fielded') {
      // Names and journals are no place of words: without their field they mean something else.
      if (node.fields.some((field) => holdsNames(field))) return node;
      node.fields.forEach((field) => found.add(field));
      return node.item;
    }
    return node.kind === 'or' ? mapChildren(node, strip) : node;
  };
  const bare = strip(root);
  return found.size > 0 ? { fields: FIELDS.filter((field) => found.has(field)), bare } : { bare: root };
}

function arrange(parts: readonly Part[], order: readonly string[]): Part[] {
  const place = (part: Part): number => {
    const at = order.indexOf(part.kind === 'field' ? part.of : part.key);
    return at < 0 ? order.length : at;
  };
  const sorted = parts
    .map((part, at) => ({ part, at }))
    .sort((a, b) => place(a.part) - place(b.part) || a.at - b.at)
    .map(({ part }) => part);
  const first = sorted.findIndex((part) => part.kind === 'member' && part.member.sign === 'and');
  const start = sorted[first];
  if (first <= 0 || !start) return sorted;
  // A field goes where its member goes.
  const moved = [start, ...sorted.filter((part) => part.kind === 'field' && part.of === start.key)];
  return [...moved, ...sorted.filter((part) => !moved.includes(part))];
}

function ask(parts: readonly Part[], limiters: Limiters): LimitedQuery {
  const members = parts.flatMap((part) => {
    if (part.kind !== 'member') return [];
    const hasField = parts.some((other) => other.kind === 'field' && other.of === part.key);
    return [{ sign: part.member.sign, root: hasField ? part.member.root : part.bare }];
  });
  const names = new Set(parts.flatMap((part) => (part.kind === 'limiter' ? [part.name] : [])));
  return { root: joinMembers(members), limiters: keepLimiters(limiters, names) };
}

/** Some of the limiters. */
function keepLimiters(limiters: Limiters, names: ReadonlySet<LimiterName>): Limiters {
  return Object.fromEntries(
    LIMITER_NAMES.filter((name) => names.has(name) && limiters[name] !== undefined).map((name) => [
      name,
      limiters[name],
    ]),
  );
}
