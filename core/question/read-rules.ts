import { describeRange, listLimiters, type Limiters } from '../limiter';
import type { TargetBand } from '../project';
import { LANGUAGES, type DocumentType } from '../record';

/** One rule that a text states, as it can be applied. */
export interface StatedRule {
  /** The rule in the words that limiters and bands have elsewhere. */
  readonly words: string;
  readonly limiters: Limiters;
  readonly wanted: TargetBand;
}

/** What a pattern makes of the parts that it found. */
interface Row {
  readonly pattern: RegExp;
  readonly read: (
    parts: readonly (string | undefined)[],
    thisYear: number,
  ) => { limiters?: Limiters; wanted?: TargetBand } | undefined;
}

const NUMBER_WORDS: Readonly<Record<string, number>> = {
  two: 2,
  three: 3,
  four: 4,
  five: 5,
  six: 6,
  seven: 7,
  eight: 8,
  nine: 9,
  ten: 10,
  twelve: 12,
  fifteen: 15,
  twenty: 20,
  thirty: 30,
  fifty: 50,
};
const NUMBER = `(\\d{1,5}|${Object.keys(NUMBER_WORDS).join('|')})`;
const YEAR = '((?:19|20)\\d\\d)';
/** Words that end what a number counts: “10 years of studies” are no ten studies. */
const OTHERS = '(?!(?:of|and|or|per|in|from|to|years?|months?|weeks?|pages?|words?|databases?|concepts?)\\b)';
const THINGS = `(?:[\\s,]+${OTHERS}[a-z-]+){0,2}?[\\s,]+(?:sources?|articles?|papers?|studies|references?|records?|results?|publications?|hits)`;
/** “10 to 20”, “from 10 to 20”, “10–20” and “between 10 and 20”; “10 and 20” are two numbers. */
const makeSpan = (end: string): string =>
  `(?:between ${end} and ${end}|(?:from )?${end}\\s*(?:to|[-–—])\\s*${end})`;
const MAX_YEARS_BACK = 100;

const readNumber = (text = ''): number => NUMBER_WORDS[text.toLowerCase()] ?? Number(text);
/** The two ends that were found, whichever way they were written. */
const readEnds = (parts: readonly (string | undefined)[]): [number, number] => {
  const [from, to] = parts.filter((part) => part !== undefined);
  return [readNumber(from), readNumber(to)];
};
const flag = (limiters: Limiters): Row['read'] => {
  return () => ({ limiters });
};
const type = (one: DocumentType): Row['read'] => flag({ types: [one] });
const makeRow = (pattern: string, read: Row['read']): Row => ({
  pattern: new RegExp(`(?<![\\w-])(?:${pattern})(?![\\w-])`, 'gi'),
  read,
});

/** The rules that are known, the narrower before the wider: what one has read, the next does not read again. */
const ROWS: readonly Row[] = [
  makeRow('(?:peer|expert)[- ]?reviewed|refereed', flag({ peerReviewed: true })),
  makeRow('full[- ]?texts?', flag({ fullText: true })),
  makeRow('open[- ]access', flag({ openAccess: true })),
  makeRow('(?:journal|research) articles?', type('article')),
  makeRow('(?:systematic |literature )?review articles?|systematic reviews?', type('review')),
  makeRow('conference papers?', type('conference paper')),
  ...LANGUAGES.map(({ code, name }) => makeRow(name, flag({ languages: [code] }))),
  makeRow(`(?:last|past|previous|latest) ${NUMBER} years?`, ([years], now) => readYearsBack(years, now)),
  makeRow(`(?:no|not) (?:older|more) than ${NUMBER} years(?: old)?`, ([years], now) =>
    readYearsBack(years, now),
  ),
  makeRow(makeSpan(YEAR), (ends) => readYears(...readEnds(ends))),
  makeRow(`(?:since|from) ${YEAR}(?: on(?:wards?)?)?|${YEAR} (?:or|and) later`, ([from, later]) =>
    readYears(Number(from ?? later), undefined),
  ),
  makeRow(`after ${YEAR}`, ([year]) => readYears(Number(year) + 1, undefined)),
  makeRow(`(?:until|up to|to) ${YEAR}`, ([year]) => readYears(undefined, Number(year))),
  makeRow(`before ${YEAR}`, ([year]) => readYears(undefined, Number(year) - 1)),
  makeRow(`${makeSpan(NUMBER)}${THINGS}`, (ends) => readBand(...readEnds(ends))),
  makeRow(
    `(?:at most|no more than|not more than|up to|max(?:imum)?(?: of)?\\.?) ${NUMBER}${THINGS}`,
    ([to]) => readBand(undefined, readNumber(to)),
  ),
  makeRow(`(?:at least |min(?:imum)?(?: of)?\\.? |no fewer than )?${NUMBER}${THINGS}`, ([from]) =>
    readBand(readNumber(from), undefined),
  ),
];

