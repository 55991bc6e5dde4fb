import { foldLetters } from '../text';
import { findMost, type SharedWord } from './index-word';

/** The beginnings under which words that look like a word are sought: its own, and with its first letters swapped. */
export function listNearPrefixes(word: string): string[] {
  const folded = foldLetters(word);
  if (folded.length < 3) return [];
  const [first = '', second = '', third = ''] = folded;
  return [...new Set([first + second, second + first, first + third])];
}

/** Words of an index that a slip of the hand makes of a word: one letter off, two in long words. The likeliest first. */
export function findNearWords(word: string, words: readonly SharedWord[]): SharedWord[] {
  const folded = foldLetters(word);
  const most = folded.length >= 8 ? 2 : folded.length >= 4 ? 1 : 0;
  return words
    .map((candidate) => ({ candidate, distance: measureDistance(folded, candidate.word, most) }))
    .filter(({ distance }) => distance > 0 && distance <= most)
    .sort((a, b) => a.distance - b.distance || findMost(b.candidate) - findMost(a.candidate))
    .map(({ candidate }) => candidate);
}

/** Letters put in, left out, changed or swapped with a neighbour (optimal string alignment); more than `most` is not told apart. */
export function measureDistance(a: string, b: string, most: number): number {
  if (Math.abs(a.length - b.length) > most) return most + 1;
  let beforeLast: number[] = [];
  let last = Array.from({ length: b.length + 1 }, (_, at) => at);
  for (let i = 1; i <= a.length; i++) {
    const row = [i];
    for (let j = 1; j <= b.length; j++) {
      const cost = a[i - 1] === b[j - 1] ? 0 : 1;
      let best = Math.min((last[j] ?? 0) + 1, (row[j - 1] ?? 0) + 1, (last[j - 1] ?? 0) + cost);
      if (i > 1 && j > 1 && a[i - 1] === b[j - 2] && a[i - 2] === b[j - 1])
        best = Math.min(best, (beforeLast[j - 2] ?? 0) + 1);
      row.push(best);
    }
    if (Math.min(...row) > most) return most + 1;
    beforeLast = last;
    last = row;
  }
  return last[b.length] ?? most + 1;
}
