/** The first identifier of a document (DOI, ISO 26324) in some texts, without its resolver or prefix. */
export function findDoi(texts: readonly string[]): string | undefined {
  for (const text of texts) {
    // In an address `%2F` stands for the slash, `%3C` for a sign that identifiers of older journals have.
    const plain =
      /%2f/i.test(text) || /10\.\d{4,9}\/\S*%[0-9a-f]{2}/i.test(text) ? decodePercent(text) : text;
    const found = /10\.\d{4,9}\/\S+/.exec(decodeAngles(plain))?.[0];
    if (found !== undefined) return trimDoi(found);
  }
  return undefined;
}

/** Without the signs that end a sentence or a bracket which was opened before it. */
function trimDoi(doi: string): string {
  let end = doi.length;
  for (; end > 0; end--) {
    const last = doi.charAt(end - 1);
    if (/[.,;:'"”’]/.test(last)) continue;
    const opening = { ')': '(', ']': '[', '>': '<', '}': '{' }[last];
    if (opening === undefined) break;
    const body = doi.slice(0, end);
    if (body.split(opening).length >= body.split(last).length) break;
  }
  return doi.slice(0, end);
}

/** The signs that identifiers of older journals have, where a file writes them as entities. */
function decodeAngles(text: string): string {
  return text.replaceAll('&lt;', '<').replaceAll('&gt;', '>').replaceAll('&amp;', '&');
}

function decodePercent(text: string): string {
  return text.replace(/(?:%[0-9a-f]{2})+/gi, (codes) => {
    try {
      return decodeURIComponent(codes);
    } catch {
      return codes;
    }
  });
}
