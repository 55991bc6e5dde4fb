import {
  countLetters,
  createMatcher,
  isPlain,
  mergeParts,
  printPattern,
  type Pattern,
  type PatternPart,
} from '../../query';
import type { Dialect, WildcardRule } from '../profile';
import { NARROWER, SAME, WIDER, joinShifts, type MeaningShift, type Reason } from '../profile';

/** The most spellings that one word is written out to. */
export const MAX_SPELLINGS = 16;
/** The most word forms from an index that are written in the place of a cut word. */
export const MAX_FORMS = 60;

/** A word in a dialect's signs: its spellings (any of them), or none if it cannot be written. */
export interface WrittenWord {
  readonly spellings: readonly {
    readonly text: string;
    readonly cut: boolean;
    readonly plain: boolean;
    /** It must not be quoted: it stands for other endings of its stem, too. */
    readonly isStem?: boolean;
  }[];
  readonly shift: MeaningShift;
  readonly reasons: readonly Reason[];
}

const UNWRITABLE = (code: Reason['code']): WrittenWord => ({
  spellings: [],
  shift: NARROWER,
  reasons: [{ code, data: {} }],
});

/** The forms of a pattern in a database's index, as they were at some moment; nothing if they are not known. */
export interface FormList {
  readonly forms: readonly string[];
  /** The day, ISO 8601, on which the index was asked. */
  readonly day: string;
}

/** Gives the forms of a pattern in the database at hand. */
export type FindForms = (pattern: Pattern) => FormList | undefined;

/** Writes a pattern with the dialect's wildcards, spelling out or cutting what it has no sign for. */
export function writeWord(pattern: Pattern, dialect: Dialect, findForms?: FindForms): WrittenWord {
  const written = writeWithSigns(pattern, dialect);
  if (written.shift === SAME && written.spellings.length > 0) return written;
  const listed = isPlain(pattern) || !spellsForms(dialect) ? undefined : findForms?.(pattern);
  return (listed && writeForms(listed, dialect)) ?? written;
}

/** True for a dialect in which cut words are written as the forms that an index has. */
export function spellsForms({ phrase }: Dialect): boolean {
  return phrase.fallbacks.includes('forms');
}

/** The forms themselves; not if there are none or more than the bound. */
function writeForms({ forms, day }: FormList, dialect: Dialect): WrittenWord | undefined {
  const most = Math.min(MAX_FORMS, dialect.most.words ?? MAX_FORMS);
  if (forms.length === 0 || forms.length > most) return undefined;
  return {
    spellings: forms.map((text) => ({ text, cut: false, plain: true })),
    shift: SAME,
    reasons: [{ code: 'forms-listed', data: { count: forms.length, day } }],
  };
}

function writeWithSigns(pattern: Pattern, dialect: Dialect): WrittenWord {
  const { maybe } = dialect.wildcards;
  const spelled = maybe?.means === 'letter-behind' ? [pattern] : spellOut(pattern);
  const patterns = spelled ?? (maybe ? [pattern] : undefined);
  if (!patterns) return UNWRITABLE('too-many-forms');
  const reasons: Reason[] = [];
  let shift: MeaningShift = SAME;
  const spellings: WrittenWord['spellings'][number][] = [];
  for (const one of patterns) {
    const fitted = fitWildcards(one, dialect) ?? fitStem(one, dialect);
    if (!fitted) return UNWRITABLE('wildcard-missing');
    reasons.push(...fitted.reasons);
    shift = joinShifts(shift, fitted.shift);
    const plain = isPlain(fitted.pattern);
    spellings.push({
      text: writeSigns(fitted.pattern, dialect),
      cut: fitted.pattern.some((part) => part.kind === 'any'),
      plain,
      ...(fitted.isStem && { isStem: true }),
    });
  }
  if (!spelled) {
    shift = joinShifts(shift, WIDER);
    reasons.push({ code: 'any-character', data: {} });
  }
  return { spellings: dropRepeats(spellings), shift, reasons: dropRepeats(reasons) };
}

/** What the database's handling of words does to any word, and to a pattern that may match a small word. */
export function describeWordHabits(
  patterns: readonly Pattern[],
  dialect: Dialect,
): { shift: MeaningShift; reasons: Reason[] } {
  const reasons: Reason[] = [];
  let shift: MeaningShift = SAME;
  if (dialect.joinsHyphens) {
    // Cut words bring joined ones along; what a whole word finds more is seen in the query: see `findJointShift`.
    const isCut = patterns.flat().some(({ kind }) => kind === 'any' || kind === 'one');
    if (isCut) shift = joinShifts(shift, WIDER);
    reasons.push({ code: 'hyphens-joined', data: {} });
  }
  const loses = patterns.some(
    (pattern) => !isPlain(pattern) && dialect.stopWords.some(createMatcher(pattern)),
  );
  if (loses) {
    shift = joinShifts(shift, NARROWER);
    reasons.push({ code: 'stop-word', data: {} });
  }
  return { shift, reasons };
}

