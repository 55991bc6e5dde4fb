declare module 'snowball-stemmers' {
  /** A stemmer of the Snowball project for a language. */
  export function newStemmer(language: string): { stem(word: string): string };
  const stemmers: { newStemmer: typeof newStemmer };
  export default stemmers;
}
