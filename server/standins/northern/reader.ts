import { maskFields, type FieldMask, type SetExpression, type Slot } from '#core/collection/index';
import { mergeParts, type Pattern, type PatternPart } from '#core/query/index';
import { createHeadingKey, spellOutTerm, splitWords } from '#core/text/index';
import { refuse } from '../string-fault';
import { exclude } from '../left-join';
import { createWords, rememberPatterns } from '../words';
import { readCql, type CqlNode } from './cql';
import { DiagnosticFault, diagnose } from './diagnostic';

type Clause = CqlNode & { kind: 'clause' };

/** The indexes of words: which fields they search. */
const WORD_INDEXES: Readonly<Record<string, FieldMask>> = {
  'cql.serverchoice': maskFields(['title', 'heading', 'abstract']),
  'cql.anyindexes': maskFields(['title', 'heading', 'abstract', 'author']),
  'cql.allindexes': maskFields(['title', 'heading', 'abstract', 'author']),
  'cql.keywords': maskFields(['title', 'heading', 'abstract']),
  'dc.title': maskFields(['title']),
  'dc.creator': maskFields(['author']),
  'dc.subject': maskFields(['heading']),
  'dc.description': maskFields(['abstract']),
};
/** The indexes of whole values, by the key that the collection has for them. */
const KEY_INDEXES: Readonly<Record<string, string>> = { 'dc.language': 'language', 'dc.type': 'type' };
/** The context sets by their usual prefixes and by their identifiers. */
const CONTEXT_SETS: Readonly<Record<string, string>> = {
  cql: 'cql',
  dc: 'dc',
  srw: 'cql',
  'info:srw/cql-context-set/1/cql-v1.2': 'cql',
  'info:srw/cql-context-set/1/cql-v1.1': 'cql',
  'info:srw/cql-context-set/1/dc-v1.1': 'dc',
};
const DATE = 'dc.date';
/** A `^` at the beginning or the end of a word. */
const ANCHORED = /(?:^|\s)\^|(?<!\\)\^(?:\s|$)/u;
const LONGEST_TERM = 2_000;
/** Farther apart, two words could stand in different parts of a record. */
const GREATEST_DISTANCE = 90;
/** So many pairs of words that search different fields may be near each other. */
const MAX_PAIRS = 5_000;
const YEARS = { first: 1, last: 9999 };

/** The indexes that `explain` names. */
export const NORTHERN_INDEXES: readonly { readonly name: string; readonly title: string }[] = [
  { name: 'cql.serverChoice', title: 'Title, subject, description' },
  { name: 'dc.title', title: 'Title' },
  { name: 'dc.creator', title: 'Creator' },
  { name: 'dc.subject', title: 'Subject' },
  { name: 'dc.description', title: 'Description' },
  { name: 'dc.date', title: 'Year of publication' },
  { name: 'dc.language', title: 'Language' },
  { name: 'dc.type', title: 'Type' },
];

/** Northern's own reader: CQL 1.2 as its text says, over title, subject and description. */
export function readNorthern(text: string): SetExpression {
  try {
    return readNorthernQuery(text);
  } catch (fault) {
    if (!(fault instanceof DiagnosticFault)) throw fault;
    const { number, message, details, at } = fault.diagnostic;
    return refuse(`diagnostic-${number}`, at[0], at[1], `${message}: ${details}.`);
  }
}

/** As `readNorthern`, with the diagnostics of SRU thrown as they are. */
export function readNorthernQuery(text: string): SetExpression {
  const { root, sortKeys } = readCql(text);
  if (sortKeys.length > 0) diagnose(80, sortKeys.join(' '), 0, text.length);
  return translate(root);
}

function translate(node: CqlNode): SetExpression {
  if (node.kind === 'clause') return readClause(node);
  if (node.operator === 'prox') return readProximity(node);
  if (node.modifiers.length > 0) diagnose(46, node.modifiers[0]?.name ?? '', ...node.at);
  const [first, ...rest] = listOperands(node, node.operator);
  if (!first) throw new Error('A boolean has operands.');
  if (node.operator === 'not') return exclude(translate(first), rest.map(translate));
  return { kind: node.operator, items: [first, ...rest].map(translate) };
}

