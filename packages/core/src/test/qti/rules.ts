import { isElement, type XmlElement } from '../../formats/xml-tree.ts';

/**
 * What may stand where in an item, for those elements of QTI ASI 3.0 that we write: written from the standard's text,
 * from memory. No schema of the standard is to be had here, so this is no validation against it.
 */
interface Rule {
  readonly needs: readonly string[];
  readonly may?: readonly string[];
  /** Names of elements that may stand inside; `flow` and `inline` are XHTML. */
  readonly holds: readonly string[];
  readonly text?: boolean;
}

const inline = ['span', 'em', 'strong', 'code', 'a', 'br', 'img', 'sub', 'sup', 'math', 'b', 'i'];
const flow = [
  'p',
  'div',
  'ul',
  'ol',
  'li',
  'pre',
  'blockquote',
  'table',
  'thead',
  'tbody',
  'tr',
  'th',
  'td',
  'h1',
  'h2',
  'h3',
  'h4',
  'h5',
  'h6',
  'hr',
  'audio',
  'video',
  ...inline,
];
const gaps = ['qti-text-entry-interaction', 'qti-inline-choice-interaction', 'qti-gap', 'qti-hottext'];
const expressions = [
  'qti-variable',
  'qti-correct',
  'qti-base-value',
  'qti-sum',
  'qti-match',
  'qti-and',
  'qti-gte',
  'qti-gt',
  'qti-lte',
  'qti-equal',
  'qti-map-response',
  'qti-map-response-point',
];
const rules = ['qti-set-outcome-value', 'qti-response-condition'];
const interaction = { needs: ['response-identifier'] };
const shape = ['shape', 'coords'];

export const qtiRules: Readonly<Record<string, Rule>> = {
  'qti-assessment-item': {
    needs: ['xmlns', 'identifier', 'title', 'time-dependent'],
    may: ['adaptive', 'tool-name', 'xml:lang'],
    holds: [
      'qti-response-declaration',
      'qti-outcome-declaration',
      'qti-item-body',
      'qti-response-processing',
      'qti-modal-feedback',
    ],
  },
  'qti-response-declaration': {
    needs: ['identifier', 'cardinality', 'base-type'],
    holds: ['qti-correct-response', 'qti-mapping', 'qti-area-mapping'],
  },
  'qti-correct-response': { needs: [], holds: ['qti-value'] },
  'qti-value': { needs: [], holds: [], text: true },
  'qti-mapping': { needs: ['default-value'], may: ['lower-bound', 'upper-bound'], holds: ['qti-map-entry'] },
  'qti-map-entry': { needs: ['map-key', 'mapped-value'], may: ['case-sensitive'], holds: [] },
  'qti-area-mapping': { needs: ['default-value'], may: ['lower-bound', 'upper-bound'], holds: ['qti-area-map-entry'] },
  'qti-area-map-entry': { needs: [...shape, 'mapped-value'], holds: [] },
  'qti-outcome-declaration': {
    needs: ['identifier', 'cardinality', 'base-type'],
    may: ['normal-maximum', 'external-scored'],
    holds: ['qti-default-value'],
  },
  'qti-default-value': { needs: [], holds: ['qti-value'] },
  'qti-item-body': {
    needs: [],
    may: ['data-semita'],
    holds: [
      ...flow,
      'qti-rubric-block',
      'qti-choice-interaction',
      'qti-gap-match-interaction',
      'qti-order-interaction',
      'qti-match-interaction',
      'qti-associate-interaction',
      'qti-hottext-interaction',
      'qti-hotspot-interaction',
      'qti-select-point-interaction',
      'qti-graphic-gap-match-interaction',
      'qti-slider-interaction',
      'qti-extended-text-interaction',
      'qti-drawing-interaction',
      'qti-upload-interaction',
    ],
  },
  'qti-rubric-block': { needs: ['view', 'use'], holds: ['qti-content-body'] },
  'qti-content-body': { needs: [], holds: flow },
  'qti-modal-feedback': { needs: ['outcome-identifier', 'identifier', 'show-hide'], holds: ['qti-content-body'] },
  'qti-choice-interaction': { ...interaction, may: ['shuffle', 'max-choices'], holds: ['qti-simple-choice'] },
  'qti-simple-choice': { needs: ['identifier'], holds: flow, text: true },
  'qti-order-interaction': { ...interaction, may: ['shuffle'], holds: ['qti-simple-choice'] },
  'qti-match-interaction': { ...interaction, may: ['shuffle', 'max-associations'], holds: ['qti-simple-match-set'] },
  'qti-simple-match-set': { needs: [], holds: ['qti-simple-associable-choice'] },
  'qti-simple-associable-choice': { needs: ['identifier', 'match-max'], holds: flow, text: true },
  'qti-associate-interaction': {
    ...interaction,
    may: ['shuffle', 'max-associations'],
    holds: ['qti-simple-associable-choice'],
  },
  'qti-gap-match-interaction': { ...interaction, may: ['shuffle'], holds: ['qti-gap-text', 'p'] },
  'qti-gap-text': { needs: ['identifier', 'match-max'], holds: [], text: true },
  'qti-gap': { needs: ['identifier'], holds: [] },
  'qti-text-entry-interaction': { ...interaction, holds: [] },
  'qti-inline-choice-interaction': { ...interaction, may: ['shuffle'], holds: ['qti-inline-choice'] },
  'qti-inline-choice': { needs: ['identifier'], holds: [], text: true },
  'qti-hottext-interaction': { ...interaction, may: ['max-choices'], holds: ['p'] },
  'qti-hottext': { needs: ['identifier'], holds: [], text: true },
  'qti-hotspot-interaction': { ...interaction, may: ['max-choices'], holds: ['img', 'qti-hotspot-choice'] },
  'qti-hotspot-choice': { needs: ['identifier', ...shape], may: ['hotspot-label'], holds: [] },
  'qti-select-point-interaction': { ...interaction, may: ['max-choices'], holds: ['img'] },
  'qti-graphic-gap-match-interaction': { ...interaction, holds: ['img', 'qti-gap-text', 'qti-associable-hotspot'] },
  'qti-associable-hotspot': { needs: ['identifier', ...shape, 'match-max'], may: ['hotspot-label'], holds: [] },
  'qti-slider-interaction': {
    needs: ['response-identifier', 'lower-bound', 'upper-bound'],
    may: ['step', 'step-label'],
    holds: [],
  },
  'qti-extended-text-interaction': { ...interaction, may: ['expected-lines'], holds: [] },
  'qti-drawing-interaction': { ...interaction, holds: ['img'] },
  'qti-upload-interaction': { ...interaction, may: ['type'], holds: [] },
  'qti-response-processing': { needs: [], holds: rules },
  'qti-response-condition': { needs: [], holds: ['qti-response-if', 'qti-response-else-if', 'qti-response-else'] },
  'qti-response-if': { needs: [], holds: [...expressions, ...rules] },
  'qti-response-else-if': { needs: [], holds: [...expressions, ...rules] },
  'qti-response-else': { needs: [], holds: rules },
  'qti-set-outcome-value': { needs: ['identifier'], holds: expressions },
  'qti-sum': { needs: [], holds: expressions },
  'qti-and': { needs: [], holds: expressions },
  'qti-match': { needs: [], holds: expressions },
  'qti-equal': { needs: ['tolerance-mode'], may: ['tolerance'], holds: expressions },
  'qti-gte': { needs: [], holds: expressions },
  'qti-gt': { needs: [], holds: expressions },
  'qti-lte': { needs: [], holds: expressions },
  'qti-variable': { needs: ['identifier'], holds: [] },
  'qti-correct': { needs: ['identifier'], holds: [] },
  'qti-map-response': { needs: ['identifier'], holds: [] },
  'qti-map-response-point': { needs: ['identifier'], holds: [] },
  'qti-base-value': { needs: ['base-type'], holds: [], text: true },
};

