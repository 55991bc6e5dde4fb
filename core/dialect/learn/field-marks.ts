import { FIELDS, getWordsRow, type Field } from '../../query';
import type { Dialect } from '../profile';
import type { Nearness } from './nearness';
import { isOperatorWord } from './operators';
import type { Ask } from './question';
import { FIELD_MARKS } from './signs';

const NONE = 'none';

/** How fields are marked, as it was seen. */
export interface FoundFields {
  readonly mark: string;
  readonly codes: readonly string[];
  readonly joint: string | undefined;
  readonly marksGroups: boolean;
}

/** The mark of fields that stands most often in some strings. */
export function findFields(texts: readonly string[], near: readonly Nearness[]): FoundFields | undefined {
  const plain = texts.map((text) => near.reduce((rest, { pattern }) => rest.replace(pattern, ' '), text));
  let best: { found: FoundFields; count: number } | undefined;
  for (const { mark, pattern } of FIELD_MARKS) {
    const matches = plain.flatMap((text) => [...text.matchAll(pattern)].map((match) => ({ text, match })));
    const marked = matches.filter(({ match }) => !isOperatorWord(match.groups?.['codes'] ?? ''));
    if (marked.length === 0 || (best && best.count >= marked.length)) continue;
    const lists = marked.map(({ match }) => match.groups?.['codes'] ?? '');
    const joint = lists.flatMap((list) => /[,;|/] ?/.exec(list)?.[0] ?? [])[0];
    const codes = [...new Set(lists.flatMap((list) => list.split(/[,;|/] ?/)))].filter((code) => code !== '');
    const marksGroups = marked.some(({ text, match }) =>
      mark.indexOf('{item}') < mark.indexOf('{field}')
        ? text.charAt(match.index - 1) === ')'
        : text.charAt(match.index + match[0].length) === '(' || /\(\{item\}|: \{item\}\)/.test(mark),
    );
    const word = marked[0]?.match.groups?.['word'] ?? '';
    best = { found: { mark: mark.replace('{word}', word), codes, joint, marksGroups }, count: marked.length };
  }
  return best?.found;
}

/** The fields of a dialect, with what their codes search. */
export function describeFields(found: FoundFields | undefined, base: Dialect, ask: Ask): Dialect['fields'] {
  const codes: Partial<Record<Field, string>> = {};
  for (const code of found?.codes ?? []) {
    const guessed = FIELDS.find((field) => getWordsRow(field).codes.includes(code.toLowerCase()));
    const isFree = guessed !== undefined && codes[guessed] === undefined;
    const field = ask(
      `field ${code}`,
      `What does ${code} search?`,
      [...FIELDS.map((name) => [name, name] as const), [NONE, 'something else']],
      isFree ? guessed : NONE,
    );
    if (field !== NONE && codes[field as Field] === undefined) codes[field as Field] = code;
  }
  const unmarked = ask(
    'unmarked',
    'What is searched where no field is given?',
    [
      ['title,abstract,keywords', 'title, abstract and keywords'],
      ['title,abstract,keywords,heading', 'title, abstract, keywords and headings'],
      ['text', 'the full text'],
    ],
    'title,abstract,keywords',
  ).split(',') as Field[];
  const { joint: _, ...fields } = base.fields;
  const held = FIELDS.filter(
    (field) => codes[field] !== undefined || unmarked.includes(field) || base.fields.held.includes(field),
  );
  return {
    ...fields,
    mark: found?.mark ?? base.fields.mark,
    marksGroups: found?.marksGroups ?? false,
    ...(found?.joint !== undefined && { joint: found.joint }),
    codes,
    instead: {},
    held,
    unmarked,
  };
}
