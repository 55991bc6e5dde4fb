export {
  COUNT_REQUEST,
  IDS_REQUEST,
  LISTING_ANSWER,
  WORDS_ANSWER,
  WORDS_REQUEST,
  LABORATORY_REQUEST,
  LARGEST_BODY,
  SEARCH_ANSWER,
  SEARCH_REQUEST,
  createCountAnswerSchema,
} from './counting';
export type {
  CountAnswer,
  CountEntry,
  CountRequest,
  SearchAnswer,
  SearchRequest,
  StandinListing,
  WordsAnswer,
} from './counting';
export type { SkosMessage, SkosRequest } from './skos-reading';
export type { ChecksAnswer, ChecksRequest } from './checking';
