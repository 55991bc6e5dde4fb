import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { isSameLimiters } from '../limiter';
import { addRule, readRules } from './index';

const read = (text: string): string[] => readRules(text, 2026).map(({ words }) => words);

describe('reading the rules of an assignment', () => {
  it('finds limiters and the number of sources, in the order of the text', () => {
    expect(read('Use 20 to 100 peer-reviewed sources in English from the last 10 years, full text.')).toEqual(
      ['20–100 results', 'peer-reviewed', 'English', 'from 2017', 'full text'],
    );
  });

  it.each([
    [
      'peer-reviewed, English, last 10 years, 20 to 100 sources',
      ['peer-reviewed', 'English', 'from 2017', '20–100 results'],
    ],
    [
      'Find at least ten refereed articles published since 2015.',
      ['at least 10 results', 'peer-reviewed', 'from 2015'],
    ],
    ['No more than 50 papers, 2010–2020, open access', ['at most 50 results', '2010–2020', 'open access']],
    ['not older than five years', ['from 2022']],
    ['between 15 and 25 references', ['15–25 results']],
    ['published after 2018 and before 2024', ['from 2019', 'until 2023']],
    [
      'systematic reviews or journal articles, in German or English',
      ['review', 'article', 'German', 'English'],
    ],
    ['2019 or later', ['from 2019']],
    ['between 2010 and 2020, between five and ten papers', ['2010–2020', '5–10 results']],
    ['20 to 100 peer-reviewed, full-text sources', ['20–100 results', 'peer-reviewed', 'full text']],
  ])('reads “%s”', (text, words) => {
    expect(read(text)).toEqual(words);
  });

  it.each([
    'not only peer-reviewed work',
    'non-English sources too',
    'no full text needed',
    'The street lights of 2015 were counted.',
    'an Englishman reviewed it',
    '100 to 20 sources',
    'unrefereed work',
    'volume 12019 or later',
    'Surveys of 2010 and 2020 were read.',
    'Cover 10 years of studies, in two databases and their articles.',
    'Write 10 pages per article.',
    '',
  ])('leaves alone what is negated or no rule: “%s”', (text) => {
    expect(read(text)).toEqual([]);
  });

  it('never throws, and gives only rules that say something', () => {
    fc.assert(
      fc.property(
        fc.array(
          fc.oneof(
            fc.string(),
            fc.constantFrom('peer-reviewed', 'last', '10', 'years', 'English', '–', '2015', 'sources'),
          ),
        ),
        (words) => {
          for (const { limiters, wanted } of readRules(words.join(' '), 2026))
            expect(isSameLimiters(limiters, {}) && Object.keys(wanted).length === 0).toBe(false);
        },
      ),
    );
  });

  it('adds to lists and replaces other values', () => {
    const start = { limiters: { languages: ['en'], years: { from: 1990 } }, wanted: { to: 10 } };
    const after = readRules('German, since 2015, 20 to 30 papers', 2026).reduce(addRule, start);
    expect(after).toEqual({
      limiters: { languages: ['en', 'de'], years: { from: 2015 } },
      wanted: { from: 20, to: 30 },
    });
  });
});
