import { isPlain, printPattern, type NearNode, type Pattern, type QueryNode } from '../../query';
import type { Dialect, ProximityRule } from '../profile';
import { NARROWER, SAME, WIDER, joinShifts, type MeaningShift, type Reason } from '../profile';
import { markField, splitMark } from '../profile';
import { joinTrees, type Atom, type StringTree } from './string-tree';
import {
  MAX_FORMS,
  MAX_SPELLINGS,
  isStopWord,
  mustQuote,
  writeWord,
  type FindForms,
  type WrittenWord,
} from './write-words';

type Spelling = WrittenWord['spellings'][number];

/** What a field mark can stand at: one item, words that must all stand somewhere, or a pair. */
export type WordItem =
  | { readonly kind: 'one'; readonly text: string; readonly words: number }
  | { readonly kind: 'all'; readonly texts: readonly string[] }
  | { readonly kind: 'pair'; readonly form: string; readonly sides: readonly [WrittenSide, WrittenSide] };

/** A side of a pair: one of some texts, any of which will do. */
export interface WrittenSide {
  readonly texts: readonly string[];
  readonly words: number;
}

/** The ways to write a leaf, any of which will do, with what they do to its meaning. */
export interface WrittenItems {
  readonly texts: readonly WordItem[];
  readonly shift: MeaningShift;
  readonly reasons: readonly Reason[];
}

/** Marks an item: every single word of it where it is more than one. */
export function markItem(
  node: QueryNode,
  item: WordItem,
  code: string | undefined,
  dialect: Dialect,
): StringTree {
  const write = (text: string): string => (code === undefined ? text : markField(text, code, dialect));
  const atom = (text: string, words: number): Atom => ({ kind: 'atom', node, text, words });
  if (item.kind === 'one') return atom(write(item.text), item.words);
  if (item.kind === 'all')
    return joinTrees(
      node,
      'and',
      item.texts.map((text) => atom(write(text), 1)),
    );
  return markPair(node, item, code, dialect);
}

/** A pair is marked as a whole where a mark takes groups, else on both sides. */
function markPair(
  node: QueryNode,
  { form, sides }: WordItem & { kind: 'pair' },
  code: string | undefined,
  dialect: Dialect,
): StringTree {
  const isWhole = dialect.fields.marksGroups;
  const { or } = dialect.operators;
  const [a, b] = sides.map(({ texts }) => {
    const marked = texts.map((text) =>
      code === undefined || isWhole ? text : markField(text, code, dialect),
    );
    return marked.length === 1 ? (marked[0] ?? '') : `(${marked.join(` ${or.write} `)})`;
  });
  const text = form.replace('{a}', () => a ?? '').replace('{b}', () => b ?? '');
  const words = sides.reduce((sum, side) => sum + side.words, 0);
  const atom: Atom = { kind: 'atom', node, text, words, ...(form.startsWith('{a}') && { isLoose: true }) };
  if (code === undefined || !isWhole) return atom;
  const [before, after] = splitMark(code, dialect);
  return { kind: 'wrap', node, before, after, item: atom };
}

/** A word in its spellings, quoted where it is an operator there or would be found by its stem. */
export function writeTerm(pattern: Pattern, dialect: Dialect, findForms?: FindForms): WrittenItems {
  const word = writeWord(pattern, dialect, findForms);
  // A small word alone would have the whole string refused.
  const searched = word.spellings.filter(
    ({ text, plain }) => !plain || !isStopWord([{ kind: 'letters', text }], dialect),
  );
  const texts = searched.map((spelling): WordItem => ({
    kind: 'one',
    text: quoteWord(spelling, dialect),
    words: 1,
  }));
  return { texts, shift: word.shift, reasons: word.reasons };
}

function quoteWord({ text, plain, isStem }: Spelling, dialect: Dialect): string {
  const quotes = plain && !isStem && (dialect.stems === true || mustQuote(text, dialect));
  return quotes ? `"${text}"` : text;
}

/** A phrase in its spellings, each in quotes or in the first of the dialect's fallbacks that fits. */
export function writePhrase(
  words: readonly Pattern[],
  dialect: Dialect,
  findForms?: FindForms,
): WrittenItems {
  const signs = words.map((word) => writeWord(word, dialect));
  const fits = signs.every((word) => word.spellings.length > 0 && word.shift === SAME);
  const simple = combine(signs.map((word) => word.spellings));
  if (
    !(fits && simple?.every((spellings) => fitsQuotes(spellings, dialect))) &&
    dialect.phrase.fallbacks.includes('forms')
  ) {
    const listed = writePhraseForms(words, dialect, findForms);
    if (listed) return listed;
  }
  return writePhraseSigns(words, signs, dialect);
}

