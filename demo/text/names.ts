import { createRandom } from '../random';

const ONSETS = [
  'b',
  'br',
  'c',
  'ch',
  'cl',
  'd',
  'dr',
  'f',
  'fl',
  'g',
  'gr',
  'h',
  'j',
  'k',
  'kr',
  'l',
  'm',
  'n',
  'p',
  'pr',
  'r',
  's',
  'sh',
  'sk',
  'st',
  't',
  'th',
  'tr',
  'v',
  'w',
  'z',
];
const VOWELS = ['a', 'e', 'i', 'o', 'u', 'a', 'e', 'o', 'ai', 'ea', 'ou'];
const CODAS = ['', '', 'l', 'n', 'r', 's', 'm', 'nd', 'rn', 'lt', 'ck', 'sk'];
const PLACE_ENDS = [
  'ford',
  'ham',
  'by',
  'wick',
  'ton',
  'mere',
  'dale',
  'stead',
  'holm',
  'burgh',
  'combe',
  'vik',
  'hausen',
  'ville',
  'dorf',
  'aro',
  'ina',
  'era',
  'ovo',
];
const SURNAME_ENDS = [
  'son',
  'man',
  'er',
  'ley',
  'ova',
  'ski',
  'ez',
  'ini',
  'eau',
  'quist',
  'dottir',
  'mann',
  'oglu',
  'wala',
  'ides',
  'ard',
  'et',
  'well',
];
const EPITHET_ENDS = [
  'us',
  'a',
  'is',
  'ensis',
  'oides',
  'atus',
  'ella',
  'icola',
  'iformis',
  'escens',
  'ipes',
  'ceps',
  'alis',
];
const INSTRUMENT_ENDS = ['meter', 'scan', 'tron', 'log', 'cam', 'sonde', 'sense', 'trac', 'probe'];

/** Made-up names as real texts have them: few frequent, most rare. Lists are long; pick skewed. */
export interface Names {
  readonly places: readonly string[];
  readonly surnames: readonly string[];
  readonly genera: readonly string[];
  readonly epithets: readonly string[];
  readonly instruments: readonly string[];
}

/** The names of one corpus. */
export function createNames(seed: number): Names {
  const random = createRandom(seed, 77);
  const syllable = (): string => random.pick(ONSETS) + random.pick(VOWELS) + random.pick(CODAS);
  const list = (count: number, make: () => string): string[] => {
    const names = new Set<string>();
    while (names.size < count) {
      const name = make();
      if (name.length > 4 && name.length < 15) names.add(name[0]!.toUpperCase() + name.slice(1));
    }
    return [...names];
  };
  return {
    places: list(4_200, () => syllable() + (random.chance(0.4) ? syllable() : '') + random.pick(PLACE_ENDS)),
    surnames: list(
      7_500,
      () => syllable() + (random.chance(0.3) ? syllable() : '') + random.pick(SURNAME_ENDS),
    ),
    genera: list(1_400, () => syllable() + syllable() + random.pick(['us', 'a', 'is', 'ia', 'yx', 'ops'])),
    epithets: list(
      3_200,
      () => syllable() + (random.chance(0.5) ? syllable() : '') + random.pick(EPITHET_ENDS),
    ).map((name) => name.toLowerCase()),
    instruments: list(
      700,
      () => syllable() + (random.chance(0.5) ? syllable() : '') + random.pick(INSTRUMENT_ENDS),
    ),
  };
}

/** Given names; Alan is one of them, as in life. */
export const GIVEN_NAMES: readonly string[] =
  'Maria Anna John Alan Wei Priya Carlos Ingrid Fatima Tomás Yuki Elena Peter Amara Lucas Sofia Olga Henrik Chiara Ahmed Grace Mateo Nadia Ewan Leila Jonas Mei Rafael Karin Oluwaseun Marta Daniel Aisha Pavel Hannah Diego Siobhan Takeshi Ines Victor Zainab Claire Bruno Astrid Rohan Allan Beatriz Stefan Noor Julien Emeka Freya Ivan Lucía Oscar Hana Samuel Petra Kofi Helene Arjun Miriam Felix Teresa Magnus Anjali Dario Ruth Hugo Selma Andrei Imani Nils Paula Omar Greta Luis Vera Kenji Edith Marek Alana Simon Rosa Tariq Linnea George Camille Vikram Laura Emil Judith Hassan Nora Paul Agnes Dmitri Zoe Martin Ebba'.split(
    ' ',
  );
