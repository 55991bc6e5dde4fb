import {
  DEFAULT_FIELDS,
  getWordsRow,
  foldQuery,
  listNodes,
  printPattern,
  type Field,
  type Pattern,
  type QueryNode,
  type RangeNode,
  type ValueNode,
} from '../query';
import { LANGUAGES } from '../record';

/** A stretch of a sentence; `block` where it speaks of one. */
export interface SentencePart {
  readonly text: string;
  readonly block?: string;
}

/** What a sentence says of a block: its name for people, and how many terms it has if it is a choice of terms. */
export interface BlockWords {
  readonly name: string;
  readonly terms?: number;
  /** The fields that it is searched in, where it has some of its own. */
  readonly fields?: readonly Field[];
  /** It takes no part. */
  readonly isOff?: boolean;
}

/** What the sentence may be told beyond the query. */
export interface DescribeSettings {
  readonly findBlock?: (name: string) => BlockWords | undefined;
  /** The name of a database. */
  readonly nameDatabase?: (id: string) => string;
}

/** A choice of more members than this is counted, not listed. */
const MAX_LISTED = 4;

/** One plain sentence on what a query asks for, made from its tree (blocks not expanded). */
export function describeQuery(root: QueryNode, settings: DescribeSettings = {}): SentencePart[] {
  const said = describeTop(root, settings);
  if (said.length === 0) return [{ text: 'Nothing is asked for yet.' }];
  return mergeTexts([{ text: 'Records with ' }, ...said, { text: '.' }]);
}

/** What is taken away is said behind the rest, the default fields right behind what they are of. */
function describeTop(node: QueryNode, settings: DescribeSettings): SentencePart[] {
  if (node.kind !== 'not') {
    const said = describeNode(node, settings, 0);
    if (said.length === 0 || !usesFields(node, settings, true)) return said;
    // Some of it has fields of its own, or is no words at all: the usual ones are those of the rest only.
    const hasProperties = listNodes(node).some(({ kind }) => kind === 'range' || kind === 'value');
    const others = usesFields(node, settings, false)
      ? ', the rest in '
      : hasProperties
        ? ', words in '
        : ', in ';
    return [...said, { text: others + listFields(DEFAULT_FIELDS) }];
  }
  const include = describeTop(node.include, settings);
  const exclude = describeNode(node.exclude, settings, 1);
  if (include.length === 0 || exclude.length === 0) return include;
  return [...include, { text: '; without those with ' }, ...exclude];
}

/** The sentence as one text. */
export function joinSentence(parts: readonly SentencePart[]): string {
  return parts.map((part) => part.text).join('');
}

/** Fields as a person lists them: “title or abstract”. */
export function listFields(fields: readonly Field[]): string {
  return joinList(
    fields.map((field) => getWordsRow(field).label),
    'or',
  );
}

function describeNode(node: QueryNode, settings: DescribeSettings, depth: number): SentencePart[] {
  switch (node.kind) {
    case 'term':
      return [{ text: describeWord(node.pattern) }];
    case 'phrase':
      return [{ text: `the phrase “${node.words.map(printPattern).join(' ')}”` }];
    case 'heading':
      return [{ text: describeHeading(node, settings) }];
    case 'range':
      return [{ text: describeRange(node) }];
    case 'value':
      return [{ text: describeValue(node) }];
    case 'block':
      return describeBlock(node.name, settings);
    case 'near': {
      const distance = node.distance === 1 ? 'right beside' : `within ${node.distance} words of`;
      const before = node.distance === 1 ? 'right before' : `up to ${node.distance} words before`;
      return [
        ...describeNode(node.left, settings, depth + 1),
        { text: ` ${node.ordered ? before : distance} ` },
        ...describeNode(node.right, settings, depth + 1),
      ];
    }
    case 'fielded': {
      const names = describeNames(node);
      if (names) return [{ text: names }];
      const inner = describeNode(node.item, settings, depth + 1);
      return inner.length > 0 ? [...inner, { text: ` in the ${listFields(node.fields)}` }] : [];
    }
    case 'not': {
      const include = describeNode(node.include, settings, depth);
      const exclude = describeNode(node.exclude, settings, depth + 1);
      if (include.length === 0) return [];
      if (exclude.length === 0) return include;
      return bracket([...include, { text: ' without ' }, ...exclude], depth);
    }
    case 'only': {
      const inner = describeNode(node.item, settings, depth);
      const names = node.databases.map((id) => settings.nameDatabase?.(id) ?? id);
      return inner.length > 0 ? [...inner, { text: ` (for ${joinList(names, 'and')} only)` }] : [];
    }
    case 'and':
    case 'or':
      return describeGroup(node, settings, depth);
    case 'off':
    case 'empty':
      return [];
  }
}

/** Names in the fields of persons: “Elena Sherson as first author”. */
function describeNames({ fields, item }: QueryNode & { kind: 'fielded' }): string | undefined {
  const [field, ...others] = fields;
  if (others.length > 0 || (field !== 'author' && field !== 'firstauthor')) return undefined;
  const names = (item.kind === 'or' ? item.items : [item]).map((node) => {
    if (node.kind !== 'near' || node.distance !== 1 || node.ordered) return undefined;
    const parts = [node.left, node.right].map((side) =>
      side.kind === 'term'
        ? printPattern(side.pattern)
        : side.kind === 'phrase'
          ? side.words.map(printPattern).join(' ')
          : undefined,
    );
    return parts.includes(undefined) ? undefined : parts.join(' ');
  });
  const known = names.filter((name) => name !== undefined);
  if (known.length < names.length) return undefined;
  return `${joinList(known, 'or')} as ${field === 'author' ? 'an author' : 'first author'}`;
}

