import type { FacetName, SearchFilter } from '../contract';
import {
  LIMITERS,
  getLimiterRow,
  listLimitersOf,
  withLimiter,
  type LimiterName,
  type Limiters,
} from '../limiter';
import { build, printQuery, type Field, type QueryNode } from '../query';
import type { AbstractLength, TextLength } from '../record';
import { buildWords } from './write-words';

/** What a facet is called, its values, and what they become in a query. */
interface FacetRow {
  /** What the list of its values is called. */
  readonly label: string;
  /** Stands before a value where it stands alone. */
  readonly lead: string;
  readonly names?: Readonly<Record<string, string>>;
  /** The limiter of the same values. */
  readonly limiter?: LimiterName;
  /** The field that a query looks for them in. */
  readonly field?: Field;
}

/** The facets in the order in which they are offered. */
export const FACET_ROWS: Readonly<Record<FacetName, FacetRow>> = {
  years: { label: 'years', lead: '', limiter: 'years' },
  types: { label: 'document types', lead: '', limiter: 'types' },
  flags: {
    label: 'peer review and full text',
    lead: '',
    names: Object.fromEntries(listLimitersOf('flag').map((name) => [name, LIMITERS[name].label])),
  },
  languages: { label: 'languages', lead: '', names: LIMITERS.languages.names, limiter: 'languages' },
  sources: { label: 'sources', lead: 'in ', limiter: 'sources', field: 'source' },
  headings: { label: 'headings', lead: 'heading ' },
  keywords: { label: 'author keywords', lead: 'keyword ', field: 'keywords' },
  authors: { label: 'authors', lead: 'by ', field: 'author' },
  'first-authors': { label: 'first authors', lead: 'first author ', field: 'firstauthor' },
  affiliations: { label: 'places of work', lead: 'at ', field: 'affiliation' },
  abstracts: {
    label: 'length of abstract',
    lead: '',
    names: {
      none: 'without an abstract',
      short: 'abstract of less than 100 words',
      medium: 'abstract of 100 to 249 words',
      long: 'abstract of 250 words or more',
    } satisfies Record<AbstractLength, string>,
  },
  texts: {
    label: 'length of full text',
    lead: '',
    names: {
      short: 'full text of less than 600 words',
      brief: 'full text of 600 to 1,499 words',
      medium: 'full text of 1,500 to 4,999 words',
      long: 'full text of 5,000 words or more',
    } satisfies Record<TextLength, string>,
  },
};

/** A value of a facet in words. */
export function nameFacetValue(facet: FacetName, value: string): string {
  return FACET_ROWS[facet].names?.[value] ?? value;
}

/** A filter in words: `2012–2026`, `in German or Spanish`, `not review`. */
export function describeFilter({ facet, values, leavesOut }: SearchFilter): string {
  const { lead } = FACET_ROWS[facet];
  const words =
    facet === 'years'
      ? describeYears(values)
      : `${lead}${values.map((value) => nameFacetValue(facet, value)).join(' or ')}`;
  return leavesOut ? `not ${words}` : words;
}

function describeYears(values: readonly string[]): string {
  const years = values.map(Number).sort((a, b) => a - b);
  const [first, last] = [years[0], years.at(-1)];
  if (first === last) return String(first);
  return isUnbroken(years) ? `${first}–${last}` : years.join(', ');
}

function isUnbroken(years: readonly number[]): boolean {
  return years.every((year, at) => at === 0 || year === years[at - 1]! + 1);
}

/** All years from one to another, as values of a filter. */
export function listYears(from: number, to: number): string[] {
  return Array.from({ length: Math.max(0, to - from + 1) }, (_, at) => String(from + at));
}

/** Puts filters into limiters; those that no limiter can say are left. A list that is there is replaced. */
export function moveToLimiters(
  filters: readonly SearchFilter[],
  limiters: Limiters,
): { readonly limiters: Limiters; readonly left: readonly SearchFilter[] } {
  let moved = limiters;
  const left: SearchFilter[] = [];
  for (const filter of filters) {
    const next = filter.leavesOut ? undefined : addLimiter(filter, moved);
    if (next) moved = next;
    else left.push(filter);
  }
  return { limiters: moved, left };
}

function addLimiter({ facet, values }: SearchFilter, limiters: Limiters): Limiters | undefined {
  if (facet === 'flags') {
    const flags = listLimitersOf('flag').filter((name) => values.includes(name));
    // Several flags of one filter are alternatives, which limiters are not.
    const [only] = flags;
    return values.length === 1 && only ? withLimiter(limiters, only, true) : undefined;
  }
  const { limiter } = FACET_ROWS[facet];
  if (!limiter) return undefined;
  if (facet === 'years') {
    const years = values.map(Number).sort((a, b) => a - b);
    return isUnbroken(years)
      ? withLimiter(limiters, 'years', { from: years[0]!, to: years.at(-1)! })
      : undefined;
  }
  return getLimiterRow(limiter).kind === 'list'
    ? withLimiter(limiters, limiter, values as Limiters[typeof limiter])
    : undefined;
}

/** What filters mean as a part of a query; nothing for what only a list of results can tell, such as a missing abstract. */
function writeAsQuery(
  { facet, values }: SearchFilter,
  vocabulary: string | undefined,
): QueryNode | undefined {
  const { field } = FACET_ROWS[facet];
  if (facet === 'headings')
    return build.any(values.map((value) => build.heading(value, 'heading', vocabulary)));
  if (!field) return undefined;
  const phrases = values.flatMap((value) => buildWords(value) ?? []);
  return phrases.length > 0 ? build.fielded([field], build.any(phrases)) : undefined;
}

/** The text of a draft with filters put into it; those that no query can say are left. */
export function moveToQuery(
  draft: string,
  filters: readonly SearchFilter[],
  vocabulary: string | undefined,
): { readonly draft: string; readonly left: readonly SearchFilter[] } {
  let text = draft.trim();
  const left: SearchFilter[] = [];
  for (const filter of filters) {
    const root = writeAsQuery(filter, vocabulary);
    if (root && text !== '') text = `(${text}) ${filter.leavesOut ? 'NOT' : 'AND'} (${printQuery(root)})`;
    else left.push(filter);
  }
  return { draft: text, left };
}
