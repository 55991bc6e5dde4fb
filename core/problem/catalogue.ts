import { FILE_WORDINGS } from './wordings/files';
import { OUTLINE_WORDINGS } from './wordings/outline';
import { QUERY_TEXT_WORDINGS } from './wordings/query-text';
import { SERVICE_WORDINGS } from './wordings/services';
import { CHECK_WORDINGS } from './wordings/topic-checks';
import { WRITING_WORDINGS } from './wordings/writing';
import type { Wording } from './wordings/wording';

const WORDINGS = {
  ...QUERY_TEXT_WORDINGS,
  ...WRITING_WORDINGS,
  ...SERVICE_WORDINGS,
  ...CHECK_WORDINGS,
  ...FILE_WORDINGS,
  ...OUTLINE_WORDINGS,
};

/** The code of a problem. Codes are never reused for another meaning. */
export type ProblemCode = keyof typeof WORDINGS;

/** Every code with its wording. */
export const CATALOGUE: Readonly<Record<ProblemCode, Wording>> = WORDINGS;
