import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, it } from 'vitest';
import type { BibliographicRecord } from '../record';
import { createTestRecord } from '../testing/records';
import { CITATION_STYLES, readCitationStyle } from './citation-style';
import { writeListAsHtml } from './list-as-html';
import { writeCitation, writeReferenceList, type StyleTexts } from './write-citations';

const FOLDER = join(import.meta.dirname, '../../web/public/citation-styles');
const read = (file: string): string => readFileSync(join(FOLDER, file), 'utf8');
const load = (id: string): StyleTexts => ({
  style: read(`${id}.csl`),
  findLocale: (language) => read(`locale-${language === 'en-US' ? 'en-US' : 'en-GB'}.xml`),
});

const createRecord = (part: Partial<BibliographicRecord>): BibliographicRecord =>
  createTestRecord({ source: 'Annals of Night Ecology', ...part });

const WORKS = {
  article: createRecord({
    title: 'Bats & lamps: what <50 lux does',
    authors: [
      { given: 'Freya A.', family: 'Okonjo' },
      { given: 'Jan', family: 'van der Berg' },
      { given: '', family: 'Night Ecology Group' },
    ],
    volume: '12',
    issue: '3',
    pages: '120-131',
    year: 2021,
    doi: '10.5555/night.12',
  }),
  book: createRecord({
    title: 'Lamps',
    authors: [{ given: 'Mo', family: 'Hale' }],
    source: 'Tarn Press',
    type: 'book',
    year: 2018,
  }),
  chapter: createRecord({
    title: 'Hedges',
    authors: [{ given: 'Ida', family: 'Pell' }],
    source: 'A Book of Roads',
    publisher: 'Tarn Press',
    pages: '7-19',
    type: 'book',
    year: 2019,
  }),
  thesis: createRecord({
    title: 'On moths',
    authors: [{ given: 'Bo', family: 'Yew' }],
    source: 'University of Tarn',
    type: 'thesis',
    year: 2020,
  }),
  anonymous: createRecord({ title: 'Dim the verges', source: 'The Tarn Echo', type: 'news' }),
};

