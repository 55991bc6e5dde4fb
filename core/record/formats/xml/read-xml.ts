import { XMLParser, XMLValidator } from 'fast-xml-parser';
import type { XmlElement } from './element';

const ATTRIBUTES = ':@';
const TEXT = '#text';

const parser = new XMLParser({
  preserveOrder: true,
  removeNSPrefix: true,
  ignoreAttributes: false,
  attributeNamePrefix: '',
  parseTagValue: false,
  parseAttributeValue: false,
  trimValues: false,
  processEntities: true,
  // Without, signs by their numbers (`&#xF8;`) are not read, which are XML.
  htmlEntities: true,
});
/** The most signs that open a tag, and the most that stand between a name and its value: they bound elements and attributes. */
const MAX_TAGS = 200_000;
const MAX_ATTRIBUTES = 400_000;

type OrderedNode = Readonly<Record<string, unknown>>;

/** A document as elements; nothing if it is not well-formed, defines entities of its own, or has too many parts. */
export function readXml(text: string): XmlElement | undefined {
  if (hasMore(text, '<', MAX_TAGS) || hasMore(text, '=', MAX_ATTRIBUTES)) return undefined;
  if (/<!DOCTYPE/i.test(text) || XMLValidator.validate(text) !== true) return undefined;
  try {
    const nodes = parser.parse(text) as OrderedNode[];
    return nodes.flatMap(readNode).find((element) => !element.name.startsWith('?'));
  } catch {
    return undefined;
  }
}

function hasMore(text: string, sign: string, most: number): boolean {
  let found = 0;
  for (let at = text.indexOf(sign); at >= 0 && found <= most; at = text.indexOf(sign, at + 1)) found++;
  return found > most;
}

function readNode(node: OrderedNode): XmlElement[] {
  const name = Object.keys(node).find((key) => key !== ATTRIBUTES);
  if (name === undefined || name === TEXT) return [];
  const inner = Array.isArray(node[name]) ? (node[name] as OrderedNode[]) : [];
  const text = inner.map((part) => (TEXT in part ? String(part[TEXT]) : '')).join('');
  const attributes = (node[ATTRIBUTES] ?? {}) as Record<string, string>;
  return [{ name, attributes, text, children: inner.flatMap(readNode) }];
}
