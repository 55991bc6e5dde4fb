export { countTrailYears, createFoundTest, gatherTrail, measureNextStep } from './trail';
export type { TrailStart, TrailStep, TrailWork } from './trail';
