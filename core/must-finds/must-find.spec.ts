import { expect, it } from 'vitest';
import { build, parseQuery, printQuery } from '../query';
import { createMustFindQuery, createRecallQuery, judgeMustFind } from './must-find';

it('a must-find is searched by the first words of its title', () => {
  const show = (title: string): string | undefined => {
    const query = createMustFindQuery({ title });
    return query && printQuery(query);
  };
  expect(show('Warm lamps: bats & roads')).toBe('title: "warm lamps bats roads"');
  expect(show('Bats')).toBe('title: bats');
  expect(show('One two three four five six seven eight nine ten')).toContain('seven eight"');
  expect(show('—')).toBeUndefined();
});

it('all of them within a query are asked for at once', () => {
  const root = parseQuery('bat').root;
  expect(printQuery(createRecallQuery(root, [{ title: 'Warm lamps' }, { title: 'Owls' }]))).toBe(
    'bat AND (title: "warm lamps" OR title: owls)',
  );
  expect(createRecallQuery(root, [{ title: '' }])).toEqual(build.empty());
});

it('a record that is not in the database is not missed there', () => {
  expect(judgeMustFind(0, 0)).toBe('not-there');
  expect(judgeMustFind(1, 0)).toBe('missed');
  expect(judgeMustFind(1, 1)).toBe('found');
  expect(judgeMustFind(undefined, 1)).toBe('unknown');
  expect(judgeMustFind(2, undefined)).toBe('unknown');
});
