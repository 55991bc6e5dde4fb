export {
  countStrings,
  countUnions,
  findRecordNumbers,
  listRecordNumbers,
  searchString,
} from './answer-strings';
export type { Clock } from './answer-strings';
export type { Holding, Rounding, StringProblem, StringReading } from './holding';
export { listGivenHeadings, readQueryText } from './query-text';
