import type { OutcomeFeedback, Question, QuestionHead } from '../../question/question.ts';
import { allNamed, findWithin, firstNamed, isElement, type XmlElement, type XmlNode } from '../xml-tree.ts';
import { fromIdentifier } from './declarations.ts';
import { createQtiReport, type QtiLeftOut } from './left-out.ts';
import { withNewNames } from './older-names.ts';
import type { PictureSize } from './pictures.ts';
import type { Prose } from './prose.ts';
import { interactionsIn, readFeedback, readPossible, readProcessing, readResponses } from './read-declarations.ts';
import { readGaps } from './read-gaps.ts';
import { isPicture, pictureFrom, promptOf, type ReadContext, readInteraction } from './read-interaction.ts';
import { restAttribute, toolName } from './rest.ts';

export interface ReadOptions {
  readonly newId: () => string;
  readonly prose: Prose;
  readonly sizeOf: (href: string) => PictureSize | null;
}

export interface ReadItem {
  readonly questions: readonly Question[];
  readonly leftOut: readonly QtiLeftOut[];
}

const inlineNames: ReadonlySet<string> = new Set(['qti-text-entry-interaction', 'qti-inline-choice-interaction']);

/**
 * The questions of an item of QTI 3.0, 2.2 or 2.1: one for each of its interactions, and one for all gaps of a text.
 * @returns what could be read, its pictures and recordings named as the item names them, and what was left out; what
 * comes from another program may still be no valid question
 */
export function fromQtiItem(root: XmlElement, options: ReadOptions): ReadItem {
  const report = createQtiReport();
  const item = withNewNames(root);
  const body = firstNamed(item, 'qti-item-body');
  if (item.name !== 'qti-assessment-item' || !body)
    return { questions: [], leftOut: [{ code: 'notAnItem', count: 1 }] };
  if (item.attributes.adaptive === 'true') report.add('adaptive');
  if (allNamed(item, 'qti-template-declaration').length > 0) report.add('template');
  const processing = readProcessing(item);
  if (processing.isOwn) report.add('processing');

  const interactions = interactionsIn(body);
  const inline = interactions.filter(({ name }) => inlineNames.has(name));
  const blocks = interactions.filter(({ name }) => !inlineNames.has(name));
  const { nodes, notes } = partBody(body);
  const shown = mediaOf(nodes, interactions);
  report.add('pictures', shown.leftOver);
  const isGaps = inline.length > 0 && blocks.length === 0;
  const [stemNodes, gapNodes] = isGaps ? partAtGaps(nodes, inline) : [nodes, []];
  const feedback = readFeedback(item);
  const { prose } = options;
  const stemOf = (more: readonly XmlNode[]) =>
    prose.toText([...withoutElements(stemNodes, isBesideWords), ...more]).trim();
  const head = (stem: string): QuestionHead => ({
    id: options.newId(),
    stem,
    points: 0,
    teacherNote: notes.instructions ? prose.toText(notes.instructions) : '',
    ...(shown.picture ? { picture: shown.picture } : {}),
    ...(shown.sound ? { sound: shown.sound } : {}),
    ...outcomeFeedback(feedback, prose),
    ...(notes.scoring ? { modelAnswer: prose.toText(notes.scoring) } : {}),
  });
  const context = (own: QuestionHead): ReadContext => ({
    head: own,
    possible: interactions.length > 1 && !isGaps ? null : readPossible(item),
    responses: readResponses(item),
    processing,
    idOf: idsOf(item, options.newId),
    feedbackOf: (identifier) => {
      const said = feedback.find((one) => one.identifier === identifier);
      return said ? prose.toText(said.content.children) : '';
    },
    prose,
    sizeOf: options.sizeOf,
    report,
  });

  if (isGaps) {
    const question = readGaps(withoutElements(gapNodes, isBesideWords), inline, context(head(stemOf([]))));
    return { questions: [withRest(question, body)], leftOut: report.list() };
  }
  report.add('composite', inline.length);
  const questions = blocks.flatMap((interaction, index) => {
    // What stands around several interactions is said with the first.
    const stem = index === 0 ? stemOf(promptOf(interaction)) : prose.toText(promptOf(interaction)).trim();
    const question = readInteraction(interaction, context(head(stem)));
    if (!question) report.add('interaction');
    return question ? [question] : [];
  });
  if (interactions.length === 0) report.add('nothingAsked');
  const [only] = questions;
  return {
    questions: only && questions.length === 1 ? [withRest(only, body)] : questions,
    leftOut: report.list(),
  };
}

