import { describe, expect, it } from 'vitest';
import { createProblem, fail, succeed } from '#core/problem/index';
import { GatheredWords, type SendPrefixes } from './gathered-words';

const INDEX = ['bat', 'bats', 'batter', 'lamp', 'lamps', 'uber'];

function create(send?: SendPrefixes) {
  const sent: [string, readonly string[]][] = [];
  const words = new GatheredWords((database, prefixes, most) => {
    sent.push([database, prefixes]);
    if (send) return send(database, prefixes, most);
    const found = INDEX.filter((word) => prefixes.some((prefix) => word.startsWith(prefix.toLowerCase())));
    return Promise.resolve(succeed(found.map((word) => ({ word, records: 1 }))));
  }, 2_000);
  const ask = async (database: string, prefix: string) => {
    const outcome = await words.ask(database, prefix);
    return outcome.ok ? outcome.value.map(({ word }) => word) : outcome.problem.code;
  };
  return { ask, sent };
}

describe('beginnings of words', () => {
  it('that are asked for at the same time go together, each with its own words', async () => {
    const { ask, sent } = create();
    const answers = await Promise.all([ask('a', 'bat'), ask('a', 'Lamp'), ask('b', 'bat'), ask('a', 'bats')]);
    expect(answers).toEqual([
      ['bat', 'bats', 'batter'],
      ['lamp', 'lamps'],
      ['bat', 'bats', 'batter'],
      ['bats'],
    ]);
    expect(sent).toEqual([
      ['a', ['bat', 'Lamp', 'bats']],
      ['b', ['bat']],
    ]);
  });

  it('go in several requests where there are many', async () => {
    const { ask, sent } = create();
    await Promise.all(Array.from({ length: 95 }, (_, at) => ask('a', `word${at}`)));
    expect(sent.map(([, prefixes]) => prefixes.length)).toEqual([40, 40, 15]);
  });

  it('all learn of a failure', async () => {
    const { ask } = create(() => Promise.resolve(fail(createProblem('service-gone', 'error'))));
    expect(await Promise.all([ask('a', 'bat'), ask('a', 'lamp')])).toEqual(['service-gone', 'service-gone']);
  });
});
