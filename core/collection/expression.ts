import type { RecordSet } from './bitset';
import { printPattern, type Pattern } from '../query';
import type { FieldMask } from './document';

/** A word as the index looks it up: a pattern, and how many forms it may bring at most (the first of the alphabet). */
export interface Slot {
  readonly pattern: Pattern;
  readonly cap?: number;
}

/** A set of records to find. What every query, in whatever syntax, comes to in the end. */
export type SetExpression =
  | { readonly kind: 'all' | 'none' }
  /** A set that was found before, with a name that no other one has. */
  | { readonly kind: 'given'; readonly name: string; readonly set: RecordSet }
  | { readonly kind: 'word'; readonly slot: Slot; readonly fields: FieldMask }
  /** The words at consecutive positions of one value. */
  | { readonly kind: 'phrase'; readonly slots: readonly Slot[]; readonly fields: FieldMask }
  /** An occurrence of a left and one of a right operand, not overlapping, nearest ends at most `distance` apart, in one value. */
  | {
      readonly kind: 'near';
      readonly left: readonly (readonly Slot[])[];
      readonly right: readonly (readonly Slot[])[];
      readonly distance: number;
      readonly ordered: boolean;
      readonly fields: FieldMask;
    }
  | { readonly kind: 'key'; readonly key: string }
  /** The records with an identifier, by its key (`createIdentifierKey`). */
  | { readonly kind: 'identifier'; readonly key: number }
  /** Inclusive; records without the number are not in it. */
  | {
      readonly kind: 'range';
      readonly column: 'years' | 'entered';
      readonly from: number;
      readonly to: number;
    }
  | { readonly kind: 'and' | 'or'; readonly items: readonly SetExpression[] }
  | { readonly kind: 'not'; readonly include: SetExpression; readonly exclude: SetExpression };

/**
 * A text that is the same for the same expression: the key under which its set is kept. `print`
 * gives the texts of its parts.
 */
export function printExpression(
  expression: SetExpression,
  print: (part: SetExpression) => string = (part) => printExpression(part),
): string {
  switch (expression.kind) {
    case 'all':
    case 'none':
      return expression.kind;
    case 'given':
      return `<${expression.name}>`;
    case 'word':
      return `${printSlot(expression.slot)}:${expression.fields}`;
    case 'phrase':
      return `"${expression.slots.map(printSlot).join(' ')}":${expression.fields}`;
    case 'near': {
      const side = (operands: readonly (readonly Slot[])[]) =>
        operands.map((slots) => slots.map(printSlot).join(' ')).join('|');
      const order = expression.ordered ? '<' : '~';
      return `${side(expression.left)}${order}${expression.distance}${order}${side(expression.right)}:${expression.fields}`;
    }
    case 'key':
      return `{${expression.key}}`;
    case 'identifier':
      return `{doi ${expression.key}}`;
    case 'range':
      return `{${expression.column} ${expression.from}-${expression.to}}`;
    case 'and':
    case 'or':
      return `(${expression.items.map(print).join(expression.kind === 'and' ? '&' : '|')})`;
    case 'not':
      return `(${print(expression.include)}-${print(expression.exclude)})`;
  }
}

function printSlot(slot: Slot): string {
  return slot.cap === undefined ? printPattern(slot.pattern) : `${printPattern(slot.pattern)}<${slot.cap}`;
}
