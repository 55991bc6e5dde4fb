export { MAX_RECORDS, RECORD_FORMATS, readRecordFile } from './read-file';
export { RECORD_WRITERS, writeRecordFile } from './write-file';
export type { RecordWriter } from './record-writer';
export type { FileReading, SkippedRecord } from './read-file';
export { createCslItem } from '../formats/csl-json/writer';
export type { CslItem } from '../formats/csl-json/writer';