/** Before a rule these say that the opposite is meant: it is left alone. */
const NEGATION =
  /(?:^|[^\w-])(?:no|not|non|without|except|excluding|rather than|other than)[ -](?:necessarily |only )?$/i;

/**
 * The rules that an assignment or a scope note states in plain English: peer-reviewed, full text, languages,
 * kinds of document, years, how many sources. `thisYear` is what “the last ten years” are counted from.
 * What is negated or not understood is left out: nothing is applied that the text does not say.
 */
export function readRules(text: string, thisYear: number): StatedRule[] {
  let rest = text;
  const found: (StatedRule & { readonly at: number })[] = [];
  for (const { pattern, read } of ROWS) {
    rest = rest.replace(pattern, (whole: string, ...more: unknown[]) => {
      const at = more.findIndex((one) => typeof one === 'number');
      const parts = more.slice(0, at) as (string | undefined)[];
      const place = more[at] as number;
      const blank = ' '.repeat(whole.length);
      const rule = NEGATION.test(rest.slice(0, place)) ? undefined : read(parts, thisYear);
      if (!rule) return blank;
      const { limiters = {}, wanted = {} } = rule;
      found.push({ words: describeRule(limiters, wanted), limiters, wanted, at: place });
      return blank;
    });
  }
  const seen = new Set<string>();
  return found
    .sort((a, b) => a.at - b.at)
    .filter(({ words }) => !seen.has(words) && seen.add(words))
    .map(({ words, limiters, wanted }) => ({ words, limiters, wanted }));
}

/** Limiters and a band with a rule added: lists grow, other values are replaced. */
export function addRule(
  { limiters, wanted }: { readonly limiters: Limiters; readonly wanted: TargetBand },
  rule: StatedRule,
): { readonly limiters: Limiters; readonly wanted: TargetBand } {
  const { types = [], languages = [] } = rule.limiters;
  return {
    limiters: {
      ...limiters,
      ...rule.limiters,
      ...(types.length > 0 && { types: [...new Set([...(limiters.types ?? []), ...types])] }),
      ...(languages.length > 0 && { languages: [...new Set([...(limiters.languages ?? []), ...languages])] }),
    },
    wanted: rule.wanted.from === undefined && rule.wanted.to === undefined ? wanted : rule.wanted,
  };
}

function describeRule(limiters: Limiters, wanted: TargetBand): string {
  const [limiter] = listLimiters(limiters);
  if (limiter) return limiter.value;
  if (wanted.from !== undefined && wanted.to !== undefined) return `${describeRange(wanted)} results`;
  return wanted.from === undefined ? `at most ${wanted.to} results` : `at least ${wanted.from} results`;
}

function readYearsBack(text: string | undefined, thisYear: number) {
  const years = readNumber(text);
  return years >= 1 && years <= MAX_YEARS_BACK ? readYears(thisYear - years + 1, undefined) : undefined;
}

function readYears(from: number | undefined, to: number | undefined): { limiters: Limiters } | undefined {
  if (from !== undefined && to !== undefined && from > to) return undefined;
  return { limiters: { years: { ...(from !== undefined && { from }), ...(to !== undefined && { to }) } } };
}

function readBand(from: number | undefined, to: number | undefined): { wanted: TargetBand } | undefined {
  if (from !== undefined && to !== undefined && from > to) return undefined;
  return { wanted: { ...(from !== undefined && { from }), ...(to !== undefined && { to }) } };
}
