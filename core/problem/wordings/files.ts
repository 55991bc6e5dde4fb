import type { Wording } from './wording';

/** What can be wrong with projects, thesauri and records in files, and with the place where all is kept. */
export const FILE_WORDINGS = {
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
  'style-unreadable': {
    says: 'This citation style cannot be used: {reason}.',
    remedy: 'Choose another style, or another file that ends in .csl.',
  },
  'document-failed': {
    says: 'The document could not be made: {reason}.',
    remedy: 'Try again. If it fails once more, save it as JSON or Markdown, and report it.',
  },
  'not-skos': {
    says: 'This file is not a thesaurus in SKOS: it looks like none of Turtle, N-Triples, N-Quads, RDF/XML and JSON-LD.',
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
    says: '{count} concepts have no label; each is named after the last part of its address.',
    remedy: 'Nothing needs to be done.',
  },
  'skos-doubled': {
    says: '{count} concepts have a label that another one has; they are numbered.',
    remedy: 'Nothing needs to be done.',
  },
  'skos-other-language': {
    says: 'The file has no labels in the language “{wanted}”; its headings are named in “{language}”.',
    remedy: 'Nothing needs to be done.',
  },
  'skos-lost-references': {
    says: '{count} references lead to concepts that are not in the file.',
    remedy: 'Load the whole thesaurus if they are wanted.',
  },
  'file-too-large': { says: 'The file has more than {most}.', remedy: 'Choose a smaller file.' },
  'record-unreadable': {
    says: 'This record cannot be read: {detail}.',
    remedy: 'Correct it in the file, or leave it out.',
  },
  'record-without-title': {
    says: 'This record has no title.',
    remedy: 'Give it one in the file, or do without it.',
  },
  'quotation-mark-open': {
    says: 'A quotation mark begins in this row and never ends.',
    remedy: 'Close it in the file, or take it out. The rows behind it were read.',
  },
  'file-of-no-records': {
    says: 'No records are recognised in this file.',
    remedy: 'Choose a file of one of these kinds: {formats}.',
  },
  'table-without-title': {
    says: 'This table has no title column.',
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
  'change-refused': { says: '{detail}', remedy: 'The project stays as it is.' },
  'storage-unavailable': {
    says: 'This browser does not let Ewer keep anything.',
    remedy: 'Allow storage for this page. Export the project to a file meanwhile.',
  },
  'storage-failed': {
    says: 'The project could not be saved: {detail}.',
    remedy: 'Export it to a file now. Ewer goes on trying.',
  },
  'saved-elsewhere': {
    says: 'This project was changed in another window.',
    remedy: 'Keep your version as a copy, or take the other one.',
  },
} satisfies Record<string, Wording>;
