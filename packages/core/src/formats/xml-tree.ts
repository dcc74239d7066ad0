/** An XML document as plain data, without namespaces: names as written, less any prefix. */
export interface XmlElement {
  readonly name: string;
  readonly attributes: Readonly<Record<string, string>>;
  readonly children: readonly XmlNode[];
}

export type XmlNode = XmlElement | string;

type Attributes = Readonly<Record<string, string | number | boolean | null | undefined>>;
type Children = readonly (XmlNode | null | undefined | false | readonly XmlNode[])[];

/** An element; attributes without a value, and children that are not there, are left out. */
export function element(name: string, attributes: Attributes = {}, ...children: Children): XmlElement {
  const given = Object.entries(attributes).filter(([, value]) => value !== null && value !== undefined);
  return {
    name,
    attributes: Object.fromEntries(given.map(([key, value]) => [key, String(value)])),
    children: children.flat().filter((child): child is XmlNode => !!child || child === ''),
  };
}

export const isElement = (node: XmlNode): node is XmlElement => typeof node !== 'string';

export const elementsIn = ({ children }: XmlElement): readonly XmlElement[] => children.filter(isElement);

export const firstNamed = (parent: XmlElement, name: string): XmlElement | undefined =>
  elementsIn(parent).find((child) => child.name === name);

export const allNamed = (parent: XmlElement, name: string): readonly XmlElement[] =>
  elementsIn(parent).filter((child) => child.name === name);

/** Every element inside that fits, at any depth, in the order of the document. */
export function findWithin(parent: XmlElement, fits: (one: XmlElement) => boolean): readonly XmlElement[] {
  return elementsIn(parent).flatMap((child) => [...(fits(child) ? [child] : []), ...findWithin(child, fits)]);
}

export function textOf(node: XmlNode): string {
  return isElement(node) ? node.children.map(textOf).join('') : node;
}

/** Characters that XML 1.0 cannot hold: all but those of production 2, Char. */
const forbidden = /[^\t\n\r\u0020-\ud7ff\ue000-\ufffd\u{10000}-\u{10ffff}]/gu;
const escapes: Readonly<Record<string, string>> = {
  '&': '&amp;',
  '<': '&lt;',
  '>': '&gt;',
  '"': '&quot;',
  '\n': '&#10;',
  '\t': '&#9;',
  '\r': '&#13;',
};
const escapeText = (text: string) => text.replace(forbidden, '').replace(/[&<>\r]/g, (char) => escapes[char] ?? char);
const escapeValue = (text: string) =>
  text.replace(forbidden, '').replace(/[&<>"\n\t\r]/g, (char) => escapes[char] ?? char);

/** Writes a document in UTF-8 with its declaration. Adds no white space: in mixed content it would be read as words. */
export function writeXml(root: XmlElement): string {
  return `<?xml version="1.0" encoding="UTF-8"?>\n${writeNode(root)}\n`;
}

function writeNode(node: XmlNode): string {
  if (!isElement(node)) return escapeText(node);
  const attributes = Object.entries(node.attributes).map(([key, value]) => ` ${key}="${escapeValue(value)}"`);
  const head = `<${node.name}${attributes.join('')}`;
  return node.children.length === 0 ? `${head}/>` : `${head}>${node.children.map(writeNode).join('')}</${node.name}>`;
}
