import { expect, it } from 'vitest';
import { shortenName } from './short-name';

it('a database is called by the short name that its owner gave', () => {
  expect(shortenName({ name: 'My papers', shortName: 'Papers' })).toBe('Papers');
});

it('without a short name it is called by the first word that tells', () => {
  expect(shortenName({ name: 'The Town Archive' })).toBe('Town');
  expect(shortenName({ name: 'My' })).toBe('My');
  expect(shortenName({ name: 'Heronsmere Life Index' })).toBe('Heronsmere');
  expect(shortenName({ name: 'Plainfinder' })).toBe('Plainfinder');
  expect(shortenName({ name: 'Paperbark, Essays' })).toBe('Paperbark');
});
