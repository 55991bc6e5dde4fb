export { listCheckPoints } from './checklist';
export type { CheckGoal, CheckPoint } from './checklist';
export { composeDocument } from './compose';
export { LENGTHS } from './document';
export type { Block, DocumentLength, SearchDocument } from './document';
export { gatherFacts } from './facts';
export type { DatabaseFacts, DocumentInput, SearchFacts } from './facts';
export { drawFlow } from './flow';
export type { Flow, FlowDrawing, Stream } from './flow';
export { findStaleNumbers, writeMethods } from './methods';
export { tellDay, tellMoment, tellTime } from './words';
export { DOCUMENT_FORMATS } from './tasks';
export type {
  DocumentAnswer,
  DocumentFormat,
  DocumentRequest,
  DocumentResults,
  DocumentTask,
  ShownSearch,
} from './tasks';
export { compareRuns, findRunBefore } from './compare-runs';
export type { ComparedDatabase } from './compare-runs';