/** What a row of the same operator joins: the tree of a long row leans to the left. */
function listOperands(node: CqlNode, operator: 'and' | 'or' | 'not'): CqlNode[] {
  const operands: CqlNode[] = [];
  let left = node;
  while (left.kind === 'boolean' && left.operator === operator && left.modifiers.length === 0) {
    operands.push(left.right);
    left = left.left;
  }
  return [left, ...operands.reverse()];
}

function readClause(clause: Clause): SetExpression {
  const index = nameIndex(clause);
  for (const { name } of clause.modifiers) {
    if (!['cql.masked', 'masked', 'cql.ignorecase', 'ignorecase', 'cql.word', 'word'].includes(name))
      diagnose(20, name, ...clause.at);
  }
  if (clause.term.length > LONGEST_TERM) diagnose(23, String(LONGEST_TERM), ...clause.at);
  if (index === DATE) return readDate(clause);
  const key = KEY_INDEXES[index];
  if (key !== undefined) return readKey(clause, key);
  const fields = WORD_INDEXES[index];
  return fields === undefined ? diagnose(16, clause.index, ...clause.at) : readWords(clause, index, fields);
}

/** The index with its context set, as declared or as usual; without any it is of Dublin Core. */
function nameIndex({ index, set, at }: Clause): string {
  const name = index.toLowerCase();
  const dot = name.indexOf('.');
  const prefix = dot < 0 ? 'dc' : name.slice(0, dot);
  const identifier = set?.toLowerCase() ?? prefix;
  const known = Object.hasOwn(CONTEXT_SETS, identifier) ? CONTEXT_SETS[identifier] : undefined;
  if (known === undefined) return diagnose(15, identifier, ...at);
  return `${known}.${name.slice(dot + 1)}`;
}

function readWords(clause: Clause, index: string, fields: FieldMask): SetExpression {
  const { relation, term, at } = clause;
  if (relation === '==' || relation === 'cql.exact' || relation === 'exact') {
    if (index !== 'dc.subject') return diagnose(22, `${clause.index} ${relation}`, ...at);
    return { kind: 'key', key: `heading=${createHeadingKey(unescape(term))}` };
  }
  if (ANCHORED.test(term)) return diagnose(31, term, ...at);
  const patterns = readMasked(term);
  if (patterns.length === 0) return diagnose(27, term, ...at);
  const name = relation.replace(/^cql\./, '');
  if (name === '=' || name === 'adj') return createWords(patterns, fields);
  const words = patterns.map((pattern) => createWords([pattern], fields));
  const [only] = words;
  if (words.length === 1 && only && (name === 'any' || name === 'all')) return only;
  if (name === 'any') return { kind: 'or', items: words };
  if (name === 'all') return { kind: 'and', items: words };
  return diagnose(19, relation, ...at);
}

function readKey({ relation, term, at }: Clause, key: string): SetExpression {
  const values = term.trim().split(/\s+/);
  const create = (value: string): SetExpression => ({ kind: 'key', key: `${key}=${value.toLowerCase()}` });
  if (relation === '=' || relation === '==') return create(unescape(term).trim());
  if (relation === 'any') return { kind: 'or', items: values.map(create) };
  return diagnose(19, relation, ...at);
}

function readDate({ relation, term, at }: Clause): SetExpression {
  const years = term.trim().split(/\s+/).map(Number);
  const [from = Number.NaN, to] = years;
  if (years.some((year) => !Number.isInteger(year) || year < 0 || year > YEARS.last))
    return diagnose(36, term, ...at);
  const range = (first: number, last: number): SetExpression => ({
    kind: 'range',
    column: 'years',
    from: first,
    to: last,
  });
  if (relation === 'within' || relation === 'cql.within')
    return to === undefined ? diagnose(36, term, ...at) : range(from, to);
  if (years.length !== 1) return diagnose(36, term, ...at);
  switch (relation) {
    case '=':
    case '==':
      return range(from, from);
    case '<':
      return range(YEARS.first, from - 1);
    case '<=':
      return range(YEARS.first, from);
    case '>':
      return range(from + 1, YEARS.last);
    case '>=':
      return range(from, YEARS.last);
    default:
      return diagnose(19, relation, ...at);
  }
}

