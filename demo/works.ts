import type { DocumentType } from '#core/record/index';
import { createRandom, type Random } from './random';
import { GIVEN_NAMES, createNames, type Names } from './text/names';
import { OTHER_LANGUAGES, chooseLength, findLanguageText, type OtherLanguage } from './text/other-languages';
import { explainAcronyms } from './text/explained-acronyms';
import * as sentences from './text/sentences';
import { spellAmerican } from './text/spelling';
import { THEMES, type Theme } from './themes/index';

/** A made-up work, before any database has taken it in. */
export interface Work {
  readonly number: number;
  readonly theme: Theme;
  readonly title: string;
  readonly abstract: string;
  readonly keywords: readonly string[];
  readonly authors: readonly {
    readonly given: string;
    readonly family: string;
    readonly affiliation: string;
  }[];
  readonly source: string;
  readonly year: number;
  readonly type: DocumentType;
  readonly language: string;
  readonly peerReviewed: 'yes' | 'no' | 'unknown';
  readonly doi: string | undefined;
  /** Numbers of older works that it cites. */
  readonly references: readonly number[];
}

/** The corpus: works by number, and their full texts, which are made when asked for. */
export interface Corpus {
  readonly seed: number;
  readonly works: readonly Work[];
  /** Paragraphs beyond the abstract, 400–800 words. */
  createFullText(work: Work): string;
}

const LAST_YEAR = 2026;
const FIRST_YEAR = 1972;

/** Generates a corpus; the same seed and count give the same works, letter by letter. */
export function createCorpus(seed: number, count = 40_000): Corpus {
  const names = createNames(seed);
  const themes = assignThemes(seed, count);
  const byTheme = new Map<Theme, number[]>();
  const years = themes.map((_, number) => chooseYear(createRandom(seed, number * 8 + 1), number, count));
  const works = themes.map((theme, number) => {
    const earlier = byTheme.get(theme) ?? [];
    const work = new WorkMaker(seed, number, theme, years[number]!, names).make(earlier);
    byTheme.set(theme, [...earlier.slice(-400), number]);
    return work;
  });
  return {
    seed,
    works,
    createFullText: (work) =>
      new WorkMaker(seed, work.number, work.theme, work.year, names).makeFullText(work),
  };
}

/** Themes in random order, in proportion to their sizes. */
function assignThemes(seed: number, count: number): Theme[] {
  const total = THEMES.reduce((sum, theme) => sum + theme.works, 0);
  const random = createRandom(seed, 5);
  return Array.from({ length: count }, () => {
    let at = random.next() * total;
    return THEMES.find((theme) => (at -= theme.works) < 0) ?? THEMES[0]!;
  });
}

/** Numbers grow with the years, so that references point back; more works in later years. */
function chooseYear(random: Random, number: number, count: number): number {
  const share = Math.min(0.9999, number / count + (random.next() - 0.5) * 0.04);
  return Math.min(
    LAST_YEAR,
    FIRST_YEAR + Math.floor(Math.max(0, share) ** 0.42 * (LAST_YEAR - FIRST_YEAR + 1)),
  );
}

type Slot = 'S' | 'F' | 'R' | 'M' | 'P' | 'D';
const LISTS: Readonly<
  Record<Slot, 'subjects' | 'factors' | 'responses' | 'methods' | 'settings' | 'details'>
> = {
  S: 'subjects',
  F: 'factors',
  R: 'responses',
  M: 'methods',
  P: 'settings',
  D: 'details',
};

/** Makes one work. An author team has its own words: of each list a few notions, of each notion one name. */
class WorkMaker {
  private readonly random: Random;
  private readonly american: boolean;
  private readonly notions = new Map<Slot, readonly string[]>();
  private readonly place: string;
  private species: string | undefined;

  constructor(
    private readonly seed: number,
    private readonly number: number,
    private readonly theme: Theme,
    private readonly year: number,
    private readonly names: Names,
  ) {
    this.random = createRandom(seed, number * 8);
    this.american = this.random.chance(0.42);
    this.place = this.random.pickSkewed(names.places);
    const counts: Readonly<Record<Slot, number>> = { S: 2, F: 2, R: 3, M: 2, P: 2, D: 4 };
    for (const slot of Object.keys(LISTS) as Slot[]) {
      const chosen = Array.from({ length: counts[slot] }, () =>
        this.random.pickSkewed(theme[LISTS[slot]], 1.25),
      );
      this.notions.set(
        slot,
        chosen.map((notion) => this.chooseName(notion)),
      );
    }
  }

