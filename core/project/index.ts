export { applyChange } from './apply-change';
export { MAX_BLOCKS } from './apply-to-blocks';
export {
  createBlocks,
  createConceptQuery,
  createDraftQuery,
  createTermQuery,
  joinTerms,
  readTermQuery,
} from './blocks';
export type { DraftQuery } from './blocks';
export { CHANGE_NAMES, findStepKind } from './change';
export type { Change } from './change';
export { findPlace, findUse, isInUse } from './concept-place';
export { createBlockName, listBlockNames } from './draft-text';
export type { BlockUse, ConceptPlace, FoundPlace } from './concept-place';
export { MAX_NOTES, MAX_RUNS, MAX_SOURCES, NO_DOCUMENT_WORDS, SOURCE_KINDS } from './documented';
export type {
  DocumentWords,
  EditedText,
  LogNote,
  PlainSource,
  Run,
  RunDatabase,
  RunRecall,
  RunWorks,
  SourceKind,
} from './documented';
export { createHistory, makeChange, redo, undo } from './history';
export type { History } from './history';
export { joinProjects } from './join-projects';
export type { JoinedProject } from './join-projects';
export { LONGEST_LABEL, LONGEST_QUESTION, MAX_KEPT, MAX_LABELS, MAX_QUOTATIONS } from './kept-work';
export type { FirstFound, KeptPlace, KeptWork, Quotation } from './kept-work';
export { MAX_KEPT_STEPS, createKeptStep, listStates, restoreHistory } from './kept-steps';
export type { KeptStep, StateRow } from './kept-steps';
export {
  MAX_CONCEPTS,
  MAX_MUST_FINDS,
  MAX_OWN_DATABASES,
  MAX_TERMS,
  NOTHING_SAID,
  PURPOSES,
  LEAD_KINDS,
  VERDICTS,
  createProject,
  getProjectTitle,
  getConceptLetter,
} from './project';
export type {
  AsideLook,
  Concept,
  ContextWordChoice,
  FramedQuestion,
  Judgement,
  Lead,
  LeadKind,
  WorkRequest,
  KeptState,
  MustFind,
  NamedBlock,
  OwnConnection,
  OwnDatabase,
  Project,
  Purpose,
  QueryState,
  ReviewMark,
  SearchState,
  SourceRules,
  Tally,
  TargetBand,
  Term,
  TermSource,
  Variant,
  Verdict,
  Working,
} from './project';
export { readProjectFile, restoreProject, storeProject, writeProjectFile } from './project-file';
export type { StoredProject } from './project-file';
export { createTerm, printTerm, quoteWords, splitPastedTerms, tidyTerm } from './term-entry';
export { createTermKey } from './term-key';
export { TERM_KINDS, describeTermKind, readPlainWords, readWords, withTermKind } from './term-kind';
export type { TermKind } from './term-kind';
