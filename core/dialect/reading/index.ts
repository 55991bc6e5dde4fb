export { nameLine } from './combined-lines';
export { rankDialects } from './guess';
export type { DialectGuess, RankedDialects } from './guess';
export { listStrings, readHistory } from './history';
export type { History, HistoryLine } from './history';
export { isHistory } from './history-lines';
export { joinLimiters } from './limiter-nodes';
export { readKeepingLimiters, readString } from './read-string';
export type { ReadString } from './read-string';
