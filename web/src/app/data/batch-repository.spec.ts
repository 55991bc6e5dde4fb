import 'fake-indexeddb/auto';
import { expect, it } from 'vitest';
import { BatchRepository, type StoredBatch } from './batch-repository';
import { EwerDatabase } from './ewer-database';

const batch = (id: string, project: string): StoredBatch => ({
  id,
  project,
  title: 'Swap',
  moment: '2026-03-01T00:00:00.000Z',
  isPaused: true,
  countKeys: [
    { database: 'gantry', string: 'lamp%', sentLimiters: { peerReviewed: true } },
    { database: 'gantry', string: 'lamps', sentLimiters: {} },
  ],
  answers: [{ total: 3, estimated: false }, null],
});

it('batches come back as they went, those of one project only, and can be removed', async () => {
  const repository = new BatchRepository(new EwerDatabase('batches-1'));
  await repository.save(batch('a', 'p'));
  await repository.save(batch('b', 'other'));
  expect(await repository.list('p')).toEqual({ ok: true, value: [batch('a', 'p')] });
  await repository.remove('a');
  expect(await repository.list('p')).toEqual({ ok: true, value: [] });
});

it('what is no batch is passed over, and nothing of it is counted', async () => {
  const database = new EwerDatabase('batches-2');
  const repository = new BatchRepository(database);
  await repository.save({ ...batch('bad', 'p'), answers: [{ total: -1, estimated: false }, null] });
  await repository.save(batch('good', 'p'));
  const listed = await repository.list('p');
  expect(listed.ok && listed.value.map(({ id }) => id)).toEqual(['good']);
});

it('what an earlier Ewer kept, under its names, goes on', async () => {
  const database = new EwerDatabase('batches-3');
  const { countKeys, ...rest } = batch('old', 'p');
  const wishes = countKeys.map(({ sentLimiters, ...one }) => ({ ...one, boxes: sentLimiters }));
  await database.attempt(async (stored) => {
    const row: { readonly id: string } = { ...rest, ...{ wishes } };
    await stored.put('batches', row);
    return { ok: true, value: undefined };
  });
  expect(await new BatchRepository(database).list('p')).toEqual({ ok: true, value: [batch('old', 'p')] });
});
