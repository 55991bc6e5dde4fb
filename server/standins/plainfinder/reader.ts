import { markStem, maskFields, type FieldMask, type SetExpression } from '#core/collection/index';
import { foldLetters, splitWords } from '#core/text/index';
import type { Pattern } from '#core/query/index';
import { Scanner } from '../scanner';
import { refuse } from '../string-fault';
import { createWords, rememberPatterns } from '../words';
import { stemWord } from './stem';

const UNMARKED = maskFields(['title', 'abstract', 'keywords']);
const TITLE = maskFields(['title']);
const MAX_WORDS = 24;
const splitQuoted = rememberPatterns((raw) => listWords(raw).map(letters));
const splitStems = rememberPatterns((raw) => listWords(raw).map((word) => letters(markStem(stemWord(word)))));

/** What Plainfinder makes of a string, with what it tells the person about it. */
export interface PlainfinderReading {
  readonly expression: SetExpression;
  readonly notes: readonly string[];
}

/** Plainfinder's own reader: everything ANDed, | for any, - for without, one level of brackets; hardly anything is refused. */
export function readPlainfinder(text: string): PlainfinderReading {
  const scanner = new Scanner(text);
  if (scanner.isAtEnd()) refuse('nothing', 0, text.length, 'Type what you are looking for.');
  const reader = new Reader(scanner);
  const expression = reader.readRow(false);
  if (!scanner.isAtEnd()) refuse('bracket-stray', scanner.at, scanner.at + 1, 'There is a bracket too many.');
  if (!expression)
    return refuse('nothing', 0, text.length, 'Type a word to look for, not only words to leave out.');
  const notes =
    reader.words > MAX_WORDS
      ? [`Only the first ${MAX_WORDS} words were searched; ${reader.words - MAX_WORDS} were left out.`]
      : [];
  return { expression, notes };
}

class Reader {
  /** The words so far; those beyond the limit are read and left out. */
  words = 0;

  constructor(private readonly scanner: Scanner) {}

  /** Items side by side, all of which must be there; | between two of them binds tighter. */
  readRow(isInside: boolean): SetExpression | undefined {
    const wanted: SetExpression[] = [];
    const unwanted: SetExpression[] = [];
    for (;;) {
      if (this.scanner.isAtEnd() || this.scanner.sees(')')) break;
      const minus = this.takeMinus();
      const item = minus ? this.readWords(UNMARKED, true) : this.readAny(isInside);
      if (item) (minus ? unwanted : wanted).push(item);
    }
    const [first] = wanted;
    if (!first) return undefined;
    const include: SetExpression = wanted.length === 1 ? first : { kind: 'and', items: wanted };
    if (unwanted.length === 0) return include;
    return { kind: 'not', include, exclude: { kind: 'or', items: unwanted } };
  }

  private takeMinus(): boolean {
    const { scanner } = this;
    const start = scanner.at;
    if (!scanner.take(/-(?=\S)/y)) return false;
    if (scanner.look(/\(/y))
      refuse(
        'minus-bracket',
        start,
        start + 2,
        'A minus stands before a word or a phrase, not before a bracket.',
      );
    return true;
  }

  private readAny(isInside: boolean): SetExpression | undefined {
    const items = [this.readItem(isInside)];
    while (this.scanner.takeSign('|')) items.push(this.readItem(isInside));
    const known = items.filter((item) => item !== undefined);
    return known.length < 2 ? known[0] : { kind: 'or', items: known };
  }

  private readItem(isInside: boolean): SetExpression | undefined {
    const { scanner } = this;
    scanner.skipBlanks();
    const start = scanner.at;
    if (scanner.isAtEnd() || scanner.look(/[|)]/y))
      return refuse('missing', start, start + 1, 'A word is missing beside |.');
    if (scanner.takeSign('(')) {
      if (isInside) refuse('bracket-deep', start, start + 1, 'Brackets cannot stand inside brackets.');
      return scanner.enclose(start, () => this.readRow(true));
    }
    if (scanner.take(/title:/iy)) return this.readWords(TITLE, false);
    return this.readWords(UNMARKED, false);
  }

  /** A word by its stem, or what stands in quotation marks exactly. */
  private readWords(fields: FieldMask, isUnwanted: boolean): SetExpression | undefined {
    const { scanner } = this;
    scanner.skipBlanks();
    const start = scanner.at;
    if (isUnwanted && scanner.take(/title:/iy)) return this.readWords(TITLE, true);
    const quote = scanner.take(/"([^"]*)("?)/y);
    if (quote && quote[2] !== '"') refuse('quote', start, scanner.at, 'A quotation mark has no partner.');
    const raw = quote?.[1] ?? scanner.take(/[^\s()"|]+/y)?.[0];
    if (raw === undefined) return refuse('missing', start, start + 1, 'A word is missing here.');
    const words = quote ? splitQuoted(raw) : splitStems(raw);
    const room = Math.max(0, MAX_WORDS - this.words);
    this.words += words.length;
    if (words.length === 0 || room === 0) return undefined;
    return createWords(words.length > room ? words.slice(0, room) : words, fields);
  }
}

function listWords(raw: string): string[] {
  return splitWords(raw).map(({ text }) => foldLetters(text));
}

function letters(text: string): Pattern {
  return [{ kind: 'letters', text }];
}
