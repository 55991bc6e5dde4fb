export { LANGUAGES } from './languages';
export { DOCUMENT_TYPES, describeAuthors } from './record';
export type { AssignedHeading, Author, BibliographicRecord, DocumentType } from './record';
