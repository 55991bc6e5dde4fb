import { build, foldQuery, holdsNames, parseQuery, printQuery, type QueryNode } from '../query';
import { splitWords } from '../text';

/** The kinds of term: what a person sees, and may correct. */
export const TERM_KINDS = [
  'word',
  'truncated word',
  'phrase',
  'proximity',
  'acronym',
  'heading',
  'other language',
  'author',
  'organisation',
  'group',
] as const;
export type TermKind = (typeof TERM_KINDS)[number];

/** What is asked about a term to tell its kind. */
interface Described {
  readonly text: string;
  readonly kind?: TermKind;
  readonly language?: string;
}

/** The kind of a term: the one given by the person, else the one seen from its text. */
export function describeTermKind({ text, kind, language }: Described): TermKind {
  if (kind) return kind;
  return language === undefined ? describeKind(parseQuery(text).root, text) : 'other language';
}

/** The term rewritten as a kind, with its own words; some kinds only change what it is called. */
export function withTermKind<T extends Described>(term: T, kind: TermKind, language?: string): T {
  const { kind: _, language: __, ...rest } = term as Described & Record<string, unknown>;
  const words = readWords(term.text);
  const text = writeAsKind(kind, words, term.text);
  const seen = describeTermKind({ text });
  return {
    ...rest,
    text,
    ...(kind === 'other language' && language !== undefined && { language }),
    ...(seen !== kind && !(kind === 'other language' && language !== undefined) && { kind }),
  } as unknown as T;
}

function writeAsKind(kind: TermKind, words: string, text: string): string {
  const isSingle = splitWords(words).length === 1;
  const bare = dropWildcards(words);
  switch (kind) {
    case 'word':
      return isSingle ? bare : `"${bare}"`;
    case 'acronym':
      return isSingle ? bare : text;
    case 'truncated word':
      return isSingle && !/[*?[]/.test(words) ? `${words}*` : text;
    case 'phrase':
      return isSingle ? text : `"${words}"`;
    case 'proximity': {
      const [first = '', ...others] = words.split(' ');
      if (others.length === 0) return text;
      return others.length === 1
        ? `${first} WITHIN 3 ${others[0] ?? ''}`
        : `${first} WITHIN 3 "${others.join(' ')}"`;
    }
    case 'heading':
      return printQuery(build.heading(bare));
    case 'author':
      return `author: ${isSingle ? bare : `"${bare}"`}`;
    case 'organisation':
      return `affiliation: ${isSingle ? bare : `"${bare}"`}`;
    case 'other language':
    case 'group':
      return text;
  }
}

/** The words of a term with their wildcards, without quotes, fields and operators. */
export function readWords(text: string): string {
  const words = foldQuery<readonly string[]>(parseQuery(text).root, (node, members) => {
    switch (node.kind) {
      case 'term':
        return [printQuery(node)];
      case 'phrase':
        return [printQuery(node).replaceAll('"', '')];
      case 'heading':
        return [node.label];
      case 'value':
        return [node.value];
      case 'near':
      case 'fielded':
      case 'only':
      case 'off':
      case 'and':
      case 'or':
      case 'range':
      case 'block':
      case 'empty':
        return members.flat();
      case 'not':
        return members[0] ?? [];
    }
  });
  return words.join(' ');
}

/** The words of a term without any signs: as they are looked up in an index or a thesaurus. */
export function readPlainWords(text: string): string {
  return dropWildcards(readWords(text));
}

function dropWildcards(words: string): string {
  return words.replace(/[*?[\]]/g, '');
}

function describeKind(root: QueryNode, text: string): TermKind {
  switch (root.kind) {
    case 'term': {
      if (root.pattern.some((part) => part.kind !== 'letters')) return 'truncated word';
      if (isOtherScript(text)) return 'other language';
      return /^[A-Z][A-Z0-9]{1,6}$/.test(text.trim()) ? 'acronym' : 'word';
    }
    case 'phrase':
      return isOtherScript(text) ? 'other language' : 'phrase';
    case 'heading':
      return 'heading';
    case 'near':
      return 'proximity';
    case 'only':
    case 'off':
      return describeKind(root.item, printQuery(root.item));
    case 'fielded':
      if (root.fields.every((field) => holdsNames(field, 'people'))) return 'author';
      if (root.fields.every((field) => field === 'affiliation')) return 'organisation';
      return describeKind(root.item, printQuery(root.item));
    case 'and':
    case 'or':
    case 'not':
    case 'range':
    case 'value':
    case 'block':
    case 'empty':
      return 'group';
  }
}

function isOtherScript(text: string): boolean {
  return /\p{L}/u.test(text) && !/\p{Script=Latin}/u.test(text);
}
