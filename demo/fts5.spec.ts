import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Sqlite3Static } from '@sqlite.org/sqlite-wasm';
import { afterAll, beforeAll, describe, expect, it, vi } from 'vitest';
import {
  buildIndex,
  createEvaluator,
  maskFields,
  type Evaluator,
  type SetExpression,
} from '#core/collection/index';
import { createPattern, type Pattern } from '#core/query/index';
import { foldLetters } from '#core/text/index';
import { createRandom, type Random } from './random';
import { createCorpus } from './works';

/** Works of the demo corpus; two fields of one value each, where the two semantics agree. */
const WORKS = 40_000;
const QUERIES = 240;
const FIELDS = maskFields(['title', 'abstract']);

let evaluator: Evaluator;
let countFts: (query: string) => number;
let words: string[];

beforeAll(async () => {
  const { works } = createCorpus(2026, WORKS);
  const texts = works.map((work) => [foldLetters(work.title), foldLetters(work.abstract)] as const);
  const index = buildIndex(
    texts.map(([title, abstract]) => ({ values: { title: [title], abstract: [abstract] }, keys: [] })),
  );
  evaluator = createEvaluator(index);
  words = [...index.terms].filter((word) => /^[a-z]{3,}$/.test(word));
  const sqlite = await openSqlite();
  const database = new sqlite.oo1.DB(':memory:');
  database.exec(
    "CREATE VIRTUAL TABLE works USING fts5(title, abstract, tokenize = 'unicode61 remove_diacritics 2')",
  );
  database.exec('BEGIN');
  const insert = database.prepare('INSERT INTO works(title, abstract) VALUES (?, ?)');
  for (const [title, abstract] of texts) insert.bind([title, abstract]).stepReset();
  insert.finalize();
  database.exec('COMMIT');
  countFts = (query) =>
    Number(database.selectValue('SELECT count(*) FROM works WHERE works MATCH ?', [query]));
});

afterAll(() => {
  vi.unstubAllGlobals();
});

/** The package's build for browsers, given its file by a stand-in for `fetch`: its build for Node is not shipped. */
async function openSqlite(): Promise<Sqlite3Static> {
  const folder = join(import.meta.dirname, '../node_modules/@sqlite.org/sqlite-wasm/sqlite-wasm/jswasm');
  const wasm = new Uint8Array(readFileSync(join(folder, 'sqlite3.wasm')));
  vi.stubGlobal('self', globalThis);
  vi.stubGlobal('fetch', () =>
    Promise.resolve(new Response(wasm, { headers: { 'Content-Type': 'application/wasm' } })),
  );
  const { default: open } = (await import(join(folder, 'sqlite3.mjs'))) as {
    default: (settings: object) => Promise<Sqlite3Static>;
  };
  return open({ print: () => undefined, printErr: () => undefined });
}

interface Both {
  readonly ours: SetExpression;
  readonly theirs: string;
}

const slot = (pattern: Pattern) => ({ pattern });
const chooseWord = (random: Random): string => random.pickSkewed(words, 2.5);

function chooseLeaf(random: Random): Both {
  const kind = random.between(0, 3);
  const first = chooseWord(random);
  if (kind === 0)
    return { ours: { kind: 'word', slot: slot(createPattern(first)), fields: FIELDS }, theirs: `"${first}"` };
  if (kind === 1) {
    const cut = first.slice(0, Math.max(3, first.length - 2));
    return {
      ours: { kind: 'word', slot: slot(createPattern(`${cut}*`)), fields: FIELDS },
      theirs: `"${cut}"*`,
    };
  }
  if (kind === 2) {
    const title = random.chance(0.5);
    return {
      ours: {
        kind: 'word',
        slot: slot(createPattern(first)),
        fields: maskFields([title ? 'title' : 'abstract']),
      },
      theirs: `{${title ? 'title' : 'abstract'}} : "${first}"`,
    };
  }
  const second = random.pick(['light', 'of', 'lighting', 'activity', 'in', chooseWord(random)]);
  return {
    ours: { kind: 'phrase', slots: [createPattern(first), createPattern(second)].map(slot), fields: FIELDS },
    theirs: `"${first} ${second}"`,
  };
}

function choose(random: Random, depth: number): Both {
  if (depth === 0 || random.chance(0.25)) return chooseLeaf(random);
  const parts = Array.from({ length: random.between(2, 4) }, () => choose(random, depth - 1));
  const kind = random.pick(['and', 'or', 'or', 'not'] as const);
  const join = (operator: string) => parts.map((part) => `(${part.theirs})`).join(` ${operator} `);
  if (kind !== 'not')
    return { ours: { kind, items: parts.map((part) => part.ours) }, theirs: join(kind.toUpperCase()) };
  const [include, exclude] = parts;
  return {
    ours: { kind: 'not', include: include!.ours, exclude: exclude!.ours },
    theirs: `(${include!.theirs}) NOT (${exclude!.theirs})`,
  };
}

describe('the evaluator beside an independent full-text engine on the demo corpus', () => {
  it(`counts the same for ${QUERIES} queries`, () => {
    const random = createRandom(99);
    let positive = 0;
    for (let number = 0; number < QUERIES; number++) {
      const { ours, theirs } = choose(random, number % 4);
      const found = evaluator.evaluate(ours);
      const count = found.ok ? found.value.count() : -1;
      expect(count, theirs).toBe(countFts(theirs));
      if (count > 0) positive++;
    }
    expect(positive).toBeGreaterThan(QUERIES / 2);
  });
});
