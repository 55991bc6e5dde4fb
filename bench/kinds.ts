import { createPattern } from '#core/query/index';
import { maskFields, type FieldMask, type SetExpression } from '#core/collection/index';
import type { Random } from '#demo/random';

/** One query for both engines. */
export interface BothQuery {
  readonly ours: SetExpression;
  readonly theirs: string;
  readonly years?: readonly [number, number];
}

const ALL = maskFields(['title', 'abstract']);
const PHRASES = [
  'street light',
  'artificial light',
  'light pollution',
  'road lighting',
  'sleep quality',
  'lead exposure',
  'energy use',
  'animal welfare',
  'road safety',
  'species richness',
  'lithium batteries',
  'flight paths',
  'night lighting',
  'warm baths',
];

/** Words near each other are at most so many places apart. */
const DISTANCE = 5;
/** The words that come first in the texts are among the frequent ones. */
const FREQUENT = 150;
/** So many words take in ordinary ones, as people write them in a query. */
const ORDINARY = 5_000;

type Choose = (random: Random) => BothQuery;

/** The kinds of query that are measured, with words as people would take them: some frequent, most not. */
export function createKinds(words: readonly string[]): { readonly name: string; readonly choose: Choose }[] {
  const chooseWord = (random: Random): string => random.pickSkewed(words, 2);
  const word = (text: string, fields: FieldMask = ALL, mark = ''): BothQuery => ({
    ours: { kind: 'word', slot: { pattern: createPattern(text) }, fields },
    theirs: `${mark}${text.endsWith('*') ? `"${text.slice(0, -1)}"*` : `"${text}"`}`,
  });
  const phrase = (text: string): BothQuery => ({
    ours: {
      kind: 'phrase',
      slots: text.split(' ').map((part) => ({ pattern: createPattern(part) })),
      fields: ALL,
    },
    theirs: `"${text}"`,
  });
  const group = (kind: 'and' | 'or', parts: readonly BothQuery[]): BothQuery => ({
    ours: { kind, items: parts.map((part) => part.ours) },
    theirs: `(${parts.map((part) => part.theirs).join(kind === 'and' ? ' AND ' : ' OR ')})`,
  });
  const without = (include: BothQuery, exclude: BothQuery): BothQuery => ({
    ours: { kind: 'not', include: include.ours, exclude: exclude.ours },
    theirs: `(${include.theirs} NOT ${exclude.theirs})`,
  });
  /** FTS5 counts the words between, and knows only single words; a group is every pair of its words. */
  const near = (left: readonly string[], right: readonly string[]): BothQuery => ({
    ours: {
      kind: 'near',
      left: left.map((text) => [{ pattern: createPattern(text) }]),
      right: right.map((text) => [{ pattern: createPattern(text) }]),
      distance: DISTANCE,
      ordered: false,
      fields: ALL,
    },
    theirs: left
      .flatMap((one) => right.map((other) => `NEAR("${one}" "${other}", ${DISTANCE - 1})`))
      .join(' OR '),
  });
  const list = (count: number, make: () => BothQuery): BothQuery[] => Array.from({ length: count }, make);
  const cut = (text: string): string => `${text.slice(0, Math.max(4, text.length - 2))}*`;
  const chooseTerm = (random: Random): BothQuery => {
    const roll = random.next();
    if (roll < 0.35) return phrase(random.pick(PHRASES));
    return roll < 0.65 ? word(cut(chooseWord(random))) : word(chooseWord(random));
  };
  /** Different words among the first ones, so that none is sought near itself. */
  const chooseWords = (random: Random, count: number, among: number): string[] => {
    const chosen = new Set<string>();
    while (chosen.size < count) chosen.add(random.pick(words.slice(0, among)));
    return [...chosen];
  };
  const chooseNear = (random: Random, each: number, among: number): BothQuery => {
    const chosen = chooseWords(random, 2 * each, among);
    return near(chosen.slice(0, each), chosen.slice(each));
  };
  return [
    { name: 'single terms', choose: (random) => word(chooseWord(random)) },
    {
      name: '3 × 8 terms in OR groups, ANDed',
      choose: (random) =>
        group(
          'and',
          list(3, () =>
            group(
              'or',
              list(8, () => word(chooseWord(random))),
            ),
          ),
        ),
    },
    {
      name: 'the same with phrases and truncations',
      choose: (random) =>
        group(
          'and',
          list(3, () =>
            group(
              'or',
              list(8, () => chooseTerm(random)),
            ),
          ),
        ),
    },
    {
      name: 'the same in fields',
      choose: (random) =>
        group(
          'and',
          list(3, () => {
            const title = random.chance(0.5);
            const fields = maskFields([title ? 'title' : 'abstract']);
            return group(
              'or',
              list(8, () => word(chooseWord(random), fields, `${title ? 'title' : 'abstract'} : `)),
            );
          }),
        ),
    },
    { name: 'two frequent words near each other', choose: (random) => chooseNear(random, 1, FREQUENT) },
    { name: 'two groups of eight such words', choose: (random) => chooseNear(random, 8, FREQUENT) },
    { name: 'two ordinary words near each other', choose: (random) => chooseNear(random, 1, ORDINARY) },
    { name: 'two groups of eight ordinary words', choose: (random) => chooseNear(random, 8, ORDINARY) },
    {
      name: '60 terms, nested, with NOT and years',
      choose: (random) => {
        const include = group(
          'and',
          list(5, () =>
            group('or', [
              ...list(8, () => chooseTerm(random)),
              group(
                'and',
                list(2, () => word(chooseWord(random))),
              ),
            ]),
          ),
        );
        const exclude = group(
          'or',
          list(10, () => word(chooseWord(random))),
        );
        const both = without(include, exclude);
        const years = [2005, 2020] as const;
        const range: SetExpression = { kind: 'range', column: 'years', from: years[0], to: years[1] };
        return { ours: { kind: 'and', items: [both.ours, range] }, theirs: both.theirs, years };
      },
    },
  ];
}
