/** Signs that are not seen: soft hyphens, joiners. */
const UNSEEN = /[\u00ad\u200b-\u200d\u2060\ufeff]/gu;
/** Letters of languages that are written without blanks between words, each with its marks. */
const SINGLE =
  /[\p{Script=Han}\p{Script=Hiragana}\p{Script=Katakana}\p{Script=Thai}\p{Script=Lao}\p{Script=Khmer}\p{Script=Myanmar}]\p{M}*/gu;
/** A fraction in one sign: its numbers are words of their own, so that 2½ is not 21 and 2. */
const FRACTION = /[\u00bc-\u00be\u2150-\u215f\u2189]/gu;
/** What compatibility forms come to beside letters and digits. */
const SEPARATORS = /[^\p{L}\p{M}\p{Nd}]+/gu;
/**
 * A run of signs as plain letters and digits, with blanks where it comes to several words: compatibility forms
 * are spelled out (Unicode normalisation form KC), and unseen signs are gone. In languages without blanks
 * between words each letter stands alone.
 */
export function spellOut(run: string): string {
  const seen = run.replace(UNSEEN, '');
  const text = seen.replace(FRACTION, ' $& ').normalize('NFKC').replace(SEPARATORS, ' ');
  return text.replace(SINGLE, ' $& ').replace(/ +/g, ' ').trim();
}
