import { createProblem, type Problem } from '../../problem';
import type { Span } from '../../text';
import { place } from './rows';

/** A place among tokens that moves forward, and the problems met on the way: what the grammars are built on. */
export abstract class TokenReader<Token extends Span & { readonly kind: string; readonly text: string }> {
  readonly problems: Problem[] = [];
  protected at = 0;

  constructor(protected readonly tokens: readonly Token[]) {}

  protected peek(): Token | undefined {
    return this.tokens[this.at];
  }

  /** True if a sign stands here. */
  protected sees(sign: string): boolean {
    const token = this.peek();
    return token?.kind === 'sign' && token.text === sign;
  }

  protected report(
    code: Problem['code'],
    span: Span,
    data: Problem['data'] = {},
    severity: Problem['severity'] = 'error',
  ): void {
    this.problems.push(createProblem(code, severity, data, place(span)));
  }
}
