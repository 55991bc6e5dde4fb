import { getLeast, type Comparison } from '#core/count/index';
import { getAmount } from '../counting/count-state';
import type { Sorting, TermView } from './topic-views';

/** The terms in the order that is shown; the order by hand is never changed by it. */
export function sortTerms(
  terms: readonly TermView[],
  sorting: Sorting,
  measure: (view: TermView) => { finds: number; only: number; draft: number },
): readonly TermView[] {
  switch (sorting) {
    case 'hand':
      return terms;
    case 'text':
      return terms.toSorted((a, b) => a.term.text.localeCompare(b.term.text, 'en'));
    case 'kind':
      return terms.toSorted((a, b) => a.kind.localeCompare(b.kind, 'en'));
    case 'finds':
    case 'only':
    case 'draft': {
      const numbers = new Map(terms.map((view) => [view, measure(view)[sorting]]));
      return terms.toSorted((a, b) => (numbers.get(b) ?? 0) - (numbers.get(a) ?? 0));
    }
  }
}

/** The numbers of a term that it is sorted by: the greatest of the databases that are shown, -1 for none. */
export function measureView({ numbers }: TermView): { finds: number; only: number; draft: number } {
  const greatest = (list: readonly (number | undefined)[]): number =>
    Math.max(-1, ...list.map((number) => number ?? -1));
  return {
    finds: greatest(
      numbers.map((one) => {
        const amount = getAmount(one.finds?.state);
        return amount && getLeast(amount);
      }),
    ),
    only: greatest(numbers.map((one) => readLeast(one.only))),
    draft: greatest(numbers.map((one) => readLeast(one.draft))),
  };
}

function readLeast(compared: Comparison | undefined): number | undefined {
  return compared?.kind === 'difference' ? compared.least : undefined;
}
