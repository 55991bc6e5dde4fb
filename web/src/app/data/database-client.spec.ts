import { expect, it, vi } from 'vitest';
import { createProblem, describeProblem, fail, succeed } from '#core/problem/index';
import { DatabaseClient } from './database-client';

/** A collection of one's own under the short name `shelf`. */
function createClient(): DatabaseClient {
  const client = new DatabaseClient();
  client.ownCollections = () => ({ shelf: 'c-1' });
  client.nameOf = (id) => (id === 'shelf' ? 'Night shelf' : id);
  return client;
}

it('asks a collection of one’s own in this browser, and says its name when it does not answer', async () => {
  const client = createClient();
  const ask = vi.spyOn(client.collections, 'ask');
  ask.mockResolvedValueOnce(succeed([{ total: 3, estimated: false, notes: [] }] as never));
  expect(await client.count('shelf', ['bat'], {})).toEqual({
    ok: true,
    value: [{ total: 3, estimated: false, notes: [] }],
  });
  expect(ask).toHaveBeenCalledWith({ kind: 'count', collection: 'c-1', strings: ['bat'], boxes: {} });
  ask.mockResolvedValueOnce(
    fail(createProblem('service-refused', 'error', { database: 'c-1', message: 'A bracket is open.' })),
  );
  const refused = await client.listIds('shelf', '(bat', {});
  expect(refused.ok ? '' : describeProblem(refused.problem)).toBe(
    'Night shelf does not take this string: A bracket is open.',
  );
});

it('passes on what is not about the collection as it is', async () => {
  const client = createClient();
  const problem = createProblem('worker-stopped', 'error');
  vi.spyOn(client.collections, 'ask').mockResolvedValue(fail(problem));
  expect(await client.lookUp('shelf', ['10.1/x'])).toEqual({ ok: false, problem });
  expect(await client.records('shelf', [1])).toEqual([]);
});

it('knows which databases list their words', () => {
  const client = createClient();
  expect(['gantry', 'shelf', 'paperbark'].map((id) => client.listsWords(id))).toEqual([true, true, false]);
});
