export { MAX_RECORDS, RECORD_FORMATS, readRecordFile } from './read-file';
export type { FileReading, SkippedRecord } from './read-file';
