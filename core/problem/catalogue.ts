import type { Problem } from './problem';

/** What a problem says and what would be legal; `{name}` stands for a particular of the problem. */
export interface Wording {
  readonly says: string;
  readonly remedy: string;
}

const WORDINGS = {
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
    remedy: 'Use title, abstract, keywords, heading, author, firstauthor, affiliation, source or text.',
  },
  'field-without-item': {
    says: 'Nothing stands behind this field.',
    remedy: 'Put a word, a phrase or a bracket behind it.',
  },
  'field-binds-one': {
    says: 'The field holds only for “{item}”, not for the words behind it.',
    remedy: 'Quote the words as a phrase, or put them in brackets.',
  },
  'unknown-block': {
    says: 'There is no block @{name}.',
    remedy: 'Name a concept so, or choose another block.',
  },
  'block-circle': { says: 'The block @{name} uses itself.', remedy: 'Take the block out of its own text.' },
  'unknown-database': {
    says: '“{name}” is not a known database.',
    remedy: 'Name one of the databases by its short name.',
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

  'query-too-slow': {
    says: 'Counting took longer than {seconds} seconds and was stopped.',
    remedy: 'Make the query simpler.',
  },
  'service-refused': {
    says: '{database} does not take this string: {message}',
    remedy: 'Look at the place that it names.',
  },
  'service-busy': {
    says: '{database} asks to wait {seconds} seconds.',
    remedy: 'Try again after that time.',
  },
  'results-line-unclear': {
    says: 'The number of results cannot be told from “{text}”: {reason}.',
    remedy: 'Type the number alone.',
  },
  'records-not-given': {
    says: '{database} gives numbers only, no lists of records.',
    remedy: 'Its counts can be compared; choose another database to read what differs.',
  },
  'count-not-exact': {
    says: '{database} gives estimates or bounds here, which cannot be subtracted.',
    remedy: 'Choose a database with exact counts.',
  },
  'session-ended': {
    says: 'The session of {database} has ended.',
    remedy: 'Nothing was counted. Try again: a new session begins.',
  },
  'service-failed': { says: '{database} answered with a fault ({status}).', remedy: 'Try again in a while.' },
  'service-slow': {
    says: '{database} has not answered within {seconds} seconds.',
    remedy: 'Try again, or make the query simpler.',
  },
  'service-gone': {
    says: 'The server cannot be reached.',
    remedy: 'Everything is kept. Counting goes on by itself when it is back.',
  },
  'answer-invalid': {
    says: '{database} gave an answer that is not a count.',
    remedy: 'Try again. The answer was not kept.',
  },

  'request-invalid': {
    says: 'The request is not understood: {detail}',
    remedy: 'Send what the contract describes.',
  },
  'request-too-large': {
    says: 'The request is larger than {most}.',
    remedy: 'Send fewer strings at a time.',
  },
  'not-found': { says: 'There is no {what}.', remedy: 'Check the address.' },
  'server-fault': { says: 'The server made a mistake.', remedy: 'Try again; if it stays, report it.' },

  'not-json': { says: 'This file is not JSON.', remedy: 'Choose a file that Ewer exported.' },
  'not-a-project': { says: 'This is not an Ewer project.', remedy: 'Choose a file that Ewer exported.' },
  'newer-version': {
    says: 'This project was written by a newer Ewer (version {version} of the format).',
    remedy: 'Update Ewer and open it again. Nothing was changed.',
  },
  'broken-project': {
    says: 'The project has a fault at {path}: {fault}',
    remedy: 'Nothing was changed. Use an older export if there is one.',
  },
  'term-brings-nothing': {
    says: '{term} finds nothing in {databases}.',
    remedy: 'Look for another spelling, or take it out.',
  },
  'term-brings-everything': {
    says: '{term} finds {share} of 100 records of {database}: it hardly tells one from another.',
    remedy: 'Use a phrase or a narrower word.',
  },
  'term-covered': {
    says: 'Everything that {term} finds, {wider} finds too.',
    remedy: 'It can go without loss, unless a database reads the wider one differently.',
  },
  'term-repeated': { says: '{term} stands in this concept twice.', remedy: 'Remove one of them.' },
  'term-elsewhere': {
    says: '{term} stands in the concept {concept} too: with AND, one of the two asks for nothing more.',
    remedy: 'Keep it where it belongs.',
  },
  'term-unknown-here': {
    says: '{term} finds nothing in {databases}.',
    remedy: 'If it is meant for the other databases only, say so.',
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
  'and-emptied': {
    says: '{member} finds nothing in {database}, and with AND nothing is left.',
    remedy: 'Look for other words for it there, or take it out.',
  },
  'and-emptied-pair': {
    says: '{first} and {second} have no record in common in {database}.',
    remedy: 'Widen one of them, or search them apart.',
  },
  'not-removes': {
    says: 'NOT {member} takes away {count} records of {database} that satisfy everything else.',
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
    says: '{term} finds nothing that the other terms of {concept} do not find.',
    remedy: 'It may go, or stay for databases and years to come.',
  },
  'spelling-one-sided': {
    says: '{term} is one spelling; {other} is used, too, and is not in {concept}.',
    remedy: 'Search both.',
  },
  'number-one-sided': {
    says: '{term} stands without {other}.',
    remedy: 'Search both, or cut the ending.',
  },
  'acronym-ambiguous': {
    says: 'Records explain {term} in {count} ways: {first}, {second} …',
    remedy: 'Tie it to the meaning that you want, or write it out.',
  },
  'heading-unknown': {
    says: '“{heading}” is no heading of {databases}.',
    remedy: 'Choose a heading of that thesaurus; author keywords are searched in the field keywords.',
  },
  'heading-unknown-here': {
    says: '“{heading}” is a heading elsewhere, but not of {databases}.',
    remedy: 'Look for the heading that this database has instead.',
  },
  'headings-only': {
    says: '{concept} has headings and no free words: what has no headings yet is missed.',
    remedy: 'Add the words, too.',
  },
  'words-only': {
    says: '{concept} has no heading of {database}, which has “{heading}”.',
    remedy: 'Add the heading, too.',
  },
  'truncation-capped': {
    says: '{databases} silently takes only the first forms of {term}.',
    remedy: 'Write out the forms that you need.',
  },
  'truncation-in-phrase': {
    says: '{databases} does not cut words inside a phrase: {term} is written otherwise there.',
    remedy: 'Write out the phrases that you need.',
  },
  'truncation-uncut': {
    says: '{databases} does not take the wildcard of {term} as it stands.',
    remedy: 'Cut later, or write out the forms.',
  },
  'truncation-and-stemming': {
    says: '{databases} finds endings by itself: {term} asks for them once more.',
    remedy: 'The plain word is enough there.',
  },
  'limiter-as-words': {
    says: '{concept} ({words}) asks for words where a limiter is meant.',
    remedy: 'Use the limiter: few records name their own kind, year or language.',
  },
  'not-skos': {
    says: 'This file is not a thesaurus in SKOS: it looks like none of Turtle, N-Triples, RDF/XML and JSON-LD.',
    remedy: 'Choose a file in one of these forms.',
  },
  'skos-syntax': {
    says: 'The file is broken at line {line}: {cause}.',
    remedy: 'What stood before that line was read. Mend the line, or go on with what there is.',
  },
  'skos-syntax-somewhere': {
    says: 'The file is broken: {cause}.',
    remedy: 'What could be read is there. Mend the file, or go on with what there is.',
  },
  'skos-no-concepts': {
    says: 'The file holds no concepts of a thesaurus.',
    remedy: 'Choose a file that describes skos:Concept entries.',
  },
  'skos-nameless': {
    says: '{count} concepts have no label; each is called by the end of its address.',
    remedy: 'Nothing needs to be done.',
  },
  'skos-doubled': {
    says: '{count} concepts have a label that another one has; they are numbered.',
    remedy: 'Nothing needs to be done.',
  },
  'skos-lost-references': {
    says: '{count} references lead to concepts that are not in the file.',
    remedy: 'Load the whole thesaurus if they are wanted.',
  },
  'file-too-large': { says: 'The file has more than {most}.', remedy: 'Choose a smaller file.' },
  'record-unreadable': {
    says: 'This record cannot be read: {detail}.',
    remedy: 'Mend it in the file, or do without it.',
  },
  'record-without-title': {
    says: 'This record has no title.',
    remedy: 'Give it one in the file, or do without it.',
  },
  'file-unreadable': {
    says: 'This file is not good {format}: {detail}.',
    remedy: 'Save it again where it comes from.',
  },
  'file-of-no-records': {
    says: 'No records are recognised in this file.',
    remedy: 'Choose a file of one of these kinds: {formats}.',
  },
  'table-without-title': {
    says: 'No column of this table is called a title.',
    remedy: 'Name one so in its first row: {names}.',
  },
  'file-of-no-good-record': {
    says: 'No record could be taken from these files.',
    remedy: 'Look at what was left out and why, or choose other files.',
  },
  'too-many-records': {
    says: 'A collection takes at most {most} records.',
    remedy: 'Import fewer files at once, or several collections.',
  },
  'worker-stopped': {
    says: 'The work on these records was broken off.',
    remedy: 'Try again; if it happens again, import fewer files at once.',
  },
  'collection-missing': {
    says: 'The records of this collection are not on this machine.',
    remedy: 'Take their files in again under Databases.',
  },
  'outline-gone': {
    says: 'This row is not there any more.',
    remedy: 'Look at the outline as it stands now.',
  },
  'outline-into-itself': {
    says: 'A group cannot be moved into itself.',
    remedy: 'Choose a place outside it.',
  },
  'outline-nowhere': {
    says: 'There is nowhere to move this row in that direction.',
    remedy: 'Make a group first, or move another row.',
  },
  'outline-not-siblings': {
    says: 'These rows do not stand in one group.',
    remedy: 'Choose rows that stand beside each other.',
  },
  'outline-needs-two': {
    says: 'A group needs two rows at least.',
    remedy: 'Choose another row, too, or add one.',
  },
  'outline-not-in-all': {
    says: 'Only what stands in a group of all can take records away.',
    remedy: 'Make a group of all round it first.',
  },
  'outline-not-alone': {
    says: 'Something must stay that records can be taken away from.',
    remedy: 'Add what is searched first.',
  },
  'outline-not-near': {
    says: 'This row is no nearness.',
    remedy: 'Choose a row that says within how many words its sides stand.',
  },
  'outline-nothing-around': {
    says: 'There is no group to dissolve here.',
    remedy: 'Choose a group that stands in another one.',
  },
  'outline-term': {
    says: 'This row is a term of the concept {concept}: that is changed in the Topic view.',
    remedy: 'Edit, switch, move or remove it here; everything else in the Topic view.',
  },
  'outline-other-text': {
    says: 'Rows cannot be dragged from one block into another.',
    remedy: 'Cut them and paste them there.',
  },
  'outline-older': {
    says: 'The outline shows an older state: the text has a mistake that leaves no sure reading.',
    remedy: 'Mend the text, or go back to what the outline shows.',
  },
  'change-refused': { says: '{detail}', remedy: 'The project stays as it is.' },
  'storage-unavailable': {
    says: 'This browser does not let Ewer keep anything.',
    remedy: 'Allow storage for this page. Export the project to a file meanwhile.',
  },
  'storage-failed': {
    says: 'The project could not be saved: {detail}',
    remedy: 'Export it to a file now. Ewer goes on trying.',
  },
  'saved-elsewhere': {
    says: 'This project was changed in another window.',
    remedy: 'Keep your version as a copy, or take the other one.',
  },
} satisfies Record<string, Wording>;

/** The code of a problem. Codes are never reused for another meaning. */
export type ProblemCode = keyof typeof WORDINGS;

/** Every code with its wording. */
export const CATALOGUE: Readonly<Record<ProblemCode, Wording>> = WORDINGS;

/** The sentence that says what is wrong. */
export function describeProblem(problem: Problem): string {
  return fillIn(CATALOGUE[problem.code].says, problem.data);
}

/** The sentence that says what to do. */
export function describeRemedy(problem: Problem): string {
  return fillIn(CATALOGUE[problem.code].remedy, problem.data);
}

/** What is wrong and what to do, for places with room for both. */
export function describeInFull(problem: Problem): string {
  return `${describeProblem(problem)} ${describeRemedy(problem)}`;
}

function fillIn(sentence: string, data: Problem['data']): string {
  return sentence.replace(/\{(\w+)\}/g, (_, name: string) => {
    const value = data[name];
    return typeof value === 'number' ? value.toLocaleString('en') : (value ?? '…');
  });
}
