import fc from 'fast-check';
import { INDEX_FIELDS, countMonths, type IndexDocument } from '../collection/document';
import { createIdentifierKey } from '../record';
import { createHeadingKey } from '../text';
import { build, createPattern, type Field, type QueryNode } from '../query';
import { createVocabulary } from '../vocabulary';

/** Few words, with shared beginnings and a stop word or two, so that random queries meet random records often. */
const WORDS = [
  'bat',
  'bats',
  'batch',
  'light',
  'lights',
  'lighting',
  'street',
  'lamp',
  'colour',
  'color',
  'of',
  'the',
  'and',
  'road',
  'roadside',
];
const PATTERNS = [
  ...WORDS,
  'bat*',
  'light*',
  'lighti*',
  'stree*',
  'l?mp',
  'colo[u]r',
  'col*r',
  '*ght',
  'ba?',
  'roads*',
  'of*',
];

/** The headings that random records and queries use. */
export const TEST_HEADINGS = createVocabulary('heronsmere', [
  { label: 'Animals', broader: [], entryTerms: [], related: [] },
  { label: 'Bats', broader: ['Animals'], entryTerms: [], related: [] },
  { label: 'Street lighting', broader: [], entryTerms: [], related: [] },
]);
const LABELS = TEST_HEADINGS.headings.map((heading) => heading.label);

/** A value of a field: up to eight words, some joined by hyphens. */
const value = fc
  .array(fc.tuple(fc.constantFrom(...WORDS), fc.constantFrom(' ', ' ', '-', ', ')), {
    minLength: 1,
    maxLength: 8,
  })
  .map((parts) =>
    parts
      .map(([word, gap]) => word + gap)
      .join('')
      .replace(/\W+$/, ''),
  );

const heading = fc.record({
  label: fc.constantFrom(...LABELS, 'Unknown'),
  focus: fc.boolean(),
  qualifier: fc.constantFrom(undefined, undefined, 'behaviour'),
});

/** A small record as the index takes it; `without` names fields that the database does not hold. */
export function arbitraryDocument(without: readonly string[] = []): fc.Arbitrary<IndexDocument> {
  const values = fc.record({
    title: fc.array(value, { minLength: 1, maxLength: 1 }),
    abstract: fc.array(value, { maxLength: 1 }),
    keywords: fc.array(value, { maxLength: 3 }),
    author: fc.array(value, { maxLength: 2 }),
    source: fc.array(value, { maxLength: 1 }),
    fulltext: fc.array(value, { maxLength: 1 }),
    headings: fc.array(heading, { maxLength: 2 }),
    year: fc.constantFrom(undefined, 1999, 2003, 2007, 2015),
    entered: fc.constantFrom(undefined, '2026-01', '2026-05'),
    type: fc.constantFrom('article', 'review', 'conference paper'),
    language: fc.constantFrom('en', 'fr'),
    doi: fc.constantFrom(undefined, '10.5555/bat.1', '10.5555/bat.2'),
  });
  return values.map(({ headings, year, entered, type, language, doi, ...texts }) => {
    const all = {
      ...texts,
      heading: headings.map(({ label }) => label),
      firstauthor: texts.author.slice(0, 1),
    };
    const kept = INDEX_FIELDS.filter((name) => name in all && !without.includes(name));
    const facetKeys = [
      ...texts.source.map((source) => `source=${source}`),
      ...texts.keywords.map((keyword) => `keyword=${keyword}`),
      ...texts.author.map((author) => `author=${author}`),
      ...(texts.abstract.length === 0 ? ['abstract=none'] : []),
      ...(texts.keywords.length > 1 ? ['text=short'] : []),
    ];
    const keys = headings.flatMap(({ label, focus, qualifier }) => [
      `heading=${createHeadingKey(label)}`,
      ...(focus ? [`focus=${createHeadingKey(label)}`] : []),
      ...(qualifier === undefined ? [] : [`qualified=${createHeadingKey(label)}/${qualifier}`]),
    ]);
    return {
      values: Object.fromEntries(kept.map((name) => [name, (all as Record<string, string[]>)[name]])),
      keys: [
        ...(without.includes('heading') ? [] : keys),
        `type=${type}`,
        `language=${language}`,
        ...facetKeys,
      ],
      ...(year !== undefined && { year }),
      ...(entered !== undefined && { entered: countMonths(entered) }),
      ...(doi !== undefined && { identifier: createIdentifierKey(doi) }),
    };
  });
}

