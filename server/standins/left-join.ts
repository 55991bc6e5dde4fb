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
      if (this.left.kind === 'not') this.left = exclude(this.left.include, this.items);
      return;
    }
    this.operator = operator;
    if (operator === 'not') {
      this.items = [right];
      this.left = exclude(this.left, this.items);
    } else {
      this.items = [this.left, right];
      this.left = { kind: operator, items: this.items };
    }
  }
}

/** What is left when all of some sets are taken away: what a row of NOTs means, however long it is. */
export function exclude(include: SetExpression, items: readonly SetExpression[]): SetExpression {
  const [only] = items;
  if (!only) return include;
  return { kind: 'not', include, exclude: items.length === 1 ? only : { kind: 'or', items } };
}
