import { foldLetters, splitWords } from '../../text';
import type { Author } from '../record';
import { ORGANISATION_WORDS, PARTICLES, SUFFIXES } from './name-words';

/** Initials alone: `J.`, `J. B.`, `JB`, `J-B`, `Ü.`. */
const INITIALS = /^(?:\p{Lu}\.?[\s-]*){1,4}$/u;
/** Initials behind a name: `Smith J.B.`. */
const ENDS_IN_INITIALS = /^\S.*\s(?:\p{Lu}\.?-?){1,4}$/u;
/** Stands for people who are not named. */
const OTHERS = /^(?:and\s+)?(?:others|et\s+al\.?|u\.\s?a\.)$/i;

/**
 * One name as files write it: `Family, Given`, `Family, Suffix, Given`, `Family, Given, Suffix`, `Given Family`,
 * `Family G. H.`, or an organisation, which is one name whole. Particles stand with the family name (`van der Berg`),
 * a suffix behind the given names (`Anna, Jr.`). Nothing for an empty one, and for “and others”.
 */
export function readName(text: string): Author | undefined {
  const clean = tidyName(text);
  // A name in braces is one name whole, as in BibTeX.
  if (/^\s*\{[^{}]*\}\s*$/.test(text) && clean !== '') return { given: '', family: clean };
  if (clean === '' || OTHERS.test(clean)) return undefined;
  if (isOrganisation(clean)) return { given: '', family: clean };
  const parts = clean
    .split(',')
    .map((part) => part.trim())
    .filter((part) => part !== '');
  if (parts.length > 1) return readInverted(parts);
  const words = (parts[0] ?? '').split(' ').filter((word) => word !== '');
  const suffix = words.length > 2 && isSuffix(words.at(-1)!) ? words.pop() : undefined;
  return addSuffix(readDirect(words), suffix);
}

/** Whether a name is one of an organisation, by its words. */
export function isOrganisation(name: string): boolean {
  const words = splitWords(name).map(({ text }) => text);
  return words.some((word) => ORGANISATION_WORDS.has(word)) || /\b(?:for|of|the)\b/i.test(name);
}

/**
 * The names of a list in one text. Semicolons, bars, lines and “and” divide it; commas do only where what stands
 * between them is whole names (`Smith A., Jones B.`) or names and initials in turn (`Smith, A., Jones, B.`). One
 * name with a comma is one person, and an organisation is not divided at its “and”.
 */
export function splitNames(text: string): string[] {
  const strong = pieces(text, /\s*[;|\n]\s*/);
  if (strong.length > 1) return strong;
  const joined = pieces(text, /\s*,?\s+(?:and|&|und|et)\s+/);
  const lists = joined.length > 1 && joined.every(isLikePeople) ? joined : pieces(text, /\n/);
  // Behind the last “and” stands one name; before it, commas divide a list of its own.
  return lists.flatMap((list, at) =>
    joined.length > 1 && lists === joined && at > 0 ? [list] : splitAtCommas(list),
  );
}

function splitAtCommas(text: string): string[] {
  const parts = pieces(text, /\s*,\s*/);
  if (isOrganisation(text))
    return parts.length > 1 && parts.every((part) => isOrganisation(part) || ENDS_IN_INITIALS.test(part))
      ? parts
      : [text];
  if (parts.length < 2) return parts;
  if (parts.every((part) => ENDS_IN_INITIALS.test(part))) return parts;
  if (parts.length % 2 === 0 && parts.every((part, at) => at % 2 === 0 || INITIALS.test(part)))
    return pairUp(parts);
  if (parts.length === 2) {
    const [one = '', other = ''] = parts;
    // Two names of several words each are two people: `Anna Smith, Bo Jones`.
    return one.includes(' ') && other.includes(' ') && !startsWithParticle(one) ? parts : [text];
  }
  if (parts.length === 3 && isSuffix(parts[1]!)) return [text];
  if (parts.every((part) => part.includes(' '))) return parts;
  return parts.length % 2 === 0 ? pairUp(parts) : parts;
}

function pairUp(parts: readonly string[]): string[] {
  return parts.flatMap((part, at) => (at % 2 === 0 ? [`${part}, ${parts[at + 1] ?? ''}`] : []));
}

/** Words that can be names of people: not one of an organisation, and not many. */
function isLikePeople(text: string): boolean {
  return !isOrganisation(text) && text.split(',').every((part) => part.trim().split(/\s+/).length <= 5);
}

function readInverted(parts: readonly string[]): Author {
  const [family = '', ...rest] = parts;
  const suffix = rest.length > 1 ? rest.find(isSuffix) : undefined;
  const given = rest.filter((part) => part !== suffix).join(', ');
  // `Berg, Jan van der`: the particles behind the given names stand with the family name.
  const words = given.split(' ');
  let end = words.length;
  while (end > 1 && isParticle(words[end - 1]!)) end--;
  const particles = words.slice(end);
  return addSuffix(
    { given: words.slice(0, end).join(' '), family: [...particles, family].join(' ') },
    suffix,
  );
}

function readDirect(words: readonly string[]): Author {
  if (words.length < 2) return { given: '', family: words.join(' ') };
  const last = words.at(-1)!;
  // `Smith J.B.` and `Smith JB`, but not `J. Smith`.
  if (INITIALS.test(last) && !INITIALS.test(words[0]!) && last.length <= 8) {
    let start = words.length - 1;
    while (start > 1 && INITIALS.test(words[start - 1]!)) start--;
    return { given: words.slice(start).join(' '), family: words.slice(0, start).join(' ') };
  }
  let start = words.length - 1;
  while (start > 1 && isParticle(words[start - 1]!)) start--;
  return { given: words.slice(0, start).join(' '), family: words.slice(start).join(' ') };
}

function addSuffix({ given, family }: Author, suffix: string | undefined): Author {
  return { given: suffix === undefined ? given : [given, suffix].filter(Boolean).join(', '), family };
}

function isParticle(word: string): boolean {
  return /^\p{Ll}/u.test(word) && PARTICLES.has(foldLetters(word));
}

function startsWithParticle(text: string): boolean {
  return isParticle(text.split(' ')[0] ?? '');
}

function isSuffix(word: string): boolean {
  return SUFFIXES.has(foldLetters(word).replace(/[^\p{L}]/gu, ''));
}

function pieces(text: string, signs: RegExp): string[] {
  return text
    .split(signs)
    .map((part) => part.trim())
    .filter((part) => part !== '');
}

/** Single blanks, no braces, nothing loose at the ends; the full stop of an initial or a suffix stays. */
function tidyName(text: string): string {
  const clean = text
    .replace(/[{}]/g, '')
    .replace(/\s+/g, ' ')
    .trim()
    .replace(/^[\s,;]+|[\s,;]+$/g, '');
  return /(?:^|[\s.,-])(?:\p{Lu}|Jr|Sr|Jnr|Snr|al)\.$/u.test(clean) ? clean : clean.replace(/\.$/, '');
}
