export { createVocabulary } from './vocabulary';
export type { FoundHeading, Heading, LanguageLabel, Vocabulary } from './vocabulary';
