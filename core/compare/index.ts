export { countDifferences, describeDifference } from './variant-difference';
export type { StateDifference } from './variant-difference';
export { createSharedDraft, createTermQuestions } from './term-contributions';
export type { ConceptQuestions, TermQuestions } from './term-contributions';
export { findTermMarks } from './term-marks';
export type { MarkFix, TermFacts, TermMark } from './term-marks';
export { splitByHeadings } from './words-and-headings';
export type { WordsAndHeadings } from './words-and-headings';
