declare module 'wink-porter2-stemmer' {
  /** The stem of a word in small letters, by Snowball's English rules. */
  export default function stem(word: string): string;
}
