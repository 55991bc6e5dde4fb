export { LIMITERS, LIMITER_NAMES, getLimiterRow, listLimitersOf } from './limiter-table';
export type { LimiterName, LimiterOf, LimiterRow } from './limiter-table';
export {
  LIMITERS_SCHEMA,
  NO_LIMITERS,
  describeRange,
  isSameLimiters,
  listLimiters,
  withLimiter,
} from './limiters';
export type { Limiters, Range } from './limiters';
