const LONE_HALVES = /[\ud800-\udbff](?![\udc00-\udfff])|(?<![\ud800-\udbff])[\udc00-\udfff]/g;

/** A text with a mark in place of each half of a sign that stands alone: what UTF-8 can write. */
export function toWellFormed(text: string): string {
  return text.replace(LONE_HALVES, '\ufffd');
}

/** UTF-8; written out because the core knows neither Node nor the DOM. */
export function encodeText(text: string): Uint8Array {
  const escaped = encodeURIComponent(toWellFormed(text));
  const bytes = new Uint8Array(escaped.length);
  let length = 0;
  for (let at = 0; at < escaped.length; at++) {
    if (escaped.charAt(at) === '%') {
      bytes[length++] = parseInt(escaped.slice(at + 1, at + 3), 16);
      at += 2;
    } else bytes[length++] = escaped.charCodeAt(at);
  }
  return bytes.slice(0, length);
}

/** The text of some bytes of UTF-8. */
export function decodeText(bytes: Uint8Array): string {
  let text = '';
  let at = 0;
  while (at < bytes.length) {
    const first = bytes[at]!;
    const extra = first < 0x80 ? 0 : first < 0xe0 ? 1 : first < 0xf0 ? 2 : 3;
    let code = extra === 0 ? first : first & (0x3f >> extra);
    for (let more = 1; more <= extra; more++) code = (code << 6) | (bytes[at + more]! & 0x3f);
    text += String.fromCodePoint(code);
    at += extra + 1;
  }
  return text;
}
