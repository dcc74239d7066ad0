import type { Question } from '../../question/question.ts';
import { element, type XmlElement, type XmlNode } from '../xml-tree.ts';
import { processResponses, tidy, toIdentifier } from './declarations.ts';
import { fromQtiItem } from './read-item.ts';
import { restAttribute, toolName } from './rest.ts';
import { pictureElement, type WriteOptions, writeInteraction } from './write-interaction.ts';

export const qtiNamespace = 'http://www.imsglobal.org/xsd/imsqtiasi_v3p0';

/** Fields that are written with a rounding of the standard's, not left out. */
const rounded: ReadonlySet<string> = new Set(['areas', 'pieces', 'stem', 'words', 'points', 'options']);

export interface WrittenItem {
  readonly item: XmlElement;
  /** Names of the question's fields that other programs will not find in it. */
  readonly lost: readonly string[];
}

/**
 * A question as an item of QTI 3.0. What the standard has no place for stands in a `data-` attribute of the body, as
 * JSON by the field's name, found by reading the item again and comparing; so our own export loses nothing.
 * @param question its pictures and recordings named by their addresses in the package
 */
export function toQtiItem(question: Question, identifier: string, options: WriteOptions): WrittenItem {
  const plain = itemOf(question, identifier, options, null);
  const rest = restOf(question, plain, options);
  if (Object.keys(rest).length === 0) return { item: plain, lost: [] };
  return {
    item: itemOf(question, identifier, options, JSON.stringify(rest)),
    lost: Object.keys(rest).filter((field) => !rounded.has(field)),
  };
}

/** What comes back from an item other than it was, by the name of the field; null for what must go. */
function restOf(question: Question, item: XmlElement, { prose, sizeOf }: WriteOptions): Record<string, unknown> {
  const { bankItemId: _, ...asked } = question;
  const [read] = fromQtiItem(item, { newId: () => question.id, prose, sizeOf }).questions;
  const before: Record<string, unknown> = { ...asked };
  const after: Record<string, unknown> = { ...(read ?? {}) };
  const fields = new Set([...Object.keys(before), ...Object.keys(after)]);
  const rest: Record<string, unknown> = {};
  for (const field of fields)
    if (JSON.stringify(before[field]) !== JSON.stringify(after[field])) rest[field] = before[field] ?? null;
  return rest;
}

const onPicture: ReadonlySet<Question['kind']> = new Set(['hotspot', 'selectPoint', 'graphicGapMatch', 'drawing']);

function itemOf(question: Question, identifier: string, options: WriteOptions, rest: string | null): XmlElement {
  const { prose } = options;
  const { body, declarations, terms } = writeInteraction(question, options);
  const possible = question.points / 100;
  const optionFeedback = feedbackOfOptions(question);
  const outcomes = Object.entries(question.feedback ?? {}).filter(([, text]) => text);
  const picture = question.picture && !onPicture.has(question.kind) ? pictureElement(question.picture, options) : null;
  return element(
    'qti-assessment-item',
    {
      xmlns: qtiNamespace,
      identifier: toIdentifier(identifier),
      title: titleOf(question),
      adaptive: false,
      'tool-name': toolName,
      'time-dependent': question.timeLimitMs !== undefined,
    },
    declarations,
    scoreOutcome(possible, terms.length === 0 && possible > 0),
    element(
      'qti-outcome-declaration',
      { identifier: 'MAXSCORE', cardinality: 'single', 'base-type': 'float' },
      defaultValue(tidy(possible)),
    ),
    optionFeedback.length > 0 &&
      element('qti-outcome-declaration', {
        identifier: 'FEEDBACK',
        cardinality: question.kind === 'choice' && question.multiple ? 'multiple' : 'single',
        'base-type': 'identifier',
      }),
    outcomes.length > 0 &&
      element('qti-outcome-declaration', { identifier: 'OUTCOME', cardinality: 'single', 'base-type': 'identifier' }),
    element(
      'qti-item-body',
      { [restAttribute]: rest },
      question.stem === '' ? null : element('div', {}, prose.toMarkup(question.stem)),
      picture && element('p', {}, picture),
      question.sound && element('p', {}, soundElement(question.sound)),
      body,
      question.modelAnswer ? forTeachers('scoring', prose.toMarkup(question.modelAnswer)) : null,
      question.teacherNote ? forTeachers('instructions', prose.toMarkup(question.teacherNote)) : null,
    ),
    processResponses({
      terms,
      possible,
      saysByOption: optionFeedback.length > 0,
      saysByOutcome: outcomes.length > 0,
    }),
    optionFeedback.map(({ id, feedback }) => modalFeedback('FEEDBACK', toIdentifier(id), prose.toMarkup(feedback))),
    outcomes.map(([outcome, text]) => modalFeedback('OUTCOME', outcome, prose.toMarkup(text ?? ''))),
  );
}

/** A title must be there and says what the item is; none of ours has one of its own. */
function titleOf({ stem, kind }: Question): string {
  return stem.replace(/\s+/g, ' ').trim().slice(0, 80) || kind;
}

function scoreOutcome(possible: number, isMarkedByHand: boolean): XmlElement {
  return element(
    'qti-outcome-declaration',
    {
      identifier: 'SCORE',
      cardinality: 'single',
      'base-type': 'float',
      'normal-maximum': tidy(possible),
      'external-scored': isMarkedByHand ? 'human' : null,
    },
    defaultValue(0),
  );
}

const defaultValue = (value: number) => element('qti-default-value', {}, element('qti-value', {}, String(value)));

function feedbackOfOptions(question: Question): readonly { readonly id: string; readonly feedback: string }[] {
  return question.kind === 'choice' ? question.options.filter(({ feedback }) => feedback !== '') : [];
}

function modalFeedback(outcome: string, identifier: string, content: readonly XmlNode[]): XmlElement {
  return element(
    'qti-modal-feedback',
    { 'outcome-identifier': outcome, identifier, 'show-hide': 'show' },
    element('qti-content-body', {}, content),
  );
}

function forTeachers(use: 'scoring' | 'instructions', content: readonly XmlNode[]): XmlElement {
  const view = use === 'scoring' ? 'scorer' : 'author scorer tutor';
  return element('qti-rubric-block', { view, use }, element('qti-content-body', {}, content));
}

function soundElement({ materialId, words }: { readonly materialId: string; readonly words: string }): XmlElement {
  const isFilm = /\.(mp4|m4v|webm|mov|mkv)$/i.test(materialId);
  return element(isFilm ? 'video' : 'audio', { src: materialId, controls: 'controls', 'aria-label': words || null });
}
