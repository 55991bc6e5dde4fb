import type { Wording } from './wording';

/** What can be wrong with a query as text. */
export const QUERY_TEXT_WORDINGS = {
  'unclosed-bracket': {
    says: 'This bracket is never closed.',
    remedy: 'Close it with ) where the group ends.',
  },
  'unopened-bracket': {
    says: 'This bracket closes nothing.',
    remedy: 'Remove it, or open a group before it.',
  },
  'unclosed-quote': {
    says: 'This quotation mark is never closed.',
    remedy: 'Close it with " where the phrase ends.',
  },
  'empty-group': {
    says: 'This group has no members and finds nothing.',
    remedy: 'Add a term, or take the group out.',
  },
  'empty-phrase': {
    says: 'There is nothing between these quotation marks.',
    remedy: 'Write a word or remove the marks.',
  },
  'unknown-field': {
    says: '“{field}” is not a field.',
    remedy:
      'Use title, abstract, keywords, heading, author, firstauthor, affiliation, source or text; or year, entered, type, language with a value.',
  },
  'field-without-item': {
    says: 'Nothing stands behind this field.',
    remedy: 'Put a word, a phrase or a bracket behind it.',
  },
  'field-binds-one': {
    says: 'The field holds only for “{item}”, not for the words behind it.',
    remedy: 'Quote the words as a phrase, or put them in brackets.',
  },
  'value-unknown': {
    says: '“{value}” is no {property} that can be searched.',
    remedy: 'Write for example {example}.',
  },
  'unknown-block': {
    says: 'There is no block @{name}.',
    remedy: 'Name a concept so, or choose another block.',
  },
  'block-circle': { says: 'The block @{name} uses itself.', remedy: 'Take the block out of its own text.' },
  'unknown-database': {
    says: '“{name}” is not a known database.',
    remedy: 'Name one of the databases by its code, such as heronsmere.',
  },
  'lower-case-operator': {
    says: '“{word}” in small letters is read as a word, not as an operator.',
    remedy: 'Write {operator}, or quote the word.',
  },
  'mixed-operators': {
    says: 'OR stands beside AND or NOT without brackets.',
    remedy: 'Put brackets round the part that belongs together.',
  },
  'side-by-side': {
    says: 'Words side by side are read as if AND stood between them.',
    remedy: 'Quote them as a phrase, or write AND.',
  },
  'missing-operand': {
    says: '{operator} has nothing on one of its sides.',
    remedy: 'Write a term there, or take the operator out.',
  },
  'pure-negation': {
    says: 'NOT has nothing before it to take records from, so it finds nothing.',
    remedy: 'Write what to search before NOT.',
  },
  'curly-quotes': { says: 'These are a word processor’s quotation marks.', remedy: 'Use straight ones: ".' },
  'truncation-too-short': {
    says: '“{term}” is cut so short that it brings many unrelated words.',
    remedy: 'Keep at least {least} letters.',
  },
  'bracket-in-word': {
    says: 'Square brackets in a word hold exactly one letter and never end the word.',
    remedy: 'Write the spellings as alternatives, or the field before the word.',
  },
  'wildcards-only': {
    says: 'This term has no letters, only wildcards.',
    remedy: 'Write at least one letter.',
  },
  'no-letters': {
    says: '“{term}” has no letters or digits to search for.',
    remedy: 'Write a word, or take it out.',
  },
  'near-operand': {
    says: '{operator} takes words, phrases, or these joined by OR in brackets.',
    remedy: 'Simplify this side.',
  },
  'near-chain': { says: '{operator} cannot be chained.', remedy: 'Use two pairs joined by AND.' },
  'near-distance': {
    says: '{operator} needs a number of words from 1 to {most}.',
    remedy: 'Write for example {operator} 3.',
  },
  'heading-unquoted': {
    says: 'A heading is written in quotation marks.',
    remedy: 'Put the whole heading in quotation marks.',
  },
  'text-too-long': {
    says: 'The text is longer than {most} characters; the rest is not read.',
    remedy: 'Shorten it or split it into blocks.',
  },
  'nesting-too-deep': {
    says: 'Brackets are nested deeper than {most} levels.',
    remedy: 'Take out brackets or make blocks.',
  },
  'too-many-exclusions': {
    says: 'There are more than {most} NOTs; the rest is not read.',
    remedy: 'Join what is excluded by OR in one bracket.',
  },
  'too-many-items': {
    says: 'There are more than {most} terms and groups; the rest is not read.',
    remedy: 'Split the query into blocks.',
  },
} satisfies Record<string, Wording>;
