export {
  CITATIONS_REQUEST,
  COUNT_REQUEST,
  IDS_ANSWER,
  IDS_REQUEST,
  LOOKUP_ANSWER,
  LOOKUP_REQUEST,
  LISTING_ANSWER,
  MOST_WORDS,
  RECORD_REQUEST,
  UNIONS_REQUEST,
  WORDS_ANSWER,
  WORDS_REQUEST,
  LABORATORY_REQUEST,
  LARGEST_BODY,
  SEARCH_ANSWER,
  SEARCH_REQUEST,
  SESSION_REQUEST,
  TOO_SLOW,
  createCountAnswerSchema,
  isTooSlow,
} from './counting';
export type {
  CountAnswer,
  CountEntry,
  CountRequest,
  IdsAnswer,
  IdsRequest,
  LookupAnswer,
  SearchAnswer,
  SearchRequest,
  StandinListing,
  WordsAnswer,
} from './counting';
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
