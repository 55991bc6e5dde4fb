import { createLabelKey } from '../text';
import type { Heading, Vocabulary } from './vocabulary';

/** What a heading is called in another vocabulary, and how sure that is. */
export interface MappedHeading {
  readonly label: string;
  /** Only the same label, an exact match and an entry term name the same; a close match does not. */
  readonly by: 'same-label' | 'exact-match' | 'entry-term' | 'close-match';
}

/**
 * The heading of one vocabulary that stands for one of another: by the same label, a match that
 * either of them states (SKOS, section 10: both relations hold both ways), an entry term, a close
 * match. Nothing if there is none: then words have to do.
 */
export function mapHeading(
  label: string,
  from: Vocabulary | undefined,
  to: Vocabulary,
): MappedHeading | undefined {
  const same = to.find(label);
  if (same) return { label: same.label, by: 'same-label' };
  const heading = from?.find(label);
  const exact = heading && findMatch(heading, to, 'exact');
  if (exact) return { label: exact.label, by: 'exact-match' };
  const named = findByEntryTerm([label, ...(heading?.entryTerms ?? [])], to);
  if (named) return { label: named.label, by: 'entry-term' };
  const close = heading && findMatch(heading, to, 'close');
  return close && { label: close.label, by: 'close-match' };
}

function findMatch(heading: Heading, to: Vocabulary, kind: 'exact' | 'close'): Heading | undefined {
  const isMatch = (one: Heading, other: Heading): boolean =>
    (one.matches ?? []).some((match) => match.kind === kind && match.address === other.address);
  return to.headings.find((other) => isMatch(heading, other) || isMatch(other, heading));
}

/** The heading that has one of some names as its label or entry term. */
function findByEntryTerm(names: readonly string[], to: Vocabulary): Heading | undefined {
  for (const name of names) {
    const key = createLabelKey(name);
    const labelled = to.find(name);
    const found =
      labelled ??
      to.headings.find(({ entryTerms }) => entryTerms.some((term) => createLabelKey(term) === key));
    if (found) return found;
  }
  return undefined;
}
