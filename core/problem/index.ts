export { describeInFull, describeProblem, describeRemedy } from './catalogue';
export type { ProblemCode, Wording } from './catalogue';
export { applyFix, createProblem, fail, succeed } from './problem';
export type { Fix, Outcome, Problem, Severity, TextEdit } from './problem';
