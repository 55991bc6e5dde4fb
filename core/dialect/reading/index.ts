export { rankDialects } from './guess';
export type { DialectGuess } from './guess';
export { isHistory, listStrings, nameLine, readHistory } from './history';
export type { History, HistoryLine } from './history';
export { readString } from './read-string';
export type { ReadString } from './read-string';
