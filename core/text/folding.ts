/** Letters that are no letter with a mark, and what they are searched as. */
const FOLDED: Readonly<Record<string, string>> = {
  ß: 'ss',
  æ: 'ae',
  œ: 'oe',
  ø: 'o',
  ł: 'l',
  đ: 'd',
  ð: 'd',
  þ: 'th',
  ħ: 'h',
  ŧ: 't',
  ı: 'i',
  ς: 'σ',
};
const FOLDED_LETTERS = new RegExp(`[${Object.keys(FOLDED).join('')}]`, 'gu');

/**
 * Marks that are left away: those of Latin, Greek and Cyrillic letters but for й, ў and ї, which are letters of
 * their own, and the signs for vowels that Hebrew and Arabic may do without. All others belong to their letter.
 */
const LEFT_AWAY =
  /(?<![\u0438\u0443])\u0306|(?<!\u0456)\u0308|[\u0300-\u0305\u0307\u0309-\u036f\u0591-\u05bd\u05bf\u05c1\u05c2\u05c4\u05c5\u05c7\u064b-\u065f\u0670\u0640\u00ad\u200b-\u200d\u2060]/gu;

/** Folds what is in small letters already and not plain. */
export function foldSigns(lower: string): string {
  return lower
    .normalize('NFKD')
    .toLowerCase()
    .replace(LEFT_AWAY, '')
    .replace(FOLDED_LETTERS, (letter) => FOLDED[letter] ?? letter)
    .normalize('NFC');
}

/** What is folded beyond case and marks, as letter and what it is searched as: for the documentation's test. */
export const FOLDED_PAIRS: readonly (readonly [string, string])[] = Object.entries(FOLDED);
