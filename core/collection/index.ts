export { RecordSet } from './bitset';
export { buildIndex, createIndexBuilder } from './builder';
export type { IndexBuilder } from './builder';
export { NEUTRAL_ANALYSIS, measureBytes } from './collection-index';
export type { Analysis, CollectionIndex } from './collection-index';
export { countPostings, findTerms, listWords } from './dictionary';
export {
  ALL_FIELDS,
  INDEX_FIELDS,
  countMonths,
  createDocument,
  createLabelKey,
  maskFields,
} from './document';
export type { FieldMask, IndexDocument, IndexField } from './document';
export { TIME_LIMIT_SECONDS, createEvaluator, scoreRecords } from './evaluator';
export type { Deadline, Evaluator } from './evaluator';
export { printExpression } from './expression';
export type { SetExpression, Slot } from './expression';
export { createFieldMask, createNeutralExpression } from './neutral';
export type { NeutralSettings } from './neutral';
export { readSnapshot, writeSnapshot } from './snapshot';
