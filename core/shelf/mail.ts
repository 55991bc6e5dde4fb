/** A message to send oneself or somebody else; a mail program sends it, Ewer does not. */
export interface MailText {
  readonly subject: string;
  readonly text: string;
  readonly html: string;
}

/** Longer addresses are cut by some programs. */
const LONGEST_ADDRESS = 1_900;
const LINE = '\r\n';
/** The longest line of quoted-printable text, the sign at its end included (RFC 2045). */
const LONGEST_LINE = 76;
/** So much of a header goes into one encoded word, so that the first line has room for its name. */
const LONGEST_WORD = 52;

/** An address that opens a new message in the person's mail program (RFC 6068); nothing if it would be too long. */
export function createMailAddress({ subject, text }: Pick<MailText, 'subject' | 'text'>): string | undefined {
  const body = text.replace(/\r?\n/g, LINE);
  const address = `mailto:?subject=${encodeURIComponent(subject)}&body=${encodeURIComponent(body)}`;
  return address.length <= LONGEST_ADDRESS ? address : undefined;
}

/**
 * A message as a file that mail programs open (RFC 5322), as plain text and as HTML (RFC 2046). It has no address of a
 * sender or a reader and is marked as not sent, so that it opens to be written.
 */
export function writeMailFile({ subject, text, html }: MailText): string {
  const boundary = createBoundary(text + html);
  const part = (type: string, content: string): string[] => [
    `--${boundary}`,
    `Content-Type: ${type}; charset=utf-8`,
    'Content-Transfer-Encoding: quoted-printable',
    '',
    encodeQuotedPrintable(content),
  ];
  return [
    `Subject: ${encodeHeader(subject)}`,
    'X-Unsent: 1',
    'MIME-Version: 1.0',
    `Content-Type: multipart/alternative; boundary="${boundary}"`,
    '',
    ...part('text/plain', text),
    ...part('text/html', `<html><body>${html}</body></html>`),
    `--${boundary}--`,
    '',
  ].join(LINE);
}

/** A line that stands nowhere in the message. */
function createBoundary(content: string): string {
  let number = 0;
  while (content.includes(`part-${number}`)) number++;
  return `part-${number}`;
}

/** Without halves of signs, which UTF-8 has no bytes for. */
const mendHalves = (text: string): string => text.replace(/[\uD800-\uDFFF]/gu, '\uFFFD');

/** The bytes of a text in UTF-8, each as two hexadecimal digits. */
function listBytes(text: string): string[] {
  return [...text].flatMap((sign) =>
    sign.codePointAt(0)! < 0x80
      ? [sign.charCodeAt(0).toString(16).toUpperCase().padStart(2, '0')]
      : encodeURIComponent(sign).slice(1).split('%'),
  );
}

/** A text as lines of ASCII (RFC 2045, 6.7). */
function encodeQuotedPrintable(text: string): string {
  return mendHalves(text)
    .split(/\r?\n/)
    .map((line) => {
      const signs = [...line].flatMap((sign, at, all) => {
        const isPlain = /[!-<>-~]/.test(sign) || ((sign === ' ' || sign === '\t') && at < all.length - 1);
        return isPlain ? [sign] : listBytes(sign).map((byte) => `=${byte}`);
      });
      const lines: string[] = [''];
      for (const sign of signs) {
        if (lines.at(-1)!.length + sign.length >= LONGEST_LINE) lines.push('');
        lines[lines.length - 1] += sign;
      }
      return lines.join(`=${LINE}`);
    })
    .join(LINE);
}

/** A text of a header: pieces that are not ASCII as encoded words of at most 75 signs (RFC 2047). */
function encodeHeader(text: string): string {
  const clean = mendHalves(text).replace(/\s+/g, ' ').trim();
  if (/^[ -~]*$/.test(clean) && clean.length <= LONGEST_WORD) return clean;
  const words: string[] = [''];
  for (const sign of clean) {
    const piece = /[A-Za-z0-9]/.test(sign)
      ? sign
      : sign === ' '
        ? '_'
        : listBytes(sign)
            .map((byte) => `=${byte}`)
            .join('');
    if (words.at(-1)!.length + piece.length > LONGEST_WORD) words.push('');
    words[words.length - 1] += piece;
  }
  return words.map((word) => `=?utf-8?Q?${word}?=`).join(`${LINE} `);
}
