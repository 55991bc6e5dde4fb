export {
  DIALECTS,
  DIALECT_SCHEMA,
  OPEN_DIALECTS,
  OWN_RECORDS,
  PHRASE_FALLBACKS,
  REASON_CODES,
  TEMPLATE_DIALECTS,
  describeReason,
  findDialect,
  listPhraseWays,
  preferPhraseWay,
  readDialect,
} from './profile';
export type { Dialect, Fidelity, FidelityLevel, PhraseFallback, Reason, ReasonCode } from './profile';
export { describeFidelity, listLeftOut, spellsForms, writeQuery } from './write';
export type {
  SentLimiters,
  Extent,
  FindForms,
  FormList,
  HandStep,
  Omitted,
  LaidOut,
  LeftOut,
  ListBranch,
  Piece,
  Rendering,
  WriteSettings,
} from './write';
