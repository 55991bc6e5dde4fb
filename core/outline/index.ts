export { describeQuery, joinSentence, listFields } from './describe-query';
export type { BlockWords, DescribeSettings, SentencePart } from './describe-query';
export {
  createOutline,
  createOutlineQuery,
  createWithout,
  findItem,
  isEmptyItem,
  listItems,
} from './outline';
export type { Join, OutlineGroup, OutlineItem, OutlineLeaf, Path, Wrapper } from './outline';
export {
  duplicateItems,
  insertItems,
  joinItem,
  moveItems,
  negateItems,
  removeItems,
  replaceItem,
  setItemComments,
  setItemDatabases,
  setItemFields,
  shiftItems,
  switchItems,
  unwrapItem,
  wrapItems,
  wrapWith,
} from './outline-edits';
export type { EditedOutline, JoinChoice } from './outline-edits';
export type { Target } from './outline-tree';
export { nameTerm } from './name-term';
export { listOutlineRows } from './outline-rows';
export type { OutlineRow, RowBrace, RowHome, RowUse } from './outline-rows';
