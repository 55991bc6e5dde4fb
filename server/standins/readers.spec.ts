import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { ALL_FIELDS, INDEX_FIELDS, printExpression } from '#core/collection/index';
import { createIdentifierKey } from '#core/record/index';
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
  return printExpression(result.value.expression).replace(/:(\d+)/g, (_, mask: string) => {
    if (Number(mask) === ALL_FIELDS) return '';
    return `.${INDEX_FIELDS.map((_field, bit) => ((Number(mask) >> bit) & 1 ? 'takhwfpsx'.charAt(bit) : '')).join('')}`;
  });
};

describe('heronsmere', () => {
  it.each([
    ['bats', 'bats.tah'],
    ['bats lamps', '(bats.tah&lamps.tah)'],
    ['a OR b AND c NOT d', '(a.tah|(b.tah&(c.tah-d.tah)))'],
    ['a NOT b NOT c', '(a.tah-(b.tah|c.tah))'],
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
    ['doi:"10.5555/Bat.1"', `{doi ${createIdentifierKey('10.5555/bat.1')}}`],
    ['doi:10.5555/bat', '! label 0-4'],
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
    ['lamp{person} and lamp{firm} and lamp{source}', '(lamp.w&lamp.p&lamp.s)'],
    ['wom_n', 'wom?n.tah'],
    ['x within:3 y', 'x~4~y.tah'],
    ['x within:89 y', 'x~90~y.tah'],
    ['x within:90 y', '! within-distance 2-11'],
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
    ['street "light"', '! side-by-side 7-8'],
    ['street title=light', '! side-by-side 7-8'],
    ['street)', '! bracket-stray 6-7'],
  ])('%s', (text, set) => {
    expect(read('marlstone', text)).toBe(set);
  });
});

describe('cardinal', () => {
  it.each([
    ['bats AND doi("10.5555/Bat.1")', `(bats.tak&{doi ${createIdentifierKey('10.5555/bat.1')}})`],
    ['bats', 'bats.tak'],
    ['bats and lamps AND roads', '(bats.tak&lamps.tak&roads.tak)'],
    ['a Except b', '(a.tak-b.tak)'],
    ['in(title: bats)', 'bats.t'],
    ['in(title, summary, keywords: bats OR "street light*")', '(bats.tak|"street light*".tak)'],
    ['in(writers: a) AND in(lead: b) AND in(places: c) AND in(source: d)', '(a.w&b.f&c.p&d.s)'],
    ['in(title: x AND in(summary: y))', '(x.t&y.a)'],
    ['l*ght', 'l*ght.tak'],
    ['*ght', '*ght.tak'],
    ['wom+n', 'wom?n.tak'],
    ['colo^r', '(color.tak|colo?r.tak)'],
    ['"colo^r light"', '("color light".tak|"colo?r light".tak)'],
    ['NEAR(3: bats, "street light")', 'bats~3~street light.tak'],
    ['near(12: (a or b), c)', 'a|b~12~c.tak'],
    ['in(title: NEAR(1: a, b))', 'a~1~b.t'],
    ['a AND years(2015-2024)', '(a.tak&{years 2015-2024})'],
    ['type(article, review) AND lang(en)', '(({type=article}|{type=review})&{language=en})'],
    ['a AND b OR c', '! mixed 8-10'],
    ['a AND (b OR c)', '(a.tak&(b.tak|c.tak))'],
    ['street light', '! side-by-side 7-8'],
    ['*a', '! wildcard-short 0-2'],
    ['NEAR(13: a, b)', '! near-distance 0-8'],
    ['NEAR(3: a AND b, c)', '! near 0-10'],
    ['NEAR(3: (a AND b), c)', '! near 11-14'],
    ['in(colour: a)', '! field 0-10'],
    ['type(poem)', '! kind 0-10'],
    ['"open', '! quote 0-5'],
    ['a AND', '! missing 5-6'],
    ['a)', '! stray 1-2'],
    ['near', 'near.tak'],
  ])('%s', (text, set) => {
    expect(read('cardinal', text)).toBe(set);
  });

  it('takes 2,000 characters', () => {
    expect(read('cardinal', 'a'.repeat(2_000))).toBe(`${'a'.repeat(2_000)}.tak`);
    expect(read('cardinal', 'a'.repeat(2_001))).toBe('! length 2000-2001');
  });
});

