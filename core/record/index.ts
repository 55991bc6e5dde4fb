export { deduplicateRecords } from './deduplicate';
export type { Deduplicated, SameWorkRule } from './deduplicate';
export { createIdentifierKey, createRecordKeys, normaliseIdentifier, normaliseTitle } from './identity';
export type { RecordKeys } from './identity';
export { LANGUAGES } from './languages';
export { DOCUMENT_TYPES, RECORD_SCHEMA, describeAuthors, nameAuthor } from './record';
export type { AssignedHeading, Author, BibliographicRecord, DocumentType } from './record';
