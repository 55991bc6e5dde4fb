export { CITATION_KINDS, CITATION_STYLES, readCitationStyle } from './citation-style';
export type { CitationKind, CitationStyle } from './citation-style';
export { writeCitation, writeListAsHtml, writeReferenceList } from './write-citations';
export type { ReferenceList, StyleTexts, WrittenCitation } from './write-citations';
