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
    says: '{count} truncated words; {database} allows {most}.',
    remedy: 'Switch off some, or write the forms.',
  },
  'too-many-words': {
    says: '{count} words; {database} allows {most}.',
    remedy: 'Switch off some, or truncate words instead of listing their forms.',
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
    says: 'The answer of {database} has more than {most}: it was too large and was dropped.',
    remedy: 'Ask for fewer records, or try again later.',
  },
  'count-by-hand': {
    says: 'Not counted yet: search {database} and type in the number of results.',
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
    says: '{database} cannot search any part of this query.',
    remedy: 'Add terms that the database can search.',
  },
  'wildcard-refused': {
    says: '“{term}” has a wildcard that is not taken here, or not in this place.',
    remedy: 'Cut the word where the manual allows it, or write its forms.',
  },
  'wildcard-in-quotes': {
    says: 'Signs for letters do nothing between quotation marks here: {words}.',
    remedy: 'Take the marks away, or write the forms.',
  },
  'reserved-word': {
    says: '“{word}” must stand in quotation marks to be searched.',
    remedy: 'Quote it.',
  },
  'field-before-group': {
    says: 'A field holds for one word or phrase here, not for a bracket.',
    remedy: 'Mark each word in the bracket.',
  },
  'exclusion-of-group': {
    says: 'Only a word or a phrase can be excluded here, not a bracket.',
    remedy: 'Exclude each of its words.',
  },
  'brackets-refused': {
    says: '{database} does not take a bracket here: it takes {most} inside one another.',
    remedy: 'Write it with fewer brackets.',
  },
  'limiter-lost': {
    says: 'The limiter “{limiter}” stands inside the query, where it cannot be kept.',
    remedy: 'Take it out, or join it to the whole by AND.',
  },
  'stop-word-alone': {
    says: '“{word}” is not searched in {database}, which skips small words.',
    remedy: 'Take it out.',
  },
  'gaps-closed': {
    says: '{database} skips small words ({words}): its phrases and distances reach across them.',
    remedy: 'Nothing needs to be done; it finds a little more than is read here.',
  },
  'small-word-skipped': {
    says: '{database} skips small words, also where “{word}” would find them.',
    remedy: 'Nothing needs to be done.',
  },
  'hyphens-joined': {
    says: '{database} finds hyphenated words joined, too.',
    remedy: 'Nothing needs to be done; it finds a little more than is read here.',
  },
  'forms-capped': {
    says: '{database} searches only the first {cap} forms of “{word}”.',
    remedy: 'Cut the word later, or write its forms.',
  },
  'cql-syntax': {
    says: 'This is no valid CQL: {found} stands where {wanted} is expected.',
    remedy: 'Correct it here or in its own system.',
  },
  'context-set-unknown': {
    says: '“{set}” is not a context set that is known here.',
    remedy: 'Use the names of Dublin Core (dc) or of CQL itself (cql).',
  },
  'index-unknown': {
    says: '“{index}” is not something that {database} is known to search; the words are read without it.',
    remedy: 'Choose the field that is meant.',
  },
  'relation-refused': {
    says: '“{relation}” cannot be said in Ewer here; the words are read as a phrase.',
    remedy: 'Write what is meant with AND and OR.',
  },
  'modifier-refused': {
    says: '“{modifier}” cannot be said in Ewer and is left out.',
    remedy: 'Look whether the query means the same without it.',
  },
  'anchor-refused': {
    says: 'That a word stands first or last cannot be said in Ewer; it is read anywhere.',
    remedy: 'Look whether the query means the same without it.',
  },
  'sort-left-out': {
    says: 'Sorted by {keys}: the order is not kept.',
    remedy: 'Sort the results themselves.',
  },
  'weights-left-out': {
    says: 'Weights change the order of results, not what is found; they are not kept.',
    remedy: 'Nothing needs to be done.',
  },
  'fuzzy-refused': {
    says: 'Words spelled like “{word}” cannot be asked for in Ewer; only the word itself is read.',
    remedy: 'Write the spellings that are wanted.',
  },
  'slop-refused': {
    says: 'That more than two words stand near each other cannot be said in Ewer: “{words}” is read as a phrase.',
    remedy: 'Write pairs of words that stand near each other.',
  },
  'split-word': {
    says: '“{word}” is read as a phrase of its parts; some archives look for the parts anywhere.',
    remedy: 'Put it in quotation marks to be sure.',
  },
  'line-unknown': {
    says: '{line} names no earlier line.',
    remedy: 'Correct the number, or add the line.',
  },
  'line-not-understood': {
    says: 'This line seems to build on others, in a way that is not known here: {line}',
    remedy: 'Write it with numbers and operators: 1 OR 2 OR 3.',
  },
  'line-number-as-word': {
    says: '{line} is read as a word, not as line {line}.',
    remedy: 'Write #{line} if the line is meant.',
  },
  'limit-not-understood': {
    says: 'What this line limits another one to is not understood: {words}',
    remedy: 'Write years as 2015-2024, a language or a document type by its name, or set the limiter itself.',
  },
  'range-refused': {
    says: 'Only years can be searched from one to another.',
    remedy: 'Write the words that are wanted.',
  },
  'unread-sign': {
    says: '“{sign}” is not understood here.',
    remedy: 'See the manual of the database for what may stand here.',
  },
} satisfies Record<string, Wording>;
