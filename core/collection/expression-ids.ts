import { printExpression, type SetExpression } from './expression';

const MAX_EXPRESSIONS = 25_000;
const MAX_LETTERS = 1_000_000;

/**
 * Numbers for expressions: equal ones have the same, whatever objects they are. Each object is looked at once,
 * and a group is known by the numbers of its parts. So long queries that share pieces cost little.
 */
export class ExpressionIds {
  private byObject = new WeakMap<SetExpression, number>();
  private readonly byText = new Map<string, number>();
  private letters = 0;

  /** Whether more is remembered than one wants to keep: very many expressions, or very long ones. */
  get isFull(): boolean {
    return this.byText.size > MAX_EXPRESSIONS || this.letters > MAX_LETTERS;
  }

  find(expression: SetExpression): number {
    const known = this.byObject.get(expression);
    if (known !== undefined) return known;
    const text = printExpression(expression, (part) => `#${this.find(part)}`);
    let id = this.byText.get(text);
    if (id === undefined) {
      id = this.byText.size;
      this.byText.set(text, id);
      this.letters += text.length;
    }
    this.byObject.set(expression, id);
    return id;
  }

  /** Begins anew: numbers given before mean nothing any more. */
  clear(): void {
    this.byObject = new WeakMap();
    this.byText.clear();
    this.letters = 0;
  }
}
