export {
  MAX_GOOD_WORKS,
  createMustFindKey,
  createMustFindQuery,
  createRecallQuery,
  createWantedQuery,
  judgeMustFind,
  listGoodWorks,
} from './must-find';
export type { MustFindStanding, WantedWork } from './must-find';
export { tellByGroups } from './group-standings';
export type { GroupCounts, GroupStandings, NeededCount } from './group-standings';
export { LEAST_FOR_HALVES, chooseHalf, listOpenMustFinds } from './aside-half';
export { createPartReader } from './why-missed';
export type { MissedRecord, PartReader } from './why-missed';
export {
  chooseTerms,
  createEditTrial,
  listEdits,
  listMissedPlaces,
  listObstacles,
  listTermsInPlace,
  listTried,
  sortEdits,
  tryEdit,
} from './edits';
export type { Edit } from './edits';
export { findSmallestSet, joinEdits } from './smallest-set';
export { listNearTerms } from './near-terms';
export { createProbableQuery, findProbable } from './probable-work';
export { readPastedList } from './read-list';
export type { PastedList, PastedWork, UnreadPiece } from './read-list';