describe('northern', () => {
  it.each([
    ['bats', 'bats.tah'],
    ['"street light*"', '"street light*".tah'],
    ['dc.title = bats', 'bats.t'],
    ['title = bats', 'bats.t'],
    ['dc.title any "bats owls"', '(bats.t|owls.t)'],
    ['dc.title all "bats owls"', '(bats.t&owls.t)'],
    ['dc.title adj "street light"', '"street light".t'],
    ['dc.creator = alan and dc.description = lamp', '(alan.w&lamp.a)'],
    ['a or b and c not d', '(((a.tah|b.tah)&c.tah)-d.tah)'],
    ['a OR (b AND c)', '(a.tah|(b.tah&c.tah))'],
    ['dc.subject == "Street lighting"', '{heading=street lighting}'],
    ['dc.subject == "say \\"x\\""', '{heading=say x}'],
    ['a prox b', 'a~1~b.tah'],
    ['a prox/unit=word/distance<=3/unordered b', 'a~3~b.tah'],
    ['a prox/distance<4/ordered b', 'a<3<b.tah'],
    ['a prox/distance<=91 b', '! diagnostic-41 2-21'],
    ['(a or b) prox/distance<=2 dc.title = c', '(a~2~c.t|b~2~c.t)'],
    ['dc.date within "2015 2024"', '{years 2015-2024}'],
    ['date >= 2015 and date < 2020', '({years 2015-9999}&{years 1-2019})'],
    ['dc.type == "book" and dc.language any "en fr"', '({type=book}&({language=en}|{language=fr}))'],
    ['> dc = "info:srw/cql-context-set/1/dc-v1.1" dc.title = a', 'a.t'],
    ['> x = "info:srw/cql-context-set/1/dc-v1.1" x.title = a', 'a.t'],
    ['> "info:srw/cql-context-set/1/cql-v1.2" serverChoice = a', 'a.tah'],
    ['(> x = "info:srw/cql-context-set/1/dc-v1.1" x.title = a) or x.title = b', '! diagnostic-15 60-71'],
    ['> dc = "info:srw/cql-context-set/1/bib-v1" dc.title = a', '! diagnostic-15 43-55'],
    ['^bats', '! diagnostic-31 0-5'],
    ['dc.title = "bats road^"', '! diagnostic-31 0-23'],
    ['dc.title any "bats owls" prox/distance<=2 dc.title = lamp', 'bats|owls~2~lamp.t'],
    ['"and"', 'and.tah'],
    ['wom?n', 'wom?n.tah'],
    ['wom\\?n', '"wom n".tah'],
    ['dc.title =/masked bats', 'bats.t'],
    ['bats and', '! diagnostic-10 8-8'],
    ['street light', '! diagnostic-10 12-12'],
    ['(a', '! diagnostic-10 0-2'],
    ['"open', '! diagnostic-10 0-5'],
    ['dc.colour = red', '! diagnostic-16 0-15'],
    ['bath.title = x', '! diagnostic-15 0-14'],
    ['dc.title < x', '! diagnostic-19 0-12'],
    ['dc.title == x', '! diagnostic-22 0-13'],
    ['dc.title =/stem x', '! diagnostic-20 0-17'],
    ['a prox/unit=sentence b', '! diagnostic-42 2-22'],
    ['a prox/distance>3 b', '! diagnostic-40 2-19'],
    ['(a and b) prox c', '! diagnostic-39 3-8'],
    ['a and/rel.combine=sum b', '! diagnostic-46 2-23'],
    ['a sortby dc.date', '! diagnostic-80 0-16'],
    ['""', '! diagnostic-27 0-2'],
    ['dc.date = soon', '! diagnostic-36 0-14'],
  ])('%s', (text, set) => {
    expect(read('northern', text)).toBe(set);
  });
});

