import { FIELDS } from '../../query';
import { LIMITERS, LIMITER_NAMES } from '../../limiter';
import { LENGTH_FALLBACKS, PHRASE_FALLBACKS } from '../profile';

/** One entry of a dialect document as a person fills it in. */
export interface FormEntry {
  /** The place in the document, its parts joined by dots. */
  readonly path: string;
  readonly label: string;
  readonly help?: string;
  /** `list`: several texts with commas between. An empty optional entry is left out of the document. */
  readonly kind: 'text' | 'number' | 'yes-no' | 'choice' | 'list';
  readonly choices?: readonly string[];
  readonly isOptional?: boolean;
  /** Of an optional group: the entry that the group is there for; empty, the whole group is left out. */
  readonly opens?: string;
}

/** A part of the form. */
export interface FormSection {
  readonly title: string;
  readonly entries: readonly FormEntry[];
}

const operatorEntries = (operator: 'and' | 'or' | 'not', label: string): FormEntry[] => [
  {
    path: `operators.${operator}.write`,
    label,
    kind: 'text',
    help: operator === 'and' ? 'empty: a blank is enough' : '',
  },
  { path: `operators.${operator}.read`, label: `${label}: read as it`, kind: 'list' },
  { path: `operators.${operator}.anyCase`, label: `${label}: in any case`, kind: 'yes-no' },
];

const wildcardEntries = (name: 'any' | 'one' | 'maybe', label: string): FormEntry[] => [
  { path: `wildcards.${name}.sign`, label, kind: 'text', isOptional: true, opens: `wildcards.${name}` },
  {
    path: `wildcards.${name}.leastLetters`,
    label: `${label}: least letters`,
    kind: 'number',
    isOptional: true,
  },
  {
    path: `wildcards.${name}.where`,
    label: `${label}: where`,
    kind: 'choice',
    choices: ['end', 'not-first', 'anywhere'],
    isOptional: true,
  },
  ...(name === 'any'
    ? [
        {
          path: 'wildcards.any.cap',
          label: `${label}: takes only so many forms`,
          kind: 'number',
          isOptional: true,
        } as const,
      ]
    : []),
  ...(name === 'maybe'
    ? [
        {
          path: 'wildcards.maybe.means',
          label: `${label}: means`,
          kind: 'choice',
          choices: ['letter-behind', 'any-character'],
          isOptional: true,
        } as const,
      ]
    : []),
];

