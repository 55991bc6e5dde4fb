import { createProblem, type Problem } from '../../problem';
import type { Heading, HeadingMatch, LanguageLabel } from '../vocabulary';
import { RDF_TYPE, ROLES, SKOS } from './terms';

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
  isConcept: boolean;
  /** It is said to be something else: a scheme, a collection. */
  isOther: boolean;
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

  /** How many resources are known so far. */
  get size(): number {
    return this.drafts.size;
  }

  add({ subject, predicate, object, isLiteral, language }: Statement): void {
    if (predicate === RDF_TYPE) {
      if (object === `${SKOS}Concept`) this.getDraft(subject).isConcept = true;
      else this.getDraft(subject).isOther = true;
      return;
    }
    const role = ROLES.get(predicate);
    if (!role) return;
    const draft = this.getDraft(subject);
    const literal: Literal = { text: object, language };
    if (role === 'issued') {
      const year = /^\d{4}/.exec(object)?.[0];
      if (year !== undefined) draft.issued = Number(year);
    } else if (isLiteral) {
      if (role === 'label') draft.labels.push(literal);
      else if (role === 'entry') draft.entries.push(literal);
      else if (role === 'scope') draft.scopes.push(literal);
      else if (role === 'xl-form') draft.forms.push(literal);
    } else if (role === 'broader' || role === 'narrower' || role === 'related') draft[role].push(object);
    else if (role === 'exact' || role === 'close') draft.matches.push({ kind: role, address: object });
    else if (role === 'xl-label') draft.xlLabels.push(object);
    else if (role === 'xl-entry') draft.xlEntries.push(object);
  }

  /**
   * The headings, with problems for what had to be mended: a concept without a label takes the end of
   * its address; two of one label are told apart; references to nowhere are dropped.
   */
  finish(language: string): { headings: Heading[]; problems: Problem[] } {
    for (const draft of this.drafts.values()) this.resolveExtendedLabels(draft);
    const concepts = [...this.drafts].filter(
      ([, draft]) => draft.isConcept || (draft.labels.length > 0 && !draft.isOther),
    );
    const labels = this.nameConcepts(concepts, language);
    const problems = [...labels.problems];
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
        isConcept: false,
        isOther: false,
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
  const isOwn = (literal: Literal): boolean => literal.language === '' || literal.language === own?.language;
  const entryTerms = draft.entries.filter(isOwn).map((literal) => literal.text);
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
    ...(translations.length > 0 && { translations }),
    ...(draft.matches.length > 0 && { matches: draft.matches }),
  };
}

/** The text in a language, else the one without any, else the first. */
function chooseLiteral(literals: readonly Literal[], language: string): Literal | undefined {
  return (
    literals.find((literal) => literal.language.split('-')[0] === language) ??
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
