import { createRandom, type Random } from '../random';
import { isFitName } from './unfit-names';

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
  // Names in place of unfit ones come from a stream of their own: all others stay what they are.
  const spare = createRandom(seed, 78);
  const list = (count: number, make: (from: Random) => string): string[] => {
    const names = new Set<string>();
    while (names.size < count) {
      const name = capitalise(make(random));
      if (isRightLength(name)) names.add(name);
    }
    return replaceUnfit([...names], () => capitalise(make(spare)));
  };
  return {
    places: list(4_200, (from) => makeStem(from, 0.4) + from.pick(PLACE_ENDS)),
    surnames: list(7_500, (from) => makeStem(from, 0.3) + from.pick(SURNAME_ENDS)),
    genera: list(
      1_400,
      (from) => makeSyllable(from) + makeSyllable(from) + from.pick(['us', 'a', 'is', 'ia', 'yx', 'ops']),
    ),
    epithets: list(3_200, (from) => makeStem(from, 0.5) + from.pick(EPITHET_ENDS)).map((name) =>
      name.toLowerCase(),
    ),
    instruments: list(700, (from) => makeStem(from, 0.5) + from.pick(INSTRUMENT_ENDS)),
  };
}

function makeSyllable(from: Random): string {
  return from.pick(ONSETS) + from.pick(VOWELS) + from.pick(CODAS);
}

/** One syllable, or two with some probability. */
function makeStem(from: Random, two: number): string {
  return makeSyllable(from) + (from.chance(two) ? makeSyllable(from) : '');
}

function capitalise(name: string): string {
  return name.charAt(0).toUpperCase() + name.slice(1);
}

function isRightLength({ length }: string): boolean {
  return length > 4 && length < 15;
}

/** The same names in the same places, but for those that are not fit to be shown. */
function replaceUnfit(names: readonly string[], make: () => string): string[] {
  const taken = new Set(names);
  return names.map((name) => {
    if (isFitName(name)) return name;
    for (;;) {
      const other = make();
      if (!isRightLength(other) || !isFitName(other) || taken.has(other)) continue;
      taken.add(other);
      return other;
    }
  });
}

/** Given names; Alan is one of them, as in life. */
export const GIVEN_NAMES: readonly string[] =
  'Maria Anna John Alan Wei Priya Carlos Ingrid Fatima Tomás Yuki Elena Peter Amara Lucas Sofia Olga Henrik Chiara Ahmed Grace Mateo Nadia Ewan Leila Jonas Mei Rafael Karin Oluwaseun Marta Daniel Aisha Pavel Hannah Diego Siobhan Takeshi Ines Victor Zainab Claire Bruno Astrid Rohan Allan Beatriz Stefan Noor Julien Emeka Freya Ivan Lucía Oscar Hana Samuel Petra Kofi Helene Arjun Miriam Felix Teresa Magnus Anjali Dario Ruth Hugo Selma Andrei Imani Nils Paula Omar Greta Luis Vera Kenji Edith Marek Alana Simon Rosa Tariq Linnea George Camille Vikram Laura Emil Judith Hassan Nora Paul Agnes Dmitri Zoe Martin Ebba'.split(
    ' ',
  );
