import { createProblem, type Problem } from '../../problem';
import type { Heading, HeadingMatch, LanguageLabel } from '../vocabulary';
import { OTHER_CLASSES, RDFS_SUBCLASS, RDF_TYPE, ROLES, SKOS } from './terms';

/** One statement of a file, as any RDF syntax gives it. */
export interface Statement {
  readonly subject: string;
  readonly predicate: string;
  /** An address, or the text of a literal. */
  readonly object: string;
  readonly isLiteral: boolean;
  /** Of a literal, in small letters; empty for none. */
  readonly language: string;
}

interface Literal {
  readonly text: string;
  readonly language: string;
}

interface Draft {
  /** The classes that it is of. */
  types: string[];
  /** It stands in a thesaurus, by a scheme or by a relation to another concept. */
  isPlaced: boolean;
  isDeprecated: boolean;
  labels: Literal[];
  entries: Literal[];
  scopes: Literal[];
  broader: string[];
  narrower: string[];
  related: string[];
  matches: HeadingMatch[];
  issued?: number;
  xlLabels: string[];
  xlEntries: string[];
  forms: Literal[];
}

/** Gathers statements in any order and makes headings of them. */
export class ConceptCollector {
  private readonly drafts = new Map<string, Draft>();
  /** What the file says of its own classes: some may be kinds of concepts. */
  private readonly broaderClasses = new Map<string, string[]>();

  /** How many resources are known so far. */
  get size(): number {
    return this.drafts.size;
  }

  add({ subject, predicate, object, isLiteral, language }: Statement): void {
    if (predicate === RDF_TYPE) {
      this.getDraft(subject).types.push(object);
      return;
    }
    if (predicate === RDFS_SUBCLASS) {
      this.broaderClasses.set(subject, [...(this.broaderClasses.get(subject) ?? []), object]);
      return;
    }
    const role = ROLES.get(predicate);
    if (!role) return;
    const draft = this.getDraft(subject);
    const literal: Literal = { text: object, language };
    if (role === 'scheme') draft.isPlaced = true;
    else if (role === 'deprecated') draft.isDeprecated = /^(?:true|1)$/i.test(object);
    else if (role === 'issued') {
      const year = /^\d{4}/.exec(object)?.[0];
      if (year !== undefined) draft.issued = Number(year);
    } else if (isLiteral) {
      if (role === 'label') draft.labels.push(literal);
      else if (role === 'entry') draft.entries.push(literal);
      else if (role === 'scope') draft.scopes.push(literal);
      else if (role === 'xl-form') draft.forms.push(literal);
    } else if (role === 'broader' || role === 'narrower' || role === 'related') {
      draft[role].push(object);
      draft.isPlaced = true;
    } else if (role === 'exact' || role === 'close') draft.matches.push({ kind: role, address: object });
    else if (role === 'xl-label') draft.xlLabels.push(object);
    else if (role === 'xl-entry') draft.xlEntries.push(object);
  }

  /**
   * The headings, with problems for what had to be mended: a concept without a label takes the end of
   * its address; two of one label are told apart; references to nowhere are dropped. Where the file has no label in
   * the language, all headings are named in the one that most of them have.
   */
  finish(wanted: string): { headings: Heading[]; problems: Problem[] } {
    for (const draft of this.drafts.values()) this.resolveExtendedLabels(draft);
    const isConceptClass = this.findConceptClasses();
    const concepts = [...this.drafts].filter(([, draft]) => isConcept(draft, isConceptClass));
    const language = chooseLanguage(
      concepts.map(([, { labels }]) => labels),
      wanted,
    );
    const labels = this.nameConcepts(concepts, language);
    const problems = [...labels.problems];
    if (language !== wanted && concepts.length > 0)
      problems.push(createProblem('skos-other-language', 'note', { wanted, language: language || 'none' }));
    for (const [address, draft] of concepts) {
      for (const below of draft.narrower) {
        const narrower = this.drafts.get(below);
        if (narrower && !narrower.broader.includes(address)) narrower.broader.push(address);
      }
    }
    let lost = 0;
    const headings = concepts.map(([address, draft]): Heading => {
      const label = labels.names.get(address) ?? address;
      const nameAll = (addresses: readonly string[]): string[] =>
        [...new Set(addresses)].flatMap((other) => {
          const name = labels.names.get(other);
          if (name === undefined) lost++;
          return name === undefined || name === label ? [] : [name];
        });
      const described = describeHeading(
        label,
        draft,
        language,
        nameAll(draft.broader),
        nameAll(draft.related),
      );
      return { ...described, address };
    });
    if (lost > 0) problems.push(createProblem('skos-lost-references', 'note', { count: lost }));
    return { headings, problems };
  }

  private getDraft(address: string): Draft {
    let draft = this.drafts.get(address);
    if (!draft) {
      draft = {
        types: [],
        isPlaced: false,
        isDeprecated: false,
        labels: [],
        entries: [],
        scopes: [],
        broader: [],
        narrower: [],
        related: [],
        matches: [],
        xlLabels: [],
        xlEntries: [],
        forms: [],
      };
      this.drafts.set(address, draft);
    }
    return draft;
  }

