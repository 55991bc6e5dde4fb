export { deduplicateRecords } from './deduplicate';
export type { Deduplicated, SameWorkRule } from './deduplicate';
export { createIdentifierKey, createRecordKeys, normaliseIdentifier, normaliseTitle } from './identity';
export type { RecordKeys } from './identity';
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
