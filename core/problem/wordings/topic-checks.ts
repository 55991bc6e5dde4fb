import type { Wording } from './wording';

/** What the checks of a topic and its query say. */
export const CHECK_WORDINGS = {
  'term-brings-nothing': {
    says: '{term} finds nothing in {databases}.',
    remedy: 'Look for another spelling, or take it out.',
  },
  'term-brings-everything': {
    says: '{term} finds {share} % of all records in {database}: it hardly narrows the search.',
    remedy: 'Use a phrase or a narrower word.',
  },
  'term-covered': {
    says: 'Everything that {term} finds, {wider} finds too.',
    remedy: 'It can go without loss, unless a database reads the wider one differently.',
  },
  'term-repeated': { says: '{term} stands in this concept twice.', remedy: 'Remove one of them.' },
  'term-elsewhere': {
    says: '{term} stands in the concept {concept} too: joined by AND, the second one adds nothing.',
    remedy: 'Keep it where it belongs.',
  },
  'term-unknown-here': {
    says: '{term} finds nothing in {databases}.',
    remedy: 'If you only want it in the other databases, choose that below.',
  },
  'term-is-sentence': {
    says: 'This is a whole sentence: records would have to hold it word by word.',
    remedy: 'Pick its words for concepts instead, one idea a concept.',
  },
  'term-too-short': {
    says: '{term} is a single letter, and letters stand in any text.',
    remedy: 'Write the word out, or put it in a phrase.',
  },
  'odd-signs': {
    says: 'There are dashes or blanks of a word processor ({count}): they look like others and are not.',
    remedy: 'Write plain ones, so that the text can be copied anywhere.',
  },
  'quotes-forgotten': {
    says: '“{words}” is known as a phrase, and stands here as two words that may be anywhere.',
    remedy: 'Put it in quotation marks if the phrase is meant.',
  },
  'name-one-order': {
    says: '“{name}” is searched in this order only; records may have the other one.',
    remedy: 'Search the given name beside the family name, whichever stands first.',
  },
  'and-emptied': {
    says: '{member} finds nothing in {database}, and with AND nothing is left.',
    remedy: 'Look for other words for it there, or take it out.',
  },
  'and-emptied-pair': {
    says: '{first} and {second} have no record in common in {database}.',
    remedy: 'Widen one of them, or search them apart.',
  },
  'not-removes': {
    says: 'NOT {member} removes {count} records in {database} that match everything else.',
    remedy: 'Read some of them before you trust it.',
  },
  'member-repeated': {
    says: '{member} stands in this group twice.',
    remedy: 'Once is enough.',
  },
  'group-of-one': {
    says: '{concept} has a single term: {term}.',
    remedy: 'Look for synonyms, other spellings and headings.',
  },
  'concept-empty': {
    says: '{concept} has no term that is on: it finds nothing.',
    remedy: 'Add a term, or switch the concept off.',
  },
  'concept-unused': {
    says: 'The query does not use the concept {concept}.',
    remedy: 'Join it, or switch it off if that is meant.',
  },
  'fields-differ': {
    says: '{first} is searched in {fields}, {second} in {others}.',
    remedy: 'Make them alike, or write down why they are not.',
  },
  'term-adds-nothing': {
    says: '{named} finds nothing that the other terms of {concept} do not find.',
    remedy: 'It may go, or stay for databases and years to come.',
  },
  'spelling-one-sided': {
    says: 'Authors also spell {term} as {other}, which {concept} does not include.',
    remedy: 'Search both.',
  },
  'number-one-sided': {
    says: '{term} is searched, but {other} is not.',
    remedy: 'Search both, or truncate the word.',
  },
  'acronym-ambiguous': {
    says: 'Records explain {term} in {count} ways: {first}, {second} …',
    remedy: 'Tie it to the meaning that you want, or write it out.',
  },
  'heading-unknown': {
    says: '“{heading}” is not a heading in {databases}.',
    remedy: 'Choose a heading of that thesaurus; author keywords are searched in the field keywords.',
  },
  'heading-unknown-here': {
    says: '“{heading}” is not a heading in {databases}.',
    remedy: 'Look for the heading that this database has instead.',
  },
  'headings-only': {
    says: '{concept} has headings and no free words: what has no headings yet is missed.',
    remedy: 'Add the words, too.',
  },
  'words-only': {
    says: '{database} has the heading “{heading}”; your concept {concept} does not use it.',
    remedy: 'Add the heading, too.',
  },
  'truncation-capped': {
    says: '{databases} searches only the first words that fit {term}, without telling you.',
    remedy: 'Write out the forms that you need.',
  },
  'truncation-in-phrase': {
    says: '{databases} does not allow truncation inside a phrase: {term} is written otherwise there.',
    remedy: 'Write out the phrases that you need.',
  },
  'truncation-uncut': {
    says: '{databases} ignores the wildcard in {term}.',
    remedy: 'Truncate later, or write out the forms.',
  },
  'truncation-and-stemming': {
    says: '{databases} finds endings by itself: {term} asks for them once more.',
    remedy: 'The plain word is enough there.',
  },
  'limiter-as-words': {
    says: '{concept} ({words}) asks for words where a limiter is meant.',
    remedy: 'Use the limiter: few records name their own kind, year or language.',
  },
} satisfies Record<string, Wording>;
