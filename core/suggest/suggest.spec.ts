import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { createMatcher, createPattern } from '../query';
import {
  findBestTruncations,
  findLongForms,
  findNearWords,
  findShortestCleanCut,
  findTyingWords,
  findWordForms,
  listCuts,
  listFormPrefixes,
  listJoinings,
  listSpellings,
  uniteWords,
  type CutSide,
} from './index';
import { measureDistance } from './near-words';
import { mergeSpellings } from './spelling';
import pairs from './spelling-pairs.json';
import rules from './spelling-rules.json';

const list = (...words: string[]) => words.map((word, at) => ({ word, records: 10 + at }));
const shared = (...words: string[]) => uniteWords({ heronsmere: list(...words) });

describe('word forms', () => {
  it('are words of the same stem, and those that no ending tells', () => {
    const words = shared('commute', 'commuter', 'commuted', 'communal', 'commuting');
    expect(findWordForms('commuting', words).map((form) => form.word)).toEqual([
      'commuted',
      'commuter',
      'commute',
    ]);
    expect(findWordForms('mouse', shared('mice', 'mousse')).map((form) => form.word)).toEqual(['mice']);
    expect(listFormPrefixes('commuting')).toEqual(['commut']);
    expect(listFormPrefixes('mouse')).toContain('mice');
  });

  it('every form stands under one of the prefixes that are asked for', () => {
    const word = fc.stringMatching(/^[a-z]{3,9}$/);
    const ending = fc.constantFrom('', 's', 'es', 'ed', 'ing', 'er', 'ly');
    fc.assert(
      fc.property(word, ending, ending, (stem, a, b) => {
        const prefixes = listFormPrefixes(stem + a);
        for (const { word: form } of findWordForms(stem + a, shared(stem + b)))
          if (form.startsWith(stem))
            expect(prefixes.some((prefix) => form.startsWith(prefix.slice(0, 3)))).toBe(true);
      }),
    );
  });

  it('one word or two', () => {
    expect(listJoinings('street light')).toEqual(['streetlight']);
    expect(listJoinings('bat-box')).toEqual(['batbox']);
    expect(listJoinings('streetlight')).toContain('"street light"');
    expect(listJoinings('a b c')).toEqual([]);
  });
});

describe('spelling', () => {
  it.each([
    ['behaviour', 'behavior', 'behavio[u]r'],
    ['color', 'colour', 'colo[u]r'],
    ['organisation', 'organization', 'organi?ation'],
    ['fiber', 'fibre', undefined],
    ['modelling', 'modeling', 'model[l]ing'],
    ['grey', 'gray', 'gr?y'],
    ['haemoglobin', 'hemoglobin', 'h[a]emoglobin'],
    ['catalogue', 'catalog', undefined],
    ['illuminance', undefined, undefined],
  ])('%s is also %s, both found by %s', (word, other, merged) => {
    const spellings = listSpellings(word);
    const found = spellings.find((spelling) => spelling.word === other);
    expect(found?.word).toBe(other);
    expect(found?.merged).toBe(merged);
  });

  it.each(rules.map((rule) => rule.example.split(', ')))('by rule: %s and %s', (british, american) => {
    const words = (word: string) => listSpellings(word).map((spelling) => spelling.word);
    expect(words(british)).toContain(american);
    expect(words(american)).toContain(british);
  });

  it.each(pairs.map((pair) => pair.split(' ')))('as a pair: %s and %s', (british, american) => {
    expect(listSpellings(british).map((spelling) => spelling.word)).toContain(american);
    expect(listSpellings(american).map((spelling) => spelling.word)).toContain(british);
  });

  it('is found both ways round', () => {
    for (const word of ['behaviour', 'organise', 'analyse', 'centre', 'travelled', 'defence', 'sulphur']) {
      const american = listSpellings(word).map((spelling) => spelling.word);
      expect(american.some((other) => listSpellings(other).some((back) => back.word === word))).toBe(true);
    }
  });

  it('a merged pattern finds both', () => {
    fc.assert(
      fc.property(fc.stringMatching(/^[a-c]{1,6}$/), fc.stringMatching(/^[a-c]{1,6}$/), (a, b) => {
        const merged = mergeSpellings(a, b);
        if (merged === undefined) return;
        const matches = createMatcher(createPattern(merged));
        expect([matches(a), matches(b)]).toEqual([true, true]);
      }),
    );
  });

  it('slips are told by their distance', () => {
    expect(measureDistance('behavoir', 'behavior', 2)).toBe(1);
    expect(measureDistance('chiroptera', 'chiropetra', 2)).toBe(1);
    expect(
      findNearWords('pipistrele', shared('pipistrelle', 'pipistrelles', 'pistil')).map(({ word }) => word),
    ).toEqual(['pipistrelle', 'pipistrelles']);
    fc.assert(
      fc.property(fc.stringMatching(/^[ab]{0,5}$/), fc.stringMatching(/^[ab]{0,5}$/), (a, b) => {
        expect(measureDistance(a, b, 9)).toBe(measureDistance(b, a, 9));
        expect(measureDistance(a, b, 9) === 0).toBe(a === b);
      }),
    );
  });
});

