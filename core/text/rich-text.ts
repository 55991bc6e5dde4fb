/** A run of text with one look: plain, weighty, or exactly as it is typed or sent. */
export type TextRun = string | { readonly strong: string } | { readonly code: string };

/** A sentence in runs of text. */
export type RichText = readonly TextRun[];

/** The letters of a run. */
export function readRun(run: TextRun): string {
  if (typeof run === 'string') return run;
  return 'strong' in run ? run.strong : run.code;
}

/** A sentence as plain text. */
export function toPlainText(text: RichText): string {
  return text.map(readRun).join('');
}

/** Sentences with something between each two. */
export function joinRich(parts: readonly RichText[], between: string): RichText {
  return parts.flatMap((part, at) => (at === 0 ? part : [between, ...part]));
}
