export { readDublinCore } from './dublin-core/reader';
export { readMarcXml } from './marcxml/reader';
export { findDescendant, listChildren, listDescendants } from './xml/element';
export type { XmlElement } from './xml/element';
export { readXml } from './xml/read-xml';
