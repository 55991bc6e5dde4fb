import type { LimiterName } from '#core/dialect/index';

/** The limiters as people call them. */
export const LIMITER_LABELS: Readonly<Record<LimiterName, string>> = {
  years: 'years',
  types: 'document types',
  languages: 'languages',
  peerReviewed: 'peer-reviewed',
  fullText: 'full text',
  entered: 'date of entry',
  sources: 'source',
  subjects: 'subject area',
};
