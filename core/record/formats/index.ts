export { readDublinCore } from './dublin-core/reader';
export { findDescendant, listChildren, listDescendants } from './element';
export type { XmlElement } from './element';
export { readMarcXml } from './marcxml/reader';
