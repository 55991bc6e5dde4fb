export { nameLine } from './combined-lines';
export { listStrings, readHistory } from './history';
export type { History, HistoryLine } from './history';
export { isHistory } from './history-lines';
export { writeHistory } from './write-history';
export type { WrittenLine } from './write-history';
