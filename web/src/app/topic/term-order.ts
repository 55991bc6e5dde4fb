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
