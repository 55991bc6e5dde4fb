import { createProblem, fail, succeed, type Outcome } from '../problem';

/** What was understood of a pasted number or results line. */
export interface ReadResultsLine {
  readonly total: number;
  readonly estimated: boolean;
  /** The piece of the text that the number was read from, `[start, end)`. */
  readonly at: readonly [number, number];
}

interface FoundNumber {
  readonly value: number;
  readonly start: number;
  readonly end: number;
  readonly isRounded: boolean;
}

// Words as data: what stands before or after a number on results pages, in several languages.
const RESULT_WORDS =
  'results?|records?|hits?|items?|matches|documents?|articles?|references?|citations?|publications?|works|entries|titles?|papers?|studies|books|found|' +
  'treffern?|ergebnis(?:se|sen)?|datensätzen?|einträgen?|titeln?|dokumenten?|gefunden|' +
  'résultats?|notices?|réponses?|documents?|références?|trouvés?|' +
  'resultados?|registros?|documentos?|encontrados?|artículos?|registos?|' +
  'risultat[io]|record|documenti|trovati|' +
  'resultaten|records|treffers?|gevonden|' +
  'wyników|wyniki|rekordów|träffar|resultat|poster|tulosta|výsledků|záznamů|resultater';
const OF_WORDS = 'of|out of|von|aus|sur|de|di|van|z|ze|av|af|/|od|из';
const ABOUT_WORDS =
  'about|approximately|approx\\.?|around|roughly|some|over|more than|at least|circa|ca\\.?|c\\.|etwa|ungefähr|rund|über|mehr als|environ|plus de|près de|cerca de|aproximadamente|alrededor de|más de|unos|circa|oltre|più di|ongeveer|meer dan|około|ungefär|omkring|mais de|~|≈|≥|>';
const NONE_WORDS =
  'no (?:results?|records?|hits?|matches|documents?|items?)|nothing (?:was )?found|not found any|zero results|(?:leider )?keine (?:treffer|ergebnisse|datensätze)|nichts gefunden|aucun(?:e)? (?:résultats?|notices?|réponses?|documents?)|(?:ning[uú]n|sin) (?:resultados?|registros?)|nessun (?:risultato|record)|geen (?:resultaten|treffers)|brak wyników|inga träffar|nenhum resultado';
const UNITS: readonly (readonly [RegExp, number])[] = [
  [/^\s*(?:million|millions|millionen|mio\.?|milliones|millones|milioni|miljoen|m)(?![\p{L}])/iu, 1_000_000],
  [/^\s*(?:thousand|tausend|tsd\.?|mille|mil|mila|duizend|k)(?![\p{L}])/iu, 1_000],
];
const BEFORE_PAGE = new RegExp(
  `(?:page|seite|página|pagina|pag\\.|strona|sida|screen|sheet)\\s*:?\\s*(?:\\d+\\s*(?:${OF_WORDS})\\s*)?$`,
  'iu',
);
const AFTER_NOT_COUNT =
  /^\s*(?:s|sec|secs|seconds?|ms|milliseconds?|sekunden?|secondes?|segundos?|secondi|seconden|%|per page|pro seite|par page|por página|a page|databases?|datenbanken?)(?![\p{L}])/iu;

