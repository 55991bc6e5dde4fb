import type { Span } from '../text';
import type { ProblemCode } from './catalogue';

/**
 * How much a problem matters: an `error` leaves no sure reading; a `warning` has one that may not be meant; a
 * `note` only informs.
 */
export type Severity = 'error' | 'warning' | 'note';

/** Replaces the text at `span`. */
export interface TextEdit {
  readonly span: Span;
  readonly text: string;
}

/** One way to mend a problem: edits of the text, applied together; `label` is a sentence for the person. */
export interface Fix {
  readonly label: string;
  readonly edits: readonly TextEdit[];
}

/** Something to tell the person: what, where, and with which particulars. Wording: `catalogue.ts`. */
export interface Problem {
  readonly code: ProblemCode;
  readonly severity: Severity;
  readonly span?: Span;
  readonly data: Readonly<Record<string, string | number>>;
  readonly fixes?: readonly Fix[];
}

/** Either a value or the problem that stood in its way. */
export type Outcome<T> =
  { readonly ok: true; readonly value: T } | { readonly ok: false; readonly problem: Problem };

/** The outcome of success. */
export function succeed<T>(value: T): Outcome<T> {
  return { ok: true, value };
}

/** The outcome of failure. */
export function fail<T>(problem: Problem): Outcome<T> {
  return { ok: false, problem };
}

/** Builds a problem; `span` and `fixes` only where there are some. */
export function createProblem(
  code: ProblemCode,
  severity: Severity,
  data: Problem['data'] = {},
  span?: Span,
  fixes?: readonly Fix[],
): Problem {
  return { code, severity, data, ...(span && { span }), ...(fixes && fixes.length > 0 && { fixes }) };
}

/** The text with the edits of one fix made. Edits must not overlap. */
export function applyFix(text: string, fix: Fix): string {
  return [...fix.edits]
    .sort((a, b) => b.span.start - a.span.start)
    .reduce((done, edit) => done.slice(0, edit.span.start) + edit.text + done.slice(edit.span.end), text);
}