  /** Whether a class is that of concepts or, as the file says, a narrower one. */
  private findConceptClasses(): (type: string) => boolean {
    const isConceptClass = (type: string, seen: ReadonlySet<string>): boolean =>
      type === `${SKOS}Concept` ||
      (!seen.has(type) &&
        (this.broaderClasses.get(type) ?? []).some((broader) =>
          isConceptClass(broader, new Set([...seen, type])),
        ));
    return (type) => isConceptClass(type, new Set());
  }

  private resolveExtendedLabels(draft: Draft): void {
    for (const address of draft.xlLabels) draft.labels.push(...(this.drafts.get(address)?.forms ?? []));
    for (const address of draft.xlEntries) draft.entries.push(...(this.drafts.get(address)?.forms ?? []));
  }

  private nameConcepts(
    concepts: readonly (readonly [string, Draft])[],
    language: string,
  ): { names: ReadonlyMap<string, string>; problems: Problem[] } {
    const names = new Map<string, string>();
    const taken = new Map<string, number>();
    let nameless = 0;
    let doubled = 0;
    for (const [address, draft] of concepts) {
      let label = chooseLiteral(draft.labels, language)?.text.trim() ?? '';
      if (label === '') {
        nameless++;
        label = decodeURIComponentSafely(address.split(/[/#]/).at(-1) ?? address) || address;
      }
      const occurrence = (taken.get(label) ?? 0) + 1;
      taken.set(label, occurrence);
      if (occurrence > 1) doubled++;
      names.set(address, occurrence > 1 ? `${label} (${occurrence})` : label);
    }
    const problems = [
      ...(nameless > 0 ? [createProblem('skos-nameless', 'note', { count: nameless })] : []),
      ...(doubled > 0 ? [createProblem('skos-doubled', 'note', { count: doubled })] : []),
    ];
    return { names, problems };
  }
}

function describeHeading(
  label: string,
  draft: Draft,
  language: string,
  broader: readonly string[],
  related: readonly string[],
): Heading {
  const own = chooseLiteral(draft.labels, language);
  const isOwn = (literal: Literal): boolean =>
    literal.language === '' || getBase(literal.language) === getBase(own?.language ?? '');
  // A label for one country beside that of the language is another word for the same.
  const entryTerms = [...draft.labels, ...draft.entries].filter(isOwn).map((literal) => literal.text);
  const translations = [...draft.labels, ...draft.entries]
    .filter((literal) => !isOwn(literal))
    .map((literal): LanguageLabel => ({ language: literal.language, label: literal.text }));
  const scopeNote = chooseLiteral(draft.scopes, language)?.text;
  return {
    label,
    entryTerms: [...new Set(entryTerms)].filter((term) => term !== label),
    broader,
    related,
    ...(scopeNote !== undefined && { scopeNote }),
    ...(draft.issued !== undefined && { since: draft.issued }),
    ...(draft.isDeprecated && { isDeprecated: true }),
    ...(translations.length > 0 && { translations }),
    ...(draft.matches.length > 0 && { matches: draft.matches }),
  };
}

/** A language without its country. */
function getBase(language: string): string {
  return language.split('-')[0] ?? '';
}

/** What is called a concept, or what nothing says of, if it has a label and, being of another class, a place in a thesaurus. */
function isConcept({ types, labels, isPlaced }: Draft, isConceptClass: (type: string) => boolean): boolean {
  if (types.some(isConceptClass)) return true;
  if (labels.length === 0 || types.some((type) => OTHER_CLASSES.has(type))) return false;
  return types.length === 0 || isPlaced;
}

/** The language that is wanted if the file has any label in it, else the one in which most concepts have a label. */
function chooseLanguage(labels: readonly (readonly Literal[])[], wanted: string): string {
  const counts = new Map<string, number>();
  for (const list of labels)
    for (const language of new Set(list.map((literal) => getBase(literal.language))))
      counts.set(language, (counts.get(language) ?? 0) + 1);
  // Labels without a language are of any.
  if (counts.size === 0 || counts.has(wanted) || counts.has('')) return wanted;
  const [most] = [...counts].sort(([a, one], [b, other]) => other - one || (a < b ? -1 : 1));
  return most?.[0] ?? wanted;
}

/** The text in a language, without a country if there is one, else the one without any language, else the first. */
function chooseLiteral(literals: readonly Literal[], language: string): Literal | undefined {
  return (
    literals.find((literal) => literal.language === language) ??
    literals.find((literal) => getBase(literal.language) === language) ??
    literals.find((literal) => literal.language === '') ??
    literals[0]
  );
}

function decodeURIComponentSafely(text: string): string {
  try {
    return decodeURIComponent(text).replaceAll('_', ' ');
  } catch {
    return text;
  }
}