const isRubric = ({ name }: XmlElement) => name === 'qti-rubric-block';
const isFeedback = ({ name }: XmlElement) => name === 'qti-feedback-block' || name === 'qti-feedback-inline';
const isSound = ({ name, attributes }: XmlElement) =>
  name === 'audio' || name === 'video' || (name === 'object' && /^(audio|video)\//.test(attributes.type ?? ''));
/** What is no word of the stem: pictures and sounds have places of their own, and interactions are read by themselves. */
const isBesideWords = (one: XmlElement) =>
  isPicture(one) || isSound(one) || isFeedback(one) || (/-interaction$/.test(one.name) && !inlineNames.has(one.name));

/** A body less its blocks for others than students, which are told apart by what they are for. */
function partBody(body: XmlElement) {
  const notes: { scoring?: readonly XmlNode[]; instructions?: readonly XmlNode[] } = {};
  for (const block of findWithin(body, isRubric)) {
    const content = (firstNamed(block, 'qti-content-body') ?? block).children;
    if ((block.attributes.view ?? '').includes('candidate')) continue;
    notes[block.attributes.use === 'scoring' ? 'scoring' : 'instructions'] ??= content;
  }
  const isForOthers = (one: XmlElement) => isRubric(one) && !(one.attributes.view ?? '').includes('candidate');
  return { nodes: withoutElements(body.children, isForOthers), notes };
}

function withoutElements(nodes: readonly XmlNode[], isOut: (one: XmlElement) => boolean): XmlNode[] {
  return nodes.flatMap((node): XmlNode[] => {
    if (!isElement(node)) return [node];
    if (isOut(node)) return [];
    // What holds nothing of the kind stays the same object, by which interactions are known again.
    return findWithin(node, isOut).length === 0
      ? [node]
      : [{ ...node, children: withoutElements(node.children, isOut) }];
  });
}

/** The first picture and the first sound that stand outside the interactions. */
function mediaOf(nodes: readonly XmlNode[], interactions: readonly XmlElement[]) {
  const outside = nodes
    .filter(isElement)
    .flatMap((node) => (interactions.includes(node) ? [] : [node, ...findOutside(node)]));
  const pictures = outside.filter(isPicture);
  const sounds = outside.filter(isSound);
  const [first] = pictures;
  const [sound] = sounds;
  const { src, data, 'aria-label': label } = sound?.attributes ?? {};
  const source = sound && firstNamed(sound, 'source')?.attributes.src;
  return {
    picture: first ? pictureFrom(first) : null,
    sound: sound ? { materialId: src ?? data ?? source ?? '', words: label ?? '' } : null,
    leftOver: Math.max(0, pictures.length - 1) + Math.max(0, sounds.length - 1),
  };
}

function findOutside(node: XmlElement): readonly XmlElement[] {
  return node.children.filter(isElement).flatMap((child) => {
    if (/-interaction$/.test(child.name) && !inlineNames.has(child.name)) return [];
    return [child, ...findOutside(child)];
  });
}

/** Parts a body at the first block that holds a gap; frames around all of it are opened. */
function partAtGaps(nodes: readonly XmlNode[], gaps: readonly XmlElement[]): [readonly XmlNode[], readonly XmlNode[]] {
  const holds = (node: XmlNode) =>
    isElement(node) && (gaps.includes(node) || findWithin(node, (one) => gaps.includes(one)).length > 0);
  const first = nodes.findIndex(holds);
  const block = nodes[first];
  if (block && isElement(block) && /^(div|section|article)$/.test(block.name)) {
    const [before, after] = partAtGaps(block.children, gaps);
    return [
      [...nodes.slice(0, first), ...before],
      [...after, ...nodes.slice(first + 1)],
    ];
  }
  return [nodes.slice(0, first), nodes.slice(first)];
}

/** What an answer came out as, by the identifier of what is said to it; packages of the first landings say `right`. */
const outcomeNames: ReadonlyMap<string, keyof OutcomeFeedback> = new Map([
  ['correct', 'correct'],
  ['right', 'correct'],
  ['partly', 'partly'],
  ['wrong', 'wrong'],
]);

function outcomeFeedback(feedback: ReturnType<typeof readFeedback>, prose: Prose): Pick<QuestionHead, 'feedback'> {
  const said = feedback.flatMap(({ identifier, content }) => {
    const outcome = outcomeNames.get(identifier);
    return outcome ? [[outcome, prose.toText(content.children)] as const] : [];
  });
  return said.length === 0 ? {} : { feedback: Object.fromEntries(said) };
}

/**
 * Ids inside a question. Ours come back as they were; another program's may say what is right, and a browser is told
 * them, so they are made anew.
 */
function idsOf(item: XmlElement, newId: () => string): (identifier: string) => string {
  if (item.attributes['tool-name'] === toolName) return fromIdentifier;
  const made = new Map<string, string>();
  return (identifier) => {
    const known = made.get(identifier) ?? newId();
    made.set(identifier, known);
    return known;
  };
}

/** What the standard had no place for, put back. */
function withRest(question: Question, body: XmlElement): Question {
  const rest = readRest(body.attributes[restAttribute]);
  const fields = new Map<string, unknown>(Object.entries(question));
  for (const [field, value] of Object.entries(rest)) {
    if (field === 'id') continue;
    if (value === null) fields.delete(field);
    else fields.set(field, value);
  }
  return Object.fromEntries(fields) as unknown as Question;
}

function readRest(text: string | undefined): Record<string, unknown> {
  if (text === undefined) return {};
  try {
    const rest: unknown = JSON.parse(text);
    return typeof rest === 'object' && rest !== null && !Array.isArray(rest) ? { ...rest } : {};
  } catch (error) {
    // Another program may have shortened it; the item itself still says what it can.
    if (error instanceof SyntaxError) return {};
    throw error;
  }
}
