export {
  SIGNS,
  compareWorks,
  createIdentifierKey,
  createPairKey,
  createRecordKeys,
  deduplicateRecords,
  normaliseIdentifier,
  UNKNOWN_KEYS,
  normaliseTitle,
  readWorkSigns,
} from './same-work';
export type {
  Agreement,
  Deduplicated,
  RecordKeys,
  RecordPlace,
  SameWorkAnswers,
  SameWorkRule,
  Sign,
  WorkComparison,
} from './same-work';
export { LANGUAGES } from './languages';
export {
  ABSTRACT_LENGTHS,
  DOCUMENT_TYPES,
  RECORD_SCHEMA,
  TEXT_LENGTHS,
  describeAuthors,
  findAbstractLength,
  findTextLength,
  nameAuthor,
} from './record';
export type {
  AbstractLength,
  AssignedHeading,
  Author,
  BibliographicRecord,
  DocumentType,
  TextLength,
  TimesCited,
} from './record';
