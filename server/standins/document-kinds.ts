/** The kinds of document as some services name them, and the types that records have. */
export const DOCUMENT_KINDS: Readonly<Record<string, string>> = {
  article: 'article',
  review: 'review',
  proceeding: 'conference paper',
  book: 'book',
  thesis: 'thesis',
  report: 'report',
  news: 'news',
};