/** The phrase with every cut word in all its forms; nothing if they are not known or too many. */
function writePhraseForms(
  words: readonly Pattern[],
  dialect: Dialect,
  findForms: FindForms | undefined,
): WrittenItems | undefined {
  const written = words.map((word) =>
    isPlain(word) ? writeWord(word, dialect) : listForms(word, dialect, findForms),
  );
  if (!written.every((word) => word !== undefined)) return undefined;
  const variants = combine(
    written.map((word) => word.spellings),
    MAX_FORMS,
  );
  if (!variants) return undefined;
  return {
    texts: variants.map((spellings) => quotePhrase(spellings.map(({ text }) => text))),
    shift: dialect.stopWords.length > 0 ? WIDER : SAME,
    reasons: uniqueReasons(written.flatMap((word) => word.reasons)),
  };
}

function listForms(
  word: Pattern,
  dialect: Dialect,
  findForms: FindForms | undefined,
): WrittenWord | undefined {
  const plainOnly: Dialect = { ...dialect, wildcards: {}, stems: false };
  const written = writeWord(word, plainOnly, findForms);
  return written.shift === SAME && written.spellings.length > 0 ? written : undefined;
}

function quotePhrase(texts: readonly string[]): WordItem {
  return { kind: 'one', text: `"${texts.join(' ')}"`, words: texts.length };
}

function writePhraseSigns(
  words: readonly Pattern[],
  written: readonly WrittenWord[],
  dialect: Dialect,
): WrittenItems {
  const reasons = written.flatMap((word) => word.reasons);
  let shift = joinShifts(...written.map((word) => word.shift));
  if (dialect.stopWords.length > 0) {
    shift = joinShifts(shift, WIDER);
    reasons.push({ code: 'stop-words-skipped', data: {} });
  }
  if (written.some((word) => word.spellings.length === 0)) return { texts: [], shift: NARROWER, reasons };
  const variants = combine(written.map((word) => word.spellings));
  if (!variants)
    return { texts: [], shift: NARROWER, reasons: [...reasons, { code: 'too-many-forms', data: {} }] };
  const done = variants.map((spellings) => writePhraseVariant(spellings, words, dialect));
  return {
    texts: done.flatMap((variant) => (variant.item ? [variant.item] : [])),
    shift: joinShifts(shift, ...done.map((variant) => variant.shift)),
    reasons: [...reasons, ...uniqueReasons(done.flatMap((variant) => variant.reasons))],
  };
}

function writePhraseVariant(
  spellings: readonly Spelling[],
  words: readonly Pattern[],
  dialect: Dialect,
): { item?: WordItem; shift: MeaningShift; reasons: readonly Reason[] } {
  const texts = spellings.map((spelling) => spelling.text);
  if (fitsQuotes(spellings, dialect)) return { item: quotePhrase(texts), shift: SAME, reasons: [] };
  const anyOperator = texts.some((text) => mustQuote(text, dialect));
  for (const fallback of dialect.phrase.fallbacks) {
    if (fallback === 'and') break;
    if (fallback === 'side-by-side' && dialect.sideBySide === 'phrase' && !anyOperator)
      return { item: { kind: 'one', text: texts.join(' '), words: texts.length }, shift: SAME, reasons: [] };
    if (fallback === 'uncut') {
      const uncut = writeUncut(words);
      if (uncut) return uncut;
    }
    const small = words.some((word) => isStopWord(word, dialect));
    const pair = fallback === 'proximity' && !anyOperator && !small ? writeAsPair(texts, dialect) : undefined;
    if (pair) return pair;
    if (fallback === 'leave-out')
      return { shift: NARROWER, reasons: [{ code: 'phrase-left-out', data: {} }] };
  }
  const kept = spellings.filter((_, at) => !isStopWord(words[at] ?? [], dialect));
  const quoted = kept.map((spelling) => quoteWord(spelling, dialect));
  const item: WordItem =
    quoted.length === 1 ? { kind: 'one', text: quoted[0] ?? '', words: 1 } : { kind: 'all', texts: quoted };
  return { item, shift: WIDER, reasons: [{ code: 'phrase-as-words', data: {} }] };
}

/** The phrase with its cut words as they stand before the cut: it finds fewer. */
function writeUncut(
  words: readonly Pattern[],
): { item: WordItem; shift: MeaningShift; reasons: readonly Reason[] } | undefined {
  const bare = words.map((word) => (word.at(-1)?.kind === 'any' ? word.slice(0, -1) : word));
  if (!bare.every((word) => word.length > 0 && isPlain(word))) return undefined;
  const texts = bare.map((word) => printPattern(word));
  return { item: quotePhrase(texts), shift: NARROWER, reasons: [{ code: 'phrase-uncut', data: {} }] };
}

