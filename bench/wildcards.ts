import { maskFields, type CollectionIndex, type Evaluator } from '#core/collection/index';
import { createPattern } from '#core/query/index';
import { createRandom } from '#demo/random';

const QUERIES = 60;
const ALL = maskFields(['title', 'abstract']);

/** A plain index beside ours: the words in two sorted lists, and the records of each word. */
interface PlainIndex {
  readonly forwards: readonly PlainWord[];
  readonly backwards: readonly PlainWord[];
  readonly size: number;
}
interface PlainWord {
  readonly text: string;
  readonly records: Uint32Array;
}

/** Counts words cut on the left and words with a gap, cold, beside a plain scan of a sorted dictionary. */
export function measureWildcards(index: CollectionIndex, evaluator: Evaluator): void {
  const plain = createPlainIndex(index);
  const words = index.terms.filter((word) => /^[a-z]{6,}$/.test(word));
  console.log('\nWildcards, ms at the median; ratio: Ewer ÷ plain scan (wanted 2 or less)');
  const kinds = {
    'cut on the left': (word: string) => `*${word.slice(-4)}`,
    'a gap inside': (word: string) => `${word.slice(0, 2)}*${word.slice(-2)}`,
    'one letter open': (word: string) => `${word.slice(0, 2)}?${word.slice(3)}`,
  };
  for (const [name, cut] of Object.entries(kinds)) {
    const random = createRandom(11, name.length);
    const patterns = Array.from({ length: QUERIES }, () => cut(random.pickSkewed(words, 2)));
    const ours = (pattern: string): number => {
      evaluator.forget();
      const found = evaluator.count({ kind: 'word', slot: { pattern: createPattern(pattern) }, fields: ALL });
      return found.ok ? found.value : -1;
    };
    for (const pattern of patterns)
      if (ours(pattern) !== countPlainly(plain, pattern)) throw new Error(`The counts differ: ${pattern}`);
    const [a, b] = [ours, (pattern: string) => countPlainly(plain, pattern)].map((count) =>
      median(
        patterns.map((pattern) => {
          const start = performance.now();
          count(pattern);
          return performance.now() - start;
        }),
      ),
    );
    console.log(
      `${name.padEnd(20)} Ewer ${a!.toFixed(3)}, plain ${b!.toFixed(3)}, ratio ${(a! / b!).toFixed(2)}`,
    );
  }
}

function createPlainIndex(index: CollectionIndex): PlainIndex {
  const words = index.terms.map((text, term) => ({
    text,
    records: Uint32Array.from(
      index.segments.flatMap((segment, number) =>
        Array.from(
          segment.docs.subarray(segment.starts[term], segment.starts[term + 1]),
          (doc) => number * 65_536 + doc,
        ),
      ),
    ),
  }));
  const sort = (list: readonly PlainWord[]): PlainWord[] =>
    [...list].sort((a, b) => (a.text < b.text ? -1 : 1));
  return {
    forwards: sort(words),
    backwards: sort(words.map(({ text, records }) => ({ text: reverse(text), records }))),
    size: index.size,
  };
}

/** Scans the words that begin, or end, as the pattern does, and unites the records of those that match. */
function countPlainly({ forwards, backwards, size }: PlainIndex, pattern: string): number {
  const isByEnd = pattern.startsWith('*');
  const list = isByEnd ? backwards : forwards;
  const wanted = isByEnd ? reverse(pattern) : pattern;
  const prefix = wanted.slice(0, wanted.search(/[*?]/));
  const expression = new RegExp(`^${wanted.replace(/\*/g, '.*').replace(/\?/g, '.')}$`);
  const bits = new Uint32Array((size + 31) >>> 5);
  for (let at = findFirst(list, prefix); at < list.length && list[at]!.text.startsWith(prefix); at++) {
    if (!expression.test(list[at]!.text)) continue;
    for (const record of list[at]!.records) bits[record >>> 5]! |= 1 << (record & 31);
  }
  let count = 0;
  for (let rest of bits) for (; rest !== 0; rest &= rest - 1) count++;
  return count;
}

function findFirst(list: readonly PlainWord[], prefix: string): number {
  let low = 0;
  let high = list.length;
  while (low < high) {
    const middle = (low + high) >>> 1;
    if (list[middle]!.text < prefix) low = middle + 1;
    else high = middle;
  }
  return low;
}

function reverse(text: string): string {
  return [...text].reverse().join('');
}

function median(times: readonly number[]): number {
  return [...times].sort((a, b) => a - b)[Math.floor(times.length / 2)]!;
}
