import { EMPTY_HASH, TermTable, addToHash } from '../collection';
import { isStopWord } from '../question';
import type { BibliographicRecord } from '../record';
import { visitWords } from '../text';
import { PairNumbers } from './pair-numbers';

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

/** What phrases are counted in. */
export type PhraseSource = Pick<BibliographicRecord, 'title' | 'abstract' | 'keywords'>;

/**
 * How many of some records have each word and each phrase of up to four words in titles, abstracts and keywords;
 * those of a single record are left out. A phrase begins and ends with a word that says something, and does not
 * reach over the end of a sentence. A longer one is only looked for where the one without its last word, and the
 * one without its first, are frequent enough (Agrawal and Srikant 1994).
 */
export function countPhrases(records: readonly PhraseSource[]): CountedText[] {
  const { words, texts, starts } = readTexts(records);
  const telling = words.map(isTelling);
  const counted: CountedText[] = [];
  /** The number of the phrase that begins at each place; `NONE` where none does that may still grow. */
  let begun = texts;
  let found = countRecords(begun, starts, words.length);
  found.forEach((records, word) => {
    if (records >= LEAST_FOUND && telling[word]) counted.push({ text: words[word]!, found: records });
  });
  /** The pairs of a phrase and its next word, level by level: what a longer phrase is written from. */
  const levels: PairNumbers[] = [];
  const write = (phrase: number, level: number): string =>
    level < 0
      ? words[phrase]!
      : `${write(levels[level]!.firsts[phrase]!, level - 1)} ${words[levels[level]!.seconds[phrase]!]!}`;
  for (let length = 1; length < LONGEST_PHRASE; length++) {
    const pairs = new PairNumbers();
    const longer = new Int32Array(texts.length).fill(NONE);
    for (let place = 0; place + length < texts.length; place++) {
      const phrase = begun[place]!;
      const word = texts[place + length]!;
      if (phrase === NONE || word === NONE || found[phrase]! < LEAST_FOUND) continue;
      if (length === 1 && (!telling[phrase] || found[word]! < LEAST_FOUND)) continue;
      const rest = begun[place + 1]!;
      // A phrase that begins with a word that says nothing is not followed, so it tells nothing here.
      if (length > 1 && telling[texts[place + 1]!] && (rest === NONE || found[rest]! < LEAST_FOUND)) continue;
      longer[place] = pairs.number(phrase, word);
    }
    levels.push(pairs);
    begun = longer;
    found = countRecords(begun, starts, pairs.size);
    for (let phrase = 0; phrase < pairs.size; phrase++)
      if (found[phrase]! >= LEAST_FOUND && telling[pairs.seconds[phrase]!])
        counted.push({ text: write(phrase, length - 1), found: found[phrase]! });
  }
  return counted;
}

/** How many records have each number, each record once; `starts` says where the places of a record begin. */
function countRecords(places: Int32Array, starts: readonly number[], numbers: number): Uint32Array {
  const found = new Uint32Array(numbers);
  const seen = new Int32Array(numbers).fill(NONE);
  for (let record = 0; record + 1 < starts.length; record++)
    for (let place = starts[record]!; place < starts[record + 1]!; place++) {
      const number = places[place]!;
      if (number === NONE || seen[number] === record) continue;
      seen[number] = record;
      found[number]!++;
    }
  return found;
}

/** The words of all records by their numbers, one record behind the other, with a mark at the end of each sentence and value. */
function readTexts(records: readonly PhraseSource[]): {
  readonly words: readonly string[];
  readonly texts: Int32Array;
  readonly starts: readonly number[];
} {
  const table = new TermTable();
  const buffer = new Uint16Array(LONGEST_WORD);
  const read: number[] = [];
  const starts = [0];
  for (const { title, abstract, keywords } of records) {
    for (const text of [title, abstract, ...keywords]) {
      readPlainWords(text, table, buffer, read);
      read.push(NONE);
    }
    starts.push(read.length);
  }
  return { words: table.terms, texts: Int32Array.from(read), starts };
}

/** The quick way for plain letters, without a string a word: from the first other letter on, `visitWords` takes over. */
function readPlainWords(text: string, table: TermTable, buffer: Uint16Array, read: number[]): void {
  let length = 0;
  let hash = EMPTY_HASH;
  for (let at = 0; at <= text.length; at++) {
    let code = at < text.length ? text.charCodeAt(at) : 32;
    if (code > 127) return readWords(text.slice(at - length), table, buffer, read);
    if (code > 64 && code < 91) code |= 32;
    if ((code > 96 && code < 123) || (code > 47 && code < 58)) {
      if (length === LONGEST_WORD) continue;
      buffer[length++] = code;
      hash = addToHash(hash, code);
      continue;
    }
    if (length > 0) read.push(table.number(buffer, length, hash));
    length = 0;
    hash = EMPTY_HASH;
    if (END_CODES.has(code)) read.push(NONE);
  }
}

function readWords(text: string, table: TermTable, buffer: Uint16Array, read: number[]): void {
  let end = 0;
  visitWords(text, (word, start, next) => {
    for (let at = end; at < start; at++) if (END_CODES.has(text.charCodeAt(at))) read.push(NONE);
    end = next;
    read.push(table.numberText(word, buffer));
  });
}

/** Longer words are cut. */
const LONGEST_WORD = 1_000;
/** The signs at which a sentence or a part of it ends. */
const END_CODES: ReadonlySet<number> = new Set([...'.!?;:()'].map((sign) => sign.charCodeAt(0)));

function isTelling(word: string): boolean {
  return word.length > 2 && !/^\d+$/.test(word) && !isStopWord(word);
}
