import { describe, expect, it } from 'vitest';
import { decodeText } from './decode-text';

const TEXT =
  'TY  - JOUR\nTI  - Fledermäuse über Straßen: l’éclairage nocturne à l’été, déjà vu, où ça, señal\n';
const write = (bytes: readonly number[]): ArrayBuffer => new Uint8Array(bytes).buffer;
const utf8 = [...new TextEncoder().encode(TEXT)];
const utf16 = (isLittle: boolean): number[] =>
  [...TEXT].flatMap((sign) => {
    const code = sign.charCodeAt(0);
    return isLittle ? [code & 255, code >> 8] : [code >> 8, code & 255];
  });

describe('the text of a file', () => {
  it.each([
    ['UTF-8', utf8],
    ['UTF-8 with its mark', [0xef, 0xbb, 0xbf, ...utf8]],
    ['UTF-16, the smaller end first, with its mark', [0xff, 0xfe, ...utf16(true)]],
    ['UTF-16, the larger end first, with its mark', [0xfe, 0xff, ...utf16(false)]],
    ['UTF-16 without a mark', utf16(true)],
    ['UTF-16 without a mark, the larger end first', utf16(false)],
  ])('is read in %s', (_, bytes) => {
    expect(decodeText(write(bytes))).toEqual({ text: TEXT, unreadable: 0 });
  });

  it('is in the older character set of Western systems if it is no UTF-8', () => {
    const bytes = [...'Fledermäuse über Straßen'].map((sign) => sign.charCodeAt(0));
    expect(decodeText(write(bytes))).toEqual({ text: 'Fledermäuse über Straßen', unreadable: 0 });
  });

  it('keeps its accents when one byte is wrong, which is counted', () => {
    const at = utf8.indexOf(0x20, 30);
    const decoded = decodeText(write([...utf8.slice(0, at), 0xe9, ...utf8.slice(at)]));
    expect(decoded.unreadable).toBe(1);
    expect(decoded.text.replace('\uFFFD', '')).toBe(TEXT);
  });

  it('may be empty', () => {
    expect(decodeText(write([]))).toEqual({ text: '', unreadable: 0 });
  });
});
