import type { Wording } from './wording';

/** What can keep a query from being written for a database, or read from its string. */
export const WRITING_WORDINGS = {
  'dialect-invalid': {
    says: 'This dialect has a fault at {path}: {fault}',
    remedy: 'Correct that place of the profile.',
  },
  'string-too-long': {
    says: 'The string has {length} characters; {database} takes {most}.',
    remedy: 'Switch off terms, or search in parts.',
  },
  'too-many-truncations': {
    says: '{count} truncated words; {database} takes {most}.',
    remedy: 'Switch off some, or write the forms.',
  },
  'too-many-words': {
    says: '{count} words; {database} takes {most}.',
    remedy: 'Switch off some, or cut words in place of writing their forms.',
  },
  'too-nested': {
    says: '{database} takes hardly any brackets, and without them this would be too many strings.',
    remedy: 'Use fewer groups inside one another, or search the concepts one by one.',
  },
  'address-refused': {
    says: '{host} is not asked: {why}.',
    remedy:
      'Check it. Servers are confirmed under Databases; those of this machine or network need EWER_ALLOW_PRIVATE=1 when Ewer is started.',
  },
  'answer-too-large': {
    says: 'The answer of {database} has more than {most} and was given up.',
    remedy: 'Ask for fewer records, or try again later.',
  },
  'count-by-hand': {
    says: 'Nobody has typed in yet what {database} finds.',
    remedy: 'Copy the string in Translate, search there, and type the number in.',
  },
  'stemmed-word': {
    says: '“{word}” is found with other endings there, and exactly as it stands here.',
    remedy: 'Cut the word with * if other endings are wanted.',
  },
  'too-many-forms': {
    says: 'Spelling this out gives more than {most} forms.',
    remedy: 'Use fewer wildcards.',
  },
  'nothing-to-send': {
    says: 'Nothing of this can be written for {database}.',
    remedy: 'Add terms that the database can search.',
  },
  'unread-sign': {
    says: '“{sign}” is not understood here.',
    remedy: 'See the manual of the database for what may stand here.',
  },
} satisfies Record<string, Wording>;
