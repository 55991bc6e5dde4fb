import { createXmlFormat } from '../xml/xml-format';
import { readMarcXml } from './reader';

/** What library catalogues export. */
export const MARCXML = createXmlFormat({
  id: 'marcxml',
  name: 'MARCXML',
  endings: ['xml', 'marcxml', 'mrcx'],
  sign: /<(?:[\w.-]+:)?datafield\s/,
  elements: ['record'],
  read: readMarcXml,
});
