import { isStopWord } from '../question';
import type { BibliographicRecord } from '../record';
import { splitWords } from '../text';

/** A text with the number of records that have it. */
export interface CountedText {
  readonly text: string;
  readonly found: number;
}

/** What fewer records have says nothing. */
export const LEAST_FOUND = 2;
/** The most words of a phrase. */
const LONGEST_PHRASE = 4;
/** Stands between two sentences, and where no phrase begins. */
const NONE = -1;

/** A phrase with the numbers of its first and its last word. */
interface Phrase {
  readonly text: string;
  readonly first: number;
  readonly last: number;
}

/**
 * How many of some records have each word and each phrase of up to four words in titles, abstracts and keywords;
 * those of a single record are left out. A phrase begins and ends with a word that says something, and does not
 * reach over the end of a sentence. A longer one is only looked for where the one without its last word is
 * frequent enough (Agrawal and Srikant 1994).
 */
export function countPhrases(records: readonly BibliographicRecord[]): CountedText[] {
  const numbers = new Map<string, number>();
  const texts = records.map((record) => readWords(record, numbers));
  const words = [...numbers.keys()];
  const telling = words.map(isTelling);
  const counted: CountedText[] = [];
  let phrases: readonly Phrase[] = words.map((text, number) => ({ text, first: number, last: number }));
  /** The number of the phrase that begins at each place. */
  let begun: readonly (readonly number[])[] = texts;
  for (let length = 1; ; length++) {
    const found = countRecords(begun, phrases.length);
    phrases.forEach(({ text, first, last }, phrase) => {
      if (found[phrase]! >= LEAST_FOUND && telling[first] && telling[last])
        counted.push({ text, found: found[phrase]! });
    });
    if (length === LONGEST_PHRASE) return counted;
    const known = new Map<number, number>();
    const longer: Phrase[] = [];
    const before = phrases;
    begun = begun.map((row, at) => {
      const text = texts[at]!;
      return row.map((phrase, place) => {
        const word = text[place + length] ?? NONE;
        if (phrase === NONE || word === NONE || found[phrase]! < LEAST_FOUND) return NONE;
        const { text: start, first } = before[phrase]!;
        if (!telling[first]) return NONE;
        const key = phrase * words.length + word;
        const same = known.get(key);
        if (same !== undefined) return same;
        known.set(key, longer.length);
        return longer.push({ text: `${start} ${words[word]!}`, first, last: word }) - 1;
      });
    });
    phrases = longer;
  }
}

/** How many rows have each number, each row once. */
function countRecords(rows: readonly (readonly number[])[], numbers: number): Uint32Array {
  const found = new Uint32Array(numbers);
  const seen = new Int32Array(numbers).fill(NONE);
  rows.forEach((row, at) => {
    for (const number of row) {
      if (number === NONE || seen[number] === at) continue;
      seen[number] = at;
      found[number]!++;
    }
  });
  return found;
}

/** The words of a record by their numbers, with a mark at the end of each sentence and each value. */
function readWords(
  { title, abstract, keywords }: BibliographicRecord,
  numbers: Map<string, number>,
): number[] {
  const read: number[] = [];
  for (const text of [title, abstract, ...keywords]) {
    let end = 0;
    for (const { text: word, start, end: next } of splitWords(text)) {
      if (ENDS.test(text.slice(end, start))) read.push(NONE);
      end = next;
      let number = numbers.get(word);
      if (number === undefined) {
        number = numbers.size;
        numbers.set(word, number);
      }
      read.push(number);
    }
    read.push(NONE);
  }
  return read;
}

const ENDS = /[.!?;:()]/;

function isTelling(word: string): boolean {
  return word.length > 2 && !/^\d+$/.test(word) && !isStopWord(word);
}
