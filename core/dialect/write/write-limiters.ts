import type { Property, RangeNode, ValueNode } from '../../query';
import {
  NO_LIMITERS,
  getLimiterRow,
  listLimiters,
  type LimiterName,
  type Limiters,
  type Range,
} from '../../limiter';
import { DOCUMENT_TYPES } from '../../record';
import type { Dialect, LimiterRule } from '../profile';

/** The limiters that are sent with a string: a database takes them apart from it, as boxes that are ticked. */
export type SentLimiters = Limiters;

/** What a string can ask of whole records: a limiter, or an identifier. */
export type RuleName = LimiterName | 'doi';

/** A limiter that the string does not carry: to be set by hand, or not to be had. */
export interface HandStep {
  readonly limiter: LimiterName;
  readonly how: 'box' | 'hand' | 'none';
  readonly value: string;
  /** What the database understands by it, or how it is set. */
  readonly note?: string;
}

/** What stands for an open end. */
const OPEN_ENDS = { years: ['1000', '9999'], months: ['1000-01', '9999-12'] } as const;

/** The limiters as a dialect applies them: what joins the string, what is ticked, what is left to say. */
export function writeLimiters(
  limiters: Limiters | undefined,
  dialect: Dialect,
): { text: string[]; sentLimiters: SentLimiters; steps: HandStep[] } {
  const text: string[] = [];
  let sentLimiters: SentLimiters = {};
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
    if (rule.how === 'box') sentLimiters = { ...sentLimiters, [name]: limiters?.[name] };
  }
  return { text, sentLimiters, steps };
}

function writeInString(
  rule: LimiterRule & { how: 'string' },
  name: LimiterName,
  limiters: Limiters,
  dialect: Dialect,
): string {
  const row = getLimiterRow(name);
  if (row.kind === 'years' || row.kind === 'months') {
    const { from, to } = (limiters[name] ?? {}) as Range<number | string>;
    return writeRange(rule, from?.toString(), to?.toString(), OPEN_ENDS[row.kind]);
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
  const rule = getPropertyRule(node.property, dialect);
  if (rule.how !== 'string') return undefined;
  if (node.property === 'doi') return writeIdentifier(node.value, rule.form, dialect);
  return writeInString(rule, RULE_OF[node.property], describeAsLimiters(node), dialect);
}

/** Signs of an identifier that stand without quotation marks. Others, such as brackets, could end it. */
export const BARE_IDENTIFIER = '[\\p{L}\\p{N}./_:-]';
const IS_BARE = new RegExp(`^${BARE_IDENTIFIER}+$`, 'u');

function writeIdentifier(value: string, form: string, { escape, grammar }: Dialect): string | undefined {
  const isQuoted = form.includes('"{value}"');
  if (!isQuoted && !IS_BARE.test(value)) return undefined;
  const escaped = (sign: string): string =>
    isQuoted && grammar !== 'neutral' && escape?.before.includes(sign) ? escape.sign + sign : sign;
  return form.replace('{value}', () => [...value].map(escaped).join(''));
}

/** How a dialect asks for a property: as its limiter does; for an identifier, in the form that it has for it. */
export function getPropertyRule(property: Property, { limiters, fields }: Dialect): LimiterRule {
  const name = RULE_OF[property];
  if (name !== 'doi') return limiters[name];
  return fields.identifier === undefined ? { how: 'none' } : { how: 'string', form: fields.identifier };
}

/** The rule of a dialect by which each property is asked for: its limiter's, or that of identifiers. */
export const RULE_OF = {
  year: 'years',
  entered: 'entered',
  type: 'types',
  language: 'languages',
  doi: 'doi',
} as const satisfies Record<Property, RuleName>;

function describeAsLimiters(node: RangeNode | ValueNode): Limiters {
  if (node.kind === 'value') {
    switch (node.property) {
      case 'language':
        return { languages: [node.value] };
      case 'type':
        return { types: DOCUMENT_TYPES.filter((type) => type === node.value) };
      case 'doi':
        return {};
    }
  }
  const { from, to } = node;
  const text = { ...(from !== undefined && { from }), ...(to !== undefined && { to }) };
  if (node.property === 'entered') return { entered: text };
  return {
    years: { ...(from !== undefined && { from: Number(from) }), ...(to !== undefined && { to: Number(to) }) },
  };
}

/** The values of a limiter that is a list; a quotation mark would end what it stands in. */
function listValues(name: LimiterName, limiters: Limiters): readonly string[] {
  const row = getLimiterRow(name);
  if (row.kind !== 'list') return ['yes'];
  const values = (limiters[name] ?? []) as readonly string[];
  return row.isFreeText ? values.map((value) => value.replace(/["\\]/g, ' ').trim()) : values;
}
