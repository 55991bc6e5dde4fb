import { createProblem } from '../problem';
import { findPlace, isInUse } from '../project';
import {
  build,
  dropInactive,
  isSameQuery,
  listNodes,
  mapChildren,
  type Field,
  type QueryNode,
} from '../query';
import { listActive, type CheckSubject, type FoundThing } from './finding';
import { namePiece } from './text-checks';

/** More members than this are not tried pair by pair. */
const MAX_PAIRED = 12;

/** What takes part of a group: members without those that are off. */
function listMembers(node: QueryNode): readonly QueryNode[] {
  const items = node.kind === 'and' ? node.items : node.kind === 'not' ? listMembers(node.include) : [node];
  return items.filter((item) => item.kind !== 'off');
}

/** Groups of all that find nothing: which member does it, alone or with which other. */
export function checkEmptied({ root, dialects, count }: CheckSubject): FoundThing[] {
  const found: FoundThing[] = [];
  for (const node of listNodes(root)) {
    const members = node.kind === 'and' ? listMembers(node) : [];
    if (members.length < 2) continue;
    for (const { id, name } of dialects) {
      if (count(node, id) !== 0) continue;
      const alone = members.filter((member) => count(member, id) === 0);
      const [first] = alone;
      if (first) {
        found.push({
          problem: createProblem(
            'and-emptied',
            'warning',
            { member: namePiece(first), database: name },
            place(first),
          ),
          cost: { of: withoutMember(members, first), words: 'records without it' },
        });
        continue;
      }
      const pair = findEmptyPair(members, (query) => count(query, id));
      if (!pair) continue;
      const [a, b] = pair;
      const [withoutA, withoutB] = [withoutMember(members, a), withoutMember(members, b)];
      const isFirst = (count(withoutA, id) ?? 0) > (count(withoutB, id) ?? 0);
      found.push({
        problem: createProblem(
          'and-emptied-pair',
          'warning',
          { first: namePiece(a), second: namePiece(b), database: name },
          place(node),
        ),
        cost: {
          of: isFirst ? withoutA : withoutB,
          words: `records without ${namePiece(isFirst ? a : b)}`,
        },
      });
    }
  }
  return found;
}

function findEmptyPair(
  members: readonly QueryNode[],
  count: (query: QueryNode) => number | undefined,
): [QueryNode, QueryNode] | undefined {
  if (members.length > MAX_PAIRED) return undefined;
  for (const [at, a] of members.entries()) {
    for (const b of members.slice(at + 1)) if (count(build.and(a, b)) === 0) return [a, b];
  }
  return undefined;
}

function withoutMember(members: readonly QueryNode[], member: QueryNode): QueryNode {
  const rest = members.filter((other) => other !== member);
  const [only] = rest;
  return rest.length === 1 && only ? only : build.and(...rest);
}

/** Spans of pieces that came from blocks are places in other texts. */
function place(node: QueryNode) {
  return node.id.includes('/') ? undefined : node.span;
}

/** What is taken away though it satisfies everything else, in the group itself and in all groups round it. */
export function checkRemoved({ root, dialects, count }: CheckSubject): FoundThing[] {
  return listNodes(root).flatMap((node): FoundThing[] => {
    if (node.kind !== 'not') return [];
    const removed = findRemoved(root, node);
    const counts = dialects
      .filter(({ id }) => dropInactive(node.exclude, id) !== undefined)
      .map(({ id, name }) => ({ name, total: count(removed, id) }));
    const some = counts.filter(({ total }) => total !== undefined && total > 0);
    const [first] = some;
    if (!first) return [];
    const piece = namePiece(node.exclude);
    return [
      {
        problem: createProblem(
          'not-removes',
          'warning',
          { member: piece, count: first.total ?? 0, database: first.name },
          place(node.exclude),
        ),
        cost: { of: removed, words: 'records taken away' },
        show: { label: `Removed by NOT ${piece}`, query: removed },
      },
    ];
  });
}

/**
 * What an exclusion takes away from the whole: where only AND stands round it, what satisfies the rest and is
 * excluded; else what the whole would find without it and does not.
 */
function findRemoved(root: QueryNode, exclusion: QueryNode & { readonly kind: 'not' }): QueryNode {
  let isRequired = true;
  const replace = (node: QueryNode, other: QueryNode): QueryNode => {
    if (node === exclusion) return other;
    if (!contains(node, exclusion)) return node;
    if (node.kind === 'or' || (node.kind === 'not' && contains(node.exclude, exclusion))) isRequired = false;
    return mapChildren(node, (child) => replace(child, other));
  };
  const both = build.and(exclusion.include, exclusion.exclude);
  const kept = replace(root, both);
  return isRequired ? kept : build.not(replace(root, exclusion.include), root);
}

function contains(node: QueryNode, wanted: QueryNode): boolean {
  return listNodes(node).includes(wanted);
}

