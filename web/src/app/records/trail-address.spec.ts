import { describe, expect, it } from 'vitest';
import { MAX_STARTS, addCitingList, readTrail, writeTrail } from './trail-address';

const work = {
  title: 'Lamps & bats',
  year: 2021,
  authors: [
    { family: 'Okonjo', given: 'Freya', affiliation: 'Tarn' },
    { family: 'Pell', given: 'Ida' },
  ],
  doi: '10.5555/a',
};

describe('the address of a trail', () => {
  it('has of each work what tells it apart', () => {
    const start = { ...work, authors: [{ family: 'Okonjo', given: 'Freya' }] };
    expect(readTrail(writeTrail([work, { title: 'Owls', authors: [] }])).from).toEqual([
      start,
      { title: 'Owls', authors: [] },
    ]);
    expect(readTrail(writeTrail(Array.from({ length: MAX_STARTS + 5 }, () => work))).from).toHaveLength(
      MAX_STARTS,
    );
  });

  it('names lists of citing records, each once', () => {
    const trail = readTrail(addCitingList(readTrail(writeTrail([work])), 'citing-lamps'));
    expect(trail).toMatchObject({ from: [{ title: 'Lamps & bats' }], citing: ['citing-lamps'] });
    expect(readTrail(addCitingList(trail, 'citing-lamps')).citing).toEqual(['citing-lamps']);
  });

  it('that is none starts from nothing', () => {
    for (const broken of [null, '', 'x', '{}', '{"from":[{"title":1}]}', '[]'])
      expect(readTrail(broken)).toEqual({ from: [] });
  });
});
