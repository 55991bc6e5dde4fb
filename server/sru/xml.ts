import { XMLBuilder } from 'fast-xml-parser';

const builder = new XMLBuilder({
  ignoreAttributes: false,
  attributeNamePrefix: '@',
  suppressBooleanAttributes: false,
});

/** A document from nested values: attributes begin with `@`, lists repeat their element. */
export function writeXml(document: unknown): string {
  return `<?xml version="1.0" encoding="UTF-8"?>${builder.build(document)}`;
}
