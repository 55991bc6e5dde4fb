import { createProblem, type Fix, type Problem } from '../problem';
import type { Token } from './lexer';

/** Quotation marks that are not closed, or that a word processor made; nothing if they are in order. */
export function findQuoteProblem(token: Token & { kind: 'quote' }): Problem | undefined {
  const { start, end, raw, closed, curly } = token;
  const span = { start, end };
  const straight: Fix = { label: 'Use straight quotation marks', edits: [{ span, text: `"${raw}"` }] };
  if (closed) return curly ? createProblem('curly-quotes', 'warning', {}, span, [straight]) : undefined;
  const close: Fix = { label: 'Close it here', edits: [{ span: { start: end, end }, text: '"' }] };
  return createProblem('unclosed-quote', 'error', {}, span, [curly ? straight : close]);
}
