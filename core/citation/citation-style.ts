import { XMLValidator } from 'fast-xml-parser';
import { createProblem, fail, succeed, type Outcome } from '../problem';

/** How a style points from the text to the list of references. */
export const CITATION_KINDS = ['author-date', 'author', 'note', 'numeric', 'label'] as const;
export type CitationKind = (typeof CITATION_KINDS)[number];

/** What is known of a style in the Citation Style Language. */
export interface CitationStyle {
  /** Of one that ships, the name of its file without the ending. */
  readonly id: string;
  readonly name: string;
  readonly kind: CitationKind;
}

/** The styles that ship. */
export const CITATION_STYLES: readonly CitationStyle[] = [
  { id: 'apa', name: 'APA, 7th edition', kind: 'author-date' },
  { id: 'chicago-author-date', name: 'Chicago, author–date', kind: 'author-date' },
  { id: 'harvard-cite-them-right', name: 'Harvard', kind: 'author-date' },
  { id: 'modern-language-association', name: 'MLA, 9th edition', kind: 'author' },
  { id: 'chicago-note-bibliography', name: 'Chicago, notes and bibliography', kind: 'note' },
  { id: 'modern-humanities-research-association', name: 'MHRA, notes', kind: 'note' },
  { id: 'vancouver', name: 'Vancouver', kind: 'numeric' },
  { id: 'ieee', name: 'IEEE', kind: 'numeric' },
];

/** The largest file of a style that is read, in UTF-16 units. */
const LARGEST_STYLE = 2_000_000;

/**
 * What a file in the Citation Style Language (1.0.2) says of itself. A file that only points to another style, or that
 * has no list of references, is refused: nothing could be written with it.
 */
export function readCitationStyle(text: string, id: string): Outcome<CitationStyle> {
  const refuse = (reason: string): Outcome<CitationStyle> =>
    fail(createProblem('style-unreadable', 'error', { reason }));
  if (text.length > LARGEST_STYLE) return refuse('it is larger than any style');
  if (!/<style\b[^>]*\bpurl\.org\/net\/xbiblio\/csl\b/.test(text))
    return refuse('it is no style of this language');
  if (XMLValidator.validate(text) !== true) return refuse('the file is not whole');
  if (/<link\b[^>]*\brel="independent-parent"/.test(text)) return refuse('it only points to another style');
  if (!/<bibliography\b/.test(text)) return refuse('it writes no list of references');
  const missing = findMissingMacro(text);
  if (missing !== undefined) return refuse(`it uses a part “${missing}” that it does not have`);
  const name = /<title(?:\s[^>]*)?>([^<]+)<\/title>/.exec(text)?.[1]?.trim();
  const said = /\bcitation-format="([\w-]+)"/.exec(text)?.[1];
  const isNote = /<style\b[^>]*\bclass="note"/.test(text);
  const kind = CITATION_KINDS.find((one) => one === said) ?? (isNote ? 'note' : 'author-date');
  return succeed({ id, name: name === undefined || name === '' ? id : decodeSigns(name), kind });
}

function decodeSigns(text: string): string {
  return text
    .replaceAll('&lt;', '<')
    .replaceAll('&gt;', '>')
    .replaceAll('&quot;', '"')
    .replaceAll('&amp;', '&');
}

/** A part that a style uses and does not have: the processor would leave it out and say nothing. */
function findMissingMacro(text: string): string | undefined {
  const list = (pattern: RegExp): string[] => [...text.matchAll(pattern)].map(([, name = '']) => name);
  const known = new Set(list(/<macro\b[^>]*\bname="([^"]+)"/g));
  return list(/\bmacro="([^"]+)"/g).find((name) => !known.has(name));
}
