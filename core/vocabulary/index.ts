export { createVocabulary } from './vocabulary';
export type { Heading, Vocabulary } from './vocabulary';
