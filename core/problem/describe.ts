import { CATALOGUE } from './catalogue';
import type { Problem } from './problem';

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

/** Made once: a format is dear to make. */
const GROUPED = new Intl.NumberFormat('en');

function fillIn(sentence: string, data: Problem['data']): string {
  return sentence.replace(/\{(\w+)\}/g, (_, name: string) => {
    const value = data[name];
    return typeof value === 'number' ? GROUPED.format(value) : (value ?? '…');
  });
}
