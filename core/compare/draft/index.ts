// What is told of a draft while it is written. Apart from the rest of core/compare: the first page needs no more of it.
export { listSingleChanges } from './single-changes';
export type { SingleChange } from './single-changes';
export { createSharedDraft, createTermQueries } from './term-contributions';
export type { ConceptQueries, TermQueries } from './term-contributions';
export { findTermMarks } from './term-marks';
export type { MarkFix, TermFacts, TermMark } from './term-marks';
export { countDifferences, describeDifference } from './variant-difference';
export type { StateDifference } from './variant-difference';
export { splitByHeadings } from './words-and-headings';
export type { WordsAndHeadings } from './words-and-headings';
