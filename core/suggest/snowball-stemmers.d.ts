declare module 'snowball-stemmers' {
  interface Stemmer {
    stem(word: string): string;
  }
  const library: { newStemmer(language: string): Stemmer };
  export default library;
}
