import { expect, it } from 'vitest';
import { createVocabulary, type Heading } from './vocabulary';

const heading = (label: string, ...broader: string[]): Heading => ({
  label,
  broader,
  entryTerms: [],
  related: [],
});

it('lists a branch with each heading once, and ends in cycles', () => {
  const vocabulary = createVocabulary('made-up', [
    heading('Animals', 'Bats'),
    heading('Mammals', 'Animals'),
    heading('Night animals', 'Animals'),
    heading('Bats', 'Mammals', 'Night animals'),
  ]);
  expect([...vocabulary.listBranch('mammals')].sort()).toEqual([
    'Animals',
    'Bats',
    'Mammals',
    'Night animals',
  ]);
  expect(vocabulary.listBranch('birds')).toEqual([]);
  expect(vocabulary.find('night-animals')?.label).toBe('Night animals');
});