function describeGroup(
  node: QueryNode & { kind: 'and' | 'or' },
  settings: DescribeSettings,
  depth: number,
): SentencePart[] {
  const items = node.items
    .map((item) => describeNode(item, settings, depth + 1))
    .filter((item) => item.length > 0);
  const [only] = items;
  if (items.length <= 1) return only ?? [];
  const isPlain = node.items.every(({ kind }) => kind === 'term' || kind === 'phrase' || kind === 'heading');
  if (node.kind === 'or' && isPlain && items.length > MAX_LISTED)
    return [
      { text: `any of these ${items.length}: ` },
      ...(items[0] ?? []),
      { text: ', ' },
      ...(items[1] ?? []),
      { text: ' …' },
    ];
  const word = node.kind === 'and' ? 'and' : 'or';
  const joined = items.flatMap((item, at) => {
    if (at === 0) return item;
    const gap = at === items.length - 1 ? ` ${word} ` : ', ';
    return [{ text: gap }, ...item];
  });
  return bracket(joined, depth);
}

/** What stands inside something else is bracketed, as in the query: words alone do not say what belongs together. */
function bracket(parts: readonly SentencePart[], depth: number): SentencePart[] {
  return depth === 0 ? [...parts] : [{ text: '(' }, ...parts, { text: ')' }];
}

function describeBlock(name: string, { findBlock }: DescribeSettings): SentencePart[] {
  const block = findBlock?.(name);
  if (!block) return [{ text: `@${name}`, block: name }];
  if (block.isOff) return [];
  if (block.terms === undefined)
    return [{ text: 'what ' }, { text: block.name, block: name }, { text: ' asks for' }];
  const many = block.terms === 1 ? 'the one term for ' : `any of ${block.terms} terms for `;
  const where = block.fields ? [{ text: ` in the ${listFields(block.fields)}` }] : [];
  return [{ text: many }, { text: block.name, block: name }, ...where];
}

function describeWord(pattern: Pattern): string {
  const signs = printPattern(pattern);
  const [first, second] = pattern;
  if (pattern.length === 1 && first?.kind === 'letters') return `the word “${signs}”`;
  if (pattern.length === 2 && first?.kind === 'letters' && second?.kind === 'any')
    return `a word beginning with “${first.text}”`;
  if (pattern.length === 2 && first?.kind === 'any' && second?.kind === 'letters')
    return `a word ending in “${second.text}”`;
  return `a word like “${signs}”`;
}

function describeHeading(node: QueryNode & { kind: 'heading' }, { nameDatabase }: DescribeSettings): string {
  const name = node.qualifier === undefined ? node.label : `${node.label} / ${node.qualifier}`;
  const of = node.vocabulary === undefined ? '' : ` of ${nameDatabase?.(node.vocabulary) ?? node.vocabulary}`;
  if (node.scope === 'branch') return `the heading “${name}”${of} or any below it`;
  return node.scope === 'focus' ? `“${name}”${of} as a main topic` : `the heading “${name}”${of}`;
}

function describeRange({ property, from, to }: RangeNode): string {
  const what = property === 'year' ? 'a year' : 'a month of entry';
  if (from !== undefined && to !== undefined)
    return from === to
      ? `the ${property === 'year' ? 'year' : 'month of entry'} ${from}`
      : `${what} from ${from} to ${to}`;
  return from === undefined ? `${what} until ${to ?? ''}` : `${what} from ${from} on`;
}

function describeValue({ property, value }: ValueNode): string {
  switch (property) {
    case 'type':
      return `the document type “${value}”`;
    case 'language':
      return `the language ${LANGUAGES.find(({ code }) => code === value)?.name ?? value}`;
    case 'doi':
      return `the identifier ${value}`;
  }
}

/** True if some words are searched in the usual fields, or in fields of their own. */
function usesFields(root: QueryNode, settings: DescribeSettings, isUsual: boolean): boolean {
  return foldQuery<boolean>(root, (node, members) => {
    switch (node.kind) {
      case 'term':
      case 'phrase':
      case 'near':
        return isUsual;
      case 'block': {
        const block = settings.findBlock?.(node.name);
        return block?.isOff !== true && (block?.fields === undefined) === isUsual;
      }
      case 'fielded':
        return !isUsual;
      case 'and':
      case 'or':
      case 'not':
      case 'only':
      case 'heading':
      case 'range':
      case 'value':
      case 'empty':
        return members.includes(true);
      case 'off':
        return false;
    }
  });
}

function joinList(items: readonly string[], word: string): string {
  const last = items.at(-1) ?? '';
  return items.length < 2 ? last : `${items.slice(0, -1).join(', ')} ${word} ${last}`;
}

function mergeTexts(parts: readonly SentencePart[]): SentencePart[] {
  const merged: SentencePart[] = [];
  for (const part of parts) {
    const last = merged.at(-1);
    if (last && last.block === undefined && part.block === undefined)
      merged[merged.length - 1] = { text: last.text + part.text };
    else merged.push(part);
  }
  return merged;
}
