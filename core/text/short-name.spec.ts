import { expect, it } from 'vitest';
import { shortenName } from './short-name';

it('a database is called by its first word', () => {
  expect(shortenName('Heronsmere Life Index')).toBe('Heronsmere');
  expect(shortenName('Plainfinder')).toBe('Plainfinder');
  expect(shortenName('Paperbark, Essays')).toBe('Paperbark');
});
