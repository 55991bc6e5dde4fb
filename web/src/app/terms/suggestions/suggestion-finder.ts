import { Injectable, inject } from '@angular/core';
import type { Dialect } from '#core/dialect/index';
import {
  createTermKey,
  describeTermKind,
  quoteWords,
  readPlainWords,
  readWords,
  type Concept,
  type Term,
  type TermSource,
} from '#core/project/index';
import { build, parseQuery, printQuery } from '#core/query/index';
import { readQuestion } from '#core/question/index';
import {
  findLongForms,
  findNearWords,
  findTyingWords,
  findWordForms,
  listFormPrefixes,
  listJoinings,
  listNamesInLanguages,
  listNearPrefixes,
  listSpellings,
  uniteWords,
} from '#core/suggest/index';
import { shortenName, splitWords } from '#core/text/index';
import type { Heading } from '#core/vocabulary/index';
import { fetchRecords } from '../../state/fetch-records';
import { ThesaurusStore } from '../../state/thesaurus-store';
import { IndexWords } from '../../state/index-words';
import type { SectionId, Suggestion } from './suggestion';
import { Connections } from '../../state/connections';
import { say } from '../../words/say';

/** What suggestions are looked for. */
export interface SuggestionRequest {
  readonly concept: Concept;
  /** The terms that they are found from. */
  readonly terms: readonly Term[];
  /** Those of them that no chosen database finds: their words are looked for one by one. */
  readonly empty?: readonly Term[];
  readonly dialects: readonly Dialect[];
  /** The database looked at. */
  readonly dialect: Dialect;
}

type Found = readonly Suggestion[];
/** Looks for suggestions of one kind. */
export type Lookout = () => Promise<Found>;
const FORMS_A_WORD = 8;

/** Finds what may become a term of a concept: each kind on its own, so that the quick ones are shown first. */
@Injectable({ providedIn: 'root' })
export class SuggestionFinder {
  private readonly connections = inject(Connections);
  private readonly words = inject(IndexWords);
  private readonly thesauri = inject(ThesaurusStore);

  /** What can be looked for, each on its own. Headings depend on signals and are found by `findHeadings`. */
  list(question: SuggestionRequest): readonly Lookout[] {
    const { terms, empty = [] } = question;
    return [
      ...empty.map((term) => () => this.findWords(term, question)),
      ...terms.filter(isWordLike).map((term) => () => this.findForms(term, question)),
      ...terms
        .filter((term) => describeTermKind(term) === 'acronym')
        .map((term) => () => this.findMeanings(term, question)),
    ];
  }

  /** What looks like a slip of a term, or what a term may be a slip of: as `list`, apart, since it asks most. */
  listSlips({ terms, dialects }: SuggestionRequest): readonly Lookout[] {
    const databases = dialects.map((dialect) => dialect.id);
    return terms
      .filter((term) => isWordLike(term) && term.text === readPlainWords(term.text))
      .flatMap((term) => {
        const [word, ...more] = splitWords(term.text).map(({ text }) => text);
        return word !== undefined && more.length === 0 ? [() => this.findSlips(word, databases)] : [];
      });
  }

  /** Headings that the terms lead to, and those around the headings that the concept has; their entry terms and names. */
  findHeadings({ concept, terms, empty = [], dialects }: SuggestionRequest): Found {
    const texts = [concept.name, ...terms.map((term) => term.text), ...empty.flatMap(listTellingWords)];
    return dialects.flatMap((dialect) => {
      const vocabulary = this.thesauri.find(dialect.id);
      const id = dialect.headings?.vocabulary;
      if (!vocabulary || id === undefined) return [];
      const found = this.thesauri.lookUp(dialect.id, texts, 4);
      const own = concept.terms.flatMap((term) => {
        const { root } = parseQuery(term.text);
        const heading = root.kind === 'heading' ? vocabulary.find(root.label) : undefined;
        return heading ? [heading] : [];
      });
      const write = (heading: Heading, from: string): Suggestion => {
        const scope =
          !dialect.headings?.flat && vocabulary.listNarrower(heading.label).length > 0 ? 'branch' : 'heading';
        const text = printQuery(build.heading(heading.label, scope, id));
        return { ...create(text, 'headings', from, 'thesaurus'), label: heading.label };
      };
      const short = shortenName(dialect);
      const around = own.flatMap((heading) => [
        ...heading.broader.flatMap((label) => describeAround(vocabulary.find(label), 'broader')),
        ...vocabulary.listNarrower(heading.label).flatMap((narrower) => describeAround(narrower, 'narrower')),
        ...heading.related.flatMap((label) => describeAround(vocabulary.find(label), 'related')),
      ]);
      const names = [...new Set([...own, ...found.map(({ heading }) => heading)])];
      return [
        ...found
          .filter(({ heading }) => !own.includes(heading))
          .map(({ heading, by }) =>
            write(heading, by === heading.label ? short : say('terms.byShort', { short, by })),
          ),
        ...around.slice(0, 6).map(({ heading, relation }) => write(heading, `${short}, ${relation}`)),
        ...names.flatMap(({ label, entryTerms }) =>
          entryTerms.map((term) => create(writeName(term), 'entries', `${label}, ${short}`, 'thesaurus')),
        ),
        ...listNamesInLanguages(own, found).map(({ label, language, heading }) =>
          create(writeName(label), 'languages', `${heading.label}, ${short}`, 'thesaurus', language),
        ),
      ];
    });
  }

