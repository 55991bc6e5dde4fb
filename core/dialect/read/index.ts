export type { Binding } from './general-grammar';
export { rankDialects } from './guess';
export type { DialectGuess, RankedDialects } from './guess';
export { dropFlags, joinLimiters, liftLimiters } from './limiter-nodes';
export { readKeepingLimiters, readString } from './read-string';
export type { OtherReading, ReadString } from './read-string';
export { joinRow } from './rows';
export type { Entry, RowOperator } from './rows';
