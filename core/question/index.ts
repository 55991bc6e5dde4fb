export { checkSteps } from './checklist';
export type { ChecklistStep } from './checklist';
export { FRAMES } from './frames';
export type { Frame } from './frames';
export { PURPOSE_ROWS } from './purposes';
export { choosePhrases, isSentence, isStopWord, joinPicked, listPairs, readQuestion } from './read-question';
export type { PairCounts, QuestionWord } from './read-question';
export { addRule, readRules } from './read-rules';
export type { StatedRule } from './read-rules';
