import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { createPattern } from './create';
import {
  countLetters,
  createMatcher,
  findPrefix,
  findSuffix,
  isPlain,
  mergeParts,
  printPattern,
  type Pattern,
} from './pattern';

const part = fc.oneof(
  fc.constantFrom('a', 'b', 'ab', 'ba').map((text) => ({ kind: 'letters', text }) as const),
  fc.constant({ kind: 'any' } as const),
  fc.constant({ kind: 'one' } as const),
  fc.constantFrom('a', 'b').map((letter) => ({ kind: 'maybe', letter }) as const),
);
const pattern = fc.array(part, { minLength: 1, maxLength: 6 });
const word = fc.array(fc.constantFrom('a', 'b'), { maxLength: 8 }).map((letters) => letters.join(''));

/** The same by a regular expression. */
function createExpression(parts: Pattern): RegExp {
  const write = (one: Pattern[number]): string => {
    if (one.kind === 'letters') return one.text;
    if (one.kind === 'maybe') return `${one.letter}?`;
    return one.kind === 'any' ? '.*' : '.';
  };
  return new RegExp(`^${parts.map(write).join('')}$`);
}

describe('patterns', () => {
  it('match what the same regular expression matches, merged or not', () => {
    fc.assert(
      fc.property(pattern, word, (parts, text) => {
        const expected = createExpression(parts).test(text);
        expect(createMatcher(parts)(text)).toBe(expected);
        expect(createMatcher(mergeParts(parts))(text)).toBe(expected);
      }),
      { numRuns: 2_000 },
    );
  });

  it('of more places than a number has bits, and of letters of two units, match the same', () => {
    const letters = fc.constantFrom('a', '𐐨', '漢');
    const parts = fc.array(
      fc.oneof(
        letters.map((text) => ({ kind: 'letters', text }) as const),
        letters.map((letter) => ({ kind: 'maybe', letter }) as const),
        fc.constant({ kind: 'one' } as const),
        fc.constant({ kind: 'any' } as const),
      ),
      { minLength: 1, maxLength: 40 },
    );
    const texts = fc.array(letters, { maxLength: 40 }).map((all) => all.join(''));
    fc.assert(
      fc.property(parts, texts, (some, text) => {
        expect(createMatcher(some)(text)).toBe(new RegExp(createExpression(some), 'u').test(text));
      }),
      { numRuns: 500 },
    );
  });

  it('are the same when they are printed and read again', () => {
    fc.assert(
      fc.property(pattern, (parts) => {
        const merged = mergeParts(parts);
        expect(createPattern(printPattern(merged))).toEqual(merged);
        expect(mergeParts(merged)).toEqual(merged);
      }),
    );
  });

  it('begin and end with their prefix and suffix, and are plain if they are letters only', () => {
    fc.assert(
      fc.property(pattern, word, (parts, text) => {
        const merged = mergeParts(parts);
        if (createMatcher(merged)(text)) {
          expect(text.startsWith(findPrefix(merged))).toBe(true);
          expect(text.endsWith(findSuffix(merged))).toBe(true);
          expect(text.length).toBeGreaterThanOrEqual(countLetters(merged));
        }
        expect(isPlain(merged)).toBe(/^[ab]+$/.test(printPattern(merged)));
      }),
    );
  });

  it.each([
    ['Colo[u]r', 'color', true],
    ['Colo[u]r', 'colour', true],
    ['Colo[u]r', 'colouur', false],
    ['Müll*', 'mullkippe', true],
    ['wom?n', 'women', true],
    ['wom?n', 'womn', false],
    ['*light', 'streetlight', true],
    ['*light', 'lights', false],
  ])('%s and %s: %s, in folded letters', (text, folded, matches) => {
    expect(createMatcher(createPattern(text))(folded)).toBe(matches);
  });

  it('take no longer for many wildcards', () => {
    const many = createPattern('*a'.repeat(60));
    const start = performance.now();
    expect(createMatcher(many)(`${'a'.repeat(2_000)}b`)).toBe(false);
    expect(performance.now() - start).toBeLessThan(2_000);
  });
});
