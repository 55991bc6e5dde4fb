import type { SetExpression } from '#core/collection/index';

/** An operator that every stand-in has, whatever its sign or word for it. */
export type JoiningOperator = 'and' | 'or' | 'not';

/**
 * Operands joined strictly from left to right. The same operator several times in a row makes one
 * group: it finds the same, and a long row stays flat.
 */
export class LeftJoin {
  private items: SetExpression[] | undefined;
  private operator: JoiningOperator | undefined;

  constructor(private left: SetExpression) {}

  /** What has been joined so far, as a value. */
  get expression(): SetExpression {
    return this.left;
  }

  join(operator: JoiningOperator, right: SetExpression): void {
    if (operator === this.operator && this.items) {
      this.items.push(right);
      return;
    }
    this.operator = operator;
    if (operator === 'not') {
      this.items = undefined;
      this.left = { kind: 'not', include: this.left, exclude: right };
    } else {
      this.items = [this.left, right];
      this.left = { kind: operator, items: this.items };
    }
  }
}
