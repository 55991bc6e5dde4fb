import { createHeadingKey, foldLetters } from '../text';
import { DEFAULT_FIELDS, type Field } from './field-table';
import type { QueryNode } from './node';
import type { Pattern } from './pattern';
import { holdsRange } from './properties';

/** What is known beyond the two texts. */
export interface CoverSettings {
  /** The labels of a heading and of all below it, in a vocabulary or in whatever one is meant. */
  readonly listBranch?: (label: string, vocabulary: string | undefined) => readonly string[];
  /** The fields that both pieces stand in; without it, the default ones. */
  readonly within?: readonly Field[];
}

/**
 * True if every record that `narrow` finds is found by `wide` too, by the neutral meaning alone. It may
 * say no where that is so but hard to see; it never says yes where it is not.
 */
export function covers(wide: QueryNode, narrow: QueryNode, settings: CoverSettings = {}): boolean {
  const { within = DEFAULT_FIELDS } = settings;
  return check(wide, narrow, within, within, settings);
}

/**
 * Letters that stand in whatever the words of a query find; nothing if that is not easily said. A piece
 * whose text lacks them is not covered: a quick look before a long one.
 */
export function findAnchor(node: QueryNode): string | undefined {
  if (node.kind === 'fielded') return findAnchor(node.item);
  const patterns = node.kind === 'term' ? [node.pattern] : node.kind === 'phrase' ? node.words : [];
  const parts = patterns.flat().flatMap((part) => (part.kind === 'letters' ? [foldLetters(part.text)] : []));
  return parts.sort((a, b) => b.length - a.length)[0];
}

function check(
  wide: QueryNode,
  narrow: QueryNode,
  wideFields: readonly Field[],
  narrowFields: readonly Field[],
  settings: CoverSettings,
): boolean {
  if (wide.kind === 'fielded') return check(wide.item, narrow, wide.fields, narrowFields, settings);
  if (narrow.kind === 'fielded') return check(wide, narrow.item, wideFields, narrow.fields, settings);
  if (narrow.kind === 'or')
    return narrow.items.every((item) => check(wide, item, wideFields, narrowFields, settings));
  if (wide.kind === 'or')
    return wide.items.some((item) => check(item, narrow, wideFields, narrowFields, settings));
  if (narrow.kind === 'and')
    return narrow.items.some((item) => check(wide, item, wideFields, narrowFields, settings));
  if (narrow.kind === 'not') return check(wide, narrow.include, wideFields, narrowFields, settings);
  if (narrow.kind === 'only' || narrow.kind === 'off' || wide.kind === 'only' || wide.kind === 'off')
    return false;
  if (wide.kind === 'heading' || narrow.kind === 'heading')
    return wide.kind === 'heading' && narrow.kind === 'heading' && coversHeading(wide, narrow, settings);
  if (isProperty(wide) || isProperty(narrow)) return coversProperty(wide, narrow);
  if (!holdsFields(wideFields, narrowFields)) return false;
  const wideWords = readWords(wide);
  if (!wideWords) return wide.kind === 'near' && coversNear(wide, narrow);
  if (narrow.kind === 'near') {
    return [narrow.left, narrow.right].some((side) => check(wide, side, wideFields, narrowFields, settings));
  }
  const narrowWords = readWords(narrow);
  return narrowWords !== undefined && coversWords(wideWords, narrowWords);
}

function isProperty(node: QueryNode): boolean {
  return node.kind === 'range' || node.kind === 'value';
}

function coversProperty(wide: QueryNode, narrow: QueryNode): boolean {
  if (wide.kind === 'range' && narrow.kind === 'range') return holdsRange(wide, narrow);
  return (
    wide.kind === 'value' &&
    narrow.kind === 'value' &&
    wide.property === narrow.property &&
    wide.value === narrow.value
  );
}

type HeadingLike = QueryNode & { kind: 'heading' };

function coversHeading(wide: HeadingLike, narrow: HeadingLike, { listBranch }: CoverSettings): boolean {
  if (wide.vocabulary !== undefined && wide.vocabulary !== narrow.vocabulary) return false;
  const [a, b] = [createHeadingKey(wide.label), createHeadingKey(narrow.label)];
  // A qualified heading is one of that heading's; whether it is counted as the heading is each index's own affair.
  if (wide.qualifier !== undefined || narrow.qualifier !== undefined)
    return a === b && wide.scope === narrow.scope && wide.qualifier === narrow.qualifier;
  if (wide.scope === 'focus') return narrow.scope === 'focus' && a === b;
  if (narrow.scope !== 'branch' && a === b) return true;
  if (wide.scope !== 'branch') return false;
  if (a === b) return true;
  const below = listBranch?.(wide.label, narrow.vocabulary ?? wide.vocabulary) ?? [];
  return below.some((label) => createHeadingKey(label) === b);
}

