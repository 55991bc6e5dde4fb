import { createHeadingKey, createLabelKey } from '../text';
import { dropPlural } from './singular';

/** A label in a language (ISO 639-1). */
export interface LanguageLabel {
  readonly language: string;
  readonly label: string;
}

/** A subject heading with its place in the thesaurus; all references are labels. */
export interface Heading {
  readonly label: string;
  readonly entryTerms: readonly string[];
  readonly broader: readonly string[];
  readonly related: readonly string[];
  readonly scopeNote?: string;
  /** The heading is given to records since this year. */
  readonly since?: number;
  /** It is given to records no longer. */
  readonly isDeprecated?: boolean;
  /** What it is called in other languages. */
  readonly translations?: readonly LanguageLabel[];
  /** What names it across vocabularies: the address of its concept in SKOS. */
  readonly address?: string;
  /** The headings of other vocabularies that are said to be the same, or nearly, by their addresses. */
  readonly matches?: readonly HeadingMatch[];
}

/** A heading of another vocabulary: `exact` is the same in every use, `close` is not. */
export interface HeadingMatch {
  readonly kind: 'exact' | 'close';
  readonly address: string;
}

/** A heading that some words lead to, and by which of its names. */
export interface FoundHeading {
  readonly heading: Heading;
  readonly by: string;
  /** All the words stand in the name; otherwise it only begins like them. */
  readonly hasWords: boolean;
  /** The words are the whole name, a plural apart. */
  readonly isWhole: boolean;
}

/** The headings of one database, or of a file that a person loaded. */
export interface Vocabulary {
  /** The database's short name, as in `heading(name): "…"`. */
  readonly id: string;
  readonly headings: readonly Heading[];
  /**
   * The heading with a label. If none has just this one, case, diacritics and punctuation do not count, and of several
   * the first is given.
   */
  find(label: string): Heading | undefined;
  /** The labels that a label stands for: itself, or all that differ from it only in such ways; itself if it is unknown. */
  resolve(label: string): readonly string[];
  /** The labels of a heading and of all below it, each once; cycles end. Empty for an unknown label. */
  listBranch(label: string): readonly string[];
  /** The headings right below one. */
  listNarrower(label: string): readonly Heading[];
  /** The headings that some words lead to, by label, entry term or translation: the closest first, deprecated ones last. */
  lookUp(words: string, most: number): readonly FoundHeading[];
}

/** A vocabulary over a list of headings. */
export function createVocabulary(id: string, headings: readonly Heading[]): Vocabulary {
  return new IndexedVocabulary(id, headings);
}

interface Name {
  readonly key: string;
  /** Its words without plural endings, each with a blank on both sides. */
  readonly stems: string;
  readonly text: string;
  readonly heading: Heading;
}

class IndexedVocabulary implements Vocabulary {
  /** Labels may differ in nothing but case, accents or signs (`C`, `C++`), so a heading is itself by its own label. */
  private readonly byLabel: ReadonlyMap<string, Heading>;
  private readonly byKey = new Map<string, Heading[]>();
  private readonly below = new Map<Heading, Heading[]>();
  private names: readonly Name[] | undefined;

  constructor(
    readonly id: string,
    readonly headings: readonly Heading[],
  ) {
    this.byLabel = new Map(headings.map((heading) => [heading.label, heading]));
    for (const heading of headings) add(this.byKey, createLabelKey(heading.label), heading);
    for (const heading of headings)
      for (const broader of new Set(heading.broader.flatMap((label) => this.findAll(label))))
        add(this.below, broader, heading);
  }

  find(label: string): Heading | undefined {
    return this.findAll(label)[0];
  }

  resolve(label: string): readonly string[] {
    const found = this.findAll(label);
    return found.length === 0 ? [label] : found.map((heading) => heading.label);
  }

  listBranch(label: string): readonly string[] {
    const found = new Set(this.findAll(label));
    for (const heading of found) for (const narrower of this.below.get(heading) ?? []) found.add(narrower);
    return [...found].map((heading) => heading.label);
  }

  listNarrower(label: string): readonly Heading[] {
    return [...new Set(this.findAll(label).flatMap((heading) => this.below.get(heading) ?? []))];
  }

  /** The heading with just this label; else all whose labels differ in case and accents; else in signs, too. */
  private findAll(label: string): readonly Heading[] {
    const own = this.byLabel.get(label);
    if (own) return [own];
    const alike = this.byKey.get(createLabelKey(label)) ?? [];
    const key = createHeadingKey(label);
    const same = alike.filter((heading) => createHeadingKey(heading.label) === key);
    return same.length > 0 ? same : alike;
  }

  lookUp(words: string, most: number): readonly FoundHeading[] {
    const key = createLabelKey(words);
    if (key === '') return [];
    const stems = key.split(' ').map((word) => ` ${dropPlural(word)} `);
    const scored = new Map<Heading, { score: number; by: string }>();
    for (const name of this.listNames()) {
      const score = scoreName(name, key, stems);
      if (score > (scored.get(name.heading)?.score ?? 0)) scored.set(name.heading, { score, by: name.text });
    }
    return [...scored]
      .sort(
        ([a, one], [b, other]) =>
          Number(a.isDeprecated ?? false) - Number(b.isDeprecated ?? false) ||
          other.score - one.score ||
          a.label.length - b.label.length,
      )
      .slice(0, most)
      .map(([heading, { by, score }]) => ({ heading, by, hasWords: score > 1, isWhole: score >= 5 }));
  }

  private listNames(): readonly Name[] {
    this.names ??= this.headings.flatMap((heading) =>
      [
        heading.label,
        ...heading.entryTerms,
        ...(heading.translations ?? []).map((translation) => translation.label),
      ].map((text) => {
        const key = createLabelKey(text);
        return { key, stems: ` ${key.split(' ').map(dropPlural).join(' ')} `, text, heading };
      }),
    );
    return this.names;
  }
}

function add<K>(lists: Map<K, Heading[]>, key: K, heading: Heading): void {
  const list = lists.get(key);
  if (list) list.push(heading);
  else lists.set(key, [heading]);
}

/** The whole name before words in it, before a mere beginning; a plural is as good as none. */
function scoreName(name: Name, asked: string, stems: readonly string[]): number {
  const [first = ''] = stems;
  if (name.stems.includes(first) && stems.every((stem) => name.stems.includes(stem))) {
    if (name.key === asked) return 6;
    if (name.stems.length === stems.reduce((sum, stem) => sum + stem.length - 1, 1)) return 5;
    return name.stems.startsWith(first) ? 4 : 3;
  }
  if (name.key.startsWith(asked)) return 1;
  return name.key.includes(` ${asked}`) ? 0.5 : 0;
}
