import { IntlMessageFormat } from 'intl-messageformat';

const SIGNS: Readonly<Record<string, string>> = {
  a: 'á',
  b: 'ƀ',
  c: 'ç',
  d: 'ð',
  e: 'é',
  f: 'ƒ',
  g: 'ĝ',
  h: 'ĥ',
  i: 'î',
  j: 'ĵ',
  k: 'ķ',
  l: 'ļ',
  m: 'ɱ',
  n: 'ñ',
  o: 'ö',
  p: 'þ',
  q: 'ɋ',
  r: 'ŕ',
  s: 'š',
  t: 'ţ',
  u: 'û',
  v: 'ṽ',
  w: 'ŵ',
  x: 'ẋ',
  y: 'ý',
  z: 'ž',
};

interface Part {
  readonly type: number;
  readonly value?: string;
  readonly options?: Readonly<Record<string, { readonly value: readonly Part[] }>>;
}

/** What each text of the pseudo-language has, and no text of English or of the demo data. */
export const PSEUDO_MARK = /[áƀçðéƒĝĥîĵķļɱñöþɋŕšţûṽŵẋýž]/;

/** A text in other letters, and longer by four in ten: as long as other languages often are. */
export function writePseudoText(text: string): string {
  return text.replace(/[A-Za-z]+/g, (word) => {
    const other = [...word].map((letter) => SIGNS[letter] ?? SIGNS[letter.toLowerCase()] ?? letter).join('');
    return other + 'ö'.repeat(Math.round(word.length * 0.4));
  });
}

const quote = (text: string): string =>
  text.replaceAll("'", "''").replace(/[{}#]+/g, (signs) => `'${signs}'`);

function writeParts(parts: readonly Part[]): string {
  return parts
    .map(({ type, value = '', options }) => {
      // ICU MessageFormat as the formatter reads it: 0 text, 1 what is filled in, 6 a plural, 7 its number.
      if (type === 0) return quote(writePseudoText(value));
      if (type === 7) return '#';
      if (type !== 6) return `{${value}}`;
      const cases = Object.entries(options ?? {}).map(([name, one]) => `${name} {${writeParts(one.value)}}`);
      return `{${value}, plural, ${cases.join(' ')}}`;
    })
    .join('');
}

/** A message in ICU form, its texts in the pseudo-language. */
export function writePseudoMessage(message: string): string {
  const read = new IntlMessageFormat(message, 'en', undefined, { ignoreTag: true });
  return writeParts(read.getAst());
}
