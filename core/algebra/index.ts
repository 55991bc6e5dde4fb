export { compareQueries } from './normal-form';
export type { ComparisonPlace, Sameness } from './normal-form';
export { factorQuery, simplifyQuery, splitByQueries } from './simplify';
