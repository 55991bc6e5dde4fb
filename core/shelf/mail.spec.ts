import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { createMailAddress, writeMailFile } from './mail';

/** Reads what is encoded, by the bytes of the standard and not by the writer. */
function decodeQuotedPrintable(text: string): string {
  const joined = text.replace(/=\r\n/g, '');
  const bytes = joined.replace(/=([0-9A-F]{2})/g, (_, code: string) =>
    String.fromCharCode(parseInt(code, 16)),
  );
  return Buffer.from(bytes, 'latin1').toString('utf8');
}

function decodeSubject(file: string): string {
  const [, header = ''] = /^Subject: ([\s\S]*?)\r\nX-Unsent/.exec(file) ?? [];
  if (!header.includes('=?')) return header;
  return header
    .split('\r\n ')
    .map((word) => decodeQuotedPrintable(word.replace(/^=\?utf-8\?Q\?|\?=$/g, '').replaceAll('_', ' ')))
    .join('');
}

function listParts(file: string): string[] {
  const [, boundary = ''] = /boundary="([^"]+)"/.exec(file) ?? [];
  return file
    .split(`--${boundary}`)
    .slice(1, -1)
    .map((part) =>
      decodeQuotedPrintable(part.split('\r\n\r\n').slice(1).join('\r\n\r\n').replace(/\r\n$/, '')),
    );
}

const text = fc
  .string({ unit: 'binary', maxLength: 200 })
  .map((one) => one.replace(/[\r\n\uD800-\uDFFF]/gu, ' '));

describe('messages', () => {
  it('give back what was put in, in lines of ASCII that are short enough', () => {
    fc.assert(
      fc.property(fc.array(text, { minLength: 1, maxLength: 4 }), text, (lines, subject) => {
        const file = writeMailFile({
          subject,
          text: lines.join('\n'),
          html: `<p>${lines.join('</p>\n<p>')}</p>`,
        });
        // eslint-disable-next-line no-control-regex
        expect(file).toMatch(/^[\x00-\x7F]*$/);
        for (const line of file.split('\r\n')) expect(line.length).toBeLessThanOrEqual(76);
        const [plain, html] = listParts(file);
        expect(plain).toBe(lines.join('\r\n'));
        expect(html).toBe(`<html><body><p>${lines.join('</p>\r\n<p>')}</p></body></html>`);
        const words = subject.replace(/\s+/g, ' ').trim();
        expect(decodeSubject(file)).toBe(words);
      }),
    );
  });

  it('that are short have an address for mail programs, longer ones have none', () => {
    expect(createMailAddress({ subject: 'Bats & lamps', text: 'One\nÜber' })).toBe(
      'mailto:?subject=Bats%20%26%20lamps&body=One%0D%0A%C3%9Cber',
    );
    expect(createMailAddress({ subject: 'x', text: 'é'.repeat(400) })).toBeUndefined();
  });
});
