export { joinChanges, listSwapPlaces, readTypedAlternatives, tryChange } from './alternatives';
export type { Alternative, SwapPlace } from './alternatives';
export { MAX_COMBINED, deriveCounts, findNearest, listBits, listCombinations } from './combinations';
export type { Combination, NearestCombination } from './combinations';
export { findCover } from './cover';
export type { Cover, CoverStep } from './cover';
export { joinMembers, listMembers } from './members';
export type { Member } from './members';
export { findOverlap, findWorks, listDoubtfulPairs, listRepeatedWorks } from './overlap';
export type { DatabaseResult, DoubtfulPair, Overlap, RepeatedRecord, SearchOrderStep } from './overlap';
export { SAMPLE_SIZE, createJudgementKey, drawFurther, drawRecords, judgePart } from './judged-sample';
export { boundGoodOnes, estimatePrecision, joinPrecisions } from './precision';
export type { JudgedPart, ShareEstimate } from './precision';
export type { LimitedQuery } from './limited-query';
export { listSteps } from './staircase';
export type { Step } from './staircase';
export { describeProposal, listProposals, rankProposals } from './proposed-changes';
export { MEANING_LEVELS } from './proposed-changes';
export type {
  JudgedProposal,
  MeaningLevel,
  OfferedTerm,
  ProposedChange,
  ProposalCounts,
} from './proposed-changes';
export { createSetCounter } from './union-counter';
export type { UnionCounter } from './union-counter';
export { listYearSpans, summariseYears } from './years';
export type { YearSpan, YearSummary } from './years';
