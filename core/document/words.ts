import { readMoment } from '../text';

/** A list in a sentence: `a`, `a and b`, `a, b and c`. */
export function listInWords(items: readonly string[]): string {
  if (items.length <= 1) return items[0] ?? '';
  return `${items.slice(0, -1).join(', ')} and ${items.at(-1)!}`;
}

const SMALL = ['no', 'one', 'two', 'three', 'four', 'five', 'six', 'seven', 'eight', 'nine', 'ten'];

/** A number with its noun, small ones in letters: `three databases`. */
export function countInWords(number: number, one: string, many = `${one}s`): string {
  return `${SMALL[number] ?? String(number)} ${number === 1 ? one : many}`;
}

/** A sentence with a great first letter. */
export function capitalise(text: string): string {
  return text.charAt(0).toUpperCase() + text.slice(1);
}

/** A moment in words: `2 December 2026, 14:20`. */
export function tellMoment(moment: string, timeZone: string): string {
  return `${tellDay(moment, timeZone)}, ${tellTime(moment, timeZone)}`;
}

/** Its day: `2 December 2026`. */
export function tellDay(moment: string, timeZone: string): string {
  return format(moment, { timeZone, day: 'numeric', month: 'long', year: 'numeric' });
}

/** Its time of day: `14:20`. */
export function tellTime(moment: string, timeZone: string): string {
  return format(moment, { timeZone, hour: '2-digit', minute: '2-digit', hour12: false });
}

const FORMATS = new Map<string, Intl.DateTimeFormat>();

function format(moment: string, options: Intl.DateTimeFormatOptions): string {
  const key = JSON.stringify(options);
  const known = FORMATS.get(key) ?? new Intl.DateTimeFormat('en-GB', options);
  FORMATS.set(key, known);
  return known.format(readMoment(moment));
}
