export { checkDialect } from './check-dialect';
export { PHRASE_FALLBACKS } from './dialect';
export type { Dialect, PhraseFallback } from './dialect';
export { REASON_CODES, describeReason } from './fidelity';
export type { Fidelity, FidelityLevel, Reason, ReasonCode } from './fidelity';
export type { Extent, LaidOut, Piece } from './lay-out';
export { DIALECT_FORM, readEntry, writeEntry } from './form';
export type { FormEntry, FormSection } from './form';
export type { Boxes, HandStep } from './write-limiters';
export { listLeftOut } from './left-out';
export type { LeftOut } from './left-out';
export { listPhraseWays, preferPhraseWay } from './phrase-ways';
export { DIALECTS, OPEN_DIALECTS, OWN_RECORDS, TEMPLATE_DIALECTS, findDialect } from './profiles';
export {
  isHistory,
  joinLimiters,
  listStrings,
  nameLine,
  rankDialects,
  readHistory,
  readKeepingLimiters,
  readString,
} from './reading';
export type { Binding, DialectGuess, History, HistoryLine, OtherReading, ReadString } from './reading';
export { DIALECT_SCHEMA, readDialect } from './schema';
export type { ListBranch } from './write-headings';
export { spellsForms } from './write-words';
export type { FindForms, FormList } from './write-words';
export { writeHistory } from './write-history';
export type { WrittenLine } from './write-history';
export { describeFidelity, writeQuery } from './writer';
export type { Lacking, Rendering, WriteSettings } from './writer';
