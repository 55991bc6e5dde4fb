export {
  COUNT_REQUEST,
  LISTING_ANSWER,
  MAX_WORDS,
  UNIONS_REQUEST,
  WORDS_ANSWER,
  WORDS_REQUEST,
  NEUTRAL_REQUEST,
  LARGEST_BODY,
  SENT_LIMITERS,
  SESSION_REQUEST,
  TOO_SLOW,
  createCountAnswerSchema,
  isTooSlow,
} from './counting';
export type { CountAnswer, CountEntry, CountRequest, StandinListing, WordsAnswer } from './counting';
export type { SkosMessage, SkosRequest } from './skos-reading';
export type { ChecksAnswer, ChecksRequest } from './checking';
export { SRU_COUNT_REQUEST, SRU_ENDPOINT_REQUEST, SRU_EXPLANATION, SRU_SEARCH_REQUEST } from './sru';
export type { SruCountRequest, SruExplanation, SruSearchRequest } from './sru';
export { PROOF_ANSWER, PROOF_REQUEST } from './proof';
export type { ProofAnswer, ProofDifference, ProofRequest, ProofSwap } from './proof';
export type {
  CollectionAnswers,
  CollectionAsked,
  CollectionMessage,
  CollectionRequest,
  ImportFile,
  ImportProgress,
  ImportReport,
  OwnCollection,
} from './own-collections';
export { asksToWait, readRetryAfter } from './retry-after';
export {
  CITATIONS_REQUEST,
  FACETS,
  IDS_ANSWER,
  IDS_REQUEST,
  LOOKUP_ANSWER,
  LOOKUP_REQUEST,
  MAX_FACET_VALUES,
  MAX_NUMBERS,
  MAX_ROWS,
  MAX_SET_WORDS,
  RECORDS_ANSWER,
  RECORDS_REQUEST,
  RECORD_REQUEST,
  SEARCH_ANSWER,
  SEARCH_FILTERS,
  SEARCH_REQUEST,
  SET_WORDS_ANSWER,
  SET_WORDS_REQUEST,
  listKeys,
} from './reading';
export { PLAIN_SORTS, SORTS } from './sorts';
export type { Sort } from './sorts';
export type {
  CitationDirection,
  CitationsRequest,
  FacetName,
  Facets,
  IdsAnswer,
  IdsRequest,
  LookupAnswer,
  NumberFilter,
  RecordsAnswer,
  RecordsRequest,
  SearchAnswer,
  SearchFilter,
  SearchRequest,
  SetWordsAnswer,
  SetWordsRequest,
} from './reading';
