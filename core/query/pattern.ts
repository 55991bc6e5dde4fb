import { foldLetters } from '../text';

/** A piece of a word as it is searched: letters, or one of the three wildcards. */
export type PatternPart =
  | { readonly kind: 'letters'; readonly text: string }
  | { readonly kind: 'any' }
  | { readonly kind: 'one' }
  | { readonly kind: 'maybe'; readonly letter: string };

/** A word as it is searched. Letters keep the case that was typed; matching folds. */
export type Pattern = readonly PatternPart[];

/** A pattern of letters only. */
export function createWordPattern(text: string): Pattern {
  return [{ kind: 'letters', text }];
}

/** Joins neighbouring letters and neighbouring `*`, so that equal patterns look equal. */
export function mergeParts(parts: readonly PatternPart[]): Pattern {
  const merged: PatternPart[] = [];
  for (const part of parts) {
    const last = merged.at(-1);
    if (part.kind === 'letters' && last?.kind === 'letters') {
      merged[merged.length - 1] = { kind: 'letters', text: last.text + part.text };
    } else if (!(part.kind === 'any' && last?.kind === 'any')) merged.push(part);
  }
  return merged;
}

/** The pattern in Ewer's own signs: `l*ght`, `wom?n`, `colo[u]r`. */
export function printPattern(pattern: Pattern): string {
  const [first] = pattern;
  if (pattern.length === 1 && first?.kind === 'letters') return first.text;
  return pattern
    .map((part) => {
      if (part.kind === 'letters') return part.text;
      if (part.kind === 'maybe') return `[${part.letter}]`;
      return part.kind === 'any' ? '*' : '?';
    })
    .join('');
}

/** The number of letters that the pattern fixes. */
export function countLetters(pattern: Pattern): number {
  return pattern.reduce((sum, part) => sum + (part.kind === 'letters' ? [...part.text].length : 0), 0);
}

/** True if the pattern is a plain word. */
export function isPlain(pattern: Pattern): boolean {
  if (pattern.length === 1) return pattern[0]?.kind === 'letters';
  return pattern.every((part) => part.kind === 'letters');
}

/** The folded letters before the first wildcard. */
export function findPrefix(pattern: Pattern): string {
  const first = pattern[0];
  return first?.kind === 'letters' ? foldLetters(first.text) : '';
}

/** The folded letters behind the last wildcard. */
export function findSuffix(pattern: Pattern): string {
  const last = pattern.at(-1);
  return last?.kind === 'letters' ? foldLetters(last.text) : '';
}

/** A letter, or what stands for letters. */
type Step = { readonly letter: string } | 'any' | 'one' | { readonly maybe: string };

/**
 * A test for folded words. Runs in time (letters × parts) whatever the wildcards: the set of
 * places reached in the pattern is carried along the word.
 */
export function createMatcher(pattern: Pattern): (word: string) => boolean {
  if (isPlain(pattern)) {
    const whole = foldLetters(printPattern(pattern));
    return (word) => word === whole;
  }
  if (pattern.length === 2 && pattern[0]?.kind === 'letters' && pattern[1]?.kind === 'any') {
    const prefix = foldLetters(pattern[0].text);
    return (word) => word.startsWith(prefix);
  }
  const steps: Step[] = pattern.flatMap((part): Step[] => {
    if (part.kind === 'letters') return [...foldLetters(part.text)].map((letter) => ({ letter }));
    if (part.kind === 'maybe') return [{ maybe: foldLetters(part.letter) }];
    return [part.kind];
  });
  if (steps.length <= MAX_BITS) return createBitMatcher(steps);
  return (word) => matchSteps(steps, word);
}

/** Places of a pattern that fit the bits of a number, the one behind the last among them. */
const MAX_BITS = 30;

/** Follows all places that a word can have reached in the pattern at once, a bit each: a large index has many words. */
function createBitMatcher(steps: readonly Step[]): (word: string) => boolean {
  const mask = (is: (step: Step) => boolean): number =>
    steps.reduce((bits, step, at) => (is(step) ? bits | (1 << at) : bits), 0);
  const any = mask((step) => step === 'any');
  const one = mask((step) => step === 'one');
  const optional = mask((step) => step === 'any' || (typeof step === 'object' && 'maybe' in step));
  const letters = new Map<number, number>();
  steps.forEach((step, at) => {
    if (typeof step === 'string') return;
    const sign = ('letter' in step ? step.letter : step.maybe).codePointAt(0) ?? 0;
    letters.set(sign, (letters.get(sign) ?? 0) | (1 << at));
  });
  /** Adds the places that are reached without a further letter. */
  const close = (reached: number): number => {
    let wider = reached | ((reached & optional) << 1);
    while (wider !== reached) {
      reached = wider;
      wider = reached | ((reached & optional) << 1);
    }
    return wider;
  };
  const start = close(1);
  const end = 1 << steps.length;
  return (word) => {
    let reached = start;
    for (let at = 0; at < word.length; at++) {
      const sign = word.codePointAt(at) ?? 0;
      if (sign > 0xffff) at++;
      const next = (reached & any) | ((reached & (one | (letters.get(sign) ?? 0))) << 1);
      if (next === 0) return false;
      reached = close(next);
    }
    return (reached & end) !== 0;
  };
}

function matchSteps(steps: readonly Step[], word: string): boolean {
  let reached = closeOver(steps, new Set([0]));
  for (const sign of word) {
    const next = new Set<number>();
    for (const at of reached) {
      const step = steps[at];
      if (step === undefined) continue;
      if (step === 'any') next.add(at);
      else if (step === 'one') next.add(at + 1);
      else if (('letter' in step ? step.letter : step.maybe) === sign) next.add(at + 1);
    }
    if (next.size === 0) return false;
    reached = closeOver(steps, next);
  }
  return reached.has(steps.length);
}

/** Adds the places that are reached without a further letter. */
function closeOver(steps: readonly Step[], reached: Set<number>): Set<number> {
  for (const at of reached) {
    const step = steps[at];
    if (step === 'any' || (typeof step === 'object' && 'maybe' in step)) reached.add(at + 1);
  }
  return reached;
}
