export { COMMON_HISTORY, LENGTH_FALLBACKS, PHRASE_FALLBACKS } from './dialect';
export type {
  Dialect,
  LimiterRule,
  OperatorWords,
  PhraseFallback,
  ProximityRule,
  WildcardRule,
} from './dialect';
export {
  NARROWER,
  REASON_CODES,
  SAME,
  WIDER,
  describeShift,
  describeReason,
  invertShift,
  joinShifts,
} from './fidelity';
export type { MeaningShift, Fidelity, FidelityLevel, Reason, ReasonCode } from './fidelity';
export { markField, planFields, splitMark } from './fields';
export type { FieldPlan } from './fields';
export { listPhraseWays, preferPhraseWay } from './phrase-ways';
export { DIALECTS, OPEN_DIALECTS, OWN_RECORDS, TEMPLATE_DIALECTS, findDialect } from './profiles';
export { DIALECT_SCHEMA, readDialect } from './schema';
