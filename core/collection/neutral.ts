import {
  DEFAULT_FIELDS,
  FIELD_TABLE,
  type Field,
  type Pattern,
  type QueryNode,
  type RangeNode,
} from '../query';
import { createIdentifierKey } from '../record';
import type { Vocabulary } from '../vocabulary';
import { ALL_FIELDS, countMonths, maskFields, type FieldMask } from './document';
import { createHeadingKey } from '../text';
import type { SetExpression, Slot } from './expression';

/** What the neutral meaning of a query depends on. */
export interface NeutralSettings {
  /** The fields of words that have none written. */
  readonly defaultFields?: readonly Field[];
  /** The headings of the collection; without one, headings find nothing. */
  readonly vocabulary?: Vocabulary;
  /** What some nodes are to find instead of what they mean. */
  readonly replaced?: ReadonlyMap<QueryNode, SetExpression>;
}

/**
 * The meaning of a query in Ewer's own language (docs/reference/query-text.md), as a set to find.
 * Blocks must have been expanded, and what takes no part dropped.
 */
export function createNeutralExpression(root: QueryNode, settings: NeutralSettings = {}): SetExpression {
  return translate(root, settings.defaultFields ?? DEFAULT_FIELDS, settings);
}

function translate(node: QueryNode, fields: readonly Field[], settings: NeutralSettings): SetExpression {
  const given = settings.replaced?.get(node);
  if (given) return given;
  switch (node.kind) {
    case 'and':
    case 'or':
      return { kind: node.kind, items: node.items.map((item) => translate(item, fields, settings)) };
    case 'not': {
      const [include, exclude] = [node.include, node.exclude].map((part) =>
        translate(part, fields, settings),
      );
      return { kind: 'not', include: include!, exclude: exclude! };
    }
    case 'near': {
      const { distance, ordered } = node;
      return {
        kind: 'near',
        left: listOperands(node.left),
        right: listOperands(node.right),
        distance,
        ordered,
        fields: createFieldMask(fields),
      };
    }
    case 'fielded':
      return translate(node.item, node.fields, settings);
    case 'term':
      return { kind: 'word', slot: createSlot(node.pattern), fields: createFieldMask(fields) };
    case 'phrase':
      return { kind: 'phrase', slots: node.words.map(createSlot), fields: createFieldMask(fields) };
    case 'heading':
      return createHeadingExpression(node, settings.vocabulary);
    case 'range':
      return createRangeExpression(node);
    case 'value':
      return node.property === 'doi'
        ? { kind: 'identifier', key: createIdentifierKey(node.value) }
        : { kind: 'key', key: `${node.property}=${node.value}` };
    case 'off':
    case 'only':
    case 'block':
    case 'empty':
      return { kind: 'none' };
  }
}

function createHeadingExpression(
  node: QueryNode & { kind: 'heading' },
  vocabulary: Vocabulary | undefined,
): SetExpression {
  if (!vocabulary || (node.vocabulary !== undefined && node.vocabulary !== vocabulary.id))
    return { kind: 'none' };
  const { qualifier, scope } = node;
  const findEach = (labels: readonly string[], write: (key: string) => string): SetExpression => {
    const keys = labels.map((label) => ({ kind: 'key' as const, key: write(createHeadingKey(label)) }));
    return keys.length === 1 && keys[0] ? keys[0] : { kind: 'or', items: keys };
  };
  // A heading that the vocabulary does not know has nothing below it, but records may have it.
  const own = vocabulary.resolve(node.label);
  if (qualifier !== undefined)
    return findEach(own, (key) => `qualified=${key}/${createHeadingKey(qualifier)}`);
  if (scope !== 'branch') return findEach(own, (key) => `${scope}=${key}`);
  const below = vocabulary.listBranch(node.label);
  return findEach(below.length === 0 ? own : below, (key) => `heading=${key}`);
}

/** An open end reaches as far as records go: one without a year is in no range. */
function createRangeExpression({ property, from, to }: RangeNode): SetExpression {
  const count = property === 'year' ? Number : countMonths;
  return {
    kind: 'range',
    column: FIELD_TABLE[property].column,
    from: from === undefined ? 1 : count(from),
    to: count(to ?? LATEST[property]),
  };
}

const LATEST = { year: '9999', entered: '9999-12' } as const;

/** The index fields that a field set of the query language stands for. */
export function createFieldMask(fields: readonly Field[]): FieldMask {
  return fields.reduce((mask, field) => mask | (field === 'text' ? ALL_FIELDS : maskFields([field])), 0);
}

function createSlot(pattern: Pattern): Slot {
  return { pattern };
}

function listOperands(node: QueryNode): Slot[][] {
  if (node.kind === 'or') return node.items.flatMap(listOperands);
  if (node.kind === 'phrase') return [node.words.map(createSlot)];
  return node.kind === 'term' ? [[createSlot(node.pattern)]] : [];
}
