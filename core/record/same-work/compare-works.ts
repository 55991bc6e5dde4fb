import type { DocumentType } from '../record';
import type { WorkSigns } from './work-signs';

/** How far two records agree in one thing. */
export type Agreement = 'same' | 'alike' | 'unknown' | 'different';
/** What two records are compared by. */
export type Sign = 'title' | 'author' | 'year' | 'source' | 'kind';
/** How two records agree, sign by sign, with the points that this gives. */
export interface WorkComparison {
  readonly agreements: Readonly<Record<Sign, Agreement>>;
  readonly points: number;
}

/** So many points, and two records are of one work. */
export const SAME_WORK = 9;
/** So many, and they may be: a person is asked. */
export const PERHAPS_SAME = 6;

/**
 * The points of each sign. Alike: a title without its subtitle or with a slip of the pen, a name in another
 * form, the year beside. A record that lacks a sign is not held against another.
 */
const POINTS: Readonly<Record<Sign, Readonly<Record<Agreement, number>>>> = {
  title: { same: 6, alike: 4, unknown: -20, different: -20 },
  author: { same: 3, alike: 2, unknown: 0, different: -6 },
  year: { same: 2, alike: 1, unknown: 0, different: -4 },
  source: { same: 2, alike: 1, unknown: 0, different: -2 },
  kind: { same: 0, alike: 0, unknown: 0, different: -3 },
};
/** A title of fewer words (“Editorial”) hardly tells anything: it has so many points in place of those above. */
const SHORT_TITLE = { words: 3, points: 1 };
/** A main title of so many words stands for the whole. */
const LEAST_MAIN = 4;
/** Kinds that come out year after year under one title. */
const YEARLY: ReadonlySet<DocumentType> = new Set(['report', 'news', 'book', 'thesis']);
const YEARLY_POINTS = -3;
/** Words that make another work of a title, whatever else is the same. */
const APART = new Set(
  'erratum errata corrigendum corrigenda correction corrections retraction retracted addendum reply response rejoinder comment comments commentary i ii iii iv v vi vii viii ix x xi xii'.split(
    ' ',
  ),
);

/** Compares two records by what tells their works, apart from identifiers. */
export function compareWorks(a: WorkSigns, b: WorkSigns): WorkComparison {
  const agreements = {
    title: compareTitles(a, b),
    author: compareAuthors(a, b),
    year: compareYears(a, b),
    source: compareSources(a, b),
    kind: compareKinds(a.type, b.type),
  };
  let points = 0;
  for (const sign of SIGNS) points += POINTS[sign][agreements[sign]];
  if (agreements.title === 'same' && a.title.length < SHORT_TITLE.words)
    points += SHORT_TITLE.points - POINTS.title.same;
  if (agreements.year === 'alike' && (YEARLY.has(a.type) || YEARLY.has(b.type)))
    points += YEARLY_POINTS - POINTS.year.alike;
  return { agreements, points };
}

/** Whether two records cannot be of one work, however alike the rest is: a title, a person or a year against the other. */
export function speaksAgainst({ agreements, points }: WorkComparison): boolean {
  const { title, author, year } = agreements;
  return points < PERHAPS_SAME || [title, author, year].includes('different');
}

/** The signs in the order in which they are told. */
export const SIGNS: readonly Sign[] = ['title', 'author', 'year', 'source', 'kind'];

function compareTitles(a: WorkSigns, b: WorkSigns): Agreement {
  if (a.title.length === 0 || b.title.length === 0) return 'unknown';
  const [short, long] = a.title.length <= b.title.length ? [a, b] : [b, a];
  if (short.title.length === long.title.length && countShared(short.title, long.title) === long.title.length)
    return 'same';
  if (hasOtherMarks(short.title, long.title)) return 'different';
  if (isMainOf(short, long)) return 'alike';
  return isSlip(short.title, long.title) ? 'alike' : 'different';
}

/** How many words two titles share from the first on. */
function countShared(a: readonly string[], b: readonly string[]): number {
  let shared = 0;
  while (shared < a.length && a[shared] === b[shared]) shared++;
  return shared;
}

/** Whether one has a number, a part or a mark such as “Erratum” that the other one lacks. */
function hasOtherMarks(a: readonly string[], b: readonly string[]): boolean {
  const marksOf = (words: readonly string[]): string =>
    words
      .filter((word) => APART.has(word) || /\d/.test(word))
      .sort()
      .join(' ');
  return marksOf(a) !== marksOf(b);
}

