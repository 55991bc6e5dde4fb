import type { Outcome } from '../problem';
import { succeed } from '../problem';
import { RecordSet } from './bitset';
import type { Deadline } from './dictionary';
import type { Evaluator } from './evaluator';
import type { SetExpression } from './expression';

/** Fewer expressions are counted one by one. */
const LEAST_TOGETHER = 4;
/** OR groups with so many members or more are looked at for others that lack one of them. */
const LEAST_MEMBERS = 4;
/** A group is compared with so many larger ones. */
const MAX_WHOLES = 40;
/** So many intersections are kept while a batch is counted. */
const MAX_PREFIXES = 2_000;

/** A piece of a query that has to hold, or may not. */
interface Part {
  readonly expression: SetExpression;
  /** The same for equal pieces: a number, since the texts of pieces are long. */
  readonly id: number;
  readonly isExcluded: boolean;
}

/**
 * Counts many expressions that have much in common, each as `evaluator.count` would. Pieces that AND joins are
 * put in one order, the most common first, so that each intersection is made once. An OR group that lacks one
 * member of another group is not united anew. Two masks of the larger group (found once, found more than once)
 * tell what only that member finds.
 */
export function countBatch(
  evaluator: Evaluator,
  expressions: readonly SetExpression[],
  createDeadline: () => Deadline,
): Outcome<number>[] {
  if (expressions.length < LEAST_TOGETHER)
    return expressions.map((expression) => evaluator.count(expression, createDeadline()));
  return new Batch(evaluator, expressions).count(createDeadline);
}

class Batch {
  private readonly parts: readonly (readonly Part[])[];
  private readonly frequency = new Map<number, number>();
  private readonly prefixes = new Map<string, RecordSet>();
  private readonly sets = new Map<number, RecordSet>();

  constructor(
    private readonly evaluator: Evaluator,
    private readonly expressions: readonly SetExpression[],
  ) {
    this.parts = expressions.map((expression) => this.split(expression, false));
    for (const parts of this.parts)
      for (const { id } of parts) this.frequency.set(id, (this.frequency.get(id) ?? 0) + 1);
  }

  count(createDeadline: () => Deadline): Outcome<number>[] {
    const missing = this.findMissing();
    return this.parts.map((parts, at) => {
      const deadline = createDeadline();
      const expression = this.expressions[at];
      const [only, ...more] = parts;
      if (only && expression && more.length === 0 && !only.isExcluded)
        return this.countOne(only, missing, deadline);
      return this.countParts(parts, missing, deadline);
    });
  }

  private countOne(part: Part, missing: Missing, deadline: Deadline): Outcome<number> {
    if (!missing.has(part.id)) return this.evaluator.count(part.expression, deadline);
    const set = this.find(part, missing, deadline);
    return set.ok ? succeed(set.value.count()) : set;
  }

  /** The pieces that most of the batch has come first; of what is excluded only after something is there. */
  private countParts(parts: readonly Part[], missing: Missing, deadline: Deadline): Outcome<number> {
    const ordered = [...parts].sort(
      (a, b) =>
        Number(a.isExcluded) - Number(b.isExcluded) ||
        (this.frequency.get(b.id) ?? 0) - (this.frequency.get(a.id) ?? 0) ||
        a.id - b.id,
    );
    const last = ordered.length - 1;
    let key = '';
    let set: RecordSet | undefined;
    for (const [at, part] of ordered.entries()) {
      key += `${part.isExcluded ? '-' : '+'}${part.id}`;
      const known = this.prefixes.get(key);
      if (known) {
        set = known;
        continue;
      }
      const found = this.find(part, missing, deadline);
      if (!found.ok) return found;
      if (!set) {
        set = part.isExcluded ? RecordSet.all(this.evaluator.index.size).subtract(found.value) : found.value;
        continue;
      }
      // What is only here, nobody needs again: it is counted without being made.
      if (at === last && (this.frequency.get(part.id) ?? 0) === 1)
        return succeed(part.isExcluded ? set.countWithout(found.value) : set.countShared(found.value));
      set = part.isExcluded ? set.clone().subtract(found.value) : set.clone().intersect(found.value);
      if (this.prefixes.size < MAX_PREFIXES) this.prefixes.set(key, set);
    }
    return succeed(set ? set.count() : this.evaluator.index.size);
  }

