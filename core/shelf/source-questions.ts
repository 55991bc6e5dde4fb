/** A short list of questions that help to judge a source. None has to be answered. */
export interface QuestionList {
  readonly id: string;
  readonly name: string;
  readonly questions: readonly string[];
}

/** The lists that are offered; a person's own questions stand beside them. */
export const SOURCE_QUESTIONS: readonly QuestionList[] = [
  {
    id: 'any',
    name: 'About any source',
    questions: [
      'Who wrote it, and what do they know of the subject?',
      'For whom was it written, and why?',
      'Who checked it before it came out?',
      'What does it claim, and what speaks for it?',
      'Who says otherwise?',
    ],
  },
  {
    id: 'study',
    name: 'About a study',
    questions: [
      'What or whom did they study, and how many?',
      'What did they compare, and what did they measure?',
      'What did they find, and how sure is it?',
      'Who paid for it?',
      'What does it leave open?',
    ],
  },
];
