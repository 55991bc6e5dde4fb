import { splitTokens } from '#core/query/index';

/**
 * A typed line as query text: a bare number that is the number of a line stands for that line. Names are
 * stored, never numbers, so that lines can change their places.
 */
export function readLine(typed: string, names: readonly string[]): string {
  let isDistance = false;
  const edits = splitTokens(typed).flatMap((token) => {
    const raw = token.kind === 'word' ? token.raw : '';
    const number = !isDistance && /^\d{1,3}$/.test(raw) ? Number(raw) : 0;
    // Behind WITHIN and BEFORE stands a distance.
    isDistance = /^(WITHIN|BEFORE)$/i.test(raw);
    const name = names[number - 1];
    return number > 0 && name !== undefined ? [{ ...token, text: `@${name}` }] : [];
  });
  return edits.reduceRight(
    (text, { start, end, text: name }) => text.slice(0, start) + name + text.slice(end),
    typed,
  );
}

/** A text with the numbers of lines where their names stand. */
export function numberLines(text: string, names: readonly string[]): string {
  const edits = splitTokens(text).flatMap((token) => {
    const place = token.kind === 'block' ? names.indexOf(token.name) : -1;
    return place === -1 ? [] : [{ start: token.start, end: token.end, text: String(place + 1) }];
  });
  return edits.reduceRight(
    (done, { start, end, text: number }) => done.slice(0, start) + number + done.slice(end),
    text,
  );
}
