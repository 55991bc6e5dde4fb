/** A database as people call it: in full, and in short where its owner gave a short name. */
export interface NamedDatabase {
  readonly name: string;
  readonly shortName?: string | undefined;
}

/** Words before a name that tell no database from another. */
const LEADING_WORDS: ReadonlySet<string> = new Set(['a', 'an', 'my', 'our', 'the']);

/** What a database is called where there is no room for all of its name: its short name, else the first word that tells. */
export function shortenName({ name, shortName }: NamedDatabase): string {
  if (shortName !== undefined) return shortName;
  const words = name.split(' ');
  const word = words.find((one) => !LEADING_WORDS.has(one.toLowerCase())) ?? words[0] ?? name;
  return word.replace(/[,;:]$/, '');
}