  private find(part: Part, missing: Missing, deadline: Deadline): Outcome<RecordSet> {
    const known = this.sets.get(part.id);
    if (known) return succeed(known);
    const family = missing.get(part.id);
    if (!family) {
      const found = this.evaluator.evaluate(part.expression, deadline);
      if (found.ok && (this.frequency.get(part.id) ?? 0) > 1) this.sets.set(part.id, found.value);
      return found;
    }
    const masks = family.family.find(this.evaluator, deadline);
    if (!masks.ok) return masks;
    const member = this.evaluator.evaluate(family.member, deadline);
    if (!member.ok) return member;
    const alone = masks.value.once.clone().intersect(member.value);
    const set = masks.value.union.clone().subtract(alone);
    this.sets.set(part.id, set);
    return succeed(set);
  }

  /** The OR groups that lack one member of a larger one, by their numbers. */
  private findMissing(): Missing {
    const groups = new Map<number, readonly SetExpression[]>();
    for (const { id, expression } of this.parts.flat())
      if (expression.kind === 'or' && expression.items.length >= LEAST_MEMBERS - 1)
        groups.set(id, expression.items);
    const bySize = new Map<number, Group[]>();
    for (const [id, items] of groups) {
      const members = new Map(items.map((item) => [this.evaluator.identify(item), item]));
      if (members.size !== items.length) continue;
      const alike = bySize.get(items.length) ?? [];
      bySize.set(items.length, alike);
      alike.push(createGroup(id, members));
    }
    const missing = new Map<number, { readonly family: Family; readonly member: SetExpression }>();
    for (const [size, alike] of bySize) {
      const wholes = [...(bySize.get(size + 1) ?? []).slice(0, MAX_WHOLES), ...joinAlike(alike)].map(
        (group) => ({ group, family: new Family([...group.members.values()]) }),
      );
      for (const group of alike) {
        for (const { group: whole, family } of wholes) {
          const member = findLacking(whole, group);
          if (!member) continue;
          missing.set(group.id, { family, member });
          break;
        }
      }
    }
    return missing;
  }

  /** The pieces that AND joins, those of inner ANDs, too, and what NOT takes away. */
  private split(expression: SetExpression, isExcluded: boolean): Part[] {
    if (!isExcluded && expression.kind === 'and')
      return expression.items.flatMap((item) => this.split(item, false));
    if (!isExcluded && expression.kind === 'not')
      return [...this.split(expression.include, false), ...this.split(expression.exclude, true)];
    return [{ expression, id: this.evaluator.identify(expression), isExcluded }];
  }
}

/** An OR group by the numbers of its members. */
interface Group {
  readonly id: number;
  readonly members: ReadonlyMap<number, SetExpression>;
  /** The sum of the members' numbers: a group that lacks one member lacks its number. */
  readonly sum: number;
}

function createGroup(id: number, members: ReadonlyMap<number, SetExpression>): Group {
  let sum = 0;
  for (const member of members.keys()) sum += member;
  return { id, members, sum };
}

/** The whole of which some groups of one size each lack one member, though the whole itself is not there. */
function joinAlike(alike: readonly Group[]): Group[] {
  const [first] = alike;
  if (!first || alike.length < LEAST_TOGETHER) return [];
  const wholes = alike
    .slice(1, 1 + LEAST_TOGETHER)
    .map(({ members }) => new Map([...first.members, ...members]));
  return wholes
    .filter((members) => members.size === first.members.size + 1)
    .slice(0, 1)
    .map((members) => createGroup(-1, members));
}

/** The one member of a whole, larger by one, that a group lacks; nothing if it has others. */
function findLacking(whole: Group, group: Group): SetExpression | undefined {
  const lacking = whole.sum - group.sum;
  const member = whole.members.get(lacking);
  if (!member || group.members.has(lacking)) return undefined;
  for (const other of group.members.keys()) if (!whole.members.has(other)) return undefined;
  return member;
}

type Missing = ReadonlyMap<number, { readonly family: Family; readonly member: SetExpression }>;

/** A whole OR group with the records that just one of its members finds. */
class Family {
  private masks: { readonly union: RecordSet; readonly once: RecordSet } | undefined;

  constructor(private readonly items: readonly SetExpression[]) {}

  find(
    evaluator: Evaluator,
    deadline: Deadline,
  ): Outcome<{ readonly union: RecordSet; readonly once: RecordSet }> {
    if (this.masks) return succeed(this.masks);
    const union = new RecordSet(evaluator.index.size);
    const more = new RecordSet(evaluator.index.size);
    for (const item of this.items) {
      const set = evaluator.evaluate(item, deadline);
      if (!set.ok) return set;
      // Found before and found again: by more than one.
      more.uniteShared(union, set.value);
      union.unite(set.value);
    }
    this.masks = { union, once: union.clone().subtract(more) };
    return succeed(this.masks);
  }
}