/** What each style makes of these works, compared by hand with its own rules. */
const EXPECTED: Readonly<Record<string, readonly string[]>> = {
  apa: [
    'Dim the verges. (n.d.). The Tarn Echo.',
    'Hale, M. (2018). Lamps. Tarn Press.',
    'Okonjo, F. A., van der Berg, J., & Night Ecology Group. (2021). Bats & lamps: what <50 lux does. Annals of Night Ecology, 12(3), 120–131. https://doi.org/10.5555/night.12',
    'Pell, I. (2019). Hedges. In A Book of Roads (pp. 7–19). Tarn Press.',
    'Yew, B. (2020). On moths. University of Tarn.',
  ],
  'chicago-author-date': [
    'Hale, Mo. 2018. Lamps. Tarn Press.',
    'Okonjo, Freya A., Jan van der Berg, and Night Ecology Group. 2021. “Bats & Lamps: What <50 Lux Does.” Annals of Night Ecology 12 (3): 120–31. https://doi.org/10.5555/night.12.',
    'Pell, Ida. 2019. “Hedges.” In A Book of Roads, 7–19. Tarn Press.',
    'The Tarn Echo. n.d. “Dim the Verges.”',
    'Yew, Bo. 2020. “On Moths.” University of Tarn.',
  ],
  'harvard-cite-them-right': [
    'Hale, M. (2018) Lamps. Tarn Press.',
    'Okonjo, F.A., van der Berg, J., and Night Ecology Group (2021) ‘Bats & lamps: what <50 lux does’, Annals of Night Ecology, 12(3), pp. 120–131. Available at: https://doi.org/10.5555/night.12.',
    'Pell, I. (2019) ‘Hedges’, in A Book of Roads. Tarn Press, pp. 7–19.',
    'The Tarn Echo (no date) ‘Dim the verges’.',
    'Yew, B. (2020) On moths. University of Tarn.',
  ],
  'modern-language-association': [
    '“Dim the Verges.” The Tarn Echo.',
    'Hale, Mo. Lamps. Tarn Press, 2018.',
    'Okonjo, Freya A., et al. “Bats & Lamps: What <50 Lux Does.” Annals of Night Ecology, vol. 12, no. 3, 2021, pp. 120–31, https://doi.org/10.5555/night.12.',
    'Pell, Ida. “Hedges.” A Book of Roads, Tarn Press, 2019, pp. 7–19.',
    'Yew, Bo. On Moths. 2020. University of Tarn.',
  ],
  'chicago-note-bibliography': [
    'Hale, Mo. Lamps. Tarn Press, 2018.',
    'Okonjo, Freya A., Jan van der Berg, and Night Ecology Group. “Bats & Lamps: What <50 Lux Does.” Annals of Night Ecology 12, no. 3 (2021): 120–31. https://doi.org/10.5555/night.12.',
    'Pell, Ida. “Hedges.” In A Book of Roads, 7–19. Tarn Press, 2019.',
    'The Tarn Echo. “Dim the Verges.” n.d.',
    'Yew, Bo. “On Moths.” University of Tarn, 2020.',
  ],
  'modern-humanities-research-association': [
    '‘Dim the Verges’, The Tarn Echo',
    'Hale, Mo, Lamps (Tarn Press, 2018)',
    'Okonjo, Freya A., Jan van der Berg, and Night Ecology Group, ‘Bats & Lamps: What <50 Lux Does’, Annals of Night Ecology, 12.3 (2021), pp. 120–31, doi:10.5555/night.12',
    'Pell, Ida, ‘Hedges’, in A Book of Roads (Tarn Press, 2019), pp. 7–19',
    'Yew, Bo, ‘On Moths’ (University of Tarn, 2020)',
  ],
  vancouver: [
    '1. Okonjo FA, van der Berg J, Night Ecology Group. Bats & lamps: what <50 lux does. Annals of Night Ecology. 2021;12(3):120–31.',
    '2. Hale M. Lamps. Tarn Press; 2018.',
    '3. Pell I. Hedges. In: A Book of Roads. Tarn Press; 2019. p. 7–19.',
    '4. Yew B. On moths. University of Tarn; 2020.',
    '5. Dim the verges. The Tarn Echo.',
  ],
  ieee: [
    '[1] F. A. Okonjo, J. van der Berg, and Night Ecology Group, “Bats & lamps: what <50 lux does,” Annals of Night Ecology, vol. 12, no. 3, pp. 120–131, 2021, doi: 10.5555/night.12.',
    '[2] M. Hale, Lamps. Tarn Press, 2018.',
    '[3] I. Pell, “Hedges,” in A Book of Roads, Tarn Press, 2019, pp. 7–19.',
    '[4] B. Yew, “On moths,” University of Tarn, 2020.',
    '[5] “Dim the verges,” The Tarn Echo.',
  ],
};

/** One citation of the article, with a page. */
const EXPECTED_CITATIONS: Readonly<Record<string, string>> = {
  apa: '(Okonjo et al., 2021, p. 125)',
  'chicago-author-date': '(Okonjo, van der Berg, and Night Ecology Group 2021, 125)',
  'harvard-cite-them-right': '(Okonjo, van der Berg, and Night Ecology Group, 2021, p. 125)',
  'modern-language-association': '(Okonjo et al. 125)',
  'chicago-note-bibliography':
    'Okonjo, van der Berg, and Night Ecology Group, “Bats & Lamps: What <50 Lux Does,” 125.',
  'modern-humanities-research-association':
    'Freya A. Okonjo, Jan van der Berg, and Night Ecology Group, ‘Bats & Lamps: What <50 Lux Does’, Annals of Night Ecology, 12.3 (2021), pp. 120–31 (p. 125), doi:10.5555/night.12.',
  vancouver: '(1)',
  ieee: '[1, p. 125]',
};

function list(id: string, works: readonly BibliographicRecord[]) {
  const written = writeReferenceList(works, load(id));
  if (!written.ok) throw new Error(JSON.stringify(written.problem));
  return written.value;
}

const kessel = (title: string, year = 2020): BibliographicRecord =>
  createRecord({ title, year, authors: [{ given: 'Ann', family: 'Kessel' }] });