/** True for a plain word that the database drops. */
export function isStopWord(pattern: Pattern, dialect: Dialect): boolean {
  return isPlain(pattern) && dialect.stopWords.some(createMatcher(pattern));
}

/** True for a word that must be quoted, because bare it is an operator or otherwise reserved. */
export function mustQuote(text: string, dialect: Dialect): boolean {
  const operators = Object.values(dialect.operators).flatMap((operator) =>
    operator.read.flatMap((words) => words.split(' ')).map((word) => ({ word, anyCase: operator.anyCase })),
  );
  const reserved = dialect.reservedWords.map((word) => ({ word, anyCase: true }));
  return [...operators, ...reserved].some(({ word, anyCase }) =>
    anyCase ? word.toLowerCase() === text.toLowerCase() : word === text,
  );
}

/** Every reading of the letters that may be there; nothing if there are too many. */
function spellOut(pattern: Pattern): Pattern[] | undefined {
  let forms: PatternPart[][] = [[]];
  for (const part of pattern) {
    const choices: PatternPart[][] =
      part.kind === 'maybe' ? [[], [{ kind: 'letters', text: part.letter }]] : [[part]];
    forms = forms.flatMap((form) => choices.map((choice) => [...form, ...choice]));
    if (forms.length > MAX_SPELLINGS) return undefined;
  }
  return forms.map(mergeParts);
}

interface Fitted {
  readonly pattern: Pattern;
  readonly isStem?: true;
  readonly shift: MeaningShift;
  readonly reasons: readonly Reason[];
}

function fitWildcards(pattern: Pattern, dialect: Dialect): Fitted | undefined {
  const { any } = dialect.wildcards;
  const bad = pattern.findIndex((part, at) => !isAllowed(part, at, pattern, dialect));
  if (bad >= 0) {
    if (!any || pattern.some((part, at) => at < bad && part.kind === 'any')) return undefined;
    const cut: Pattern = [...pattern.slice(0, bad), { kind: 'any' }];
    if (!hasLetters(cut, any) || !cut.every((part, at) => isAllowed(part, at, cut, dialect)))
      return undefined;
    return withCap({ pattern: cut, shift: WIDER, reasons: [{ code: 'truncation-moved', data: {} }] }, any);
  }
  const cut = pattern.some((part) => part.kind === 'any');
  if (!cut || !any) return { pattern, shift: SAME, reasons: [] };
  if (hasLetters(pattern, any)) return withCap({ pattern, shift: SAME, reasons: [] }, any);
  const bare = pattern.filter((part) => part.kind !== 'any');
  // Without its ending the word still matches itself; without a beginning or a middle it would match something else.
  if (pattern.at(-1)?.kind !== 'any' || bare.length !== pattern.length - 1 || bare.length === 0)
    return undefined;
  return {
    pattern: bare,
    shift: NARROWER,
    reasons: [{ code: 'truncation-too-short', data: { least: any.leastLetters } }],
  };
}

/** Where words are found by their stems, a cut word without any other wildcard is left to that. */
function fitStem(pattern: Pattern, dialect: Dialect): Fitted | undefined {
  if (!dialect.stems || pattern.at(-1)?.kind !== 'any') return undefined;
  const bare = pattern.slice(0, -1);
  if (bare.length === 0 || !isPlain(bare)) return undefined;
  return {
    pattern: bare,
    isStem: true,
    shift: joinShifts(WIDER, NARROWER),
    reasons: [{ code: 'stem-instead', data: {} }],
  };
}

function withCap(fitted: Fitted, any: WildcardRule): Fitted {
  if (any.cap === undefined) return fitted;
  const reason: Reason = { code: 'truncation-capped', data: { cap: any.cap } };
  return { ...fitted, shift: joinShifts(fitted.shift, NARROWER), reasons: [...fitted.reasons, reason] };
}

function hasLetters(pattern: Pattern, rule: WildcardRule): boolean {
  return countLetters(pattern) >= rule.leastLetters;
}

function isAllowed(part: PatternPart, at: number, pattern: Pattern, dialect: Dialect): boolean {
  if (part.kind === 'letters') return true;
  const rule = dialect.wildcards[part.kind];
  if (!rule) return false;
  if (rule.where === 'end') return at === pattern.length - 1 && at > 0;
  return rule.where === 'anywhere' || at > 0;
}

function writeSigns(pattern: Pattern, dialect: Dialect): string {
  return pattern
    .map((part) => {
      if (part.kind === 'letters') return part.text;
      const sign = dialect.wildcards[part.kind]?.sign ?? '';
      const isBefore = part.kind === 'maybe' && dialect.wildcards.maybe?.means === 'letter-behind';
      return isBefore ? sign + printPattern([{ kind: 'letters', text: part.letter }]) : sign;
    })
    .join('');
}

function dropRepeats<T>(items: readonly T[]): T[] {
  const seen = new Map(items.map((item) => [JSON.stringify(item), item]));
  return [...seen.values()];
}
