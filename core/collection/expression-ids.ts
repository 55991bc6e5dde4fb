import { printExpression, type SetExpression } from './expression';

/**
 * Numbers for expressions: equal ones have the same, whatever objects they are. An object is looked
 * at once, and a group is told apart by the numbers of its parts, so that long queries with much in
 * common cost little.
 */
export class ExpressionIds {
  private byObject = new WeakMap<SetExpression, number>();
  private readonly byText = new Map<string, number>();

  /** How many different expressions have a number. */
  get size(): number {
    return this.byText.size;
  }

  find(expression: SetExpression): number {
    const known = this.byObject.get(expression);
    if (known !== undefined) return known;
    const text = printExpression(expression, (part) => `#${this.find(part)}`);
    const id = this.byText.get(text) ?? this.byText.size;
    this.byText.set(text, id);
    this.byObject.set(expression, id);
    return id;
  }

  /** Begins anew: numbers given before mean nothing any more. */
  clear(): void {
    this.byObject = new WeakMap();
    this.byText.clear();
  }
}
