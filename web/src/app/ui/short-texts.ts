/**
 * Texts cut to `most` characters, so that different texts stay different: of those that begin alike the middle is
 * left out, up to where they part.
 */
export function shortenApart(texts: readonly string[], most: number): string[] {
  const cut = (text: string): string => (text.length > most ? `${text.slice(0, most - 1)}…` : text);
  return texts.map((text, at) => {
    const alike = texts.filter((other, place) => place !== at && other !== text && cut(other) === cut(text));
    if (alike.length === 0) return cut(text);
    const parting = Math.max(...alike.map((other) => findParting(text, other)));
    const room = Math.floor(most / 2);
    return `${text.slice(0, room - 2)}…${cut(text.slice(Math.max(room, parting - 2)))}`;
  });
}

function findParting(a: string, b: string): number {
  let at = 0;
  while (at < a.length && a[at] === b[at]) at++;
  return at;
}