/** The form over a dialect document, in the order in which a manual is read. */
export const DIALECT_FORM: readonly FormSection[] = [
  {
    title: 'The database',
    entries: [
      { path: 'name', label: 'Name', kind: 'text' },
      {
        path: 'shortName',
        label: 'Short name',
        kind: 'text',
        isOptional: true,
        help: 'for places with little room, at most 20 letters; else the first word of the name',
      },
      {
        path: 'id',
        label: 'Code',
        kind: 'text',
        help: 'as in heading(code): small letters, digits and hyphens',
      },
      { path: 'about', label: 'Kind', kind: 'text' },
      { path: 'coverage', label: 'What it covers', kind: 'text', isOptional: true },
      {
        path: 'address',
        label: 'Address of a search',
        kind: 'text',
        isOptional: true,
        help: '{string} stands for the string',
      },
      {
        path: 'recordAddress',
        label: 'Address of a record',
        kind: 'text',
        isOptional: true,
        help: '{id} stands for the id of the record there, {doi} for its DOI',
      },
      { path: 'habits', label: 'What to know about it', kind: 'list' },
    ],
  },
  {
    title: 'Operators',
    entries: [
      ...operatorEntries('and', 'And'),
      ...operatorEntries('or', 'Or'),
      ...operatorEntries('not', 'Without'),
      { path: 'exclusion', label: 'Without stands', kind: 'choice', choices: ['between', 'before'] },
      {
        path: 'mixedOperators',
        label: 'Different operators without brackets',
        kind: 'choice',
        choices: ['refused', 'unsure'],
        isOptional: true,
        help: 'empty: they bind as the manual says',
      },
      {
        path: 'sideBySide',
        label: 'Words side by side',
        kind: 'choice',
        choices: ['and', 'or', 'phrase', 'error'],
      },
      {
        path: 'deepest',
        label: 'Brackets inside brackets',
        kind: 'number',
        isOptional: true,
        help: 'empty: as deep as one likes',
      },
      {
        path: 'setReference',
        label: 'An earlier search',
        kind: 'text',
        isOptional: true,
        help: '{n} stands for its number',
      },
      {
        path: 'history.ranges',
        label: 'A range of earlier searches',
        kind: 'list',
        isOptional: true,
        opens: 'history',
        help: '{operator} {from}-{to}; empty: as in most systems',
      },
      {
        path: 'history.limits',
        label: 'An earlier search that is limited',
        kind: 'list',
        isOptional: true,
        help: 'limit {n} to {limiter}',
      },
    ],
  },
  {
    title: 'Phrases and wildcards',
    entries: [
      {
        path: 'phrase.wildcards',
        label: 'Wildcards in quotation marks',
        kind: 'choice',
        choices: ['none', 'last-word', 'all'],
      },
      {
        path: 'phrase.fallbacks',
        label: 'Instead of them',
        kind: 'list',
        choices: PHRASE_FALLBACKS,
        help: PHRASE_FALLBACKS.join(', '),
      },
      ...wildcardEntries('any', 'Any letters'),
      ...wildcardEntries('one', 'One letter'),
      ...wildcardEntries('maybe', 'None or one'),
      { path: 'stems', label: 'Words are found by their stems', kind: 'yes-no', isOptional: true },
      {
        path: 'givenNames',
        label: 'Given names of authors',
        kind: 'choice',
        choices: ['full', 'initials'],
        isOptional: true,
        help: 'empty: in full',
      },
      { path: 'joinsHyphens', label: 'Hyphenated words are found joined, too', kind: 'yes-no' },
      { path: 'stopWords', label: 'Words that are skipped', kind: 'list' },
      { path: 'reservedWords', label: 'Words that must be quoted', kind: 'list' },
    ],
  },
  {
    title: 'Nearness',
    entries: [
      {
        path: 'proximity.0.form',
        label: 'Near each other',
        kind: 'text',
        isOptional: true,
        opens: 'proximity.0',
        help: '{a} near {n} {b}',
      },
      {
        path: 'proximity.0.counts',
        label: 'The number counts',
        kind: 'choice',
        choices: ['between', 'difference'],
        isOptional: true,
      },
      { path: 'proximity.0.ordered', label: 'In this order only', kind: 'yes-no', isOptional: true },
      { path: 'proximity.0.greatest', label: 'Greatest number', kind: 'number', isOptional: true },
      {
        path: 'proximity.0.operands',
        label: 'What can be near',
        kind: 'choice',
        choices: ['words', 'phrases', 'groups'],
        isOptional: true,
      },
    ],
  },
  {
    title: 'Fields',
    entries: [
      {
        path: 'fields.mark',
        label: 'How a field is marked',
        kind: 'text',
        help: '{field} and {item}: {field}:{item}',
      },
      { path: 'fields.marksGroups', label: 'Round brackets, too', kind: 'yes-no' },
      { path: 'fields.joint', label: 'Between several fields', kind: 'text', isOptional: true },
      ...FIELDS.map((field): FormEntry => ({
        path: `fields.codes.${field}`,
        label: `Code of ${field}`,
        kind: 'text',
        isOptional: true,
      })),
      {
        path: 'fields.held',
        label: 'What the records have',
        kind: 'list',
        choices: FIELDS,
        help: FIELDS.join(', '),
      },
      { path: 'fields.unmarked', label: 'Searched without a field', kind: 'list', choices: FIELDS },
      {
        path: 'fields.identifier',
        label: 'A whole identifier (DOI)',
        kind: 'text',
        help: '{value}: doi:"{value}"',
        isOptional: true,
      },
    ],
  },
  {
    title: 'Headings',
    entries: [
      {
        path: 'headings.heading',
        label: 'A heading',
        kind: 'text',
        isOptional: true,
        opens: 'headings',
        help: '{label} stands for it',
      },
      { path: 'headings.branch', label: 'With narrower headings', kind: 'text', isOptional: true },
      { path: 'headings.focus', label: 'As main topic', kind: 'text', isOptional: true },
      {
        path: 'headings.qualified',
        label: 'With a qualifier',
        kind: 'text',
        isOptional: true,
        help: '{label} and {qualifier} stand for the two',
      },
      { path: 'headings.vocabulary', label: 'Short name of its thesaurus', kind: 'text', isOptional: true },
      { path: 'headings.flat', label: 'It has no hierarchy', kind: 'yes-no', isOptional: true },
    ],
  },
  {
    title: 'Limiters',
    entries: LIMITER_NAMES.flatMap((name): FormEntry[] => [
      {
        path: `limiters.${name}.how`,
        label: LIMITERS[name].label,
        kind: 'choice',
        choices: ['string', 'box', 'hand', 'none'],
      },
      {
        path: `limiters.${name}.form`,
        label: `${LIMITERS[name].label} in the string`,
        kind: 'text',
        isOptional: true,
      },
      {
        path: `limiters.${name}.note`,
        label: `${LIMITERS[name].label}: note`,
        kind: 'text',
        isOptional: true,
      },
    ]),
  },
  {
    title: 'Limits',
    entries: [
      { path: 'most.characters', label: 'Most characters', kind: 'number', isOptional: true },
      { path: 'most.truncations', label: 'Most cut words', kind: 'number', isOptional: true },
      { path: 'most.words', label: 'Most words', kind: 'number', isOptional: true },
      {
        path: 'whenTooLong',
        label: 'When it is too long',
        kind: 'list',
        choices: LENGTH_FALLBACKS,
        help: LENGTH_FALLBACKS.join(', '),
      },
    ],
  },
];

