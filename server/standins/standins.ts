import { NEUTRAL_ANALYSIS, type Analysis, type SetExpression, type Stem } from '#core/collection/index';
import { PLAIN_SORTS, SORTS } from '#core/contract/index';
import type { Holding, StringProblem, StringReading } from '#core/holding/index';
import type { Vocabulary } from '#core/vocabulary/index';
import { readCardinal } from './cardinal/reader';
import { GANTRY_STOP_WORDS, readGantry } from './gantry/reader';
import { readHeronsmere, type FindSet } from './heronsmere/reader';
import { readMarlstone } from './marlstone/reader';
import { readNorthern } from './northern/reader';
import { readPlainfinder } from './plainfinder/reader';
import { stemWord } from './plainfinder/stem';
import { catchFault } from './string-fault';

/** One made-up database: what it is, how it reads a string and how it gives its counts. */
export interface Standin {
  readonly id: string;
  readonly name: string;
  readonly kind: string;
  readonly analysis: Analysis;
  readonly stem?: Stem;
  readonly sentLimiters: Holding['sentLimiters'];
  /** Without it, every count is exact. */
  readonly rounding?: Holding['rounding'];
  /** Counted and searched only by SRU. */
  readonly protocol?: 'sru';
  /** Gives what a record cites and what cites it. */
  readonly hasCitations?: true;
  /** Gives the numbers of the records of a string. */
  readonly givesIds?: true;
  /** The orders in which it gives records. */
  readonly sorts: Holding['sorts'];
  /** Earlier searches of a session can be named in a string. */
  readonly hasSets?: true;
  readonly read: (text: string, vocabulary: Vocabulary, findSet?: FindSet) => StringReading;
}

/** The stand-ins that are served, in the order of the list. */
export const STANDINS: readonly Standin[] = [
  {
    id: 'heronsmere',
    name: 'Heronsmere Life Index',
    kind: 'subject index with a thesaurus',
    analysis: NEUTRAL_ANALYSIS,
    sentLimiters: ['languages', 'peerReviewed', 'fullText', 'openAccess'],
    givesIds: true,
    sorts: PLAIN_SORTS,
    hasSets: true,
    read: (text, vocabulary, findSet) => withoutNotes(readHeronsmere(text, vocabulary, findSet)),
  },
  {
    id: 'gantry',
    name: 'Gantry Engineering Abstracts',
    kind: 'technical index with flat headings of its own',
    analysis: { ...NEUTRAL_ANALYSIS, stopWords: GANTRY_STOP_WORDS },
    sentLimiters: ['types', 'languages', 'peerReviewed'],
    givesIds: true,
    sorts: PLAIN_SORTS,
    read: (text) => withoutNotes(readGantry(text)),
  },
  {
    id: 'cardinal',
    name: 'Cardinal Point Citations',
    kind: 'multidisciplinary citation index without a thesaurus',
    analysis: NEUTRAL_ANALYSIS,
    sentLimiters: [],
    hasCitations: true,
    givesIds: true,
    sorts: SORTS,
    read: (text) => withoutNotes(readCardinal(text)),
  },
  {
    id: 'marlstone',
    name: 'Marlstone Full Text',
    kind: 'full-text archive',
    analysis: { ...NEUTRAL_ANALYSIS, joinHyphens: true },
    sentLimiters: ['years', 'types', 'languages', 'peerReviewed', 'fullText', 'openAccess', 'entered'],
    givesIds: true,
    sorts: PLAIN_SORTS,
    rounding: { exactUpTo: 10_000, to: 'hundreds', note: 'Large numbers are rounded to hundreds.' },
    read: (text) => withoutNotes(readMarlstone(text)),
  },
  {
    id: 'northern',
    name: 'Northern Union Catalogue',
    kind: 'library catalogue on open standards',
    analysis: NEUTRAL_ANALYSIS,
    sentLimiters: [],
    protocol: 'sru',
    sorts: ['relevance'],
    read: (text) => withoutNotes(readNorthern(text)),
  },
  {
    id: 'plainfinder',
    name: 'Plainfinder',
    kind: 'one box over nearly everything',
    analysis: { ...NEUTRAL_ANALYSIS, stems: true },
    stem: stemWord,
    sentLimiters: ['years', 'languages'],
    rounding: { exactUpTo: 99, to: 'two-figures', note: 'An estimate.' },
    sorts: ['relevance'],
    read: (text) => readPlainfinder(text),
  },
];

function withoutNotes(expression: SetExpression): StringReading {
  return { expression, notes: [] };
}

/** What a stand-in makes of a string, or its own words about why it does not take it. */
export function readStandinString(
  standin: Standin,
  text: string,
  vocabulary: Vocabulary,
  findSet?: FindSet,
): { value: StringReading; problem?: never } | { problem: StringProblem; value?: never } {
  return catchFault(() => standin.read(text, vocabulary, findSet));
}
