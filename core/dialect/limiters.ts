import type { DocumentType } from '../record';
import type { Dialect, LimiterName, LimiterRule } from './dialect';

/** What the results are limited to: one neutral set for all databases. Absent or empty means not limited. */
export interface Limiters {
  /** Inclusive; an open end is absent. Records without a year fail. */
  readonly years?: { readonly from?: number; readonly to?: number };
  readonly types?: readonly DocumentType[];
  /** ISO 639-1; any of them. */
  readonly languages?: readonly string[];
  /** Lets only what is known to be peer-reviewed through. */
  readonly peerReviewed?: boolean;
  readonly fullText?: boolean;
  /** Months of entry as `2026-03`, inclusive: when the database took the record in, not when it appeared. */
  readonly entered?: { readonly from?: string; readonly to?: string };
  /** Journals or other containers; any of them. */
  readonly sources?: readonly string[];
  /** Subject areas, in the words of the databases that have them; any of them. */
  readonly subjects?: readonly string[];
}

/** No limiters. */
export const NO_LIMITERS: Limiters = {};

/** The ticked boxes that go with a string: the limiters that a database takes apart from it. */
export type Boxes = Limiters;

/** A limiter that the string does not carry: to be set by hand, or not to be had. */
export interface HandStep {
  readonly limiter: LimiterName;
  readonly how: 'box' | 'hand' | 'none';
  readonly value: string;
  /** What the database understands by it, or how it is set. */
  readonly note?: string;
}

/** What stands for an open end. */
const EARLIEST_YEAR = 1000;
const LATEST_YEAR = 9999;

/** The limiters as a dialect applies them: what joins the string, what is ticked, what is left to say. */
export function writeLimiters(
  limiters: Limiters | undefined,
  dialect: Dialect,
): { text: string[]; boxes: Boxes; steps: HandStep[] } {
  const text: string[] = [];
  let boxes: Boxes = {};
  const steps: HandStep[] = [];
  for (const { name, value } of listLimiters(limiters ?? NO_LIMITERS)) {
    const rule = dialect.limiters[name];
    if (rule.how === 'string') text.push(writeInString(rule, name, limiters ?? {}, dialect));
    else
      steps.push({
        limiter: name,
        how: rule.how,
        value,
        ...(rule.note !== undefined && { note: rule.note }),
      });
    if (rule.how === 'box') boxes = { ...boxes, [name]: limiters?.[name] };
  }
  return { text, boxes, steps };
}

/** The limiters that are in force, each with its value in words. */
export function listLimiters(limiters: Limiters): { name: LimiterName; value: string }[] {
  const { years, types, languages, peerReviewed, fullText, entered, sources, subjects } = limiters;
  const found: { name: LimiterName; value: string }[] = [];
  if (years && (years.from !== undefined || years.to !== undefined))
    found.push({ name: 'years', value: describeRange(years) });
  if (types && types.length > 0) found.push({ name: 'types', value: types.join(', ') });
  if (languages && languages.length > 0) found.push({ name: 'languages', value: languages.join(', ') });
  if (peerReviewed) found.push({ name: 'peerReviewed', value: 'peer-reviewed' });
  if (fullText) found.push({ name: 'fullText', value: 'full text' });
  if (entered && (entered.from !== undefined || entered.to !== undefined))
    found.push({ name: 'entered', value: `entered ${describeRange(entered)}` });
  if (sources && sources.length > 0) found.push({ name: 'sources', value: `in ${sources.join(', ')}` });
  if (subjects && subjects.length > 0) found.push({ name: 'subjects', value: `on ${subjects.join(', ')}` });
  return found;
}

/** `2015–2024` (years, or months with an en dash between them), `from 2015` or `until 2024`. */
export function describeRange<T extends number | string>({
  from,
  to,
}: {
  readonly from?: T;
  readonly to?: T;
}): string {
  if (from !== undefined && to !== undefined) return from === to ? `${from}` : `${from}–${to}`;
  return from === undefined ? `until ${to ?? ''}` : `from ${from}`;
}

/** True if both let the same records through. */
export function isSameLimiters(a: Limiters, b: Limiters): boolean {
  return JSON.stringify(listLimiters(a)) === JSON.stringify(listLimiters(b));
}

function writeInString(
  rule: LimiterRule & { how: 'string' },
  name: LimiterName,
  limiters: Limiters,
  dialect: Dialect,
): string {
  if (name === 'years') {
    const { from = EARLIEST_YEAR, to = LATEST_YEAR } = limiters.years ?? {};
    return rule.form.replace('{from}', String(from)).replace('{to}', String(to));
  }
  if (name === 'entered') {
    const { from = `${EARLIEST_YEAR}-01`, to = `${LATEST_YEAR}-12` } = limiters.entered ?? {};
    return rule.form.replace('{from}', from).replace('{to}', to);
  }
  const values = listValues(name, limiters);
  const named = values.map((value) => rule.values?.[value] ?? value);
  if (rule.form.includes('{values}'))
    return rule.form.replace('{values}', () => named.join(rule.joint ?? ', '));
  const written = named.map((value) => rule.form.replace('{value}', () => value));
  return written.length === 1 ? (written[0] ?? '') : `(${written.join(` ${dialect.operators.or.write} `)})`;
}

/** The values of a limiter that is a list; a quotation mark would end what it stands in. */
function listValues(name: LimiterName, limiters: Limiters): readonly string[] {
  if (name === 'types' || name === 'languages') return limiters[name] ?? [];
  if (name === 'sources' || name === 'subjects')
    return (limiters[name] ?? []).map((value) => value.replace(/["\\]/g, ' ').trim());
  return ['yes'];
}
