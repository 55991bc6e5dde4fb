export { describeRun, describeWorks, findRunTally } from './describe-run';
export { writeAmount, writeNumber, writeTally } from './describe-tally';
export { byMoment, groupBy } from './groups';
export { describeSource, listLog } from './list-log';
export type { LogLine, NameDatabase } from './list-log';
export type { LogEntry, LogKind, LogPoint } from './log-entry';
export { listPoints } from './points';
export type { Point } from './points';
