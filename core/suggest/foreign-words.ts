import { splitWords } from '../text';

/** A record in another language, as far as its words are looked at. */
export interface ForeignText {
  readonly language: string;
  readonly title: string;
  readonly keywords: readonly string[];
}

/** A word or pair of words that records of a language use for a concept. */
export interface ForeignWord {
  readonly language: string;
  /** As query text. */
  readonly text: string;
  /** In how many of the records, out of how many of that language. */
  readonly records: number;
  readonly of: number;
}

/** A word must stand in so many of a language's records that a concept finds, and be that much rarer elsewhere. */
const LEAST_RECORDS = 3;
const LEAST_LIFT = 3;

/**
 * Words that titles and keywords of records in other languages share when a concept finds them, and
 * much less when it does not: `found` are the concept's records, `others` any of the same languages.
 */
export function findForeignWords(
  found: readonly ForeignText[],
  others: readonly ForeignText[],
  most = 6,
): ForeignWord[] {
  const languages = [...new Set(found.map((record) => record.language))];
  return languages.flatMap((language) => {
    const mine = found.filter((record) => record.language === language);
    const rest = others.filter((record) => record.language === language);
    const inside = countPieces(mine);
    const outside = countPieces(rest);
    const scored = [...inside]
      .map(([text, records]) => {
        const share = records / mine.length;
        // Half a record more on the other side: few records say little about what is usual.
        const base = ((outside.get(text) ?? 0) + 0.5) / (rest.length + 1);
        return { text, records, share, lift: share / base };
      })
      .filter(({ records, lift }) => records >= Math.min(LEAST_RECORDS, mine.length) && lift >= LEAST_LIFT)
      .sort((a, b) => b.share * Math.log(b.lift) - a.share * Math.log(a.lift) || (a.text < b.text ? -1 : 1));
    const kept: typeof scored = [];
    for (const piece of scored) {
      if (kept.some((other) => isInside(piece.text, other.text) || isInside(other.text, piece.text)))
        continue;
      kept.push(piece);
      if (kept.length === most) break;
    }
    return kept.map(({ text, records }) => ({ language, text, records, of: mine.length }));
  });
}

function isInside(part: string, whole: string): boolean {
  return whole.replaceAll('"', '').split(' ').includes(part.replaceAll('"', ''));
}

/** In how many records each word of four letters or more, and each pair joined by a hyphen, stands. */
function countPieces(records: readonly ForeignText[]): Map<string, number> {
  const counts = new Map<string, number>();
  for (const { title, keywords } of records) {
    const pieces = new Set<string>();
    for (const value of [title, ...keywords]) {
      const words = splitWords(value);
      words.forEach((word, at) => {
        if (word.text.length >= 4) pieces.add(word.text);
        const next = words[at + 1];
        if (next && value.slice(word.end, next.start) === '-') pieces.add(`"${word.text} ${next.text}"`);
      });
    }
    for (const piece of pieces) counts.set(piece, (counts.get(piece) ?? 0) + 1);
  }
  return counts;
}
