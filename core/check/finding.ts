import type { Dialect } from '../dialect';
import type { Problem } from '../problem';
import type { Change, Concept, Term, Working } from '../project';
import type { Blocks, ParsedQuery, QueryNode } from '../query';
import type { Vocabulary } from '../vocabulary';

/** The elements that peer review of searches looks at, in its order. */
export const REVIEW_ELEMENTS = [
  { id: 'question', name: 'Translation of the question' },
  { id: 'operators', name: 'Operators' },
  { id: 'headings', name: 'Subject headings' },
  { id: 'words', name: 'Text words' },
  { id: 'syntax', name: 'Spelling and syntax' },
  { id: 'limits', name: 'Limits' },
] as const;
export type ReviewElement = (typeof REVIEW_ELEMENTS)[number]['id'];

/** A way to mend what was found: changes of the project, made one after the other. */
export interface FindingFix {
  readonly label: string;
  readonly changes: readonly Change[];
}

/** What something costs in records: what `of` finds, less what `less` finds if that is given. */
export interface FindingCost {
  readonly of: QueryNode;
  readonly less?: QueryNode;
  /** What the number says, to stand behind it: “records removed”. */
  readonly words: string;
}

/** Something in the query that is worth a look. */
export interface Finding {
  /** The same for the same thing as long as it is there: remarks on it are kept under it. */
  readonly key: string;
  readonly element: ReviewElement;
  readonly problem: Problem;
  /** The text that the problem's span is in; without it the draft, or no text at all. */
  readonly concept?: string;
  readonly term?: string;
  /** Without it, the cost is what the first fix changes in the draft. */
  readonly cost?: FindingCost;
  /** Records worth reading for it. */
  readonly show?: { readonly label: string; readonly query: QueryNode };
  /** Further lines: which database does what. */
  readonly remarks: readonly string[];
  readonly fixes: readonly FindingFix[];
}

/** A finding before it has its key and its element. */
export type FoundThing = Pick<Finding, 'problem'> &
  Partial<Pick<Finding, 'concept' | 'term' | 'cost' | 'show' | 'remarks' | 'fixes'>>;

/** What checks look at. Nothing in it changes while they run. */
export interface CheckSubject {
  readonly working: Working;
  readonly parsed: ParsedQuery;
  readonly blocks: Blocks;
  /** With blocks put in. */
  readonly root: QueryNode;
  readonly dialects: readonly Dialect[];
  /** The concepts that the draft uses and that are on. */
  readonly used: readonly Concept[];
  readonly findVocabulary: (database: string) => Vocabulary | undefined;
  /** The long forms that records give for an acronym; nothing while they are not known. */
  readonly findMeanings: (acronym: string) => readonly string[] | undefined;
  /** The records that a query finds in a database; nothing while that is not known: it is asked for. */
  readonly count: (query: QueryNode, database: string) => number | undefined;
}

/** One check: data about it, and a pure function from the subject to what it finds. */
export interface Check {
  readonly id: string;
  readonly element: ReviewElement;
  /** One line on what it looks for, for the report. */
  readonly looksFor: string;
  readonly find: (subject: CheckSubject) => readonly FoundThing[];
}

/** The terms of a concept that are on. */
export function listActive(concept: Concept): readonly Term[] {
  return concept.terms.filter((term) => !term.off);
}