/** Whether the shorter title is the main title of the longer one, slips of the pen aside. */
function isMainOf({ title }: WorkSigns, long: WorkSigns): boolean {
  if (title.length < LEAST_MAIN || long.main < LEAST_MAIN || long.main === long.title.length) return false;
  if (title.length === long.main && countShared(title, long.title) === long.main) return true;
  return Math.abs(title.length - long.main) <= 1 && isSlip(title, long.title.slice(0, long.main));
}

/** So many words a slip: a longer title may have more of them. */
const WORDS_A_SLIP = 6;

/** Whether two titles differ by slips of the pen only: letters of a few words, or a word that is cut in two. */
function isSlip(a: readonly string[], b: readonly string[]): boolean {
  const [short, long] = a.length <= b.length ? [a, b] : [b, a];
  if (short.length < LEAST_MAIN) return false;
  const slips = Math.max(1, Math.floor(long.length / WORDS_A_SLIP));
  if (short.length !== long.length)
    return long.length - short.length <= slips && isNearText(short.join(''), long.join(''), 1);
  let found = 0;
  for (let at = 0; at < short.length; at++) {
    if (short[at] === long[at]) continue;
    if (++found > slips || !isNearWord(short[at]!, long[at]!)) return false;
  }
  return true;
}

/** A word of at least so many letters can have a slip that leaves it recognisable. */
const LEAST_LETTERS = 5;

function isNearWord(a: string, b: string): boolean {
  // A slip hardly ever changes the first letter; another word (night, light) does.
  return a.startsWith(b.charAt(0)) && Math.min(a.length, b.length) >= LEAST_LETTERS && isNearText(a, b, 1);
}

/** Whether two texts differ by at most so many letters: one more, one less, one other, or two that changed places. */
function isNearText(a: string, b: string, most: number): boolean {
  const [short, long] = a.length <= b.length ? [a, b] : [b, a];
  if (long.length - short.length > most) return false;
  let start = 0;
  while (start < short.length && short[start] === long[start]) start++;
  let end = 0;
  while (end < short.length - start && short[short.length - 1 - end] === long[long.length - 1 - end]) end++;
  const [left, right] = [short.slice(start, short.length - end), long.slice(start, long.length - end)];
  if (Math.max(left.length, right.length) <= most) return true;
  return left.length === 2 && left === right.charAt(1) + right.charAt(0);
}

function compareAuthors(a: WorkSigns, b: WorkSigns): Agreement {
  if (a.family === '' || b.family === '') return 'unknown';
  if (a.family === b.family) return agreeGiven(a.given, b.given) ? 'same' : 'different';
  // Particles come and go, and some files have the given name first.
  const isShorter = a.family.endsWith(` ${b.family}`) || b.family.endsWith(` ${a.family}`);
  const isTurned =
    (a.family === b.given && agreeGiven(a.given, b.family)) ||
    (a.given === b.family && agreeGiven(b.given, a.family));
  if (isShorter || isTurned) return 'alike';
  const isSlip =
    Math.min(a.family.length, b.family.length) >= LEAST_LETTERS &&
    isNearText(a.family, b.family, 1) &&
    agreeGiven(a.given, b.given);
  return isSlip ? 'alike' : 'different';
}

/** Given names may be initials or missing; two different first letters are two people. */
function agreeGiven(a: string, b: string): boolean {
  return a === '' || b === '' || a.startsWith(b.charAt(0));
}

function compareYears({ year: a }: WorkSigns, { year: b }: WorkSigns): Agreement {
  if (a === 0 || b === 0) return 'unknown';
  const apart = Math.abs(a - b);
  return apart === 0 ? 'same' : apart === 1 ? 'alike' : 'different';
}

function compareSources({ source: a }: WorkSigns, { source: b }: WorkSigns): Agreement {
  if (a === '' || b === '') return 'unknown';
  if (a === b) return 'same';
  // A source may lack its subtitle.
  const isPart = Math.min(a.length, b.length) > 1 && (a.startsWith(b) || b.startsWith(a));
  return isPart ? 'alike' : 'different';
}

/** An article in one database is a review in another; other kinds are told apart. */
function compareKinds(a: DocumentType, b: DocumentType): Agreement {
  if (a === b) return 'same';
  return ARTICLES.has(a) && ARTICLES.has(b) ? 'alike' : 'different';
}

const ARTICLES: ReadonlySet<DocumentType> = new Set(['article', 'review']);
