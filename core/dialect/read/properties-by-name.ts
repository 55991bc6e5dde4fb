import { PROPERTIES, type Property } from '../../query';
import type { Dialect } from '../profile';
import { getPropertyRule } from '../write';

/** What a named part of a record is: a property, and the values that the system has other names for. */
export interface NamedProperty {
  readonly property: Property;
  readonly values: Readonly<Record<string, string>>;
}

/**
 * The properties by the names that a dialect writes them with: the name at the beginning of the form of each
 * limiter (`year:[…]`, `dc.date >= …`), in small letters.
 */
export function listPropertyNames(dialect: Dialect): ReadonlyMap<string, NamedProperty> {
  const found = new Map<string, NamedProperty>();
  for (const property of PROPERTIES) {
    const rule = getPropertyRule(property, dialect);
    const index = rule.how === 'string' ? /^[\p{L}.]+/u.exec(rule.form)?.[0] : undefined;
    if (index !== undefined && rule.how === 'string')
      found.set(index.toLowerCase(), { property, values: rule.values ?? {} });
  }
  return found;
}

/** A value by the name that records have for it. */
export function nameValue(written: string, { values }: NamedProperty): string {
  const known = Object.entries(values).find(
    ([, code]) => code.toLowerCase() === written.trim().toLowerCase(),
  );
  return known?.[0] ?? written;
}
