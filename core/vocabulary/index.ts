export { mapHeading } from './map-heading';
export type { MappedHeading } from './map-heading';
export { createVocabulary } from './vocabulary';
export type { FoundHeading, Heading, HeadingMatch, LanguageLabel, Vocabulary } from './vocabulary';
