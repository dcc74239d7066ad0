import { DOMParser, type Document, type Element, type Node } from '@xmldom/xmldom';
import { ImportRefused } from './import-result.ts';
import type { ZipFiles } from './safe-zip.ts';

/** Parses an XML file of a document. @throws ImportRefused damaged */
export function parseXml(bytes: Buffer | undefined): Document {
  if (!bytes) throw new ImportRefused('damaged');
  const text = bytes.toString('utf8').replace(/<!DOCTYPE[^<>[]*>/i, '');
  try {
    return new DOMParser({ onError: () => undefined }).parseFromString(text, 'application/xml');
  } catch (error) {
    throw new ImportRefused('damaged', error);
  }
}

/** Parses a file of the zip when it is there. */
export const findXml = (files: ZipFiles, name: string): Document | undefined => {
  const bytes = files.get(name);
  return bytes && parseXml(bytes);
};

export const isElement = (node: Node): node is Element => node.nodeType === 1;
export const elementsIn = (node: Node): Element[] => Array.from(node.childNodes).filter(isElement);
export const firstNamed = (node: Node, localName: string): Element | undefined =>
  elementsIn(node).find((element) => element.localName === localName);
export const allNamed = (node: Document | Element, localName: string): Element[] =>
  Array.from(node.getElementsByTagNameNS('*', localName));

export const escapeHtml = (text: string): string =>
  text.replace(/[&<>"]/g, (char) => ({ '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;' })[char] ?? char);
