export { FILTER_SCHEMA } from './filter-schema';
export { READY_FILTERS, writeFilterText } from './ready-filter';
export type { ReadyFilter } from './ready-filter';
