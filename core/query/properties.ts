import { DOCUMENT_TYPES, normaliseIdentifier } from '../record';
import { build } from './create';
import { PROPERTIES, type Property } from './field-table';
import type { RangeNode, ValueNode } from './node';

const YEAR = /\d{4}/;
/** A DOI: its prefix, and what the registrant of the prefix adds to it (ISO 26324). */
const IDENTIFIER = /^10\.\d{4,9}\/[^\s"\\]+$/;
const MONTH = /\d{4}-(?:0[1-9]|1[0-2])/;

/** True for the name of a property. */
export function isProperty(name: string | undefined): name is Property {
  return PROPERTIES.some((property) => property === name);
}

/** The node of a property from the text behind its colon; nothing if that is no value of it. */
export function readProperty(property: Property, text: string): RangeNode | ValueNode | undefined {
  const value = text.trim().toLowerCase().replace(/\s+/g, ' ');
  switch (property) {
    case 'year':
      return readRange(property, value, YEAR, '\\.\\.|[-–]');
    case 'entered':
      return readRange(property, value, MONTH, '\\.\\.|–');
    case 'type':
      return DOCUMENT_TYPES.some((type) => type === value) ? build.value(property, value) : undefined;
    case 'language':
      return /^[a-z]{2,3}$/.test(value) ? build.value(property, value) : undefined;
    case 'doi': {
      const identifier = normaliseIdentifier(value);
      return IDENTIFIER.test(identifier) ? build.value(property, identifier) : undefined;
    }
  }
}

/** The property as query text: `year: 2015..2024`, `type: "conference paper"`. */
export function printProperty(node: RangeNode | ValueNode): string {
  if (node.kind === 'value')
    return `${node.property}: ${/^[\p{L}\p{N}]+$/u.test(node.value) ? node.value : `"${node.value}"`}`;
  const { from = '', to = '' } = node;
  return `${node.property}: ${from !== '' && from === to ? from : `${from}..${to}`}`;
}

/** True if every number in the narrow range is in the wide one. */
export function holdsRange(wide: RangeNode, narrow: RangeNode): boolean {
  const isFrom = wide.from === undefined || (narrow.from !== undefined && wide.from <= narrow.from);
  const isTo = wide.to === undefined || (narrow.to !== undefined && narrow.to <= wide.to);
  return wide.property === narrow.property && isFrom && isTo;
}

function readRange(
  property: RangeNode['property'],
  text: string,
  { source: number }: RegExp,
  between: string,
): RangeNode | undefined {
  const match = new RegExp(`^(${number})?(?:\\s*(${between})\\s*(${number})?)?$`).exec(text);
  if (!match) return undefined;
  const [, from, dash, to] = match;
  if (from === undefined && to === undefined) return undefined;
  const until = dash === undefined ? from : to;
  return build.range(property, from, until);
}
