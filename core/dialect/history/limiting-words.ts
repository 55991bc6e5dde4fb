import { build, listNodes, readProperty, type QueryNode } from '../../query';
import { DOCUMENT_TYPES, LANGUAGES } from '../../record';
import type { Dialect } from '../profile';
import { readKeepingLimiters } from '../read';

/**
 * What a line limits an earlier one to: in the dialect's own form, or as people and systems write it (`2015-2024`,
 * `since 2015`, `English language`, `reviews`), several joined by commas or AND. Nothing if it is not understood.
 */
export function readLimitingWords(text: string, dialect: Dialect): readonly QueryNode[] | undefined {
  const own = readKeepingLimiters(text, dialect);
  const isOnlyLimiters = listNodes(own.root).every(({ kind }) =>
    ['range', 'value', 'and', 'or'].includes(kind),
  );
  if (isOnlyLimiters && own.problems.length === 0) return [own.root];
  const bare = text.trim().replace(/^[("]+|[)"]+$/g, '');
  const parts = bare.split(/\s*[,;]\s*|\s+and\s+/i).filter((part) => part !== '');
  const nodes = parts.map(readPart);
  return parts.length === 0 || nodes.includes(undefined) ? undefined : nodes.flatMap((node) => node ?? []);
}

function readPart(part: string): QueryNode | undefined {
  const words = part.trim().toLowerCase().replace(/\s+/g, ' ');
  const years =
    /^(?:years? |published )?(\d{4})(?: ?(?:-|–|\.\.|to|until) ?(\d{4}|current|now|today))?$/.exec(words);
  if (years) {
    const [, from = '', to] = years;
    const isOpen = to !== undefined && !/^\d/.test(to);
    return readProperty('year', isOpen ? `${from}..` : `${from}..${to ?? from}`);
  }
  const since = /^(?:since|from) (\d{4})(?: on)?$/.exec(words)?.[1];
  if (since !== undefined) return readProperty('year', `${since}..`);
  const [, name = ''] = /^(\p{L}+)(?: language)?(?: only)?$/u.exec(words) ?? [];
  const language = LANGUAGES.find((one) => one.name.toLowerCase() === name);
  if (language) return build.value('language', language.code);
  const type = DOCUMENT_TYPES.find((one) => one === words || `${one}s` === words);
  return type && build.value('type', type);
}
