import { isPlain, listChildren, printPattern, type Pattern, type QueryNode } from '../../query';
import { foldLetters } from '../../text';
import type { Dialect } from '../profile';
import { NARROWER, SAME, WIDER, joinShifts, type MeaningShift } from '../profile';

/**
 * What it does to the whole that hyphenated words are found joined, too: one word that joins two others of the
 * query (`streetlight` beside `"street light"`) finds them with a hyphen between. That is more records, or
 * fewer where they are taken away. Other words are taken as not written with a hyphen.
 */
export function findJointShift(root: QueryNode, dialect: Dialect): MeaningShift {
  if (!dialect.joinsHyphens) return SAME;
  const words = new Set<string>();
  visitWords(root, false, (word) => words.add(word));
  let shift: MeaningShift = SAME;
  visitWords(root, false, (word, isExcluded) => {
    if (isJoint(word, words)) shift = joinShifts(shift, isExcluded ? NARROWER : WIDER);
  });
  return shift;
}

function isJoint(word: string, words: ReadonlySet<string>): boolean {
  for (let at = 1; at < word.length; at++)
    if (words.has(word.slice(0, at)) && words.has(word.slice(at))) return true;
  return false;
}

function visitWords(
  node: QueryNode,
  isExcluded: boolean,
  visit: (word: string, isExcluded: boolean) => void,
): void {
  const patterns: readonly Pattern[] =
    node.kind === 'term' ? [node.pattern] : node.kind === 'phrase' ? node.words : [];
  for (const pattern of patterns) if (isPlain(pattern)) visit(foldLetters(printPattern(pattern)), isExcluded);
  listChildren(node).forEach((child) => {
    visitWords(child, node.kind === 'not' && child === node.exclude ? !isExcluded : isExcluded, visit);
  });
}
