export { findDoi } from './doi';
export { createIdentifierKey, hashText, normaliseIdentifier, normaliseTitle } from './identifier';
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
