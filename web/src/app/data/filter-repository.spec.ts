import 'fake-indexeddb/auto';
import { openDB } from 'idb';
import { expect, it } from 'vitest';
import type { ReadyFilter } from '#core/filter/index';
import { EwerDatabase } from './ewer-database';
import { FilterRepository } from './filter-repository';

const filter = (id: string, name: string): ReadyFilter => ({
  id,
  name,
  about: 'what it does',
  kind: 'region',
  source: 'made here',
  date: '2026-11-24',
  text: 'island*',
  texts: { heronsmere: 'terms: island' },
});

it('filters of one’s own are kept, listed by name, replaced and removed; broken ones are passed over', async () => {
  const shelf = new FilterRepository(new EwerDatabase('ewer-shelf'));
  for (const one of [filter('b', 'Islands'), filter('a', 'Coasts'), filter('b', 'All islands')])
    expect(await shelf.save(one)).toEqual({ ok: true, value: one.id });
  const database = await openDB('ewer-shelf');
  await database.put('filters', { id: 'broken', name: 7 });
  database.close();
  const listed = await shelf.list();
  expect(listed.ok && listed.value.map(({ name }) => name)).toEqual(['All islands', 'Coasts']);
  await shelf.remove('a');
  expect(await shelf.list()).toEqual({ ok: true, value: [filter('b', 'All islands')] });
});
