export { readResultsColumn, readResultsLine } from './results-line';
export type { ReadResultsLine } from './results-line';