/** The order of what stands in an item. */
const itemOrder = qtiRules['qti-assessment-item']?.holds ?? [];

/** Names everything in an item that its rules do not allow. */
export function faultsByRules(item: XmlElement): string[] {
  const ids = new Map<string, number>();
  const order = item.children.filter(isElement).map(({ name }) => itemOrder.indexOf(name));
  const isOrdered = order.every((place, index) => index === 0 || place >= (order[index - 1] ?? 0));
  return [...(isOrdered ? [] : ['order of the item']), ...check(item)];

  function check(one: XmlElement): string[] {
    const isHtml = flow.includes(one.name);
    const rule = qtiRules[one.name];
    if (!rule && !isHtml) return [`${one.name} is not known`];
    const faults: string[] = [];
    const names = Object.keys(one.attributes);
    if (rule) {
      for (const name of rule.needs) if (!names.includes(name)) faults.push(`${one.name} needs ${name}`);
      const allowed = [...rule.needs, ...(rule.may ?? [])];
      for (const name of names) if (!allowed.includes(name)) faults.push(`${one.name} has no ${name}`);
    }
    const { identifier } = one.attributes;
    if (identifier !== undefined && !/^[A-Za-z_][\w.-]*$/.test(identifier)) faults.push(`identifier ${identifier}`);
    if (identifier !== undefined && /declaration$/.test(one.name)) ids.set(identifier, (ids.get(identifier) ?? 0) + 1);
    if (identifier !== undefined && (ids.get(identifier) ?? 0) > 1) faults.push(`declared twice: ${identifier}`);
    const holds = isHtml && !rule ? [...flow, ...gaps] : [...(rule?.holds ?? [])];
    for (const child of one.children) {
      if (!isElement(child)) {
        if (rule && !rule.text && child.trim() !== '') faults.push(`${one.name} holds words`);
      } else if (one.name === 'math') continue;
      else if (!holds.includes(child.name)) faults.push(`${one.name} holds ${child.name}`);
      else faults.push(...check(child));
    }
    return faults;
  }
}
