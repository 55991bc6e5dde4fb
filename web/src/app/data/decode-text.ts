/** A text with the number of its signs that could not be read. */
export interface DecodedText {
  readonly text: string;
  /** They stand as `\uFFFD` in the text. */
  readonly unreadable: number;
}

/** Of so many bytes the encoding is told. */
const LOOKED_AT = 4_096;
/** A text with at most this share of broken signs among those beyond ASCII is UTF-8 all the same. */
const MAX_BROKEN_SHARE = 0.1;

/**
 * The text of a file: UTF-16 by its mark or its zeros, else UTF-8. One wrong byte does not make another encoding of a
 * text: its sign is counted as unreadable. A file that is not UTF-8 is in the character set that Western systems had
 * before it (windows-1252).
 */
export function decodeText(content: ArrayBuffer): DecodedText {
  const bytes = new Uint8Array(content);
  const wide = findWideEncoding(bytes);
  if (wide) return count(new TextDecoder(wide).decode(bytes));
  const text = new TextDecoder('utf-8').decode(bytes);
  const broken = countSign(text, '\uFFFD');
  if (broken === 0) return { text, unreadable: 0 };
  const beyond = countBeyondAscii(text);
  if (broken <= beyond * MAX_BROKEN_SHARE) return { text, unreadable: broken };
  return { text: new TextDecoder('windows-1252').decode(bytes), unreadable: 0 };
}

/** UTF-16 by its byte order mark; without one, by the zeros that Latin letters have in every second byte. */
function findWideEncoding(bytes: Uint8Array): 'utf-16le' | 'utf-16be' | undefined {
  if (bytes[0] === 0xff && bytes[1] === 0xfe) return 'utf-16le';
  if (bytes[0] === 0xfe && bytes[1] === 0xff) return 'utf-16be';
  const some = bytes.subarray(0, LOOKED_AT);
  let [even, odd] = [0, 0];
  some.forEach((byte, at) => {
    if (byte !== 0) return;
    if (at % 2 === 0) even++;
    else odd++;
  });
  if (odd > some.length / 4 && odd > 8 * even) return 'utf-16le';
  if (even > some.length / 4 && even > 8 * odd) return 'utf-16be';
  return undefined;
}

function count(text: string): DecodedText {
  return { text, unreadable: countSign(text, '\uFFFD') };
}

function countSign(text: string, sign: string): number {
  let found = 0;
  for (let at = text.indexOf(sign); at >= 0; at = text.indexOf(sign, at + 1)) found++;
  return found;
}

function countBeyondAscii(text: string): number {
  let found = 0;
  for (let at = 0; at < text.length; at++) if (text.charCodeAt(at) > 127) found++;
  return found;
}
