import stemmers from 'snowball-stemmers';

const english = stemmers.newStemmer('english');

/** The stem of a folded word by Snowball's English rules (snowballstem.org). */
export function stemWord(word: string): string {
  return english.stem(word);
}