function holdsFields(wide: readonly Field[], narrow: readonly Field[]): boolean {
  return wide.includes('text') || narrow.every((field) => wide.includes(field));
}

function readWords(node: QueryNode): readonly Pattern[] | undefined {
  if (node.kind === 'term') return [node.pattern];
  return node.kind === 'phrase' ? node.words : undefined;
}

/** The wide words stand somewhere within the narrow ones, each covering its own. */
function coversWords(wide: readonly Pattern[], narrow: readonly Pattern[]): boolean {
  for (let at = 0; at + wide.length <= narrow.length; at++) {
    if (wide.every((pattern, offset) => coversPattern(pattern, narrow[at + offset] ?? []))) return true;
  }
  return false;
}

/** A phrase or a nearness within a wider nearness of the same two words. */
function coversNear(wide: QueryNode & { kind: 'near' }, narrow: QueryNode): boolean {
  const sides = [readWords(wide.left), readWords(wide.right)];
  const [left, right] = sides;
  if (left?.length !== 1 || right?.length !== 1) return false;
  const meets = (first: readonly Pattern[], second: readonly Pattern[], ordered: boolean): boolean =>
    (coversWords(left, first) && coversWords(right, second)) ||
    (!ordered && coversWords(right, first) && coversWords(left, second));
  if (narrow.kind === 'near') {
    const [a, b] = [readWords(narrow.left), readWords(narrow.right)];
    if (a?.length !== 1 || b?.length !== 1 || narrow.distance > wide.distance) return false;
    return meets(a, b, wide.ordered) && (!wide.ordered || narrow.ordered);
  }
  const words = readWords(narrow);
  const [first, second] = words ?? [];
  return (
    words?.length === 2 &&
    first !== undefined &&
    second !== undefined &&
    meets([first], [second], wide.ordered)
  );
}

type Step = 'any' | 'one' | { readonly letter: string } | { readonly maybe: string };
/** The most pairs of states that are looked at. */
const MAX_STATES = 4_000;
/** A letter that neither pattern names. */
const OTHER = '\u0000';

/** True if every word that `narrow` matches is matched by `wide`: inclusion of two small automata. */
export function coversPattern(wide: Pattern, narrow: Pattern): boolean {
  const [wideSteps, narrowSteps] = [readSteps(wide), readSteps(narrow)];
  const letters = new Set([OTHER]);
  for (const step of [...wideSteps, ...narrowSteps]) {
    if (typeof step === 'object') letters.add('letter' in step ? step.letter : step.maybe);
  }
  const start = [close(narrowSteps, [0]), close(wideSteps, [0])] as const;
  const seen = new Set([`${start[0].join()}|${start[1].join()}`]);
  const open = [start];
  for (let state = open.pop(); state; state = open.pop()) {
    const [inNarrow, inWide] = state;
    if (inNarrow.includes(narrowSteps.length) && !inWide.includes(wideSteps.length)) return false;
    for (const letter of letters) {
      const nextNarrow = advance(narrowSteps, inNarrow, letter);
      if (nextNarrow.length === 0) continue;
      const nextWide = advance(wideSteps, inWide, letter);
      const key = `${nextNarrow.join()}|${nextWide.join()}`;
      if (seen.has(key)) continue;
      if (seen.size >= MAX_STATES) return false;
      seen.add(key);
      open.push([nextNarrow, nextWide]);
    }
  }
  return true;
}

function readSteps(pattern: Pattern): Step[] {
  return pattern.flatMap((part): Step[] => {
    if (part.kind === 'letters') return [...foldLetters(part.text)].map((letter) => ({ letter }));
    return [part.kind === 'maybe' ? { maybe: foldLetters(part.letter) } : part.kind];
  });
}

function close(steps: readonly Step[], places: readonly number[]): number[] {
  const reached = new Set(places);
  for (const at of reached) {
    const step = steps[at];
    if (step === 'any' || (typeof step === 'object' && 'maybe' in step)) reached.add(at + 1);
  }
  return [...reached].sort((a, b) => a - b);
}

function advance(steps: readonly Step[], places: readonly number[], sign: string): number[] {
  const next: number[] = [];
  for (const at of places) {
    const step = steps[at];
    if (step === undefined) continue;
    if (step === 'any') next.push(at);
    else if (step === 'one' || ('letter' in step ? step.letter : step.maybe) === sign) next.push(at + 1);
  }
  return close(steps, next);
}
