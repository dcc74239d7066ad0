import { isElement, type XmlElement, type XmlNode } from '../xml-tree.ts';

/** Names of QTI 2 that have no capital to be known by; all others of its names have one, and those of XHTML none. */
const plainNames: ReadonlySet<string> = new Set(
  'prompt gap hottext value mapping stylesheet and or not sum product subtract divide equal gt gte lt lte correct default variable null multiple ordered match member contains index delete inside gcd lcm max min power random repeat round substring truncate'.split(
    ' ',
  ),
);

const toKebab = (name: string) => name.replace(/[A-Z]/g, (letter) => `-${letter.toLowerCase()}`);

/**
 * An item of QTI 2.1 or 2.2 under the names of 3.0: `responseDeclaration` is `qti-response-declaration` there, and
 * `responseIdentifier` is `response-identifier` (QTI 3.0, naming conventions). What is of 3.0 stays as it is.
 */
export function withNewNames(root: XmlElement): XmlElement {
  return root.name.startsWith('qti-') ? root : rename(root);
}

function rename(node: XmlElement): XmlElement {
  // Mathematics has names of its own, some of them the same.
  if (node.name === 'math') return node;
  const isOfQti = /[A-Z]/.test(node.name) || plainNames.has(node.name);
  return {
    name: isOfQti ? `qti-${toKebab(node.name)}` : node.name,
    attributes: Object.fromEntries(Object.entries(node.attributes).map(([key, value]) => [toKebab(key), value])),
    children: node.children.map((child: XmlNode) => (isElement(child) ? rename(child) : child)),
  };
}
