export { listSeparators } from './apart';
export type { Separator } from './apart';
export {
  FACET_ROWS,
  describeFilter,
  listYears,
  moveToLimiters,
  moveToQuery,
  nameFacetValue,
} from './filters';
export { countJudgedInOrder, estimateGoodOnesLeft, traceReading } from './how-far';
export type { GoodOnesLeft, ReadSoFar } from './how-far';
export { LEAD_KIND_ROWS, createLeadQuery } from './leads';
export { createJudgement, createWorkFinder, listReasons } from './judgements';
export type { FindJudgement } from './judgements';
export { LEAST_FOUND } from './count-phrases';
export { LESSONS, listCandidates, rankLearnt } from './learn';
export type { Candidate, LearnAnswer, LearnRequest, Learnt, LearntRecord, Lesson } from './learn';
export { createTakeChange } from './take-learnt';
export type { TakeWay } from './take-learnt';
export { buildWords } from './write-words';
export { isVersionOf, writeRequest } from './request-text';
export { PLACES, explainRecords, findAmong } from './places-in-record';
export type { ConceptInRecord, Place, TermInRecord } from './places-in-record';