  make(earlier: readonly number[]): Work {
    const { random, theme, year, number } = this;
    const language = random.chance(theme.answersDemo ? 0.09 : 0.045) ? random.pick(OTHER_LANGUAGES) : 'en';
    const type = this.chooseType();
    const [title, abstract] =
      language === 'en' ? [this.makeTitle(type), this.makeAbstract()] : this.makeForeign(language);
    const keywords = random.chance(0.85) ? this.makeKeywords() : [];
    return {
      number,
      theme,
      title,
      abstract: random.chance(0.03) ? '' : abstract,
      keywords,
      authors: this.makeAuthors(),
      source: this.makeSource(type),
      year,
      type,
      language,
      peerReviewed: this.choosePeerReview(type),
      doi: random.chance(0.88) ? `10.5555/${theme.id.replaceAll('-', '')}.${year}.${number}` : undefined,
      references:
        earlier.length === 0
          ? []
          : random.sample(earlier, Math.min(earlier.length, random.between(3, 18))).sort((a, b) => a - b),
    };
  }

  makeFullText(work: Work): string {
    const random = createRandom(this.seed, this.number * 8 + 3);
    const words = random.between(400, 800);
    const parts: string[] = [];
    let length = 0;
    while (length < words) {
      const list = random.pick([
        sentences.PAPER_TALK,
        sentences.PAPER_TALK,
        sentences.METHODS,
        sentences.RESULTS,
        sentences.BACKGROUND,
      ]);
      const sentence = this.fill(random.pick(list), random);
      parts.push(sentence);
      length += sentence.split(' ').length;
    }
    const cited =
      work.references.length > 0 ? ` See also Reports ${work.references.slice(0, 6).join(', ')}.` : '';
    return this.spell(parts.join(' ')) + cited;
  }

  /** The name that this team gives a notion: mostly one of the frequent ones. */
  private chooseName(notion: string): string {
    return notion.includes('|') ? this.random.pickSkewed(notion.split('|'), 1.3) : notion;
  }

  private chooseType(): DocumentType {
    const roll = this.random.next();
    const isHumanities = this.theme.affinity.northern >= 0.9;
    if (roll < (isHumanities ? 0.42 : 0.67)) return 'article';
    if (roll < (isHumanities ? 0.47 : 0.75)) return 'review';
    if (roll < (isHumanities ? 0.52 : 0.82)) return 'conference paper';
    if (roll < (isHumanities ? 0.8 : 0.88)) return 'book';
    if (roll < (isHumanities ? 0.9 : 0.935)) return 'thesis';
    return roll < 0.985 ? 'report' : 'news';
  }

  private choosePeerReview(type: DocumentType): 'yes' | 'no' | 'unknown' {
    if (type === 'article' || type === 'review')
      return this.random.chance(0.9) ? 'yes' : this.random.pick(['unknown', 'no']);
    if (type === 'conference paper') return this.random.pick(['yes', 'unknown', 'no']);
    return type === 'book' ? this.random.pick(['no', 'unknown']) : 'no';
  }

  private makeTitle(type: DocumentType): string {
    const list =
      type === 'review'
        ? sentences.REVIEW_TITLES
        : type === 'book'
          ? sentences.BOOK_TITLES
          : sentences.TITLES;
    return this.spell(capitalise(this.fill(this.random.pick(list), this.random)));
  }

  private makeAbstract(): string {
    const { random } = this;
    const target = random.between(100, 235);
    const used = new Set<string>();
    const take = (list: readonly string[]): string => {
      const fresh = list.filter((template) => !used.has(template));
      const template = random.pick(fresh.length > 0 ? fresh : list);
      used.add(template);
      return this.fill(template, random);
    };
    const start = [
      take(sentences.BACKGROUND),
      ...(random.chance(0.6) ? [take(sentences.BACKGROUND)] : []),
      take(sentences.AIMS),
    ];
    const middle = [take(sentences.METHODS), take(sentences.RESULTS)];
    const end = [take(sentences.CONCLUSIONS)];
    let length = [...start, ...middle, ...end].join(' ').split(' ').length;
    while (length < target) {
      const list = random.pick([
        sentences.METHODS,
        sentences.RESULTS,
        sentences.RESULTS,
        this.theme.hasSpecies ? sentences.SPECIES_RESULTS : sentences.RESULTS,
        sentences.CONCLUSIONS,
      ]);
      const sentence = take(list);
      (list === sentences.METHODS ? start : list === sentences.CONCLUSIONS ? end : middle).push(sentence);
      length += sentence.split(' ').length;
    }
    const whole = [...start, ...middle, ...end].join(' ');
    return this.spell(explainAcronyms(whole, this.theme.id, createRandom(this.seed, this.number * 8 + 5)));
  }

