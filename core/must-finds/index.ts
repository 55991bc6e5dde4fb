export {
  createMustFindKey,
  createMustFindQuery,
  createRecallQuery,
  judgeMustFind,
  readMustFinds,
} from './must-find';
export type { MustFindStanding } from './must-find';
export { LEAST_FOR_HALVES, chooseHalf, listOpenMustFinds } from './aside-half';
export { createPartReader } from './why-missed';
export type { MissedRecord, PartReader } from './why-missed';
export { listEdits, listObstacles } from './edits';
export type { Edit } from './edits';
export { findSmallestSet, joinEdits } from './smallest-set';
export { listNearTerms } from './near-terms';
