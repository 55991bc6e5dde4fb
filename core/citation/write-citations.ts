import CSL, { type BibliographyFacts } from 'citeproc';
import { createProblem, fail, succeed, type Outcome } from '../problem';
import type { BibliographicRecord } from '../record';
import { createCslItem, type CslItem } from '../record/file';
import { foldLetters } from '../text';

/** One entry of a list of references, or one citation. */
export interface WrittenCitation {
  /** For programs that take no layout. */
  readonly text: string;
  /** With italics and the like, as HTML: all signs of the works are escaped. */
  readonly html: string;
}

/** An entry of a list; `work` is the place of its record in what was given. */
type WrittenEntry = WrittenCitation & { readonly work: number };

/** A list of references in a style. */
export interface ReferenceList {
  /** In the order of the style. */
  readonly entries: readonly WrittenEntry[];
  /** All lines of an entry but the first are set in. */
  readonly hangs: boolean;
}

/** A style as the text of its file, and the words of its language (`locales-en-GB.xml` and so on). */
export interface StyleTexts {
  readonly style: string;
  /** The words for a language; for one that is not known, those of English. */
  readonly findLocale: (language: string) => string;
}

/** Citations in the text that are as short as can be: a list of references has none. */
const NO_CITATION = '<citation><layout><text value="-"/></layout></citation>';

/**
 * A style of a list alone, which does not tell alike citations apart: writing and comparing citations takes much time
 * and is done only where it is needed.
 */
function withoutTellingApart(style: string): string {
  return style
    .replace(/<citation[\s>][\s\S]*?<\/citation>/, NO_CITATION)
    .replace(/ disambiguate-add-(?:year-suffix|names|givenname)="true"/g, '')
    .replace(/ disambiguate="true"/g, ' type="alike"');
}

/**
 * A list of references of some works. Works whose citations may look alike get the signs that tell them apart (2021a,
 * 2021b): those of one first author and year. A style that cannot be used gives a problem.
 */
export function writeReferenceList(
  records: readonly BibliographicRecord[],
  texts: StyleTexts,
): Outcome<ReferenceList> {
  const items = records.map((record, at) => createCslItem(record, String(at)));
  try {
    const { entries, hangs } = write(items, { ...texts, style: withoutTellingApart(texts.style) });
    const alike = texts.style.includes(' disambiguate-add-year-suffix="true"') ? listAlike(items) : [];
    if (alike.length === 0) return succeed({ entries, hangs });
    const groupOf = new Map(
      alike.flatMap((group, turn) => group.map(({ id }) => [Number(id), turn] as const)),
    );
    // The works of a group stand in the order in which the style puts them, where works of the group stood.
    const told: WrittenEntry[][] = alike.map(() => []);
    for (const entry of write(alike.flat(), texts).entries) told[groupOf.get(entry.work)!]!.push(entry);
    const next = alike.map(() => 0);
    return succeed({
      hangs,
      entries: entries.map((entry) => {
        const group = groupOf.get(entry.work);
        return group === undefined ? entry : told[group]![next[group]!++]!;
      }),
    });
  } catch (error) {
    return failStyle(error);
  }
}

/**
 * One citation as it stands in the text or in a note, with the page if one is given. Other works of the same author
 * and year among `others` are told apart from it.
 */
export function writeCitation(
  record: BibliographicRecord,
  others: readonly BibliographicRecord[],
  page: string,
  texts: StyleTexts,
): Outcome<WrittenCitation> {
  const items = [record, ...others.filter((other) => other !== record)].map((one, at) =>
    createCslItem(one, String(at)),
  );
  const group = listAlike(items).find((some) => some.some(({ id }) => id === '0')) ?? items.slice(0, 1);
  try {
    const engine = createEngine(group, texts);
    engine.updateItems(group.map(({ id }) => id));
    const locator = page === '' ? {} : { locator: page, label: 'page' as const };
    const html = engine.makeCitationCluster([{ id: '0', ...locator }]).trim();
    return succeed({ html, text: stripLayout(html) });
  } catch (error) {
    return failStyle(error);
  }
}

function failStyle(error: unknown): Outcome<never> {
  const reason = error instanceof Error ? error.message : String(error);
  return fail(createProblem('style-unreadable', 'error', { reason: reason.slice(0, 200) }));
}

function createEngine(items: readonly CslItem[], { style, findLocale }: StyleTexts) {
  const byId = new Map(items.map((item) => [item.id, item]));
  const retrieveItem = (id: string): CslItem => ({ ...byId.get(String(id))! });
  // Only for styles that do not name their language.
  return new CSL.Engine({ retrieveLocale: findLocale, retrieveItem }, style, 'en-US');
}

function write(items: readonly CslItem[], texts: StyleTexts): ReferenceList {
  const engine = createEngine(items, texts);
  engine.updateItems(items.map(({ id }) => id));
  const made = engine.makeBibliography();
  if (made === false) throw new Error('it writes no list of references');
  const [facts, written] = made;
  const entries = written.map((one, at) => {
    const html = tidyEntry(one);
    return { work: Number(facts.entry_ids[at]?.[0]), html, text: stripLayout(html) };
  });
  return { entries, hangs: isHanging(facts) };
}

function isHanging(facts: BibliographyFacts): boolean {
  return Boolean(facts.hangingindent) || Boolean(facts['second-field-align']);
}

/** Works that have the first author and the year in common, or without an author the title. */
function listAlike(items: readonly CslItem[]): CslItem[][] {
  const groups = new Map<string, CslItem[]>();
  for (const item of items) {
    const [first] = item.author ?? [];
    const name = first ? ('literal' in first ? first.literal : first.family) : item.title;
    const key = `${foldLetters(name)} ${item.issued?.['date-parts'][0]?.[0] ?? ''}`;
    groups.set(key, [...(groups.get(key) ?? []), item]);
  }
  return [...groups.values()].filter((some) => some.length > 1);
}

/** An entry without the boxes of the processor: a number and what stands behind it are one line. */
function tidyEntry(html: string): string {
  return html
    .replace(/<div class="csl-left-margin">([\s\S]*?)<\/div>\s*/g, '$1 ')
    .replace(/<\/?div\b[^>]*>/g, '')
    .replace(/\s+/g, ' ')
    .trim();
}

const SIGNS: Readonly<Record<string, string>> = { '&#38;': '&', '&amp;': '&', '&#60;': '<', '&lt;': '<' };

/** The words of an entry alone. */
function stripLayout(html: string): string {
  return html
    .replace(/<[^>]*>/g, '')
    .replace(/&(?:#38|amp|#60|lt);/g, (sign) => SIGNS[sign] ?? sign)
    .replace(/&(?:#62|gt);/g, '>')
    .replace(/&(?:#34|quot);/g, '"')
    .replace(/&(?:#160|nbsp);/g, '\u00A0');
}