/** A number with separators of thousands of several languages, or a plain one; a decimal part is caught to be seen. */
const NUMBER = /\d{1,3}(?:[.,’'\u00a0\u202f\u2009 ]\d{3})+(?!\d)|\d+(?:[.,]\d+)?/gu;

/**
 * Reads the number of results out of what a person copied from a results page: a bare number, or the whole
 * line. "1–25 of 1,204 results" gives 1,204; “about” and rounded units make it an estimate. What is not clear
 * is refused with its problem, never guessed.
 */
export function readResultsLine(pasted: string): Outcome<ReadResultsLine> {
  const text = pasted.replace(/[\r\n\t]+/g, ' ');
  if (/(?:^|[\s(:])[-−–]\s*\d/u.test(text) && !/\d\s*[-−–]\s*\d/u.test(text))
    return refuse(pasted, 'it is negative');
  const numbers = listNumbers(text);
  if (numbers.length === 0) return readNone(text, pasted);
  const counts = numbers.filter((number) => !isAside(text, number) && Number.isInteger(number.value));
  const spans = findRange(text, counts);
  const [chosen, more] = spans ?? chooseByWords(text, counts);
  if (!chosen) return refuse(pasted, 'no number of results stands in it');
  if (more) return refuse(pasted, `it could be ${chosen.value} or ${more.value}`);
  if (!Number.isSafeInteger(chosen.value)) return refuse(pasted, 'the number is too large');
  return succeed({
    total: chosen.value,
    estimated: chosen.isRounded || isAbout(text, chosen),
    at: [chosen.start, chosen.end],
  });
}

/** Reads a column of numbers or lines, one a line, blank lines passed over. */
export function readResultsColumn(
  pasted: string,
): readonly { readonly line: string; readonly read: Outcome<ReadResultsLine> }[] {
  return pasted
    .split(/\r?\n/)
    .filter((line) => line.trim() !== '')
    .map((line) => ({ line, read: readResultsLine(line) }));
}

function refuse(text: string, reason: string): Outcome<never> {
  return fail(createProblem('results-line-unclear', 'error', { text: text.trim().slice(0, 80), reason }));
}

function listNumbers(text: string): FoundNumber[] {
  return [...text.matchAll(NUMBER)].flatMap((match): FoundNumber[] => {
    const [written] = match;
    const start = match.index;
    let end = start + written.length;
    const isDecimal = /^\d+[.,]\d+$/.test(written) && !/^\d{1,3}[.,]\d{3}$/.test(written);
    let value = Number(isDecimal ? written.replace(',', '.') : written.replace(/\D/g, ''));
    let isRounded = false;
    for (const [unit, factor] of UNITS) {
      const found = unit.exec(text.slice(end));
      if (!found) continue;
      value = Math.round(value * factor);
      end += found[0].length;
      isRounded = true;
    }
    if (/^\s*\+/.test(text.slice(end))) isRounded = true;
    // A part of a word, as in “k2”, is no number.
    return /[\p{L}_]$/u.test(text.slice(0, start)) ? [] : [{ value, start, end, isRounded }];
  });
}

function isAside(text: string, { start, end }: FoundNumber): boolean {
  return BEFORE_PAGE.test(text.slice(0, start)) || AFTER_NOT_COUNT.test(text.slice(end));
}

/** “1–25 of 1,204”: what stands behind the range. */
function findRange(text: string, numbers: readonly FoundNumber[]): FoundNumber[] | undefined {
  const joins = new RegExp(`^\\s*(?:[-–—−]|to|bis|à|a|al|tot|do|till|\\.\\.\\.?|…)\\s*$`, 'iu');
  const of = new RegExp(`^[^\\d]*?(?:^|[\\s)])(?:${OF_WORDS})(?![\\p{L}])[^\\d]*$`, 'iu');
  for (const [at, from] of numbers.entries()) {
    const to = numbers[at + 1];
    if (!to || !joins.test(text.slice(from.end, to.start)) || from.value > to.value) continue;
    const total = numbers[at + 2];
    if (total && of.test(text.slice(to.end, total.start)) && total.value >= to.value) return [total];
    const [named, ...others] = chooseByWords(
      text,
      numbers.filter((number) => number !== from && number !== to),
    );
    if (named && others.length === 0) return [named];
    return [];
  }
  return undefined;
}

/** The number beside a word for results; else the only one. A second one says that it is not clear. */
function chooseByWords(text: string, numbers: readonly FoundNumber[]): FoundNumber[] {
  const behind = new RegExp(`^\\s*\\+?\\s*(?:[\\p{L}-]+\\s+){0,2}?(?:${RESULT_WORDS})(?![\\p{L}])`, 'iu');
  const before = new RegExp(
    `(?:${RESULT_WORDS})\\s*(?:found)?\\s*[:=(]?\\s*(?:(?:${ABOUT_WORDS})\\s*)?$`,
    'iu',
  );
  const named = numbers.filter(
    ({ start, end }) => behind.test(text.slice(end)) || before.test(text.slice(0, start)),
  );
  const found = named.length > 0 ? named : numbers;
  const different = found.filter(({ value }, at) => found.findIndex((other) => other.value === value) === at);
  return different.slice(0, 2);
}

function isAbout(text: string, { start }: FoundNumber): boolean {
  return new RegExp(`(?:^|[\\s(:])(?:${ABOUT_WORDS})\\s*$`, 'iu').test(text.slice(0, start));
}

function readNone(text: string, pasted: string): Outcome<ReadResultsLine> {
  const found = new RegExp(NONE_WORDS, 'iu').exec(text);
  return found
    ? succeed({ total: 0, estimated: false, at: [found.index, found.index + found[0].length] })
    : refuse(pasted, 'no number stands in it');
}