function writeAsPair(
  texts: readonly string[],
  dialect: Dialect,
): { item: WordItem; shift: MeaningShift; reasons: readonly Reason[] } | undefined {
  const rule = dialect.proximity.find(({ ordered }) => ordered) ?? dialect.proximity[0];
  const [a, b, more] = texts;
  if (!rule || a === undefined || b === undefined || more !== undefined) return undefined;
  const form = rule.form.replace('{n}', rule.counts === 'between' ? '0' : '1');
  const sides = [a, b].map((text) => ({ texts: [text], words: 1 })) as unknown as [WrittenSide, WrittenSide];
  return {
    item: { kind: 'pair', form, sides },
    shift: rule.ordered ? SAME : WIDER,
    reasons: rule.ordered ? [] : [{ code: 'phrase-as-pair', data: {} }],
  };
}

function fitsQuotes(spellings: readonly Spelling[], dialect: Dialect): boolean {
  const rule = dialect.phrase.wildcards;
  if (spellings.some((spelling) => spelling.isStem)) return false;
  if (rule === 'all' || spellings.every((spelling) => spelling.plain)) return true;
  return (
    rule === 'last-word' && spellings.every((spelling, at) => !spelling.cut || at === spellings.length - 1)
  );
}

/** A side of a proximity: a word or a phrase; nothing if it cannot stand there. */
export function writeOperand(
  node: QueryNode,
  dialect: Dialect,
  rule: ProximityRule,
  findForms?: FindForms,
): (WrittenSide & { shift: MeaningShift; reasons: readonly Reason[] }) | undefined {
  if (node.kind === 'term' && !isStopWord(node.pattern, dialect)) {
    const items = writeTerm(node.pattern, dialect, findForms);
    const texts = items.texts.flatMap((item) => (item.kind === 'one' ? [item.text] : []));
    if (rule.operands === 'words' && texts.some((text) => !isPlainText(text, dialect))) return undefined;
    return texts.length > 0
      ? { texts, words: texts.length, shift: items.shift, reasons: items.reasons }
      : undefined;
  }
  if (node.kind !== 'phrase' || rule.operands === 'words') return undefined;
  if (node.words.some((word) => isStopWord(word, dialect))) return undefined;
  const written = node.words.map((word) => writeWord(word, dialect));
  const spellings = written.map((word) => word.spellings[0]);
  if (!written.every((word) => word.shift === SAME && word.spellings.length === 1)) return undefined;
  const known = spellings.filter((spelling) => spelling !== undefined);
  if (!fitsQuotes(known, dialect)) return undefined;
  const text = `"${known.map((spelling) => spelling.text).join(' ')}"`;
  return { texts: [text], words: known.length, shift: SAME, reasons: [] };
}

function isPlainText(text: string, dialect: Dialect): boolean {
  const signs = Object.values(dialect.wildcards).map((rule) => rule.sign);
  return !text.includes('"') && !signs.some((sign) => text.includes(sign));
}

/** The patterns of a side of a proximity. */
export function listPatterns(node: QueryNode): Pattern[] {
  if (node.kind === 'or') return node.items.flatMap(listPatterns);
  if (node.kind === 'phrase') return [...node.words];
  return node.kind === 'term' ? [node.pattern] : [];
}

/** One of each list, in every combination; nothing if there are too many. */
function combine<T>(lists: readonly (readonly T[])[], most = MAX_SPELLINGS): T[][] | undefined {
  let rows: T[][] = [[]];
  for (const list of lists) {
    rows = rows.flatMap((row) => list.map((item) => [...row, item]));
    if (rows.length > most) return undefined;
  }
  return rows;
}

/** Equal reasons once. */
export function uniqueReasons(reasons: readonly Reason[]): Reason[] {
  return [...new Map(reasons.map((reason) => [JSON.stringify(reason), reason])).values()];
}

/** Words right beside each other as phrases, which say the same: in both orders, or in the one that is asked for. */
export function listPhrases({ left, right, distance, ordered }: NearNode): Pattern[][] | undefined {
  if (distance !== 1) return undefined;
  const [before, after] = [left, right].map((side) => {
    const items = side.kind === 'or' ? side.items : [side];
    return items.every(({ kind }) => kind === 'term' || kind === 'phrase')
      ? items.map(listPatterns)
      : undefined;
  });
  if (!before || !after || before.length * after.length > MAX_SPELLINGS) return undefined;
  const join = (
    some: readonly (readonly Pattern[])[],
    others: readonly (readonly Pattern[])[],
  ): Pattern[][] => some.flatMap((a) => others.map((b) => [...a, ...b]));
  return ordered ? join(before, after) : [...join(before, after), ...join(after, before)];
}
