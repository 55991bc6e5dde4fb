import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { ALL_FIELDS, INDEX_FIELDS, printExpression } from '#core/collection/index';
import { createVocabulary } from '#core/vocabulary/index';
import { STANDINS, readStandinString } from './standins';

const heading = (label: string, ...broader: string[]) => ({ label, broader, entryTerms: [], related: [] });
const vocabulary = createVocabulary('any', [
  heading('Animals'),
  heading('Bats', 'Animals'),
  heading('Owls', 'Animals'),
]);

/** The set that a string means, with field masks by the letters of their fields: t a k h w(riter) f(irst) p(lace) s(ource) x (full text). */
const read = (id: string, text: string): string => {
  const result = readStandinString(
    STANDINS.find((standin) => standin.id === id)!,
    text,
    vocabulary,
  );
  if (!result.value) return `! ${result.problem.code} ${result.problem.at.join('-')}`;
  return printExpression(result.value).replace(/:(\d+)/g, (_, mask: string) => {
    if (Number(mask) === ALL_FIELDS) return '';
    return `.${INDEX_FIELDS.map((_field, bit) => ((Number(mask) >> bit) & 1 ? 'takhwfpsx'.charAt(bit) : '')).join('')}`;
  });
};

describe('heronsmere', () => {
  it.each([
    ['bats', 'bats.tah'],
    ['bats lamps', '(bats.tah&lamps.tah)'],
    ['a OR b AND c NOT d', '(a.tah|(b.tah&(c.tah-d.tah)))'],
    ['a NOT b NOT c', '((a.tah-b.tah)-c.tah)'],
    ['a or b', '(a.tah&or.tah&b.tah)'],
    ['(a OR b) AND c', '((a.tah|b.tah)&c.tah)'],
    ['bat-friend*', '"bat friend*".tah'],
    ['"street light*"', '"street light*".tah'],
    ['wom?n', 'wom?n.tah'],
    ['title:(a OR summary:b)', '(a.t|b.a)'],
    ['terms:bats', 'bats.h'],
    ['terms:"Bats"', '{heading=bats}'],
    ['terms:"Bats / behaviour"', '{qualified=bats/behaviour}'],
    ['focus:"Bats"', '{focus=bats}'],
    ['under:"Animals"', '({heading=animals}|{heading=bats}|{heading=owls})'],
    ['writer:alan AND journal:"night ecology"', '(alan.w&"night ecology".s)'],
    ['a AND year:2015..2024', '(a.tah&{years 2015-2024})'],
    ['kind:proceeding', '{type=conference paper}'],
    ['entered:2026-01..2026-02', '{entered 24312-24313}'],
    ['ORchid ANDes NOTe', '(ORchid.tah&ANDes.tah&NOTe.tah)'],
    ['a AND (b', '! bracket-open 6-7'],
    ['a)', '! bracket-stray 1-2'],
    ['AND a', '! operator 0-3'],
    ['a OR', '! missing 4-5'],
    ['colour:red', '! field 0-7'],
    ['year:2015', '! year 0-5'],
    ['terms:', '! field 6-7'],
    ['focus:bats', '! label 0-6'],
    ['l*ght', '! wildcard-place 0-5'],
  ])('%s', (text, set) => {
    expect(read('heronsmere', text)).toBe(set);
  });
});

describe('gantry', () => {
  it.each([
    ['x or y and z', '((x.tah|y.tah)&z.tah)'],
    ['x AND NOT y Or z', '((x.tah-y.tah)|z.tah)'],
    ['lamp%{title}', 'lamp*.t'],
    ['"street light"{title,summary}', '"street light".ta'],
    ['"Street lighting"{index}', '{heading=street lighting}'],
    ['lamp{person} and lamp{firm} and lamp{source}', '((lamp.w&lamp.p)&lamp.s)'],
    ['wom_n', 'wom?n.tah'],
    ['x within:3 y', 'x~4~y.tah'],
    ['x{title} within:0 y{title,summary}', 'x~1~y.t'],
    ['"quality of light"', '"quality light".tah'],
    ['"and"', 'and.tah'],
    ['x and published{2015-2024}', '(x.tah&{years 2015-2024})'],
    ['x y', '! side-by-side 2-3'],
    ['(x){title}', '! field-place 3-4'],
    ['(x) within:2 y', '! within 4-11'],
    ['"lamp%"', '! wildcard-phrase 0-7'],
    ['l%', '! wildcard-short 0-2'],
    ['%amp', '! wildcard-place 0-4'],
    ['not x', '! operator 0-3'],
    ['of', '! stop-word 0-2'],
    ['"open', '! quote 0-5'],
    ['x and', '! missing 5-6'],
  ])('%s', (text, set) => {
    expect(read('gantry', text)).toBe(set);
  });
});

describe('marlstone', () => {
  it.each([
    ['bats', 'bats'],
    ['street light', '"street light"'],
    ['street lights*', '"street lights*<45"'],
    ['"lights*"', 'lights'],
    ['title=street light and bats', '("street light".t&bats)'],
    ['a or b and c not d', '(a|((b&c)-d))'],
    ['A AND (b OR c)', '(A&(b|c))'],
    ['writer=alan', 'alan.w'],
    ['android', 'android'],
    ['lamp*', '! wildcard-short 0-5'],
    ['l*mps', '! wildcard-place 0-5'],
    ['(a) b', '! after-bracket 4-5'],
    ['title=(a)', '! field-place 0-6'],
    ['source=x', '! field 0-7'],
    ['and a', '! operator 0-3'],
    ['a not', '! missing 5-6'],
  ])('%s', (text, set) => {
    expect(read('marlstone', text)).toBe(set);
  });
});

it.each(STANDINS.map((standin) => standin.id))(
  '%s answers any string with a set or a sentence and a place',
  (id) => {
    const signs = fc.constantFrom(
      '(',
      ')',
      '"',
      'and',
      'AND',
      'or',
      'not',
      'NOT',
      'within:3',
      '{title}',
      'title:',
      'title=',
      'year:',
      'under:',
      '*',
      '%',
      '_',
      '?',
      'lamp',
      'ü',
      '🦇',
      ' ',
      '\u0000',
    );
    fc.assert(
      fc.property(
        fc.oneof(
          fc.string({ unit: 'binary' }),
          fc.array(signs).map((parts) => parts.join(' ')),
          fc.array(signs).map((parts) => parts.join('')),
        ),
        (text) => {
          const { value, problem } = readStandinString(
            STANDINS.find((standin) => standin.id === id)!,
            text,
            vocabulary,
          );
          if (value) expect(printExpression(value).length).toBeGreaterThan(0);
          else {
            expect(problem.message).toMatch(/\.$/);
            expect(problem.at[0]).toBeLessThanOrEqual(problem.at[1]);
          }
        },
      ),
      { numRuns: 1000 },
    );
  },
);