describe('citations', () => {
  const styles = CITATION_STYLES.map(({ id }) => id);

  it.each(styles)('in %s are written by its rules', (id) => {
    const { entries } = list(id, Object.values(WORKS));
    expect(entries.map(({ text }) => text)).toEqual(EXPECTED[id]);
    expect(entries.map(({ work }) => work).sort()).toEqual([0, 1, 2, 3, 4]);
    const citation = writeCitation(WORKS.article, [], '125', load(id));
    expect(citation).toMatchObject({ ok: true, value: { text: EXPECTED_CITATIONS[id] } });
  });

  it.each(styles)('in %s have the same entries one by one as together, where no two are alike', (id) => {
    const bare = (text: string): string => text.replace(/^(?:\[\d+\]|\d+\.) /, '');
    const works = [...Object.values(WORKS), kessel('A'), kessel('B', 2019)];
    const together = list(id, works).entries;
    for (const { work, text } of together) {
      const [alone] = list(id, [works[work]!]).entries;
      // Of one author's works, some styles write a dash for the name of the second.
      if (works[work]!.authors[0]?.family !== 'Kessel') expect(bare(text)).toBe(bare(alone!.text));
    }
  });

  it('of one author and year are told apart, wherever they stand among others', () => {
    const alike = [kessel('C'), kessel('B'), kessel('A')];
    const works = [WORKS.book, ...alike, WORKS.thesis, kessel('D', 2021)];
    expect(list('apa', works).entries.map(({ text }) => text)).toEqual([
      'Hale, M. (2018). Lamps. Tarn Press.',
      'Kessel, A. (2020a). A. Annals of Night Ecology.',
      'Kessel, A. (2020b). B. Annals of Night Ecology.',
      'Kessel, A. (2020c). C. Annals of Night Ecology.',
      'Kessel, A. (2021). D. Annals of Night Ecology.',
      'Yew, B. (2020). On moths. University of Tarn.',
    ]);
    const cite = (one: BibliographicRecord) => writeCitation(one, works, '', load('apa'));
    expect(cite(alike[0]!)).toMatchObject({ value: { text: '(Kessel, 2020c)' } });
    expect(cite(WORKS.thesis)).toMatchObject({ value: { text: '(Yew, 2020)' } });
  });

  it('keep italics, escape the signs of works, and hang as HTML', () => {
    const html = writeListAsHtml(list('apa', [WORKS.article, createRecord({ title: '<script>x</script>' })]));
    expect(html).toContain('<i>Annals of Night Ecology</i>');
    expect(html).toContain('what &#60;50 lux');
    expect(html).not.toContain('<script');
    expect(html.match(/text-indent:-2em/g)).toHaveLength(2);
    expect(writeListAsHtml(list('modern-language-association', [])).length).toBe(0);
  });
});

describe('files of styles', () => {
  it('say what they are called and how they cite', () => {
    for (const style of CITATION_STYLES)
      expect(readCitationStyle(load(style.id).style, style.id)).toEqual({ ok: true, value: style });
  });

  it.each([
    ['no style at all', '<html></html>', 'it is no style of this language'],
    [
      'one that points to another',
      '<style xmlns="http://purl.org/net/xbiblio/csl"><info><link href="x" rel="independent-parent"/></info></style>',
      'it only points to another style',
    ],
    [
      'one without a list',
      '<style xmlns="http://purl.org/net/xbiblio/csl"><citation/></style>',
      'it writes no list of references',
    ],
  ])('that are of no use are refused with the reason: %s', (_, text, reason) => {
    const read = readCitationStyle(text, 'own');
    expect(read).toMatchObject({ ok: false, problem: { code: 'style-unreadable', data: { reason } } });
  });

  it('that are cut anywhere are refused', () => {
    const { style } = load('ieee');
    for (const length of [0, 60, 2_000, 9_000, style.length - 12])
      expect(readCitationStyle(style.slice(0, length), 'own')).toMatchObject({
        ok: false,
        problem: { code: 'style-unreadable' },
      });
  });

  it('that use a part which is not there are refused', () => {
    const broken = load('ieee').style.replace('macro="author"', 'macro="nobody"');
    expect(readCitationStyle(broken, 'own')).toMatchObject({
      ok: false,
      problem: { data: { reason: 'it uses a part “nobody” that it does not have' } },
    });
  });
});
