import type { Property, RangeNode, ValueNode } from '../query';
import { DOCUMENT_TYPES, type DocumentType } from '../record';
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
    const { from, to } = limiters.years ?? {};
    return writeRange(rule, from?.toString(), to?.toString(), [`${EARLIEST_YEAR}`, `${LATEST_YEAR}`]);
  }
  if (name === 'entered') {
    const { from, to } = limiters.entered ?? {};
    return writeRange(rule, from, to, [`${EARLIEST_YEAR}-01`, `${LATEST_YEAR}-12`]);
  }
  const values = listValues(name, limiters);
  const named = values.map((value) => rule.values?.[value] ?? value);
  if (rule.form.includes('{values}'))
    return rule.form.replace('{values}', () => named.join(rule.joint ?? ', '));
  const written = named.map((value) => rule.form.replace('{value}', () => value));
  return written.length === 1 ? (written[0] ?? '') : `(${written.join(` ${dialect.operators.or.write} `)})`;
}

function writeRange(
  { form, formFrom, formTo }: LimiterRule & { how: 'string' },
  from: string | undefined,
  to: string | undefined,
  [earliest, latest]: readonly [string, string],
): string {
  if (formFrom !== undefined && from !== undefined && to === undefined)
    return formFrom.replace('{from}', from);
  if (formTo !== undefined && to !== undefined && from === undefined) return formTo.replace('{to}', to);
  return form.replace('{from}', from ?? earliest).replace('{to}', to ?? latest);
}

/** A part of a query that asks what a limiter asks, as the string has it; nothing if it cannot stand there. */
export function writeProperty(node: RangeNode | ValueNode, dialect: Dialect): string | undefined {
  const name = LIMITER_OF[node.property];
  const rule = dialect.limiters[name];
  if (rule.how !== 'string') return undefined;
  return writeInString(rule, name, describeAsLimiters(node), dialect);
}

/** True if a database can limit a whole search by a property, in whatever way. */
export function canLimit(property: Property, { limiters }: Dialect): boolean {
  return limiters[LIMITER_OF[property]].how !== 'none';
}

/** The limiter that asks for each property of a record. */
export const LIMITER_OF = {
  year: 'years',
  entered: 'entered',
  type: 'types',
  language: 'languages',
} as const satisfies Record<Property, LimiterName>;

function describeAsLimiters(node: RangeNode | ValueNode): Limiters {
  if (node.kind === 'value')
    return node.property === 'language'
      ? { languages: [node.value] }
      : { types: DOCUMENT_TYPES.filter((type) => type === node.value) };
  const { from, to } = node;
  const text = { ...(from !== undefined && { from }), ...(to !== undefined && { to }) };
  if (node.property === 'entered') return { entered: text };
  return {
    years: { ...(from !== undefined && { from: Number(from) }), ...(to !== undefined && { to: Number(to) }) },
  };
}

/** The values of a limiter that is a list; a quotation mark would end what it stands in. */
function listValues(name: LimiterName, limiters: Limiters): readonly string[] {
  if (name === 'types' || name === 'languages') return limiters[name] ?? [];
  if (name === 'sources' || name === 'subjects')
    return (limiters[name] ?? []).map((value) => value.replace(/["\\]/g, ' ').trim());
  return ['yes'];
}
