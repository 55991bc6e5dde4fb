export { FEWEST_EXAMPLES, MAX_EXAMPLES, learnDialect } from './learn-dialect';
export type { LearnReading, Lesson } from './learn-dialect';
export type { LearnQuestion } from './question';
