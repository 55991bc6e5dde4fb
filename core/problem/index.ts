export { describeInFull, describeProblem, describeRemedy } from './describe';
export type { ProblemCode } from './catalogue';
export type { Wording } from './wordings/wording';
export { applyFix, createProblem, fail, succeed } from './problem';
export type { Fix, Outcome, Problem, Severity, TextEdit } from './problem';
