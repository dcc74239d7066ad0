export { element, findWithin, firstNamed, textOf, writeXml, type XmlElement, type XmlNode } from '../xml-tree.ts';
export { type QtiLeftOut, type QtiLeftOutCode, qtiLeftOutCodes } from './left-out.ts';
export type { PictureSize } from './pictures.ts';
export type { Prose } from './prose.ts';
export { withMedia } from './question-media.ts';
export { fromQtiItem, type ReadItem } from './read-item.ts';
export { toQtiItem, type WrittenItem } from './write-item.ts';
