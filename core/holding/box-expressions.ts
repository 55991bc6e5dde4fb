import { countMonths, type SetExpression } from '../collection';
import type { Boxes, LimiterName } from '../dialect';

/** The ticked boxes as sets; a box that the database does not have does nothing there. */
export function createBoxExpressions(boxes: Boxes, known: readonly LimiterName[]): SetExpression[] {
  const sets: SetExpression[] = [];
  const any = (name: string, values: readonly string[]): SetExpression => ({
    kind: 'or',
    items: values.map((value) => ({ kind: 'key', key: `${name}=${value}` })),
  });
  const { entered, years, types = [], languages = [], peerReviewed, fullText } = boxes;
  if (known.includes('years') && years)
    sets.push({ kind: 'range', column: 'years', from: years.from ?? 1, to: years.to ?? 9999 });
  if (known.includes('entered') && entered) {
    const from = countMonths(entered.from ?? '0001-01');
    sets.push({ kind: 'range', column: 'entered', from, to: countMonths(entered.to ?? '5000-12') });
  }
  if (known.includes('types') && types.length > 0) sets.push(any('type', types));
  if (known.includes('languages') && languages.length > 0) sets.push(any('language', languages));
  if (known.includes('peerReviewed') && peerReviewed) sets.push({ kind: 'key', key: 'peer=yes' });
  if (known.includes('fullText') && fullText) sets.push({ kind: 'key', key: 'fulltext=yes' });
  return sets;
}
