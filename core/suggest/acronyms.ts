import { foldLetters, splitWords } from '../text';
import { readQuestion } from '../question';

/** A text in which an acronym may be explained. */
export interface ExplainingText {
  readonly title: string;
  readonly abstract: string;
}

/** A long form found beside an acronym, and in how many of the texts. */
export interface LongForm {
  readonly text: string;
  readonly records: number;
}

/**
 * The long forms in "long form (ACR)" and "ACR (long form)", after A. S. Schwartz and M. A. Hearst, "A simple
 * algorithm for identifying abbreviation definitions in biomedical text" (2003): the letters are found from
 * right to left in the words before the bracket. The first letter begins a word. The most frequent first.
 */
export function findLongForms(acronym: string, texts: readonly ExplainingText[]): LongForm[] {
  const counts = new Map<string, number>();
  for (const { title, abstract } of texts) {
    const found = new Set([title, abstract].flatMap((text) => listExplanations(acronym, text)));
    for (const form of found) counts.set(form, (counts.get(form) ?? 0) + 1);
  }
  return [...counts]
    .map(([text, records]) => ({ text, records }))
    .sort((a, b) => b.records - a.records || (a.text < b.text ? -1 : 1));
}

function listExplanations(acronym: string, text: string): string[] {
  const found: string[] = [];
  const brackets = /\(([^()]{1,120})\)/g;
  for (let match = brackets.exec(text); match; match = brackets.exec(text)) {
    const inside = match[1]?.trim() ?? '';
    const before = text.slice(0, match.index);
    if (isAcronym(inside, acronym)) {
      const clause = before.split(/[.;:()]/).at(-1) ?? '';
      const most = Math.min(acronym.length + 5, acronym.length * 2);
      const words = splitWords(clause).slice(-most);
      const start = words[0]?.start ?? 0;
      const form = matchLongForm(acronym, clause.slice(start));
      if (form !== undefined) found.push(form);
    } else if (isAcronym(splitWords(before).at(-1)?.text ?? '', acronym)) {
      const form = matchLongForm(acronym, inside);
      if (form !== undefined) found.push(form);
    }
  }
  return found;
}

/** Plural acronyms count as well. */
function isAcronym(text: string, acronym: string): boolean {
  const [a, b] = [foldLetters(text), foldLetters(acronym)];
  return a === b || a === `${b}s`;
}

function matchLongForm(acronym: string, candidate: string): string | undefined {
  const letters = [...foldLetters(acronym)].filter((letter) => /[\p{L}\p{N}]/u.test(letter));
  const text = foldLetters(candidate);
  let at = text.length;
  for (let index = letters.length - 1; index >= 0; index--) {
    const letter = letters[index] ?? '';
    do at--;
    while (
      at >= 0 &&
      (text[at] !== letter || (index === 0 && at > 0 && /[\p{L}\p{N}]/u.test(text[at - 1] ?? '')))
    );
    if (at < 0) return undefined;
  }
  const form = splitWords(text.slice(at))
    .map((word) => word.text)
    .join(' ');
  const words = form.split(' ');
  return words.length >= 2 && !words.includes(foldLetters(acronym)) ? form : undefined;
}

/**
 * Words that settle a meaning: those of texts that explain the acronym so, much more than of texts that
 * do not. Words of the long form come first if they do the work.
 */
export function findTyingWords(longForm: string, texts: readonly ExplainingText[], most = 3): string[] {
  const key = foldLetters(longForm);
  const inside = new Map<string, number>();
  const outside = new Map<string, number>();
  let explained = 0;
  for (const { title, abstract } of texts) {
    const words = splitWords(`${title} ${abstract}`).map((word) => word.text);
    const isMeant = words.join(' ').includes(key);
    if (isMeant) explained++;
    const counts = isMeant ? inside : outside;
    for (const word of new Set(words)) counts.set(word, (counts.get(word) ?? 0) + 1);
  }
  const others = texts.length - explained;
  const roles = new Set(
    readQuestion([...inside.keys()].join(' '))
      .filter((word) => word.role === 'content')
      .map((word) => word.text),
  );
  const ofForm = new Set(key.split(' '));
  return [...inside]
    .filter(([word]) => roles.has(word) && word.length > 3)
    .map(([word, count]) => {
      const gain = count / explained - (outside.get(word) ?? 0) / Math.max(1, others);
      return { word, score: gain + (ofForm.has(word) ? 0.2 : 0) };
    })
    .sort((a, b) => b.score - a.score || (a.word < b.word ? -1 : 1))
    .slice(0, most)
    .map(({ word }) => word);
}
