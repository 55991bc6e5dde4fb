import { scoreWord } from '../collection';
import { build, createPattern, type QueryNode } from '../query';
import { isStopWord } from '../question';
import { nameAuthor, type BibliographicRecord } from '../record';
import { foldLetters, splitWords } from '../text';

/** What can be learnt from records. */
export const LESSONS = ['words', 'headings', 'keywords', 'sources', 'names'] as const;
export type Lesson = (typeof LESSONS)[number];

/** Something that several of some records have. */
export interface Candidate {
  /** As it is shown. */
  readonly text: string;
  /** What finds it in a database; nothing for what no query can say there. */
  readonly root: QueryNode;
  /** How many of the records have it. */
  readonly found: number;
}

/** A candidate with how many records of the whole database have it. */
export interface Learnt extends Candidate {
  readonly records: number;
  /** Signed log-likelihood (Dunning 1993): how much more often the records have it than the rest of the database. */
  readonly score: number;
  /** The share of these records over the share of the rest. */
  readonly ratio: number;
}

/** What fewer records have says nothing. */
export const LEAST_FOUND = 2;
/** The most words of a phrase that is learnt. */
const LONGEST_PHRASE = 4;

/**
 * What several of some records have of one kind, the most frequent first. Words and phrases of two to four words
 * come from titles, abstracts and keywords; a phrase begins and ends with a word that says something, and does
 * not reach over the end of a sentence.
 */
export function listCandidates(
  records: readonly BibliographicRecord[],
  lesson: Lesson,
  most: number,
  vocabulary?: string,
): Candidate[] {
  const counts = new Map<string, { found: number; text: string }>();
  for (const record of records) {
    for (const [key, text] of LISTERS[lesson](record)) {
      const known = counts.get(key);
      if (known) known.found++;
      else counts.set(key, { found: 1, text });
    }
  }
  const kept = [...counts.values()].filter(({ found }) => found >= LEAST_FOUND);
  const longest = lesson === 'words' ? dropParts(kept) : kept;
  return longest
    .sort((a, b) => b.found - a.found || b.text.length - a.text.length || (a.text < b.text ? -1 : 1))
    .slice(0, most)
    .map(({ text, found }) => ({ text, found, root: createRoot(lesson, text, vocabulary) }));
}

/** A word that is only met within one longer phrase says no more than the phrase. */
function dropParts(
  candidates: readonly { readonly found: number; readonly text: string }[],
): { found: number; text: string }[] {
  const byFound = new Map<number, string[]>();
  for (const { found, text } of candidates) byFound.set(found, [...(byFound.get(found) ?? []), ` ${text} `]);
  return candidates.filter(
    ({ found, text }) =>
      !(byFound.get(found) ?? []).some(
        (other) => other.length > text.length + 2 && other.includes(` ${text} `),
      ),
  );
}

type Listed = ReadonlyMap<string, string>;
const LISTERS: Readonly<Record<Lesson, (record: BibliographicRecord) => Listed>> = {
  words: ({ title, abstract, keywords }) => listPhrases([title, abstract, ...keywords]),
  headings: ({ headings }) => listTexts(headings.map(({ label }) => label)),
  keywords: ({ keywords }) => listTexts(keywords),
  sources: ({ source }) => listTexts([source]),
  names: ({ authors }) => listTexts(authors.map(nameAuthor)),
};

function listTexts(texts: readonly string[]): Listed {
  return new Map(texts.filter((text) => text !== '').map((text) => [foldLetters(text), text]));
}

/** All words and phrases of some texts, each once. */
function listPhrases(texts: readonly string[]): Listed {
  const found = new Map<string, string>();
  for (const text of texts) {
    let run: string[] = [];
    let end = 0;
    for (const word of splitWords(text)) {
      if (/[.!?;:()]/.test(text.slice(end, word.start))) run = [];
      end = word.end;
      run = [...run.slice(1 - LONGEST_PHRASE), word.text];
      if (!isTelling(word.text)) continue;
      for (let length = 1; length <= run.length; length++) {
        const words = run.slice(-length);
        if (!isTelling(words[0] ?? '')) continue;
        const phrase = words.join(' ');
        found.set(phrase, phrase);
      }
    }
  }
  return found;
}

function isTelling(word: string): boolean {
  return word.length > 2 && !/^\d+$/.test(word) && !isStopWord(word);
}

function createRoot(lesson: Lesson, text: string, vocabulary: string | undefined): QueryNode {
  if (lesson === 'headings') return build.heading(text, 'heading', vocabulary);
  const patterns = splitWords(text).map((word) => createPattern(word.text));
  const [only] = patterns;
  const words = patterns.length === 1 && only ? build.term(only) : build.phrase(...patterns);
  if (lesson === 'keywords') return build.fielded(['keywords'], words);
  if (lesson === 'sources') return build.fielded(['source'], words);
  if (lesson === 'names') return build.fielded(['author'], words);
  return words;
}

/**
 * Ranks what was learnt from `size` records of a database of `all` records by how much it sets them apart from
 * the others; `recordsOf` says how many records of the database have it, and nothing while that is not known.
 */
export function rankLearnt(
  candidates: readonly Candidate[],
  size: number,
  all: number,
  recordsOf: (candidate: Candidate) => number | undefined,
): Learnt[] {
  return candidates
    .flatMap((candidate): Learnt[] => {
      const { found } = candidate;
      const counted = recordsOf(candidate);
      if (counted === undefined || all <= size) return [];
      // What these records have, the database has, even if it counts in another way.
      const records = Math.min(all, Math.max(found, counted));
      const elsewhere = Math.min(records - found, all - size);
      const share = (elsewhere + 0.5) / (all - size + 1);
      return [
        {
          ...candidate,
          records,
          score: scoreWord(found, size, found + elsewhere, all),
          ratio: found / size / share,
        },
      ];
    })
    .sort((a, b) => b.score - a.score || b.found - a.found || (a.text < b.text ? -1 : 1));
}
