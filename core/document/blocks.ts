import type { RichText } from '../text';
import type { Block } from './document';

/** A heading of a part. */
export const heading = (text: string): Block => ({ kind: 'heading', text });
/** A paragraph of runs. */
export const paragraph = (...text: RichText): Block => ({ kind: 'paragraph', text });
