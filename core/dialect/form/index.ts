export { checkDialect } from './check-dialect';
export { DIALECT_FORM, readEntry, writeEntry } from './form';
export type { FormEntry, FormSection } from './form';
