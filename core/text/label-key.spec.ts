import { expect, it } from 'vitest';
import { createHeadingKey, createLabelKey } from './label-key';

it('a heading is told from others by its signs, and not by its case, accents, blanks or quotation marks', () => {
  expect(new Set(['C', 'C++', 'C#'].map(createHeadingKey)).size).toBe(3);
  expect(new Set(['Über  Eulen', 'uber eulen ', '"Über" Eulen'].map(createHeadingKey)).size).toBe(1);
});

it('a heading is looked up by its words alone', () => {
  expect(new Set(['C', 'C++', 'C#'].map(createLabelKey)).size).toBe(1);
});
