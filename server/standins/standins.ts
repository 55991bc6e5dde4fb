import { NEUTRAL_ANALYSIS, type Analysis, type SetExpression } from '#core/collection/index';
import type { Vocabulary } from '#core/vocabulary/index';
import { GANTRY_STOP_WORDS, readGantry } from './gantry/reader';
import { readHeronsmere } from './heronsmere/reader';
import { readMarlstone } from './marlstone/reader';
import { catchFault, type ServiceProblem } from './string-fault';

/** The tick-box limiters that a stand-in has. */
export type BoxName = 'years' | 'types' | 'languages' | 'peerReviewed' | 'fullText';

/** One made-up database: what it is, how it reads a string and how it gives its counts. */
export interface Standin {
  readonly id: string;
  readonly name: string;
  readonly kind: string;
  readonly analysis: Analysis;
  readonly boxes: readonly BoxName[];
  /** Counts above this are rounded to hundreds and marked as estimates. */
  readonly exactUpTo: number;
  readonly read: (text: string, vocabulary: Vocabulary) => SetExpression;
}

/** The stand-ins that are served, in the order of the list. */
export const STANDINS: readonly Standin[] = [
  {
    id: 'heronsmere',
    name: 'Heronsmere Life Index',
    kind: 'subject index with a thesaurus',
    analysis: NEUTRAL_ANALYSIS,
    boxes: ['languages', 'peerReviewed', 'fullText'],
    exactUpTo: Infinity,
    read: readHeronsmere,
  },
  {
    id: 'gantry',
    name: 'Gantry Engineering Abstracts',
    kind: 'technical index with flat headings of its own',
    analysis: { ...NEUTRAL_ANALYSIS, stopWords: GANTRY_STOP_WORDS },
    boxes: ['types', 'languages', 'peerReviewed'],
    exactUpTo: Infinity,
    read: readGantry,
  },
  {
    id: 'marlstone',
    name: 'Marlstone Full Text',
    kind: 'full-text archive',
    analysis: { ...NEUTRAL_ANALYSIS, joinHyphens: true },
    boxes: ['years', 'types', 'languages', 'peerReviewed', 'fullText'],
    exactUpTo: 10_000,
    read: readMarlstone,
  },
];

/** What a stand-in makes of a string: the set it means, or its own words about why it does not take it. */
export function readStandinString(
  standin: Standin,
  text: string,
  vocabulary: Vocabulary,
): { value: SetExpression; problem?: never } | { problem: ServiceProblem; value?: never } {
  return catchFault(() => standin.read(text, vocabulary));
}
