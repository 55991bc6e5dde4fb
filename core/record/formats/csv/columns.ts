/** What a column of a table of records can hold. */
export const COLUMN_ROLES = [
  'title',
  'abstract',
  'keywords',
  'headings',
  'authors',
  'source',
  'volume',
  'issue',
  'pages',
  'publisher',
  'year',
  'type',
  'language',
  'doi',
  'address',
] as const;
export type ColumnRole = (typeof COLUMN_ROLES)[number];

/** Names that columns go by, in small letters and without signs; the first one that a table has is taken. */
export const COLUMN_NAMES: Readonly<Record<ColumnRole, readonly string[]>> = {
  title: ['title', 'article title', 'document title', 'primary title'],
  abstract: ['abstract', 'abstract note', 'summary', 'description'],
  keywords: ['keywords', 'author keywords', 'keyword', 'tags', 'manual tags'],
  headings: [
    'headings',
    'subject headings',
    'index keywords',
    'index terms',
    'subjects',
    'subject',
    'descriptors',
  ],
  authors: ['authors', 'author', 'author s', 'author names', 'creator', 'creators'],
  source: [
    'source',
    'journal',
    'source title',
    'publication title',
    'journal title',
    'journal book',
    'container title',
    'publisher',
  ],
  volume: ['volume', 'vol'],
  issue: ['issue', 'number', 'issue number', 'no'],
  pages: ['pages', 'page range', 'page', 'article number'],
  publisher: ['publisher'],
  year: ['year', 'publication year', 'pub year', 'year published', 'date', 'publication date'],
  type: ['type', 'document type', 'item type', 'publication type', 'kind'],
  language: ['language', 'language of original document', 'languages'],
  doi: ['doi', 'digital object identifier'],
  address: ['url', 'link', 'doi link', 'web address', 'note', 'notes'],
};

/** Which column holds what, by the names in the first row. */
export function findColumns(names: readonly string[]): ReadonlyMap<ColumnRole, number> {
  const plain = names.map((name) =>
    name
      .toLowerCase()
      .replace(/[^\p{L}\p{N}]+/gu, ' ')
      .trim(),
  );
  return new Map(
    COLUMN_ROLES.flatMap((role) => {
      const found = COLUMN_NAMES[role].map((name) => plain.indexOf(name)).find((at) => at >= 0);
      return found === undefined ? [] : [[role, found] as const];
    }),
  );
}
