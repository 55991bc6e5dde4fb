import { createProblem } from '../problem';
import { createTermQuery, readPlainWords, type Concept, type Term } from '../project';
import { build, printQuery, type HeadingNode } from '../query';
import { listActive, type CheckSubject, type FoundThing } from './finding';

interface UsedHeading {
  readonly concept: Concept;
  readonly term: Term;
  readonly node: HeadingNode;
}

function listHeadings({ used }: CheckSubject): UsedHeading[] {
  return used.flatMap((concept) =>
    listActive(concept).flatMap((term): UsedHeading[] => {
      const node = createTermQuery({ text: term.text });
      return node.kind === 'heading' ? [{ concept, term, node }] : [];
    }),
  );
}

/** Headings that a chosen database does not have, and author keywords taken for headings. */
export function checkUnknownHeadings(subject: CheckSubject): FoundThing[] {
  const { dialects, findVocabulary } = subject;
  return listHeadings(subject).flatMap(({ concept, term, node }): FoundThing[] => {
    const asked = dialects.filter(
      ({ id, headings }) =>
        headings &&
        (node.vocabulary === undefined || node.vocabulary === id) &&
        (term.databases?.includes(id) ?? true) &&
        findVocabulary(id),
    );
    const lacking = asked.filter(({ id }) => findVocabulary(id)?.find(node.label) === undefined);
    if (lacking.length === 0) return [];
    const names = lacking.map(({ name }) => name).join(', ');
    const near = lacking.flatMap(({ id }) => findVocabulary(id)?.lookUp(node.label, 1) ?? [])[0];
    const isNowhere = lacking.length === asked.length;
    const instead = near
      ? [
          {
            label: `Use “${near.heading.label}”`,
            changes: [
              {
                kind: 'edit-term' as const,
                id: term.id,
                text: printQuery(build.heading(near.heading.label, node.scope, node.vocabulary)),
              },
            ],
          },
        ]
      : [];
    const asKeyword = {
      label: 'Search it as an author keyword',
      changes: [{ kind: 'edit-term' as const, id: term.id, text: `keywords: "${node.label}"` }],
    };
    return [
      {
        problem: createProblem(
          isNowhere ? 'heading-unknown' : 'heading-unknown-here',
          isNowhere ? 'warning' : 'note',
          { heading: node.label, databases: names },
        ),
        concept: concept.block,
        term: term.id,
        fixes: isNowhere ? [...instead, asKeyword] : instead,
      },
    ];
  });
}

/** A concept with headings and no words misses new records; one with words and no headings misses others. */
export function checkWordsAndHeadings(subject: CheckSubject): FoundThing[] {
  const { used, dialects, findVocabulary } = subject;
  const headings = listHeadings(subject);
  return used.flatMap((concept): FoundThing[] => {
    const own = headings.filter((heading) => heading.concept === concept);
    const active = listActive(concept);
    if (own.length > 0 && own.length === active.length) {
      const words = own[0]?.node.label ?? '';
      return [
        {
          problem: createProblem('headings-only', 'warning', { concept: concept.name }),
          concept: concept.block,
          fixes: [
            {
              label: `Add the words “${words.toLowerCase()}”`,
              changes: [
                {
                  kind: 'add-terms',
                  concept: concept.id,
                  terms: [{ id: `${concept.id}-words`, text: quote(words), off: false, source: 'thesaurus' }],
                },
              ],
            },
          ],
        },
      ];
    }
    return dialects.flatMap(({ id, name, headings: rule }): FoundThing[] => {
      const vocabulary = rule && findVocabulary(id);
      const has = own.some(
        ({ node, term }) =>
          (node.vocabulary ?? id) === id &&
          vocabulary?.find(node.label) !== undefined &&
          (term.databases?.includes(id) ?? true),
      );
      if (!vocabulary || has) return [];
      const found = active
        .map((term) => vocabulary.find(readPlainWords(term.text)))
        .find((heading) => heading !== undefined);
      if (!found) return [];
      const text = printQuery(build.heading(found.label, 'heading', id));
      return [
        {
          problem: createProblem('words-only', 'note', {
            concept: concept.name,
            heading: found.label,
            database: name,
          }),
          concept: concept.block,
          fixes: [
            {
              label: `Add the heading “${found.label}”`,
              changes: [
                {
                  kind: 'add-terms',
                  concept: concept.id,
                  terms: [{ id: `${concept.id}-${id}-heading`, text, off: false, source: 'thesaurus' }],
                },
              ],
            },
          ],
        },
      ];
    });
  });
}

function quote(words: string): string {
  const plain = words.toLowerCase().replace(/[^\p{L}\p{N} -]/gu, '');
  return plain.includes(' ') ? `"${plain}"` : plain;
}
