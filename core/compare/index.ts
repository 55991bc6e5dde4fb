export { joinChanges, listSwapPlaces, readTypedAlternatives, tryChange } from './alternatives';
export type { Alternative, SwapPlace } from './alternatives';
export {
  MOST_COMBINED,
  countExactly,
  deriveCounts,
  findNearest,
  listBits,
  listCombinations,
} from './combinations';
export type { Combination, NearestCombination } from './combinations';
export { findCover } from './cover';
export type { Cover, CoverStep } from './cover';
export { joinMembers, listMembers } from './members';
export type { Member } from './members';
export { createMustFindQuery, createRecallQuery, judgeMustFind, readMustFinds } from './must-finds';
export type { MustFindStanding } from './must-finds';
export { findOverlap, listRepeatedWorks } from './overlap';
export type { DatabaseResult, Overlap, RepeatedRecord, SearchOrderStep } from './overlap';
export { drawSample, estimatePrecision, joinPrecisions } from './precision';
export type { JudgedPart, ShareEstimate } from './precision';
export type { Question } from './question';
export { listSingleChanges } from './single-changes';
export type { SingleChange } from './single-changes';
export { listSteps } from './staircase';
export type { Step } from './staircase';
export { createSharedDraft, createTermQuestions } from './term-contributions';
export type { ConceptQuestions, TermQuestions } from './term-contributions';
export { findTermMarks } from './term-marks';
export type { MarkFix, TermFacts, TermMark } from './term-marks';
export { describeTrial, listTrials, measureDistance, rankTrials } from './trials';
export type { JudgedTrial, OfferedTerm, Trial, TrialCounts } from './trials';
export { createSetCounter } from './union-counter';
export type { UnionCounter } from './union-counter';
export { countDifferences, describeDifference } from './variant-difference';
export type { StateDifference } from './variant-difference';
export { splitByHeadings } from './words-and-headings';
export type { WordsAndHeadings } from './words-and-headings';
export { listYearSpans, summariseYears } from './years';
export type { YearSpan, YearSummary } from './years';