/** `prox` by word: `/distance`, `/unit=word`, `/ordered` or `/unordered`; adjacent is 1, and within 1 is meant if nothing is said. */
function readProximity(node: CqlNode & { kind: 'boolean' }): SetExpression {
  let distance = 1;
  let ordered = false;
  for (const { name, relation, value } of node.modifiers) {
    const bare = name.replace(/^cql\./, '');
    if (bare === 'ordered' || bare === 'unordered') ordered = bare === 'ordered';
    else if (bare === 'unit') {
      if (value?.toLowerCase() !== 'word') diagnose(42, value ?? '', ...node.at);
    } else if (bare === 'distance') distance = readDistance(relation, value, node.at);
    else diagnose(46, name, ...node.at);
  }
  const left = listSides(node.left);
  const right = listSides(node.right);
  const fields = [...left, ...right].reduce((mask, side) => mask & side.fields, ~0);
  const create = (a: (readonly Slot[])[], b: (readonly Slot[])[], mask: FieldMask): SetExpression => ({
    kind: 'near',
    left: a,
    right: b,
    distance,
    ordered,
    fields: mask,
  });
  if ([...left, ...right].every((side) => side.fields === fields))
    return create(
      left.map((side) => side.slots),
      right.map((side) => side.slots),
      fields,
    );
  if (left.length * right.length > MAX_PAIRS)
    return diagnose(39, 'too many words in different indexes', ...node.at);
  // Sides that search different fields can only be near in those that they share.
  const pairs = left.flatMap((a) =>
    right.flatMap((b) => (a.fields & b.fields ? [create([a.slots], [b.slots], a.fields & b.fields)] : [])),
  );
  return pairs.length === 0 ? { kind: 'none' } : { kind: 'or', items: pairs };
}

function readDistance(
  relation: string | undefined,
  value: string | undefined,
  at: readonly [number, number],
): number {
  const number = Number(value);
  if (!Number.isInteger(number) || number < 1 || number > GREATEST_DISTANCE)
    return diagnose(41, value ?? '', ...at);
  if (relation === '<=') return number;
  if (relation === '<') return number > 1 ? number - 1 : diagnose(41, value ?? '', ...at);
  if (relation === '=' && number === 1) return 1;
  return diagnose(40, relation ?? '', ...at);
}

interface Side {
  readonly slots: readonly Slot[];
  readonly fields: FieldMask;
}

/** The words and phrases of a side; ORs of them are taken. */
function listSides(node: CqlNode): Side[] {
  if (node.kind === 'boolean') {
    if (node.operator !== 'or')
      return diagnose(39, 'only words, phrases and their ORs can be near', ...node.at);
    if (node.modifiers.length > 0) diagnose(46, node.modifiers[0]?.name ?? '', ...node.at);
    return listOperands(node, 'or').flatMap(listSides);
  }
  const clause = readClause(node);
  const sides = (clause.kind === 'or' ? clause.items : [clause]).map(readSide);
  return sides.some((side) => side === undefined)
    ? diagnose(39, node.term, ...node.at)
    : sides.flatMap((side) => side ?? []);
}

function readSide(read: SetExpression): Side | undefined {
  if (read.kind === 'word') return { slots: [read.slot], fields: read.fields };
  return read.kind === 'phrase' ? { slots: read.slots, fields: read.fields } : undefined;
}

/** The words of a term: `*` any letters, `?` one, a backslash before a sign makes it an ordinary one. */
const readMasked = rememberPatterns((term) => {
  const patterns: Pattern[] = [];
  let parts: PatternPart[] = [];
  const finish = (): void => {
    if (parts.some((part) => part.kind === 'letters')) patterns.push(mergeParts(parts));
    parts = [];
  };
  let isEscaped = false;
  for (const sign of spellOutTerm(term)) {
    if (isEscaped) {
      isEscaped = false;
      if (isLetter(sign)) parts.push({ kind: 'letters', text: sign });
      else finish();
    } else if (sign === '\\') isEscaped = true;
    else if (sign === '*') parts.push({ kind: 'any' });
    else if (sign === '?') parts.push({ kind: 'one' });
    else if (isLetter(sign)) parts.push({ kind: 'letters', text: sign });
    else finish();
  }
  finish();
  return patterns;
});

function isLetter(sign: string): boolean {
  return splitWords(sign).length > 0 || /\p{M}/u.test(sign);
}

function unescape(term: string): string {
  return term.replace(/\\([^])/gu, '$1');
}