  private makeForeign(language: OtherLanguage): [string, string] {
    const { random } = this;
    const { titles, sentences: lines, words } = findLanguageText(language, this.theme.id);
    const chosen = new Map(Object.entries(words).map(([slot, list]) => [slot, random.sample(list, 2)]));
    const fill = (template: string): string =>
      capitalise(
        template.replace(/\{(\w+)\}/g, (_, slot: string) =>
          chosen.has(slot) ? random.pick(chosen.get(slot)!) : this.fillSlot(slot, random),
        ),
      );
    const abstract = Array.from({ length: chooseLength(random) }, () => fill(random.pick(lines)));
    return [fill(random.pick(titles)), abstract.join(' ')];
  }

  private fill(template: string, random: Random): string {
    return capitalise(template.replace(/\{(\w+)\}/g, (_, slot: string) => this.fillSlot(slot, random)));
  }

  private fillSlot(slot: string, random: Random): string {
    switch (slot) {
      case 'place':
        return random.chance(0.55) ? this.place : random.pickSkewed(this.names.places);
      case 'species':
        return this.chooseSpecies(random);
      case 'tool':
        return random.pickSkewed(this.names.instruments, 1.6);
      case 'n':
        return String(random.between(2, 48));
      case 'N':
        return String(Math.floor(60 * 10 ** (random.next() * 2.2)));
      case 'pct':
        return random.chance(0.5)
          ? String(random.between(4, 78))
          : `${random.between(3, 79)}.${random.between(1, 9)}`;
      case 'p':
        return random.pick(['0.05', '0.01', '0.001']);
      case 'year':
        return String(this.year - random.between(1, 6));
      case 'month':
        return random.pick(sentences.MONTHS);
      case 'term':
        return random.pickSkewed(sentences.LEARNED, 3);
      default:
        return this.chooseWords(slot as Slot, random);
    }
  }

  /** Mostly the team's own words, sometimes another notion of the theme or another name for it. */
  private chooseWords(slot: Slot, random: Random): string {
    const own = this.notions.get(slot) ?? [];
    if (random.chance(0.82)) return random.pick(own);
    const notion = random.pickSkewed(this.theme[LISTS[slot]], 1.2);
    return notion.includes('|') ? random.pick(notion.split('|')) : notion;
  }

  private chooseSpecies(random: Random): string {
    this.species ??= `${random.pickSkewed(this.names.genera)} ${random.pickSkewed(this.names.epithets, 1.6)}`;
    if (random.chance(0.5)) return this.species;
    return `${random.pickSkewed(this.names.genera)} ${random.pickSkewed(this.names.epithets, 1.6)}`;
  }

  private makeKeywords(): string[] {
    const { random, theme } = this;
    const chosen = random.sample(theme.keywords, random.between(2, 5));
    if (random.chance(0.4)) chosen.push(this.chooseWords('F', random));
    return [...new Set(chosen.map((keyword) => this.spell(keyword)))];
  }

  private makeAuthors(): Work['authors'] {
    const { random } = this;
    const town = random.pickSkewed(this.names.places, 1.4);
    const house = random.pick([
      'University of',
      'Institute of',
      'College of',
      'Technical University of',
      'Museum of',
      'Research Station',
    ]);
    return Array.from({ length: 1 + Math.floor(random.next() ** 1.6 * 6) }, () => ({
      given: random.pickSkewed(GIVEN_NAMES, 1.1),
      family: random.pickSkewed(this.names.surnames, 1.5),
      affiliation: `${house} ${random.chance(0.75) ? town : random.pickSkewed(this.names.places, 1.4)}`,
    }));
  }

  private makeSource(type: DocumentType): string {
    if (type === 'book') return `${this.random.pickSkewed(this.names.places)} University Press`;
    if (type === 'thesis') return `Thesis, University of ${this.place}`;
    return type === 'report' ? `${this.place} Reports` : this.random.pickSkewed(this.theme.sources, 1.3);
  }

  private spell(text: string): string {
    return this.american ? spellAmerican(text) : text;
  }
}

function capitalise(text: string): string {
  return text.charAt(0).toUpperCase() + text.slice(1);
}
