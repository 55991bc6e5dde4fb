import { expect, it } from 'vitest';
import { build, parseQuery, printQuery } from '../query';
import { createMustFindQuery, createRecallQuery, judgeMustFind, listGoodWorks } from './must-find';

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

it('good works are must-finds and works on topic, each once, without those that are put aside', () => {
  const judge = (verdict: 'on' | 'off', title: string) => ({ verdict, title });
  const works = listGoodWorks({
    mustFinds: [
      { id: 'a', title: 'Warm lamps' },
      { id: 'b', title: 'Owls', isAside: true },
      { id: 'c', title: '', identifier: '10.5555/x' },
    ],
    judgements: {
      1: judge('on', 'WARM LAMPS.'),
      2: judge('on', 'owls'),
      3: judge('off', 'Moths'),
      4: judge('on', 'Hedges'),
    },
  });
  expect(works.map(({ title }) => title)).toEqual(['Warm lamps', 'Hedges']);
});

it('a record that is not in the database is not missed there', () => {
  expect(judgeMustFind(0, 0)).toBe('not-there');
  expect(judgeMustFind(1, 0)).toBe('missed');
  expect(judgeMustFind(1, 1)).toBe('found');
  expect(judgeMustFind(undefined, 1)).toBe('unknown');
  expect(judgeMustFind(2, undefined)).toBe('unknown');
});
