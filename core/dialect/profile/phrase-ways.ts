import { listNodes, type QueryNode } from '../../query';
import { PHRASE_FALLBACKS, type Dialect, type PhraseFallback } from './dialect';

/** Dialects with a way put first, made once each so that what was written in them is found again. */
const preferred = new WeakMap<Dialect, Map<PhraseFallback, Dialect>>();

/**
 * The dialect with one way of writing phrases that it cannot cut put before the others. Forms are
 * only spelled out if that is the way: where they are allowed at all they would come first.
 */
export function preferPhraseWay(dialect: Dialect, way: PhraseFallback): Dialect {
  const known = preferred.get(dialect) ?? new Map<PhraseFallback, Dialect>();
  preferred.set(dialect, known);
  const made = known.get(way) ?? createPreferring(dialect, way);
  known.set(way, made);
  return made;
}

function createPreferring(dialect: Dialect, way: PhraseFallback): Dialect {
  const others = dialect.phrase.fallbacks.filter((other) => other !== way && other !== 'forms');
  return { ...dialect, phrase: { ...dialect.phrase, fallbacks: [way, ...others] } };
}

/** The ways of which a person may choose: none where the dialect takes wildcards in phrases, or no phrase has any. */
export function listPhraseWays(root: QueryNode, { phrase }: Dialect): readonly PhraseFallback[] {
  return phrase.wildcards !== 'all' && hasCutPhrase(root) ? PHRASE_FALLBACKS : [];
}

function hasCutPhrase(root: QueryNode): boolean {
  return listNodes(root).some(
    (node) =>
      node.kind === 'phrase' && node.words.some((word) => word.some((part) => part.kind !== 'letters')),
  );
}
