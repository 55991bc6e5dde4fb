import {
  printQuery,
  build,
  holdsNames,
  writePersonName,
  readProperty,
  type Field,
  type HeadingNode,
  type Property,
} from '#core/query/index';
import { DOCUMENT_TYPES } from '#core/record/index';
import { splitPastedTerms } from '#core/project/index';

/** The parts that a row can be built from. */
export interface RowParts {
  readonly kind: RowKind['id'];
  /** Words and phrases, one a line. */
  readonly words: string;
  /** What they are to stand near, one a line. */
  readonly others: string;
  readonly distance: number;
  readonly ordered: boolean;
  readonly fields: readonly Field[];
  readonly scope: HeadingNode['scope'];
  /** Empty: whichever a database has. */
  readonly vocabulary: string;
  readonly block: string;
}

/** A kind of row that can be built. */
export interface RowKind {
  readonly id:
    | 'words'
    | 'every'
    | 'near'
    | 'heading'
    | 'author'
    | 'firstauthor'
    | 'affiliation'
    | 'source'
    | 'year'
    | 'type'
    | 'language'
    | 'doi'
    | 'block';
  readonly label: string;
  readonly hint: string;
  readonly wordsLabel: string;
  readonly takes: readonly ('words' | 'distance' | 'fields' | 'scope' | 'block')[];
  /** The field that it is always searched in. */
  readonly field?: Field;
  /** What it asks of a record beside its words. */
  readonly property?: Property;
  readonly join?: 'all';
}

const ONE_A_LINE = 'Words and phrases, one a line';
const NAME_HINT =
  'One name a line: “Sherson, Elena” or “Elena Sherson”; “Sherson, E.” for any given name with E. It is searched in either order.';

/** Every kind of row, in the order of the list. */
export const ROW_KINDS: readonly RowKind[] = [
  {
    id: 'words',
    label: 'any of some words or phrases',
    hint: 'A record has at least one of them. light* is light with any ending; colo[u]r is both spellings.',
    wordsLabel: ONE_A_LINE,
    takes: ['words', 'fields'],
  },
  {
    id: 'every',
    label: 'all of some words or phrases',
    hint: 'A record has every one of them.',
    wordsLabel: ONE_A_LINE,
    takes: ['words', 'fields'],
    join: 'all',
  },
  {
    id: 'near',
    label: 'words near each other',
    hint: 'They stand in one title, one abstract, one keyword; 1 is right beside.',
    wordsLabel: 'Which words (one a line, any of them)',
    takes: ['words', 'distance', 'fields'],
  },
  {
    id: 'heading',
    label: 'a subject heading',
    hint: 'The whole label, as the thesaurus has it.',
    wordsLabel: 'Heading',
    takes: ['words', 'scope'],
  },
  {
    id: 'author',
    label: 'an author',
    hint: NAME_HINT,
    wordsLabel: 'Names, one a line',
    takes: ['words'],
    field: 'author',
  },
  {
    id: 'firstauthor',
    label: 'a first author',
    hint: NAME_HINT,
    wordsLabel: 'Names, one a line',
    takes: ['words'],
    field: 'firstauthor',
  },
  {
    id: 'affiliation',
    label: 'an affiliation',
    hint: 'Institutions and places of the authors.',
    wordsLabel: 'Institutions or places, one a line',
    takes: ['words'],
    field: 'affiliation',
  },
  {
    id: 'source',
    label: 'a source',
    hint: 'The journal or other container.',
    wordsLabel: 'Journals, one a line',
    takes: ['words'],
    field: 'source',
  },
  {
    id: 'year',
    label: 'years of publication',
    hint: 'Like 2015..2024. As a part of the query they can be joined by OR and NOT; for all of it, set the limiter.',
    wordsLabel: 'Years, one span a line',
    takes: ['words'],
    property: 'year',
  },
  {
    id: 'type',
    label: 'a document type',
    hint: `One of ${DOCUMENT_TYPES.join(', ')}.`,
    wordsLabel: 'Types, one a line',
    takes: ['words'],
    property: 'type',
  },
  {
    id: 'doi',
    label: 'certain works by their identifiers',
    hint: 'DOIs as they are written, with or without https://. Whole identifiers only.',
    wordsLabel: 'DOIs, one a line',
    takes: ['words'],
    property: 'doi',
  },
  {
    id: 'language',
    label: 'a language',
    hint: 'By its code of two letters: en, fr, de, es.',
    wordsLabel: 'Codes, one a line',
    takes: ['words'],
    property: 'language',
  },
  {
    id: 'block',
    label: 'a block',
    hint: 'A concept, or a piece of a query that has a name.',
    wordsLabel: '',
    takes: ['block'],
  },
];

/** The query text of a row; empty while parts are missing. */
export function writeRow(parts: RowParts): string {
  const kind = ROW_KINDS.find(({ id }) => id === parts.kind);
  if (!kind) return '';
  if (kind.id === 'block') return parts.block === '' ? '' : `@${parts.block}`;
  if (kind.id === 'heading') {
    const label = parts.words.trim().replace(/\s+/g, ' ');
    if (label === '') return '';
    return printQuery(
      build.heading(label, parts.scope, parts.vocabulary === '' ? undefined : parts.vocabulary),
    );
  }
  if (kind.field && holdsNames(kind.field, 'people')) return writeNames(parts.words, kind.field);
  if (kind.property) return writeProperties(parts.words, kind.property);
  const words = joinWords(parts.words, kind.join === 'all' ? 'AND' : 'OR');
  if (words === '') return '';
  const fields = kind.field ? [kind.field] : parts.fields;
  const mark = fields.length > 0 ? `${fields.join(',')}: ` : '';
  if (kind.id !== 'near')
    return mark === '' ? words : `${mark}(${words})`.replace(/\((\S+|"[^"]*")\)$/, '$1');
  const others = joinWords(parts.others, 'OR');
  if (others === '' || !Number.isInteger(parts.distance)) return '';
  const side = (text: string): string => (text.includes(' OR ') ? `(${text})` : text);
  const near = `${side(words)} ${parts.ordered ? 'BEFORE' : 'WITHIN'} ${parts.distance} ${side(others)}`;
  return mark === '' ? near : `${mark}(${near})`;
}

/** Any of some values, one a line; nothing while one of them is none. */
function writeProperties(typed: string, property: Property): string {
  const lines = typed.split('\n').filter((line) => line.trim() !== '');
  const nodes = lines.flatMap((line) => readProperty(property, line) ?? []);
  const [only] = nodes;
  if (!only || nodes.length < lines.length) return '';
  return printQuery(nodes.length > 1 ? build.or(...nodes) : only);
}

/** Names, one a line: a comma stands within a name here, and separates none. */
function writeNames(typed: string, field: Field): string {
  const names = typed
    .split('\n')
    .map(writePersonName)
    .filter((name) => name !== '');
  const [only] = names;
  if (only === undefined) return '';
  const isBare = names.length === 1 && !only.includes(' WITHIN ');
  const bracket = (name: string): string => (name.includes(' WITHIN ') ? `(${name})` : name);
  if (names.length === 1) return `${field}: ${isBare ? only : `(${only})`}`;
  return `${field}: (${names.map(bracket).join(' OR ')})`;
}

function joinWords(typed: string, operator: 'AND' | 'OR'): string {
  return splitPastedTerms(typed).join(` ${operator} `);
}
