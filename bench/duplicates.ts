import { createRecordKeys, deduplicateRecords } from '#core/record/same-work/index';
import { createHolding } from '#demo/holdings';
import { THEMES } from '#demo/themes/index';
import { createCorpus } from '#demo/works';

/** How long it takes to find the duplicates of so many records, and how many are found, by what the generator knows. */
const HOLDINGS = ['heronsmere', 'cardinal', 'marlstone', 'plainfinder'] as const;

console.log(`Making the records of ${HOLDINGS.length} databases (${THEMES.length} themes) …`);
const corpus = createCorpus(2026, 48_000);
const lists = HOLDINGS.map((id) => {
  const holding = createHolding(corpus, id);
  return holding.works.map((work, place) => ({ work, keys: createRecordKeys(holding.createRecord(place)) }));
});
const size = lists.reduce((sum, list) => sum + list.length, 0);
const keys = lists.map((list) => list.map((one) => one.keys));
for (let round = 0; round < 3; round++) {
  const start = performance.now();
  deduplicateRecords(keys);
  console.log(
    `${size.toLocaleString('en')} records: ${(performance.now() - start).toFixed(0)} ms (wanted 3,000 for 100,000)`,
  );
}
const half = keys.map((list) => list.slice(0, list.length / 2));
const start = performance.now();
deduplicateRecords(half);
console.log(`half of them: ${(performance.now() - start).toFixed(0)} ms`);
const { workOf, doubtful } = deduplicateRecords(keys);
// Pairs, counted by works and by what was found, without going through all of them.
const pairsOf = (groups: Iterable<number>): number =>
  [...groups].reduce((sum, n) => sum + (n * (n - 1)) / 2, 0);
const count = <T>(texts: readonly T[]): Map<T, number> => {
  const counts = new Map<T, number>();
  for (const text of texts) counts.set(text, (counts.get(text) ?? 0) + 1);
  return counts;
};
const found: number[] = [];
const known: number[] = [];
lists.forEach((list, at) =>
  list.forEach(({ work }, place) => {
    found.push(workOf[at]![place]!);
    known.push(typeof work === 'number' ? work : work.number);
  }),
);
const both = pairsOf(count(found.map((one, at) => `${one} ${known[at]}`)).values());
console.log(
  `precision ${(both / pairsOf(count(found).values())).toFixed(4)}, recall ${(both / pairsOf(count(known).values())).toFixed(4)} of ${pairsOf(count(known).values()).toLocaleString('en')} pairs; ${doubtful.length.toLocaleString('en')} are doubtful`,
);