describe('where to cut a word', () => {
  const words = ['lamp', 'lampoon', 'lamprey', 'lampreys', 'lamps', 'lamplight', 'lamplights', 'lam'];
  const wanted = new Set(['lamp', 'lamps', 'lamplight', 'lamplights']);
  const rules = [
    { database: 'heronsmere', isMissing: false, leastLetters: 3 },
    { database: 'marlstone', isMissing: false, leastLetters: 5, cap: 2 },
  ];
  const bench = {
    side: 'ending' as const,
    lists: { heronsmere: list(...words), marlstone: list(...words) },
    wanted,
    rules,
  };

  it('says what each cut brings in each database, under its rules', () => {
    const cuts = listCuts('lamps', bench);
    expect(cuts.map((cut) => cut.text)).toEqual(['la*', 'lam*', 'lamp*', 'lamps*']);
    expect(cuts[0]?.byDatabase[0]?.refusal).toBe('too-short');
    expect(cuts[2]?.byDatabase[0]?.unwanted).toEqual(['lampoon', 'lamprey', 'lampreys']);
    expect(cuts[2]?.byDatabase[1]?.refusal).toBe('too-short');
    expect(findShortestCleanCut(cuts)?.text).toBe('lamps*');
    const light = listCuts('lampli', { ...bench, rules: [rules[1]!] }).at(-1);
    expect(light?.byDatabase[0]).toMatchObject({ wanted: ['lamplight', 'lamplights'], capped: 0 });
    const capped = listCuts('lampr', { ...bench, rules: [{ ...rules[1]!, cap: 1 }] }).at(-1);
    expect(capped?.byDatabase[0]).toMatchObject({ unwanted: ['lamprey'], capped: 1 });
  });

  it('finds the best set of truncations', () => {
    expect(findBestTruncations(shared(...words), wanted, 'ending', 3)).toEqual(['lamp', 'lampl*', 'lamps']);
  });

  const form = fc.stringMatching(/^[ab]{1,5}$/);
  const covered = (patterns: readonly string[], all: readonly string[]) => {
    const tests = patterns.map((pattern) => createMatcher(createPattern(pattern)));
    return all.filter((word) => tests.some((matches) => matches(word)));
  };

  it('which no smaller set beats, by trying them all', () => {
    fc.assert(
      fc.property(
        fc.uniqueArray(fc.tuple(form, fc.boolean()), {
          minLength: 1,
          maxLength: 6,
          selector: ([word]) => word,
        }),
        fc.constantFrom<CutSide>('ending', 'beginning'),
        fc.integer({ min: 1, max: 3 }),
        (forms, side, least) => {
          const all = forms.map(([word]) => word);
          const good = new Set(forms.filter(([, isWanted]) => isWanted).map(([word]) => word));
          const best = findBestTruncations(shared(...all), good, side, least);
          expect(new Set(covered(best, all))).toEqual(good);
          const pieces = [...good].flatMap((word) => [
            word,
            ...Array.from({ length: word.length }, (_, at) =>
              side === 'ending' ? `${word.slice(0, at + 1)}*` : `*${word.slice(at)}`,
            ).filter((pattern) => pattern.length - 1 >= least),
          ]);
          const clean = [...new Set(pieces)].filter((pattern) =>
            covered([pattern], all).every((word) => good.has(word)),
          );
          expect(best.length).toBe(findSmallestCover(clean, all, good, covered));
        },
      ),
      { numRuns: 150 },
    );
  });

  it('and whose shortest clean cut is the shortest, by trying them all', () => {
    fc.assert(
      fc.property(
        form,
        fc.array(form, { maxLength: 8 }),
        fc.array(form, { maxLength: 5 }),
        (word, others, good) => {
          const all = [...new Set([word, ...others])];
          const side = 'ending' as const;
          const lists = { one: list(...all) };
          const marks = new Set([word, ...good]);
          const only = [{ database: 'one', isMissing: false, leastLetters: 1 }];
          const found = findShortestCleanCut(listCuts(word, { side, lists, wanted: marks, rules: only }, 1));
          const lengths = [1, 2, 3, 4, 5].filter((length) => length <= word.length);
          const expected = lengths.find((length) =>
            all.every((other) => marks.has(other) || !other.startsWith(word.slice(0, length))),
          );
          expect(found?.letters).toBe(expected);
        },
      ),
    );
  });
});

function findSmallestCover(
  pieces: readonly string[],
  all: readonly string[],
  good: ReadonlySet<string>,
  covered: (patterns: readonly string[], all: readonly string[]) => string[],
): number {
  const sets = pieces.map((piece) => new Set(covered([piece], all)));
  let reached = [new Set<string>()];
  for (let size = 0; size <= good.size; size++) {
    if (reached.some((set) => set.size === good.size)) return size;
    const next = new Map<string, Set<string>>();
    for (const set of reached) {
      for (const piece of sets) {
        const union = new Set([...set, ...piece]);
        next.set([...union].sort().join(), union);
      }
    }
    reached = [...next.values()];
  }
  return Infinity;
}

describe('acronyms', () => {
  const texts = [
    {
      title: 'Bats',
      abstract: 'Artificial light at night (ALAN) keeps bats off. ALAN was measured near roads.',
    },
    { title: 'ALAN', abstract: 'Effects of artificial light at night (ALAN) on roads and bats.' },
    { title: 'Alan', abstract: 'Advanced lattice antenna network (ALAN) designs for radar.' },
    { title: 'A study', abstract: 'Here ALAN (artificial light at night) is dimmed. We thank Alan.' },
    { title: 'Nothing', abstract: 'In 2004 (see below) there was nothing (ALAN).' },
  ];

  it('are explained by the words beside them', () => {
    expect(findLongForms('ALAN', texts)).toEqual([
      { text: 'artificial light at night', records: 3 },
      { text: 'advanced lattice antenna network', records: 1 },
    ]);
    expect(findLongForms('LED', [{ title: 'Light-emitting diodes (LEDs) for roads', abstract: '' }])).toEqual(
      [{ text: 'light emitting diodes', records: 1 }],
    );
    expect(findLongForms('XYZ', texts)).toEqual([]);
  });

  it('are tied by words that settle the meaning', () => {
    expect(findTyingWords('artificial light at night', texts)).toContain('light');
    expect(findTyingWords('artificial light at night', texts)).not.toContain('radar');
  });
});
