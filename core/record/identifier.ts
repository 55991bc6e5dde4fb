import { splitWords } from '../text';
import { findDoi } from './doi';

/** The key of an identifier, however it is written: with its resolver, a prefix, in capitals. */
export function createIdentifierKey(identifier: string): number {
  const bare = normaliseIdentifier(identifier);
  return bare === '' ? 0 : hashText(bare);
}

/**
 * An identifier as it is compared: a DOI without its resolver, prefix, codes of an address and a full stop behind it,
 * in small letters (`10.5555/bats.12`); anything else without its resolver.
 */
export function normaliseIdentifier(identifier: string): string {
  const bare = findDoi([identifier]) ?? identifier.trim().replace(/^https?:\/\/[^/]+\//i, '');
  return bare.toLowerCase();
}

/** The words of a title without case, diacritics and signs. */
export function normaliseTitle(title: string): string[] {
  return splitWords(title).map(({ text }) => text);
}

/** A number from 1 to 2^53 - 1 for a text: two 32-bit FNV-1a hashes with different starts. */
export function hashText(text: string): number {
  let [low, high] = [0x811c9dc5, 0x01000193];
  for (let at = 0; at < text.length; at++) {
    const code = text.charCodeAt(at);
    low = Math.imul(low ^ code, 0x01000193);
    high = Math.imul(high ^ (code + at), 0x85ebca6b);
  }
  low ^= low >>> 15;
  high ^= high >>> 13;
  return ((high >>> 0) & 0x1fffff) * 2 ** 32 + (low >>> 0) || 1;
}
