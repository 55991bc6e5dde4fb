import fc from 'fast-check';
import { expect, it } from 'vitest';
import { createHeadingKey, createLabelKey } from '../text';
import { dropPlural } from './singular';
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

it('keeps headings apart whose labels differ only in case, signs or accents', () => {
  const vocabulary = createVocabulary('made-up', [
    heading('C'),
    heading('C++', 'C'),
    heading('C#', 'C'),
    heading('Maize'),
    heading('maize', 'Maize'),
    heading('Saint'),
    heading('saint'),
  ]);
  for (const { label } of vocabulary.headings) expect(vocabulary.find(label)?.label).toBe(label);
  expect(vocabulary.listBranch('C')).toEqual(['C', 'C++', 'C#']);
  expect(vocabulary.listBranch('C++')).toEqual(['C++']);
  expect(vocabulary.listBranch('Maize')).toEqual(['Maize', 'maize']);
  expect(vocabulary.listBranch('maize')).toEqual(['maize']);
  // Written as none of them is, it may be any.
  expect(vocabulary.listBranch('SAINT')).toEqual(['Saint', 'saint']);
  expect(vocabulary.listNarrower('c')).toEqual([vocabulary.find('C++'), vocabulary.find('C#')]);
});

it('explodes clashing labels as a naive walk does', () => {
  const label = fc.constantFrom('C', 'c', 'C++', 'Maize', 'maize', 'Über', 'uber', 'Owls');
  const some = fc.uniqueArray(fc.record({ label, broader: fc.uniqueArray(label, { maxLength: 2 }) }), {
    selector: (one) => one.label,
    maxLength: 8,
  });
  fc.assert(
    fc.property(some, label, (list, asked) => {
      const named = (name: string) => {
        const keyOf = [String, createHeadingKey, createLabelKey].find((write) =>
          list.some((one) => write(one.label) === write(name)),
        );
        return keyOf ? list.filter((one) => keyOf(one.label) === keyOf(name)) : [];
      };
      const walked = new Set<string>();
      const walk = (one: (typeof list)[number]): void => {
        if (walked.has(one.label)) return;
        walked.add(one.label);
        for (const other of list) if (other.broader.some((name) => named(name).includes(one))) walk(other);
      };
      for (const one of named(asked)) walk(one);
      const vocabulary = createVocabulary(
        'x',
        list.map((one) => heading(one.label, ...one.broader)),
      );
      expect([...vocabulary.listBranch(asked)].sort()).toEqual([...walked].sort());
    }),
  );
});

it.each([
  ['bats', 'bat'],
  ['studies', 'study'],
  ['boxes', 'box'],
  ['marshes', 'marsh'],
  ['churches', 'church'],
  ['leaves', 'leaf'],
  ['knives', 'knife'],
  ['mice', 'mouse'],
  ['larvae', 'larva'],
  ['hypotheses', 'hypothesis'],
  ['grass', 'grass'],
  ['status', 'status'],
  ['analysis', 'analysis'],
  ['gas', 'gas'],
  ['series', 'sery'],
])('%s and %s are the same in a look-up', (many, one) => {
  expect(dropPlural(many)).toBe(dropPlural(one));
});

it.each(['mouse', 'leaf', 'box', 'study'])('finds a heading by the singular %s and the reverse', (word) => {
  const plural = { mouse: 'mice', leaf: 'leaves', box: 'boxes', study: 'studies' }[word]!;
  const find = (label: string, asked: string) =>
    createVocabulary('x', [heading(label)])
      .lookUp(asked, 5)
      .map((found) => found.isWhole);
  expect(find(plural, word)).toEqual([true]);
  expect(find(word, plural)).toEqual([true]);
});
