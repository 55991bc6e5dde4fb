/** A word of a database's index with the number of records that have it. */
export interface IndexWord {
  readonly word: string;
  readonly records: number;
}

/** The words of several databases by their short names. */
export type WordLists = Readonly<Record<string, readonly IndexWord[]>>;

/** A word with its records in each database that has it. */
export interface SharedWord {
  readonly word: string;
  readonly records: Readonly<Record<string, number>>;
}

/** The words of several databases as one list in the order of the alphabet. */
export function uniteWords(lists: WordLists): SharedWord[] {
  const united = new Map<string, Record<string, number>>();
  for (const [database, words] of Object.entries(lists)) {
    for (const { word, records } of words) {
      const known = united.get(word) ?? {};
      known[database] = records;
      united.set(word, known);
    }
  }
  return [...united]
    .map(([word, records]) => ({ word, records }))
    .sort((a, b) => (a.word < b.word ? -1 : a.word > b.word ? 1 : 0));
}

/** The greatest count of a word in any one database; counts of different databases are never added. */
export function findMost({ records }: SharedWord): number {
  return Math.max(0, ...Object.values(records));
}
