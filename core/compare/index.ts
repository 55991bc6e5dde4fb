export { countDifferences, describeDifference } from './variant-difference';
export type { StateDifference } from './variant-difference';