describe('plainfinder', () => {
  it.each([
    ['lights', '=light=.tak'],
    ['"lights"', 'lights.tak'],
    ['street lights', '(=street=.tak&=light=.tak)'],
    ['"street lights"', '"street lights".tak'],
    ['a b | c d', '(=a=.tak&(=b=.tak|=c=.tak)&=d=.tak)'],
    ['(a b) | (c d)', '((=a=.tak&=b=.tak)|(=c=.tak&=d=.tak))'],
    ['a -b -"c d"', '(=a=.tak-(=b=.tak|"c d".tak))'],
    ['-b a', '(=a=.tak-(=b=.tak))'],
    ['title:bats title:"street light"', '(=bat=.t&"street light".t)'],
    ['bat-friendly', '"=bat= =friend=".tak'],
    ['light*', '=light=.tak'],
    ['a -(b c)', '! minus-bracket 2-4'],
    ['((a) b)', '! bracket-deep 1-2'],
    ['-a', '! nothing 0-2'],
    ['a |', '! missing 3-4'],
    ['a)', '! bracket-stray 1-2'],
    ['"a', '! quote 0-2'],
  ])('%s', (text, set) => {
    expect(read('plainfinder', text)).toBe(set);
  });

  it('leaves out what is beyond 24 words, and says so', () => {
    const words = Array.from({ length: 26 }, (_, at) => `w${at}`);
    const long = readStandinString(STANDINS.at(-1)!, words.join(' '), vocabulary);
    const short = readStandinString(STANDINS.at(-1)!, words.slice(0, 24).join(' '), vocabulary);
    expect(long.value?.expression).toEqual(short.value?.expression);
    expect(long.value?.notes).toEqual(['Only the first 24 words were searched; 2 were left out.']);
    expect(short.value?.notes).toEqual([]);
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
      'in(title:',
      'NEAR(3:',
      ',',
      'EXCEPT',
      'dc.title =',
      'prox/distance<=2',
      'sortby',
      '|',
      '-',
      '\\',
      '^',
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
          if (value) expect(printExpression(value.expression).length).toBeGreaterThan(0);
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

describe.each(['heronsmere', 'gantry', 'cardinal', 'marlstone', 'northern', 'plainfinder'])('%s', (id) => {
  it('reads a group that it has read before as if it were the first time', () => {
    const member = fc.constantFrom(
      'lamps',
      '"street light"',
      'light*',
      'pollution*',
      'illumin*',
      'bats',
      'a',
      '(',
    );
    const join = fc.constantFrom(' OR ', ' or ', ' AND ', ' and ', ' | ', ' ');
    const row = (item: fc.Arbitrary<string>) =>
      fc
        .array(fc.tuple(join, item), { minLength: 1, maxLength: 5 })
        .map((parts) => parts.map(([operator, text], at) => (at === 0 ? text : operator + text)).join(''));
    const group = fc
      .tuple(fc.constantFrom('', 'title:', 'terms:'), row(member))
      .map(([mark, text]) => `${mark}(${text})`);
    let blanks = 0;
    fc.assert(
      fc.property(row(fc.oneof(group, group, member)), (text) => {
        // No group with these blanks was ever read before.
        const pad = (++blanks).toString(3).replaceAll('0', ' ').replaceAll('1', '\t').replaceAll('2', '\n');
        const fresh = read(id, text.replaceAll('(', `(${pad}`));
        const again = [read(id, text), read(id, text)];
        const simplify = (result: string): string =>
          result.startsWith('!') ? result.split(' ')[1]! : result;
        expect(again[1]).toBe(again[0]);
        if (simplify(fresh) !== 'length') expect(simplify(again[0]!)).toBe(simplify(fresh));
      }),
      { numRuns: 400 },
    );
  });
});
