import { readFileSync, readdirSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, it } from 'vitest';
import { createIdentifierKey } from '../record';
import { dropInactive, expandBlocks, parseQuery } from '../query';
import { TEST_HEADINGS } from '../testing/arbitraries';
import { satisfies } from '../testing/naive-evaluator';
import { buildIndex } from './builder';
import { countMonths, type IndexDocument } from './document';
import { createLabelKey } from '../text';
import { createEvaluator } from './evaluator';
import { createNeutralExpression } from './neutral';

interface SmallRecord {
  readonly title?: string;
  readonly abstract?: string;
  readonly fulltext?: string;
  readonly keywords?: string[];
  readonly author?: string[];
  readonly source?: string[];
  readonly headings?: string[];
  readonly focus?: string[];
  /** Headings with a qualifier: `Bats / behaviour`. */
  readonly qualified?: string[];
  readonly year?: number;
  /** `2026-03`. */
  readonly entered?: string;
  readonly type?: string;
  readonly language?: string;
  readonly doi?: string;
}
interface Fixture {
  readonly rule: string;
  readonly blocks?: Record<string, string>;
  readonly records: SmallRecord[];
  readonly cases: { query: string; finds: number[] }[];
}

const FOLDER = join(import.meta.dirname, 'fixtures', 'meaning');
const fixtures = readdirSync(FOLDER).map(
  (file) => JSON.parse(readFileSync(join(FOLDER, file), 'utf8')) as Fixture,
);

const describeRecord = (record: SmallRecord): IndexDocument => {
  const {
    title,
    abstract,
    fulltext,
    keywords = [],
    author = [],
    source = [],
    headings = [],
    focus = [],
    qualified = [],
    year,
    entered,
    type,
    language,
    doi,
  } = record;
  const one = (text: string | undefined): string[] => (text === undefined ? [] : [text]);
  return {
    values: {
      title: one(title),
      abstract: one(abstract),
      fulltext: one(fulltext),
      keywords,
      author,
      firstauthor: author.slice(0, 1),
      source,
      heading: headings,
    },
    keys: [
      ...headings.map((label) => `heading=${createLabelKey(label)}`),
      ...focus.map((label) => `focus=${createLabelKey(label)}`),
      ...qualified.map((text) => `qualified=${text.split(' / ').map(createLabelKey).join('/')}`),
      ...(type === undefined ? [] : [`type=${type}`]),
      ...(language === undefined ? [] : [`language=${language}`]),
    ],
    ...(year !== undefined && { year }),
    ...(entered !== undefined && { entered: countMonths(entered) }),
    ...(doi !== undefined && { identifier: createIdentifierKey(doi) }),
  };
};

describe.each(fixtures)('$rule', ({ records, blocks = {}, cases }) => {
  const documents = records.map(describeRecord);
  const evaluator = createEvaluator(buildIndex(documents));
  const known = new Map(Object.entries(blocks).map(([name, text]) => [name, parseQuery(text).root]));

  it.each(cases)('$query finds $finds', ({ query, finds }) => {
    const active = dropInactive(expandBlocks(parseQuery(query).root, known).root, 'heronsmere');
    const outcome = evaluator.evaluate(
      active ? createNeutralExpression(active, { vocabulary: TEST_HEADINGS }) : { kind: 'none' },
    );
    expect(outcome.ok && outcome.value.list()).toEqual(finds);
    const naive = documents.flatMap((document, at) =>
      active && satisfies(document, active, TEST_HEADINGS) ? [at] : [],
    );
    expect(naive).toEqual(finds);
  });
});
