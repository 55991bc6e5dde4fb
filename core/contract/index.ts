export {
  COUNT_REQUEST,
  IDS_REQUEST,
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
} from './counting';
