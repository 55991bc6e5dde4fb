export { compareQueries } from './normal-form';
export type { Sameness } from './normal-form';
export { factorQuery, simplifyQuery, splitByQueries } from './simplify';
