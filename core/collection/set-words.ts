import type { RecordSet } from './bitset';
import { FREQUENCY_BITS, SEGMENT_SIZE, type CollectionIndex } from './collection-index';
import { NEVER, countPostings, type Deadline } from './dictionary';
import { maskFields } from './document';

/** A word of a set of records: how many of these have it, and how many of all. */
export interface SetWord {
  readonly word: string;
  readonly found: number;
  readonly records: number;
}

/** What a record is about stands in these fields. */
const TOPIC_FIELDS = maskFields(['title', 'abstract', 'keywords', 'heading']);
/** Words looked at between two looks at the clock. */
const WORDS_BETWEEN = 64;
/** A word that fewer records of the set have says nothing. */
const LEAST_FOUND = 2;

/**
 * The words that set some records apart from the rest of the index, the most telling first. They are ranked by
 * the signed log-likelihood of their record counts (Dunning 1993). Frequencies are those of titles, abstracts,
 * keywords and headings together.
 */
export function listSetWords(
  index: CollectionIndex,
  set: RecordSet,
  most: number,
  deadline: Deadline = NEVER,
): SetWord[] {
  const size = set.count();
  const scored: { readonly word: SetWord; readonly score: number }[] = [];
  for (const [term, word] of index.terms.entries()) {
    if (term % WORDS_BETWEEN === 0 && deadline()) break;
    if (word.startsWith('=') || countPostings(index, term) < LEAST_FOUND) continue;
    const { found, records } = countRecords(index, set, term);
    if (found < LEAST_FOUND) continue;
    scored.push({ word: { word, found, records }, score: scoreWord(found, size, records, index.size) });
  }
  return scored
    .sort((a, b) => b.score - a.score || b.word.found - a.word.found || (a.word.word < b.word.word ? -1 : 1))
    .slice(0, most)
    .map(({ word }) => word);
}

/** The records that have a word in a field that says what they are about: in the set, and in all. */
function countRecords(
  index: CollectionIndex,
  set: RecordSet,
  term: number,
): { readonly found: number; readonly records: number } {
  let found = 0;
  let records = 0;
  index.segments.forEach(({ starts, docs, meta }, number) => {
    const end = starts[term + 1]!;
    for (let at = starts[term]!; at < end; at++) {
      if (((meta[at]! >>> FREQUENCY_BITS) & TOPIC_FIELDS) === 0) continue;
      records++;
      if (set.has(number * SEGMENT_SIZE + docs[at]!)) found++;
    }
  });
  return { found, records };
}

/** Log-likelihood of a word in a set against the rest of the records; below zero for one that is rarer in the set. */
export function scoreWord(found: number, size: number, records: number, all: number): number {
  const rest = all - size;
  const elsewhere = records - found;
  const part = (seen: number, expected: number): number =>
    seen === 0 ? 0 : seen * Math.log(seen / expected);
  const score =
    2 *
    (part(found, (size * records) / all) +
      part(elsewhere, (rest * records) / all) +
      part(size - found, (size * (all - records)) / all) +
      part(rest - elsewhere, (rest * (all - records)) / all));
  return found * rest >= elsewhere * size ? score : -score;
}
