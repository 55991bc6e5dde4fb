import stem from 'wink-porter2-stemmer';

/** So many stems are remembered: the strings of a batch have most words in common. */
const MAX_REMEMBERED = 20_000;
const remembered = new Map<string, string>();

/** The stem of a folded word by Snowball's English rules (snowballstem.org). */
export function stemWord(word: string): string {
  const known = remembered.get(word);
  if (known !== undefined) return known;
  if (remembered.size >= MAX_REMEMBERED) remembered.clear();
  const found = stem(word);
  remembered.set(word, found);
  return found;
}
