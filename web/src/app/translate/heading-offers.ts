import type { Dialect } from '#core/dialect/index';
import { createTermQuery, type Concept, type Term } from '#core/project/index';
import { build, covers, parseQuery, printQuery, type HeadingNode } from '#core/query/index';
import { mapHeading, type MappedHeading, type Vocabulary } from '#core/vocabulary/index';
import { say } from '../words/say';

/** A heading of one vocabulary, and what may stand for it in a database that has another one. */
export interface HeadingOffer {
  readonly concept: string;
  readonly label: string;
  /** Query text of the term that is offered. */
  readonly text: string;
  /** How the two belong together, in words. */
  readonly words: string;
}

const BY_WORDS: Readonly<Record<MappedHeading['by'], string>> = {
  get 'same-label'() {
    return say('translate.theSameLabel');
  },
  get 'exact-match'() {
    return say('translate.theThesauriSay');
  },
  get 'entry-term'() {
    return say('translate.oneIsAnEntryTerm');
  },
  get 'close-match'() {
    return say('translate.aCloseMatchNotQuite');
  },
};

/**
 * What a concept's headings of other vocabularies could be in a database: its own heading for them, or
 * free words. Nothing for a concept that has a heading of the database already.
 */
export function listHeadingOffers(
  concepts: readonly Concept[],
  dialect: Dialect,
  findVocabulary: (id: string) => Vocabulary | undefined,
): HeadingOffer[] {
  return concepts.flatMap((concept) => {
    if (concept.off) return [];
    const terms = concept.terms.filter((term) => !term.off && term.databases?.includes(dialect.id) !== false);
    const headings = terms.flatMap((term) => findHeading(term) ?? []);
    const own = dialect.headings?.vocabulary;
    const target = own === undefined ? undefined : findVocabulary(own);
    const isHere = (node: HeadingNode): boolean =>
      own !== undefined &&
      (node.vocabulary ?? own) === own &&
      (target === undefined || target.find(node.label) !== undefined);
    if (headings.some(isHere)) return [];
    return headings.slice(0, 3).flatMap((node) => {
      const mapped =
        target &&
        mapHeading(
          node.label,
          node.vocabulary === undefined ? undefined : findVocabulary(node.vocabulary),
          target,
        );
      const words = `"${node.label.toLowerCase()}"`;
      const offer = mapped
        ? { text: printQuery(build.heading(mapped.label, node.scope, own)), words: BY_WORDS[mapped.by] }
        : { text: words, words: say('translate.noSuchHeadingHere') };
      const wanted = parseQuery(offer.text).root;
      const isThere = terms.some((term) => covers(createTermQuery({ text: term.text }), wanted));
      return isThere ? [] : [{ concept: concept.id, label: node.label, ...offer }];
    });
  });
}

function findHeading(term: Term): HeadingNode | undefined {
  const root = createTermQuery({ text: term.text });
  return root.kind === 'heading' ? root : undefined;
}
