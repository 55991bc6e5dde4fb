import { createXmlFormat } from '../xml/xml-format';
import { readDublinCore } from './reader';

/** What repositories export: the elements and terms of the Dublin Core Metadata Initiative. */
export const DUBLIN_CORE = createXmlFormat({
  id: 'dublin-core',
  name: 'Dublin Core',
  endings: ['xml', 'dc'],
  sign: /purl\.org\/dc\//,
  elements: ['dc', 'Description', 'record', 'metadata'],
  read: readDublinCore,
});
