export {
  SHELF_ORDERS,
  addPlace,
  createKeptFinder,
  createKeptWork,
  listKept,
  listLabels,
  tidyLabel,
} from './kept-works';
export type { FindKeptWork, ShelfOrder, ShelfView } from './kept-works';
export { createMailAddress, writeMailFile } from './mail';
export type { MailText } from './mail';
export {
  createRecordAddress,
  findWhereabouts,
  listRecordAddresses,
  writeWhereabouts,
} from './record-address';
export type { Whereabouts } from './record-address';
export { SOURCE_QUESTIONS } from './source-questions';
export type { QuestionList } from './source-questions';
