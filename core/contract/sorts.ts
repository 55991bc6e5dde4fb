/** How the records of a search can be ordered: the newest and the oldest by their year, `author` by the first one. */
export const SORTS = ['relevance', 'newest', 'oldest', 'cited', 'title', 'author'] as const;
export type Sort = (typeof SORTS)[number];
/** The orders that need nothing but the records themselves. */
export const PLAIN_SORTS = SORTS.filter((sort) => sort !== 'cited');
