import type { Wording } from './wording';

/** What databases and the server may answer in place of a count. */
export const SERVICE_WORDINGS = {
  'query-too-slow': {
    says: 'Counting took longer than {seconds} seconds and was stopped.',
    remedy: 'Make the query simpler.',
  },
  'service-refused': {
    says: '{database} does not take this string: {message}',
    remedy: 'Check the part of the string it points to.',
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
  'session-full': {
    says: 'The session of {database} remembers no more searches.',
    remedy: 'Begin a new session.',
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
  'not-offered': {
    says: '{database} does not give {what}.',
    remedy: 'Ask another database, or go on without.',
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
  'request-not-json': {
    says: 'The request is not JSON.',
    remedy: 'Send it with the content type application/json.',
  },
  'request-given-up': { says: 'The request was given up.', remedy: 'Send it again.' },
  'host-refused': {
    says: 'The server is not known by this name.',
    remedy: 'Use an address that it was told at its start (EWER_HOSTS).',
  },
  'site-refused': {
    says: 'A page of another site may not ask this server.',
    remedy: 'Open the address of Ewer itself.',
  },
  'not-found': { says: 'There is no {what}.', remedy: 'Check the address.' },
  'server-fault': { says: 'The server made a mistake.', remedy: 'Try again; if it stays, report it.' },
} satisfies Record<string, Wording>;
