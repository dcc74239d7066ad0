import type { XmlElement, XmlNode } from '@semita/core/qti';
import type { Element, Node } from '@xmldom/xmldom';
import { ImportRefused } from '../../materials/import/import-result.ts';
import { checkXml } from '../../materials/import/safe-zip.ts';
import { parseXml } from '../../materials/import/xml.ts';

/** Parses XML into core's plain tree. @throws ImportRefused damaged, tooMuchInside */
export function treeOf(bytes: Buffer): XmlElement {
  checkXml(bytes);
  const root = parseXml(bytes).documentElement;
  if (!root) throw new ImportRefused('damaged');
  return toElement(root);
}

const elementNode = 1;
const textNode = 3;
const cdataNode = 4;

function toElement(element: Element): XmlElement {
  return {
    name: element.localName ?? element.nodeName,
    attributes: Object.fromEntries(
      Array.from(element.attributes).map(({ nodeName, nodeValue }) => [nodeName, nodeValue ?? '']),
    ),
    children: Array.from(element.childNodes).flatMap(toNode),
  };
}

function toNode(node: Node): XmlNode[] {
  if (node.nodeType === elementNode) return [toElement(node as Element)];
  return node.nodeType === textNode || node.nodeType === cdataNode ? [node.nodeValue ?? ''] : [];
}
