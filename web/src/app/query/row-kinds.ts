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
import { say } from '../words/say';

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

/** Every kind of row, in the order of the list. */
export const ROW_KINDS: readonly RowKind[] = [
  {
    id: 'words',
    get label() {
      return say('query.anyOfSomeWords');
    },
    get hint() {
      return say('query.aRecordHasAtLeast');
    },
    get wordsLabel() {
      return say('query.wordsAndPhrases');
    },
    takes: ['words', 'fields'],
  },
  {
    id: 'every',
    get label() {
      return say('query.allOfSomeWords');
    },
    get hint() {
      return say('query.aRecordHasEvery');
    },
    get wordsLabel() {
      return say('query.wordsAndPhrases');
    },
    takes: ['words', 'fields'],
    join: 'all',
  },
  {
    id: 'near',
    get label() {
      return say('query.wordsNearEachOther');
    },
    get hint() {
      return say('query.theyStandInOneTitle');
    },
    get wordsLabel() {
      return say('query.whichWordsOneALine');
    },
    takes: ['words', 'distance', 'fields'],
  },
  {
    id: 'heading',
    get label() {
      return say('query.aSubjectHeading');
    },
    get hint() {
      return say('query.theWholeLabel');
    },
    get wordsLabel() {
      return say('query.heading');
    },
    takes: ['words', 'scope'],
  },
  {
    id: 'author',
    get label() {
      return say('query.anAuthor');
    },
    get hint() {
      return say('query.oneNameALineSherson');
    },
    get wordsLabel() {
      return say('query.namesOneALine');
    },
    takes: ['words'],
    field: 'author',
  },
  {
    id: 'firstauthor',
    get label() {
      return say('query.aFirstAuthor');
    },
    get hint() {
      return say('query.oneNameALineSherson');
    },
    get wordsLabel() {
      return say('query.namesOneALine');
    },
    takes: ['words'],
    field: 'firstauthor',
  },
  {
    id: 'affiliation',
    get label() {
      return say('query.anAffiliation');
    },
    get hint() {
      return say('query.institutionsAndPlaces');
    },
    get wordsLabel() {
      return say('query.institutionsOrPlaces');
    },
    takes: ['words'],
    field: 'affiliation',
  },
  {
    id: 'source',
    get label() {
      return say('query.aSource');
    },
    get hint() {
      return say('query.theJournalOrOtherContainer');
    },
    get wordsLabel() {
      return say('query.journalsOneALine');
    },
    takes: ['words'],
    field: 'source',
  },
  {
    id: 'year',
    get label() {
      return say('query.yearsOfPublication');
    },
    get hint() {
      return say('query.like20152024AsAPart');
    },
    get wordsLabel() {
      return say('query.yearsOneSpanALine');
    },
    takes: ['words'],
    property: 'year',
  },
  {
    id: 'type',
    get label() {
      return say('query.aDocumentType');
    },
    get hint() {
      return say('query.oneOf', { types: DOCUMENT_TYPES.join(', ') });
    },
    get wordsLabel() {
      return say('query.typesOneALine');
    },
    takes: ['words'],
    property: 'type',
  },
  {
    id: 'doi',
    get label() {
      return say('query.certainWorksByTheirIdentifiers');
    },
    get hint() {
      return say('query.doisAsTheyAreWritten');
    },
    get wordsLabel() {
      return say('query.doisOneALine');
    },
    takes: ['words'],
    property: 'doi',
  },
  {
    id: 'language',
    get label() {
      return say('query.aLanguage');
    },
    get hint() {
      return say('query.byItsCodeOfTwo');
    },
    get wordsLabel() {
      return say('query.codesOneALine');
    },
    takes: ['words'],
    property: 'language',
  },
  {
    id: 'block',
    get label() {
      return say('shared.aBlock');
    },
    get hint() {
      return say('query.aConceptOrAPiece');
    },
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
