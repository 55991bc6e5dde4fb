export { CITATION_KINDS, CITATION_STYLES } from './citation-style';
export type { CitationKind, CitationStyle } from './citation-style';
export type { CitationAnswer, CitationRequest, CitationResults, CitationTask } from './messages';
export { writeListAsHtml, writePage } from './list-as-html';
export type { ReferenceList, WrittenCitation } from './write-citations';
