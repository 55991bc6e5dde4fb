import { describe, expect, it } from 'vitest';
import { mapHeading } from './map-heading';
import { createVocabulary, type Heading } from './vocabulary';

const heading = (label: string, more: Partial<Heading> = {}): Heading => ({
  label,
  entryTerms: [],
  broader: [],
  related: [],
  ...more,
});
const from = createVocabulary('life', [
  heading('Chiroptera', { entryTerms: ['Bats', 'Flying mammals'] }),
  heading('Light pollution', { matches: [{ kind: 'exact', address: 'urn:road:stray' }] }),
  heading('Light sources', { matches: [{ kind: 'close', address: 'urn:road:lamps' }] }),
  heading('Glare', { address: 'urn:life:glare' }),
  heading('Owls'),
]);
const to = createVocabulary('road', [
  heading('Stray light', { address: 'urn:road:stray' }),
  heading('Luminaires', { address: 'urn:road:lamps', entryTerms: ['Lamps; lanterns'] }),
  heading('Flying mammals'),
  heading('Dazzle', { matches: [{ kind: 'exact', address: 'urn:life:glare' }] }),
  heading('Animals', { entryTerms: ['Fauna'] }),
]);

describe('a heading in another vocabulary', () => {
  it.each([
    ['flying MAMMALS', 'Flying mammals', 'same-label'],
    ['Light pollution', 'Stray light', 'exact-match'],
    ['Glare', 'Dazzle', 'exact-match'],
    ['Chiroptera', 'Flying mammals', 'entry-term'],
    ['Fauna', 'Animals', 'entry-term'],
    ['Light sources', 'Luminaires', 'close-match'],
  ] as const)('%s is %s by %s', (label, mapped, by) => {
    expect(mapHeading(label, from, to)).toEqual({ label: mapped, by });
  });

  it('may not be there', () => {
    expect(mapHeading('Owls', from, to)).toBeUndefined();
    expect(mapHeading('Unheard of', undefined, to)).toBeUndefined();
  });
});