type Json = Readonly<Record<string, unknown>> | readonly unknown[];

/** What a document has at the place of an entry, as text: empty if it has nothing. */
export function readEntry(document: unknown, { path, kind }: FormEntry): string {
  const value = path
    .split('.')
    .reduce<unknown>((inner, key) => (inner as Record<string, unknown> | undefined)?.[key], document);
  if (value === undefined || value === null) return kind === 'yes-no' ? 'no' : '';
  if (Array.isArray(value))
    return value.join(kind === 'list' && value.some((one) => String(one).includes(',')) ? ' ; ' : ', ');
  if (typeof value === 'boolean') return value ? 'yes' : 'no';
  return typeof value === 'string' || typeof value === 'number' ? String(value) : '';
}

/** The document with another text at the place of an entry; an emptied group goes as a whole. */
export function writeEntry(document: unknown, entry: FormEntry, text: string): unknown {
  if (text === '' && entry.opens !== undefined) return put(document, entry.opens.split('.'), undefined);
  return put(document, entry.path.split('.'), readValue(entry, text));
}

function readValue({ kind, isOptional }: FormEntry, text: string): unknown {
  switch (kind) {
    case 'number':
      return text.trim() === '' ? undefined : Number(text);
    case 'yes-no':
      return text === 'yes' || (isOptional && text === '' ? undefined : false);
    case 'list':
      return text
        .split(text.includes(';') ? ';' : ',')
        .map((part) => part.trim())
        .filter((part) => part !== '');
    case 'text':
    case 'choice':
      return text === '' && isOptional ? undefined : text;
  }
}

function put(inner: unknown, [key, ...rest]: readonly string[], value: unknown): unknown {
  if (key === undefined) return value;
  const isList = Array.isArray(inner) || (inner === undefined && /^\d+$/.test(key));
  const holder = (inner ?? (isList ? [] : {})) as Json;
  const next = put((holder as Record<string, unknown>)[key], rest, value);
  if (Array.isArray(holder)) {
    const list = [...(holder as readonly unknown[])];
    if (next === undefined) list.splice(Number(key), 1);
    else list[Number(key)] = next;
    return list;
  }
  const { [key]: _, ...others } = holder as Record<string, unknown>;
  return next === undefined ? others : { ...(holder as object), [key]: next };
}
