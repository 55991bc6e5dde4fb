import { readProperty, type QueryNode } from '../../query';
import { nameValue, type NamedProperty } from './properties-by-name';

/** What a clause asks of a property; nothing if its relation or value cannot be said. */
export function createPropertyNode(
  named: NamedProperty,
  relation: string,
  text: string,
): QueryNode | undefined {
  const { property } = named;
  const isRange = property === 'year' || property === 'entered';
  if (!isRange)
    return ['=', '==', 'any', 'exact'].includes(relation)
      ? readProperty(property, nameValue(text, named))
      : undefined;
  const [first = '', second, ...others] = text.trim().split(/\s+/);
  if (relation === 'within')
    return second !== undefined && others.length === 0
      ? readProperty(property, `${first}..${second}`)
      : undefined;
  if (second !== undefined || !/^\d{4}$/.test(first)) return undefined;
  const next = (step: number): string => String(Number(first) + step).padStart(4, '0');
  switch (relation) {
    case '=':
    case '==':
    case 'any':
      return readProperty(property, first);
    case '<':
      return readProperty(property, `..${next(-1)}`);
    case '<=':
      return readProperty(property, `..${first}`);
    case '>':
      return readProperty(property, `${next(1)}..`);
    case '>=':
      return readProperty(property, `${first}..`);
    default:
      return undefined;
  }
}
