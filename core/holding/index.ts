export {
  allowEach,
  answerSetWords,
  countSet,
  countStrings,
  countUnions,
  describeSlowness,
  findRecordNumbers,
  listRecordNumbers,
  searchString,
} from './answer-strings';
export type { Clock, CreateDeadline } from './answer-strings';
export type { Holding, Rounding, StringProblem, StringReading } from './holding';
export { listGivenHeadings, readQueryText } from './query-text';
export { createLimiterExpressions } from './limiter-expressions';
