import { beforeAll, describe, expect, it } from 'vitest';
import { splitWords } from '#core/text/index';
import { createCorpus, type Corpus } from '../works';
import { THEMES } from '../themes/index';
import { createNames } from './names';
import { REAL_PLACES, REAL_SPECIES, REAL_SURNAMES, UNFIT_STEMS, isFitName } from './unfit-names';

const SEED = 2026;
/** Parts of ordinary words that hold the letters of an unfit one. */
const ORDINARY =
  /analy[sz]|analytic|analogue|anal[ií]|night|among|second|condi[ct]|conduc|conn(ec|u)|follow|efficacy|fica[ct]i|wenig|document|cucumber|lampric|fitted|fissure|pri(ce|ck)s?$|^spices|reputation|shore|baisse|hyperkin|franchiss|dykes?$|gently|homoeo|phoreg|[tpc]homor/g;

let corpus: Corpus;
beforeAll(() => {
  corpus = createCorpus(SEED, 6_000);
});

describe('made-up names', () => {
  it.each(['places', 'surnames', 'genera', 'epithets', 'instruments'] as const)(
    'of %s are fit to be shown, and each is there once',
    (kind) => {
      const names = createNames(SEED)[kind];
      expect(names.filter((name) => !isFitName(name))).toEqual([]);
      expect(new Set(names).size).toBe(names.length);
    },
  );

  it('stand at the same places whatever else was replaced', () => {
    const { places, surnames } = createNames(SEED);
    expect([places[0], places[100], surnames[0], surnames[500]]).toEqual([
      'Karnville',
      'Fewouvik',
      'Prirnkruoglu',
      'Vealet',
    ]);
  });

  it('are refused by what they hold and by what they are', () => {
    for (const name of ['Hockprickford', 'Grasmere', 'Jackson', 'Larus', 'nernprickceps'])
      expect(isFitName(name)).toBe(false);
    expect(isFitName('Zandvikholm')).toBe(true);
  });
});

describe('the texts of the corpus', () => {
  it('have no word with unfit letters but ordinary ones', () => {
    const stems = new RegExp(UNFIT_STEMS.join('|'), 'i');
    const words = new Set<string>();
    for (const { title, abstract, keywords, authors, source } of corpus.works) {
      const people = authors.flatMap(({ given, family, affiliation }) => [given, family, affiliation]);
      for (const text of [title, abstract, source, ...keywords, ...people])
        for (const { text: word } of splitWords(text)) words.add(word.toLowerCase());
    }
    const unfit = [...words].filter((word) => stems.test(word.replace(ORDINARY, ' ')));
    expect(unfit).toEqual([]);
  });

  it('name no real place or person in an affiliation or among authors', () => {
    const families = new Set(corpus.works.flatMap(({ authors }) => authors.map(({ family }) => family)));
    expect([...families].filter((name) => REAL_SURNAMES.has(name))).toEqual([]);
    const affiliations = new Set(
      corpus.works.flatMap(({ authors }) => authors.flatMap(({ affiliation }) => affiliation.split(/\W+/))),
    );
    expect([...affiliations].filter((word) => REAL_PLACES.has(word))).toEqual([]);
  });

  it('come from journals with names of their own', () => {
    const sources = [...new Set(THEMES.flatMap((theme) => theme.sources))];
    const existing = /Landscape Ecology|Behaviou?ral Ecology|Public Health|^Sleep|Lighting Engineer/;
    expect(sources.filter((source) => existing.test(source))).toEqual([]);
    expect(REAL_SPECIES.has('larus')).toBe(true);
  });
});
