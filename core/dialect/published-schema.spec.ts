import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { Ajv2020 } from 'ajv/dist/2020.js';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Dialect } from './profile';
import { DIALECTS, OPEN_DIALECTS, OWN_RECORDS, TEMPLATE_DIALECTS } from './profile';
import { readDialect } from './profile';

const EVERY_DIALECT = [...DIALECTS, ...OPEN_DIALECTS, ...TEMPLATE_DIALECTS, OWN_RECORDS];
const PUBLISHED = join(import.meta.dirname, '../../web/public/dialect.schema.json');
const isValid = new Ajv2020({ strict: false }).compile(JSON.parse(readFileSync(PUBLISHED, 'utf8')) as object);
const isRead = (document: unknown): boolean => readDialect(document).dialect !== undefined;

type Node = Record<string, unknown>;
const listPaths = (value: unknown): (readonly string[])[] =>
  typeof value === 'object' && value !== null
    ? Object.entries(value).flatMap(([key, inner]) => [
        [key],
        ...listPaths(inner).map((path) => [key, ...path]),
      ])
    : [];

/** A copy with the value at a place taken out, exchanged, or with something unknown beside it. */
const spoil = (dialect: Dialect, path: readonly string[], change: unknown): unknown => {
  const copy = structuredClone(dialect) as unknown as Node;
  const parent = path.slice(0, -1).reduce<Node>((node, key) => node[key] as Node, copy);
  const key = path.at(-1) ?? '';
  if (change === 'out' && !Array.isArray(parent)) Reflect.deleteProperty(parent, key);
  else if (change === 'more' && !Array.isArray(parent)) parent['somethingElse'] = 1;
  else parent[key] = change;
  return copy;
};

describe('the published schema of dialect files', () => {
  it('takes every dialect that ships', () => {
    for (const dialect of EVERY_DIALECT) expect(isValid(dialect), dialect.id).toBe(true);
  });

  it('takes and refuses just what Ewer does', () => {
    let refused = 0;
    const change = fc.constantFrom<unknown>(
      'out',
      'more',
      '',
      'x',
      '{field} {item}',
      '{n} {a} {b}',
      0,
      -1,
      1.5,
      true,
      null,
      [],
      ['title', 'title'],
      {},
    );
    fc.assert(
      fc.property(
        fc.constantFrom(...EVERY_DIALECT).chain((dialect) =>
          fc.record({
            dialect: fc.constant(dialect),
            path: fc.constantFrom(...listPaths(dialect)),
            change,
          }),
        ),
        (spoilt) => {
          const document = spoil(spoilt.dialect, spoilt.path, spoilt.change);
          const reads = isRead(document);
          if (!reads) refused++;
          expect(isValid(document), `${spoilt.path.join('.')} = ${JSON.stringify(spoilt.change)}`).toBe(
            reads,
          );
        },
      ),
      { numRuns: 3_000 },
    );
    expect(refused).toBeGreaterThan(1_000);
  });
});
