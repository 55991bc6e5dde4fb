export { SIGNS, compareWorks } from './compare-works';
export type { Agreement, Sign, WorkComparison } from './compare-works';
export { createPairKey, deduplicateRecords } from './deduplicate';
export type { Deduplicated, RecordPlace, SameWorkAnswers, SameWorkRule } from './deduplicate';
export { UNKNOWN_KEYS, createRecordKeys } from './identity';
export type { RecordKeys } from './identity';
export { readWorkSigns } from './work-signs';
