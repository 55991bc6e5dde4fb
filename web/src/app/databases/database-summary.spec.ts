import { expect, it } from 'vitest';
import { DIALECTS, findDialect, type Dialect } from '#core/dialect/index';
import { LIMITER_NAMES, LIMITERS } from '#core/limiter/index';
import {
  describeConnection,
  describeLimiters,
  describeThesaurus,
  describeUnmarked,
} from './database-summary';

const get = (id: string): Dialect => findDialect(id)!;

it('says what is searched without a field', () => {
  expect(describeUnmarked(get('heronsmere'))).toBe('title, abstract, heading');
  expect(describeUnmarked(get('marlstone'))).toBe('the full text');
});

it('tells a tree of headings from a flat list and from none', () => {
  expect(['heronsmere', 'gantry', 'cardinal'].map((id) => describeThesaurus(get(id)))).toEqual([
    'a thesaurus with headings below headings',
    'a flat list of headings',
    'none',
  ]);
});

it('names every limiter once, by how it is applied', () => {
  for (const dialect of DIALECTS) {
    const named = describeLimiters(dialect)
      .split('; ')
      .flatMap((part) => part.split(': ')[1]!.split(', '));
    expect(named.toSorted()).toEqual(LIMITER_NAMES.map((name) => LIMITERS[name].label).toSorted());
  }
  expect(describeLimiters(get('marlstone'))).not.toContain('in the string');
});

it('says how a database is reached', () => {
  const endpoint = { address: 'https://sru.example.org', version: '1.2' } as const;
  expect(describeConnection(undefined, false)).toBe('ships with Ewer');
  expect(describeConnection(undefined, true)).toBe('searched over SRU');
  expect(describeConnection({ kind: 'sru', endpoint }, false)).toBe('searched over SRU');
  expect(describeConnection({ kind: 'by-hand' }, false)).toContain('by hand');
  expect(describeConnection({ kind: 'collection', collection: 'c' }, false)).toContain('your own records');
});