/** Groups that stand twice: in one group, or as two concepts. */
export function checkRepeatedGroups({ parsed, working }: CheckSubject): FoundThing[] {
  return listNodes(parsed.root).flatMap((node): FoundThing[] => {
    if (node.kind !== 'and' && node.kind !== 'or') return [];
    // Equal pieces of a text have ids that differ in their turn only.
    const seen = new Map<string, QueryNode>();
    return node.items.flatMap((item, at): FoundThing[] => {
      const mark = item.id.split('.')[0] ?? item.id;
      const other = seen.get(mark);
      seen.set(mark, item);
      const isTwice = other !== undefined && isSameQuery(other, item);
      if (!isTwice || item.kind === 'empty') return [];
      const before = node.items[at - 1];
      const text = before
        ? working.draft.slice(0, before.span.end) + working.draft.slice(item.span.end)
        : working.draft;
      return [
        {
          problem: createProblem('member-repeated', 'warning', { member: namePiece(item) }, item.span),
          fixes: [{ label: 'Remove the second', changes: [{ kind: 'rewrite-draft', text }] }],
        },
      ];
    });
  });
}

/** A concept of a single term: a synonym group that is none. */
export function checkGroupsOfOne({ used }: CheckSubject): FoundThing[] {
  return used.flatMap((concept): FoundThing[] => {
    const [only, ...others] = listActive(concept);
    if (!only || others.length > 0) return [];
    return [
      {
        problem: createProblem('group-of-one', 'note', { concept: concept.name, term: only.text }),
        concept: concept.block,
        term: only.id,
      },
    ];
  });
}

/** A concept without terms that are on finds nothing, and with AND nothing is found at all. */
export function checkEmptyConcepts({ used }: CheckSubject): FoundThing[] {
  return used
    .filter((concept) => listActive(concept).length === 0)
    .map((concept) => ({
      problem: createProblem('concept-empty', 'warning', { concept: concept.name }),
      concept: concept.block,
      fixes: [
        { label: 'Switch the concept off', changes: [{ kind: 'switch-concept', id: concept.id, off: true }] },
      ],
    }));
}

/** Concepts of the topic that the draft does not use. */
export function checkUnusedConcepts({ working }: CheckSubject): FoundThing[] {
  return working.concepts
    .filter((concept) => !concept.off && listActive(concept).length > 0 && !isInUse(working, concept.block))
    .map((concept) => ({
      problem: createProblem('concept-unused', 'warning', { concept: concept.name }),
      concept: concept.block,
      fixes: [
        {
          label: 'Join it with AND',
          changes: [{ kind: 'place-concept', id: concept.id, place: { kind: 'required' } }],
        },
      ],
    }));
}

/** Required concepts that are searched in different fields, though nothing says why. */
export function checkFields({ working, used, parsed }: CheckSubject): FoundThing[] {
  const required = used.filter((concept) => findPlace(working.draft, concept.block).kind === 'required');
  const narrow = required.filter((concept) => concept.fields);
  const [first] = narrow;
  const other = required.find(
    (concept) => !concept.fields || concept.fields.join() !== first?.fields?.join(),
  );
  const ofConcepts: FoundThing[] =
    first?.fields && other && (first.note ?? '') === ''
      ? [
          {
            problem: createProblem('fields-differ', 'note', {
              first: first.name,
              fields: first.fields.join(', '),
              second: other.name,
              others: other.fields?.join(', ') ?? 'the usual fields',
            }),
            concept: first.block,
            fixes: [
              {
                label: `Search ${first.name} where ${other.name} is searched`,
                changes: [{ kind: 'set-concept-fields', id: first.id, fields: other.fields ?? [] }],
              },
            ],
          },
        ]
      : [];
  return [...ofConcepts, ...checkFieldsOfMembers(parsed.root, working.draft)];
}

/** Members of one group of all: words in the title only beside words anywhere. */
function checkFieldsOfMembers(root: QueryNode, draft: string): FoundThing[] {
  if (root.kind !== 'and') return [];
  const fieldsOf = (node: QueryNode): readonly Field[] | undefined =>
    node.kind === 'fielded' ? node.fields : undefined;
  const TEXT_FIELDS: readonly Field[] = ['title', 'abstract', 'keywords', 'text'];
  const textual = root.items.filter(
    (item) =>
      (item.kind === 'fielded' && item.fields.every((field) => TEXT_FIELDS.includes(field))) ||
      item.kind === 'term' ||
      item.kind === 'phrase' ||
      item.kind === 'or',
  );
  const first = textual.find((item) => fieldsOf(item));
  const other = textual.find((item) => fieldsOf(item)?.join() !== fieldsOf(first ?? item)?.join());
  if (first?.kind !== 'fielded' || !other || first.comments) return [];
  const inner = draft.slice(first.item.span.start, first.item.span.end);
  const text = draft.slice(0, first.span.start) + inner + draft.slice(first.span.end);
  return [
    {
      problem: createProblem(
        'fields-differ',
        'note',
        {
          first: namePiece(first.item),
          fields: first.fields.join(', '),
          second: namePiece(other),
          others: fieldsOf(other)?.join(', ') ?? 'the usual fields',
        },
        first.span,
      ),
      fixes: fieldsOf(other)
        ? []
        : [{ label: 'Search both in the usual fields', changes: [{ kind: 'rewrite-draft', text }] }],
    },
  ];
}
