import { isPlain, type Pattern, type QueryNode } from '../query';
import type { Dialect } from './dialect';
import { createPart, type StringPart } from './draft-string';
import { NARROWER, SAME, WIDER, joinDrifts, type Drift, type Reason } from './fidelity';
import { markField } from './fields';
import { MOST_SPELLINGS, isStopWord, mustQuote, writeWord } from './write-words';

type Spelling = ReturnType<typeof writeWord>['spellings'][number];
/** What a field mark can stand at: one item, words that must all stand somewhere, or a pair with a sign between. */
export type WordItem =
  | { readonly kind: 'one'; readonly text: string }
  | { readonly kind: 'all'; readonly texts: readonly string[] }
  | { readonly kind: 'pair'; readonly sign: string; readonly texts: readonly string[] };
/** The ways to write a leaf, any of which will do, with what they do to its meaning. */
export interface WrittenItems {
  readonly texts: readonly WordItem[];
  readonly drift: Drift;
  readonly reasons: readonly Reason[];
}

/** Marks an item: every single word of it where it is more than one. */
export function markItem(
  node: QueryNode,
  item: WordItem,
  code: string | undefined,
  dialect: Dialect,
): StringPart {
  const write = (text: string): string => (code === undefined ? text : markField(text, code, dialect));
  if (item.kind === 'one') return createPart(node, write(item.text));
  const joined = item.texts
    .map(write)
    .join(item.kind === 'all' ? ` ${dialect.operators.and.write} ` : ` ${item.sign} `);
  return createPart(node, joined, true);
}

/** A word in its spellings, quoted where it is an operator there. */
export function writeTerm(pattern: Pattern, dialect: Dialect): WrittenItems {
  const word = writeWord(pattern, dialect);
  const texts = word.spellings.map(({ text, plain }): WordItem => ({
    kind: 'one',
    text: plain && mustQuote(text, dialect) ? `"${text}"` : text,
  }));
  return { texts, drift: word.drift, reasons: word.reasons };
}

/** A phrase in its spellings, each in quotes or in the first of the dialect's fallbacks that fits. */
export function writePhrase(words: readonly Pattern[], dialect: Dialect): WrittenItems {
  const written = words.map((word) => writeWord(word, dialect));
  const reasons = written.flatMap((word) => word.reasons);
  let drift = joinDrifts(...written.map((word) => word.drift));
  if (dialect.stopWords.length > 0) {
    drift = joinDrifts(drift, WIDER);
    reasons.push({ code: 'stop-words-skipped', data: {} });
  }
  const lost = written.findIndex((word) => word.spellings.length === 0);
  if (lost >= 0) return { texts: [], drift: NARROWER, reasons };
  const variants = combine(written.map((word) => word.spellings));
  if (!variants)
    return { texts: [], drift: NARROWER, reasons: [...reasons, { code: 'too-many-forms', data: {} }] };
  const done = variants.map((spellings) => writePhraseVariant(spellings, words, dialect));
  return {
    texts: done.map((variant) => variant.item),
    drift: joinDrifts(drift, ...done.map((variant) => variant.drift)),
    reasons: [...reasons, ...uniqueReasons(done.flatMap((variant) => variant.reasons))],
  };
}

function writePhraseVariant(
  spellings: readonly Spelling[],
  words: readonly Pattern[],
  dialect: Dialect,
): { item: WordItem; drift: Drift; reasons: Reason[] } {
  const texts = spellings.map((spelling) => spelling.text);
  if (fitsQuotes(spellings, dialect))
    return { item: { kind: 'one', text: `"${texts.join(' ')}"` }, drift: SAME, reasons: [] };
  const anyOperator = texts.some((text) => mustQuote(text, dialect));
  for (const fallback of dialect.phrase.fallbacks) {
    if (fallback === 'side-by-side' && dialect.sideBySide === 'phrase' && !anyOperator) {
      return { item: { kind: 'one', text: texts.join(' ') }, drift: SAME, reasons: [] };
    }
    const [rule] = dialect.proximity;
    const small = words.some((word) => isStopWord(word, dialect));
    if (fallback === 'proximity' && rule && texts.length === 2 && !anyOperator && !small) {
      const sign = rule.sign.replace('{n}', rule.counts === 'between' ? '0' : '1');
      return {
        item: { kind: 'pair', sign, texts },
        drift: rule.ordered ? SAME : WIDER,
        reasons: rule.ordered ? [] : [{ code: 'phrase-as-pair', data: {} }],
      };
    }
  }
  const kept = texts.filter((_, at) => !isStopWord(words[at] ?? [], dialect));
  const quoted = kept.map((text) => (mustQuote(text, dialect) ? `"${text}"` : text));
  const item: WordItem =
    quoted.length === 1 ? { kind: 'one', text: quoted[0] ?? '' } : { kind: 'all', texts: quoted };
  return { item, drift: WIDER, reasons: [{ code: 'phrase-as-words', data: {} }] };
}

function fitsQuotes(spellings: readonly Spelling[], dialect: Dialect): boolean {
  const rule = dialect.phrase.wildcards;
  if (rule === 'all' || spellings.every((spelling) => spelling.plain)) return true;
  return (
    rule === 'last-word' && spellings.every((spelling, at) => !spelling.cut || at === spellings.length - 1)
  );
}

/** A side of a proximity: a word or a plain phrase; nothing if it cannot stand there. */
export function writeOperand(
  node: QueryNode,
  dialect: Dialect,
): { texts: string[]; drift: Drift; reasons: readonly Reason[] } | undefined {
  if (node.kind === 'term' && !isStopWord(node.pattern, dialect)) {
    const items = writeTerm(node.pattern, dialect);
    const texts = items.texts.flatMap((item) => (item.kind === 'one' ? [item.text] : []));
    return texts.length > 0 ? { texts, drift: items.drift, reasons: items.reasons } : undefined;
  }
  if (
    node.kind !== 'phrase' ||
    !node.words.every(isPlain) ||
    node.words.some((word) => isStopWord(word, dialect))
  )
    return undefined;
  return {
    texts: [`"${node.words.map((word) => writeWord(word, dialect).spellings[0]?.text ?? '').join(' ')}"`],
    drift: SAME,
    reasons: [],
  };
}

/** The patterns of a side of a proximity. */
export function listPatterns(node: QueryNode): Pattern[] {
  if (node.kind === 'or') return node.items.flatMap(listPatterns);
  if (node.kind === 'phrase') return [...node.words];
  return node.kind === 'term' ? [node.pattern] : [];
}

/** One of each list, in every combination; nothing if there are too many. */
function combine<T>(lists: readonly (readonly T[])[]): T[][] | undefined {
  let rows: T[][] = [[]];
  for (const list of lists) {
    rows = rows.flatMap((row) => list.map((item) => [...row, item]));
    if (rows.length > MOST_SPELLINGS) return undefined;
  }
  return rows;
}

/** Equal reasons once. */
export function uniqueReasons(reasons: readonly Reason[]): Reason[] {
  return [...new Map(reasons.map((reason) => [JSON.stringify(reason), reason])).values()];
}
