export { escapePattern } from './escape-pattern';
export { createHeadingKey, createLabelKey } from './label-key';
export { shortenName, type NamedDatabase } from './short-name';
export { NOWHERE, coverSpans } from './span';
export type { Span } from './span';
export { foldLetters, isWordSign, spellOutTerm, splitWords, visitWords } from './words';
export type { Word } from './words';
