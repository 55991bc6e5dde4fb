import type { Random } from '../random';

/** An acronym, what it stands for, and a sentence in which other fields than lighting use it. */
interface Explained {
  readonly acronym: string;
  readonly long: string;
}

/** Long forms that are explained where they first stand. */
const EXPLAINED: readonly Explained[] = [
  { acronym: 'ALAN', long: 'artificial light at night' },
  { acronym: 'LED', long: 'light-emitting diode' },
  { acronym: 'HPS', long: 'high-pressure sodium' },
];

/** Other meanings of the same letters, by the beginning of the theme that has them. */
const OTHER_MEANINGS: readonly { readonly theme: RegExp; readonly sentence: string }[] = [
  {
    theme: /batteries|road-safety|machines|urban/,
    sentence: 'The stations were joined by an ad hoc local area network (ALAN), and ALAN traffic was logged.',
  },
  {
    theme: /sleep|bathing|farm-animals|lead-exposure|schools/,
    sentence: 'One group kept to a low-energy diet (LED), and LED days were noted.',
  },
];

/** The text with some long forms explained, and now and then an acronym that means something else. */
export function explainAcronyms(text: string, theme: string, random: Random): string {
  let explained = text;
  for (const { acronym, long } of EXPLAINED) {
    const at = explained.toLowerCase().indexOf(long);
    const end = at + long.length;
    if (at >= 0 && random.chance(0.45) && !/^s?\s*\(/.test(explained.slice(end)))
      explained = `${explained.slice(0, end)} (${acronym})${explained.slice(end)}`;
  }
  const other = OTHER_MEANINGS.find((meaning) => meaning.theme.test(theme));
  return other && random.chance(0.05) ? `${explained} ${other.sentence}` : explained;
}
