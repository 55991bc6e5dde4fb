import { INDEX_FIELDS, countMonths, type IndexDocument, type IndexField } from '../collection/document';
import { createHeadingKey } from '../text';
import { createIdentifierKey } from '../record';
import { createMatcher, DEFAULT_FIELDS, type Field, type Pattern, type QueryNode } from '../query';
import { splitWords } from '../text';
import type { Vocabulary } from '../vocabulary';

/**
 * Whether one record satisfies a query, word by word from the definitions, without index, bitset
 * or cache: the independent reference for everything that counts.
 */
export function satisfies(
  document: IndexDocument,
  node: QueryNode,
  vocabulary?: Vocabulary,
  fields: readonly Field[] = DEFAULT_FIELDS,
): boolean {
  const test = (part: QueryNode, within = fields): boolean => satisfies(document, part, vocabulary, within);
  switch (node.kind) {
    case 'and':
      return node.items.every((item) => test(item));
    case 'or':
      return node.items.some((item) => test(item));
    case 'not':
      return test(node.include) && !test(node.exclude);
    case 'fielded':
      return test(node.item, node.fields);
    case 'term':
      return listValues(document, fields).some((words) => findPhrase(words, [node.pattern]).length > 0);
    case 'phrase':
      return listValues(document, fields).some((words) => findPhrase(words, node.words).length > 0);
    case 'near':
      return listValues(document, fields).some((words) => standNear(words, node));
    case 'heading': {
      if (!vocabulary || (node.vocabulary !== undefined && node.vocabulary !== vocabulary.id)) return false;
      const { qualifier } = node;
      const own = vocabulary.resolve(node.label);
      if (qualifier !== undefined)
        return own.some((label) =>
          document.keys.includes(`qualified=${createHeadingKey(label)}/${createHeadingKey(qualifier)}`),
        );
      const below = node.scope === 'branch' ? vocabulary.listBranch(node.label) : [];
      const labels = below.length > 0 ? below : own;
      const prefix = node.scope === 'focus' ? 'focus' : 'heading';
      return labels.some((label) => document.keys.includes(`${prefix}=${createHeadingKey(label)}`));
    }
    case 'range': {
      const { property, from = '0000-01', to = '9999-12' } = node;
      const number = property === 'year' ? document.year : document.entered;
      if (number === undefined) return false;
      const count = (text: string): number =>
        property === 'year' ? Number(text.slice(0, 4)) : countMonths(text);
      return count(from) <= number && number <= count(to);
    }
    case 'value':
      return node.property === 'doi'
        ? document.identifier === createIdentifierKey(node.value)
        : document.keys.includes(`${node.property}=${node.value}`);
    case 'block':
    case 'off':
    case 'only':
    case 'empty':
      return false;
  }
}

function listValues(document: IndexDocument, fields: readonly Field[]): string[][] {
  const names = fields.includes('text')
    ? INDEX_FIELDS
    : INDEX_FIELDS.filter((name: IndexField) => fields.some((field) => field === name));
  return names
    .flatMap((name) => document.values[name] ?? [])
    .map((value) => splitWords(value).map((word) => word.text));
}

/** The stretches `[first, last]` at which a phrase stands. */
function findPhrase(words: readonly string[], phrase: readonly Pattern[]): [number, number][] {
  const tests = phrase.map(createMatcher);
  return words.flatMap((_, at): [number, number][] =>
    tests.every((matches, offset) => at + offset < words.length && matches(words[at + offset] ?? ''))
      ? [[at, at + phrase.length - 1]]
      : [],
  );
}

function standNear(words: readonly string[], node: QueryNode & { kind: 'near' }): boolean {
  const left = findOperand(words, node.left);
  const right = findOperand(words, node.right);
  return left.some(([aStart, aEnd]) =>
    right.some(([bStart, bEnd]) => {
      const after = bStart - aEnd;
      const before = aStart - bEnd;
      return (
        (after >= 1 && after <= node.distance) || (!node.ordered && before >= 1 && before <= node.distance)
      );
    }),
  );
}

function findOperand(words: readonly string[], node: QueryNode): [number, number][] {
  if (node.kind === 'or') return node.items.flatMap((item) => findOperand(words, item));
  if (node.kind === 'phrase') return findPhrase(words, node.words);
  return node.kind === 'term' ? findPhrase(words, [node.pattern]) : [];
}