const term = fc.constantFrom(...PATTERNS).map((signs) => build.term(createPattern(signs)));
const phrase = fc
  .array(fc.constantFrom(...PATTERNS), { minLength: 2, maxLength: 3 })
  .map((signs) => build.phrase(...signs.map(createPattern)));
const leaf = fc.oneof({ weight: 3, arbitrary: term }, phrase);
const operand = fc.oneof(
  { weight: 3, arbitrary: leaf },
  fc.array(leaf, { minLength: 2, maxLength: 3 }).map((items) => build.or(...items)),
);
const near = fc
  .tuple(operand, fc.integer({ min: 1, max: 4 }), operand, fc.boolean())
  .map(([left, distance, right, ordered]) => build.near(left, distance, right, ordered));
const fieldSet = fc.constantFrom<readonly Field[]>(
  ['title'],
  ['abstract'],
  ['title', 'abstract'],
  ['keywords'],
  ['heading'],
  ['author'],
  ['source'],
  ['text'],
  ['title', 'abstract', 'keywords', 'heading'],
);
const headingNode = fc
  .tuple(
    fc.constantFrom(...LABELS, 'Unknown'),
    fc.constantFrom('heading' as const, 'branch' as const, 'focus' as const),
    fc.constantFrom(undefined, 'heronsmere', 'gantry'),
    fc.constantFrom(undefined, undefined, 'behaviour'),
  )
  .map(([label, scope, vocabulary, qualifier]) =>
    build.heading(label, scope, vocabulary, scope === 'heading' ? qualifier : undefined),
  );
const property = fc.constantFrom(
  build.range('year', '2000', '2005'),
  build.range('year', '2003', undefined),
  build.range('entered', undefined, '2026-03'),
  build.value('type', 'review'),
  build.value('type', 'conference paper'),
  build.value('language', 'fr'),
  build.value('doi', '10.5555/bat.1'),
);

/** Well-formed trees without blocks: groups of two or more members, fields round leaves and groups. */
export const arbitraryQuery: fc.Arbitrary<QueryNode> = fc.letrec<{ node: QueryNode }>((tie) => ({
  node: fc.oneof(
    { maxDepth: 4, depthSize: 'small' },
    { weight: 4, arbitrary: leaf },
    { weight: 1, arbitrary: near },
    { weight: 1, arbitrary: headingNode },
    { weight: 1, arbitrary: property },
    {
      weight: 2,
      arbitrary: fc.array(tie('node'), { minLength: 2, maxLength: 3 }).map((items) => build.or(...items)),
    },
    {
      weight: 2,
      arbitrary: fc.array(tie('node'), { minLength: 2, maxLength: 3 }).map((items) => build.and(...items)),
    },
    {
      weight: 1,
      arbitrary: fc.tuple(tie('node'), tie('node')).map(([include, exclude]) => build.not(include, exclude)),
    },
    {
      weight: 1,
      arbitrary: fc.tuple(fieldSet, tie('node')).map(([fields, item]) => build.fielded(fields, item)),
    },
  ),
})).node;

/** As `arbitraryQuery`, with all that only the text knows: blocks, switched-off parts, parts for some databases, comments. */
export const arbitraryText: fc.Arbitrary<QueryNode> = fc.letrec<{ node: QueryNode }>((tie) => {
  const comments = fc.constantFrom(undefined, ['why this is here'], ['one', 'two']);
  const commented = (node: fc.Arbitrary<QueryNode>) =>
    fc.tuple(node, comments).map(([item, lines]): QueryNode => (lines ? { ...item, comments: lines } : item));
  const members = fc.array(tie('node'), { minLength: 2, maxLength: 3 });
  return {
    node: fc.oneof(
      { maxDepth: 5, depthSize: 'small' },
      commented(fc.oneof(leaf, headingNode, fc.constantFrom('bats', 'night-light').map(build.block))),
      {
        weight: 1,
        arbitrary: commented(arbitraryQuery.filter((node) => node.kind !== 'and' && node.kind !== 'not')),
      },
      { weight: 2, arbitrary: members.map((items) => build.or(...items)) },
      { weight: 2, arbitrary: members.map((items) => build.and(...items)) },
      fc.tuple(tie('node'), tie('node')).map(([include, exclude]) => build.not(include, exclude)),
      tie('node').map(build.off),
      tie('node').map((item) => build.only(['heronsmere', 'gantry'], item)),
      fc.tuple(fieldSet, tie('node')).map(([fields, item]) => build.fielded(fields, item)),
    ),
  };
}).node;
