import { describe, expect, it } from 'vitest';
import { readName, splitNames } from './read-names';

/** People by their family name (with its particles), given names and suffix. */
const PEOPLE = [
  ['Okonjo', 'Freya', ''],
  ['Smith', 'Anna Maria', ''],
  ['Leasretova', 'Peter', ''],
  ['van der Berg', 'Jan', ''],
  ['de la Cruz', 'Inés', ''],
  ['von Aschen', 'Ulrike', ''],
  ['dos Santos', 'Rui', ''],
  ['Ængström', 'Åke', ''],
  ['O’Malley', 'Siobhán', ''],
  ['Nguyen-Tran', 'Minh', ''],
  ['King', 'Adaeze', 'Jr.'],
  ['Ode', 'Bram', 'III'],
  ['Şahin', 'Ömer', ''],
  ['Müller', 'Jürgen', ''],
  ['García', 'María José', ''],
  ['Le Blanc', 'Odile', ''],
  ['ter Horst', 'Ans', ''],
  ['della Corva', 'Pia', ''],
  ['van den Ruis', 'Lotte', ''],
  ['Brandt', 'Karl', 'Sr.'],
  ['Kowalczyk-Nowak', 'Ewa', ''],
  ['Žižmund', 'Łucja', ''],
  ['Yılmazer', 'İpek', ''],
  ['Sorley', 'I. J.', ''],
  ['Wei', 'Z.', ''],
  ['D’Ambria', 'Luca', ''],
  ['du Val', 'Noëlle', ''],
  ['Quillmere', 'Zoltan', 'II'],
] as const;

/** The ways in which files write one person; those that cannot say it leave it out. */
const WAYS: readonly ((family: string, given: string, suffix: string) => string | undefined)[] = [
  (family, given, suffix) => (suffix ? `${family}, ${given}, ${suffix}` : `${family}, ${given}`),
  (family, given, suffix) => (suffix ? `${family}, ${suffix}, ${given}` : `${family},${given}`),
  (family, given, suffix) => `${family} , ${given}${suffix ? `, ${suffix}` : ''} ;`,
  (family, given, suffix) => `{${family}}, ${given}${suffix ? `, ${suffix}` : ''}`,
  // Without a comma, a family name of two words can only be told by its particles.
  (family, given, suffix) =>
    /^\p{Lu}\S* /u.test(family) ? undefined : `${given} ${family}${suffix ? ` ${suffix}` : ''}`,
  (family, given, suffix) =>
    /^\p{Lu}\S* /u.test(family) ? undefined : `  ${given}  ${family}${suffix ? `, ${suffix}` : ''}`,
];
const FAMILY_FIRST = 5;

const table = PEOPLE.flatMap(([family, given, suffix]) =>
  WAYS.flatMap((write, way) => {
    const text = write(family, given, suffix);
    // `Given Family, Suffix` has a comma that says something else.
    return text === undefined || (way === FAMILY_FIRST && suffix)
      ? []
      : [{ text, family, given: suffix ? `${given}, ${suffix}` : given }];
  }),
);

describe('a name', () => {
  it.each(table)('$text', ({ text, family, given }) => {
    expect(readName(text)).toEqual({ family, given });
  });

  it.each([
    ['Smith J.B.', 'Smith', 'J.B.'],
    ['Smith JB', 'Smith', 'JB'],
    ['Smith J B', 'Smith', 'J B'],
    ['van Dyke J.', 'van Dyke', 'J.'],
    ['J. B. Smith', 'Smith', 'J. B.'],
    ['J.-P. Martin', 'Martin', 'J.-P.'],
    ['Muster, A.', 'Muster', 'A.'],
    ['Muster, A', 'Muster', 'A'],
    ['Berg, Jan van der', 'van der Berg', 'Jan'],
    ['Aschen, U. von', 'von Aschen', 'U.'],
    ['Plato', 'Plato', ''],
    ['王, 伟', '王', '伟'],
    ['Smith, Anna.', 'Smith', 'Anna'],
    ['Ode, B., Jr.', 'Ode', 'B., Jr.'],
  ])('%s', (text, family, given) => {
    expect(readName(text)).toEqual({ family, given });
  });

  it.each([
    'Harbour University',
    'Institute of Night, Lampton',
    'Department of Health and Safety',
    'The Lantern Trust',
    '{Fieldmark Society}',
    'Ministerio de la Noche',
    'Bat Survey Group',
    'Society for Dark Skies',
    'Universität Lampenau',
  ])('of an organisation is one: %s', (text) => {
    expect(readName(text)).toEqual({ family: text.replace(/[{}]/g, ''), given: '' });
  });

  it.each(['', '  ', 'others', 'and others', 'et al.', ','])('of nobody is none: “%s”', (text) => {
    expect(readName(text)).toBeUndefined();
  });
});

describe('a list of names', () => {
  it.each([
    ['Smith A., Jones B.', ['Smith A.', 'Jones B.']],
    ['Smith A, Jones BC, Ode D', ['Smith A', 'Jones BC', 'Ode D']],
    ['Smith, A., Jones, B.', ['Smith, A.', 'Jones, B.']],
    ['Smith, A. B., Jones, C., Ode, D.', ['Smith, A. B.', 'Jones, C.', 'Ode, D.']],
    ['Smith, Anna', ['Smith, Anna']],
    ['Smith, Anna Maria', ['Smith, Anna Maria']],
    ['van der Berg, Jan Piet', ['van der Berg, Jan Piet']],
    ['Smith, Jr., Anna', ['Smith, Jr., Anna']],
    ['Smith, Anna; Jones, Bo', ['Smith, Anna', 'Jones, Bo']],
    ['Smith, Anna | Jones, Bo', ['Smith, Anna', 'Jones, Bo']],
    ['Anna Smith, Bo Jones', ['Anna Smith', 'Bo Jones']],
    ['Anna Smith, Bo Jones, Cy Ode', ['Anna Smith', 'Bo Jones', 'Cy Ode']],
    ['Anna Smith and Bo Jones', ['Anna Smith', 'Bo Jones']],
    ['Anna Smith, Bo Jones and Cy Ode', ['Anna Smith', 'Bo Jones', 'Cy Ode']],
    ['Smith, Anna and Jones, Bo', ['Smith, Anna', 'Jones, Bo']],
    ['Smith, A. & Jones, B.', ['Smith, A.', 'Jones, B.']],
    ['Department of Health and Safety', ['Department of Health and Safety']],
    ['Fieldmark Society, Smith A.', ['Fieldmark Society', 'Smith A.']],
    ['Institute of Night, Lampton', ['Institute of Night, Lampton']],
    ['Ortega y Gasset, José', ['Ortega y Gasset, José']],
    ['Plato', ['Plato']],
    ['', []],
  ])('%s', (text, names) => {
    expect(splitNames(text)).toEqual(names);
  });
});
