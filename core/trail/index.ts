export { countTrailYears, createFoundTest, gatherTrail, measureNextStep } from './trail';
export type { ListedWork, TrailStep, TrailTie, TrailWork } from './trail';
export { chooseTelling, createPartQuery, gatherSimilar, hasPart, listTellingParts, weigh } from './similar';
export type { SimilarStep, SimilarWork, WeighedPart } from './similar';
export type { TrailStart } from './tell-works';
