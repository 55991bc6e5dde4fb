export {
  NONE,
  asTotal,
  boundWorks,
  byTotal,
  createAmount,
  getExact,
  getGreatest,
  getLeast,
  isEstimated,
  isNone,
  isSameAmount,
  keepAmount,
  readKeptAmount,
  sumRecords,
  uniteParts,
} from './amount';
export type { Amount, KeptAmount, Total, WorkBounds } from './amount';
export { judgeBand, measureDistance, measureGrowth, wantSomething } from './band';
export type { Band, BandStanding } from './band';
export { countExactly } from './combine';
export {
  compareCounts,
  compareMoments,
  createEmptyCount,
  divideExactly,
  findObstacle,
  getAmount,
  getProved,
  getShare,
  isOfSomethingElse,
  measureTenfolds,
  subtractExactly,
} from './count';
export type { Comparison, Count, CountBasis, NoComparison } from './count';
