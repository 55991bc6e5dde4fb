export { applyChange } from './apply-change';
export {
  createBlocks,
  createConceptQuery,
  createDraftQuery,
  createTermQueries,
  createTermQuery,
} from './blocks';
export type { DraftQuery, TermQueries } from './blocks';
export { CHANGE_NAMES, UNDOABLE } from './change';
export type { Change } from './change';
export { createHistory, makeChange, redo, undo } from './history';
export type { History } from './history';
export { MOST_CONCEPTS, MOST_TERMS, createProject, getConceptLetter } from './project';
export type { Concept, Project, Tally, TargetBand, Term, Variant, Working } from './project';
export { readProjectFile, restoreProject, storeProject, writeProjectFile } from './project-file';
export type { StoredProject } from './project-file';
export { describeTermKind, splitPastedTerms, tidyTerm } from './term-entry';
export type { TermKind } from './term-entry';
