import { expect, it } from 'vitest';
import { cutSegments } from './string-segments';

it('cuts a string so that each stretch knows all its pieces and its block', () => {
  const pieces = [
    { start: 0, end: 9, nodeId: 'and' },
    { start: 0, end: 3, nodeId: 'a', block: 'bats' },
    { start: 8, end: 9, nodeId: 'b' },
  ];
  expect(cutSegments('bat AND x', pieces)).toEqual([
    { text: 'bat', nodes: ['and', 'a'], block: 'bats' },
    { text: ' AND ', nodes: ['and'], block: undefined },
    { text: 'x', nodes: ['and', 'b'], block: undefined },
  ]);
  expect(cutSegments('', [])).toEqual([]);
});
