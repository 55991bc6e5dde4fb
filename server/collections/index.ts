export { buildCollections } from './build';
export type { CorpusChoice } from './build';
export { createStandinHolding, findVocabulary, openCollectionFiles, openCollections } from './collection';
export type { StandinCollection } from './collection';
export { DEMO_CORPUS } from './corpus-choice';
export { readCollectionFiles } from './files';
export type { CollectionFiles } from './files';
