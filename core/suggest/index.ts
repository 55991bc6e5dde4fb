export { findLongForms, findTyingWords } from './acronyms';
export type { LongForm } from './acronyms';
export { listNamesInLanguages } from './names-in-languages';
export type { NameInLanguage } from './names-in-languages';
export { findMost, uniteWords } from './index-word';
export type { IndexWord, SharedWord, WordLists } from './index-word';
export { findNearWords, listNearPrefixes } from './near-words';
export { listSpellings } from './spelling';
export type { Spelling } from './spelling';
export {
  createStrayQuery,
  describeCut,
  findBestTruncations,
  findShortestCleanCut,
  listCuts,
} from './truncations';
export type { Cut, CutForms, CutSide, TruncationBench, TruncationRule } from './truncations';
export { findWordForms, listFormPrefixes, listJoinings, stemWord } from './word-forms';