  /** The words of a phrase that finds nothing: each alone with its most used forms, and all of them in any place. */
  private async findWords(term: Term, { dialects }: SuggestionRequest): Promise<Found> {
    const words = listTellingWords(term);
    if (words.length < 2) return [];
    const from = say('terms.wordOf', { phrase: readPlainWords(term.text) });
    const databases = dialects.map((dialect) => dialect.id);
    const index = uniteWords(await this.words.listAll(databases, words.flatMap(listFormPrefixes)));
    const all = create(`(${words.join(' AND ')})`, 'words', say('terms.allItsWordsWherever'));
    return [
      all,
      ...words.map((word) => create(word, 'words', from)),
      ...words.flatMap((word) =>
        findWordForms(word, index)
          .slice(0, 2)
          .map((form) => create(form.word, 'words', say('terms.formOf', { word }))),
      ),
    ];
  }

  private async findForms(term: Term, { dialects }: SuggestionRequest): Promise<Found> {
    const databases = dialects.map((dialect) => dialect.id);
    const bare = readPlainWords(term.text);
    const words = splitWords(bare).map((word) => word.text);
    const last = words.at(-1);
    if (last === undefined) return [];
    const head = words.slice(0, -1);
    const join = (word: string): string => (head.length > 0 ? `"${[...head, word].join(' ')}"` : word);
    const index = uniteWords(await this.words.listAll(databases, listFormPrefixes(last)));
    const forms = findWordForms(last, index).slice(0, FORMS_A_WORD);
    const spellings = await this.findSpellings(words, databases);
    const merged = head.length === 0 ? spellings.flatMap((spelling) => spelling.merged ?? []) : [];
    return [
      ...forms.map((form) => create(join(form.word), 'forms', say('terms.formOfLast', { last }))),
      ...listJoinings(bare).map((text) =>
        create(text, 'forms', head.length > 0 ? say('terms.asOneWord') : say('terms.asTwoWords')),
      ),
      ...merged.map((text) => create(text, 'spellings', say('terms.bothSpellingsAtOnce'))),
      ...spellings.map(({ text }) => create(writeName(text), 'spellings', say('terms.britishOrAmerican'))),
    ];
  }

  /** The words with one of them in its other spelling, where an index has it. */
  private async findSpellings(
    words: readonly string[],
    databases: readonly string[],
  ): Promise<{ text: string; merged: string | undefined }[]> {
    const candidates = words.flatMap((word, at) =>
      listSpellings(word).map((spelling) => ({ ...spelling, text: words.with(at, spelling.word).join(' ') })),
    );
    const lists = await this.words.listAll(
      databases,
      candidates.map((candidate) => candidate.word),
    );
    const known = new Set(uniteWords(lists).map((entry) => entry.word));
    return candidates
      .filter((candidate) => known.has(candidate.word))
      .map(({ text, merged }) => ({ text, merged }));
  }

  /** Rare words that look like slips of the word, and frequent ones that it may be a slip of. */
  private async findSlips(word: string, databases: readonly string[]): Promise<Suggestion[]> {
    const index = uniteWords(await this.words.listAll(databases, listNearPrefixes(word)));
    const forms = new Set(findWordForms(word, index).map((form) => form.word));
    const known = index.some((entry) => entry.word === word);
    return findNearWords(word, index)
      .filter(
        (near) =>
          !forms.has(near.word) && (!known || Object.values(near.records).every((count) => count <= 3)),
      )
      .slice(0, 4)
      .map((near) =>
        create(
          near.word,
          'slips',
          known ? say('terms.likelyMisspellingOf', { word }) : say('terms.isInNoIndex', { word }),
        ),
      );
  }

  /** Long forms found beside an acronym, and the acronym tied to a word that settles the meaning. */
  private async findMeanings(term: Term, { dialect }: SuggestionRequest): Promise<Found> {
    const acronym = readWords(term.text);
    const records = await fetchRecords(
      this.connections.find(dialect.id),
      parseQuery(acronym).root,
      dialect,
      {},
      MAX_EXPLAINING,
    );
    const forms = findLongForms(acronym, records).slice(0, 4);
    const explained = forms.reduce((sum, form) => sum + form.records, 0);
    return forms.flatMap((form) => {
      const percent = Math.round((100 * form.records) / explained);
      const share = say('terms.of100ThatExplain', { percent, acronym, database: shortenName(dialect) });
      const tie = findTyingWords(form.text, records, 2);
      const whole = create(`"${form.text}"`, 'meanings', share);
      if (tie.length === 0) return [whole];
      const words = tie.length > 1 ? `(${tie.join(' OR ')})` : tie.join('');
      const tied = create(
        `(${acronym} AND ${words})`,
        'meanings',
        say('terms.useInsteadOfOnly', { acronym }),
      );
      return [whole, { ...tied, replaces: term.id }];
    });
  }
}

/** The words of a term that say something, in small letters. */
function listTellingWords(term: Term): string[] {
  return readQuestion(readPlainWords(term.text))
    .filter(({ role }) => role !== 'stop')
    .map(({ text }) => text.toLowerCase());
}

/** The first records of a database in which explanations of an acronym are looked for. */
const MAX_EXPLAINING = 600;

function create(
  text: string,
  section: SectionId,
  from: string,
  source: TermSource = 'suggestion',
  language?: string,
): Suggestion {
  const key = createTermKey({ text });
  const { root } = parseQuery(text);
  return { key, text, section, from, source, root, ...(language !== undefined && { language }) };
}

function writeName(words: string): string {
  // Acronyms keep their capitals, by which they are known.
  return quoteWords(/^[A-Z0-9]{2,}s?$/.test(words) ? words : words.toLowerCase());
}

function isWordLike(term: Term): boolean {
  return !term.off && ['word', 'truncated word', 'phrase'].includes(describeTermKind(term));
}

function describeAround(
  heading: Heading | undefined,
  relation: string,
): { heading: Heading; relation: string }[] {
  return heading ? [{ heading, relation }] : [];
}
