import { expect, it } from 'vitest';
import { describeStep } from './rendering-notes';

it('says what is left to do by hand', () => {
  expect(describeStep({ limiter: 'peerReviewed', how: 'box', value: 'peer-reviewed' })).toBe(
    'Tick on its page: peer-reviewed',
  );
  expect(describeStep({ limiter: 'fullText', how: 'none', value: 'full text', note: 'no texts' })).toBe(
    'Not available there: full text (no texts)',
  );
  expect(describeStep({ limiter: 'years', how: 'hand', value: '2015–2024', note: 'in the side bar' })).toBe(
    'Set on its page: 2015–2024 (in the side bar)',
  );
});
