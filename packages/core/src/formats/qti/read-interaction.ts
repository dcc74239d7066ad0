import type { Area, Item, Question, QuestionHead } from '../../question/question.ts';
import { allNamed, findWithin, firstNamed, isElement, textOf, type XmlElement, type XmlNode } from '../xml-tree.ts';
import type { QtiReport } from './left-out.ts';
import { assumedSize, fromShape, type PictureSize } from './pictures.ts';
import type { Prose } from './prose.ts';
import type { ReadProcessing, ReadResponse } from './read-declarations.ts';
import { readNumber } from './read-declarations.ts';

/** Everything around an interaction that says what it asks. */
export interface ReadContext {
  readonly head: QuestionHead;
  /** The most the item can earn, where it says so. */
  readonly possible: number | null;
  readonly responses: ReadonlyMap<string, ReadResponse>;
  readonly processing: ReadProcessing;
  readonly idOf: (identifier: string) => string;
  /** What is said to an option, by its identifier as written. */
  readonly feedbackOf: (identifier: string) => string;
  readonly prose: Prose;
  readonly sizeOf: (href: string) => PictureSize | null;
  readonly report: QtiReport;
}

const empty: ReadResponse = { cardinality: 'single', baseType: 'identifier', correct: [], mapping: null, areas: [] };
export const responseOf = ({ responses }: ReadContext, interaction: XmlElement): ReadResponse =>
  responses.get(interaction.attributes['response-identifier'] ?? '') ?? empty;

const plain = (node: XmlNode) => textOf(node).replace(/\s+/g, ' ').trim();
const hundredths = (points: number) => Math.min(100_000, Math.max(0, Math.round(points * 100)));

/** Points of a response whose item does not say what it can earn: the most its mapping comes to, else one. */
export function possibleOf(context: ReadContext, { mapping, areas, correct, cardinality }: ReadResponse): number {
  if (context.possible !== null) return hundredths(context.possible);
  const gains = [...(mapping?.entries ?? []), ...areas].map(({ value }) => Math.max(0, value));
  const together = cardinality === 'single' ? Math.max(0, ...gains) : gains.reduce((sum, value) => sum + value, 0);
  const most = mapping?.upper ?? together;
  return most > 0 ? hundredths(most) : correct.length > 0 ? 100 : 0;
}

/** A question of an interaction that stands by itself; null where there is none of its kind here. */
export function readInteraction(interaction: XmlElement, context: ReadContext): Question | null {
  const response = responseOf(context, interaction);
  const points = possibleOf(context, response);
  const head = { ...context.head, points };
  switch (interaction.name) {
    case 'qti-choice-interaction':
      return readChoice(interaction, response, context, head);
    case 'qti-order-interaction': {
      const items = itemsOf(interaction, 'qti-simple-choice', context);
      const order = response.correct.map(context.idOf);
      const ranked = items.toSorted((a, b) => order.indexOf(a.id) - order.indexOf(b.id));
      return { ...head, kind: 'order', items: order.length === items.length ? ranked : items, scoring: 'exact' };
    }
    case 'qti-match-interaction': {
      const [left, right] = allNamed(interaction, 'qti-simple-match-set');
      if (!left || !right) return null;
      noteAllOrNothing(context, response);
      return {
        ...head,
        kind: 'match',
        sources: itemsOf(left, 'qti-simple-associable-choice', context),
        targets: itemsOf(right, 'qti-simple-associable-choice', context),
        pairs: pairsOf(response, context),
      };
    }
    case 'qti-associate-interaction':
      noteAllOrNothing(context, response);
      return {
        ...head,
        kind: 'associate',
        items: itemsOf(interaction, 'qti-simple-associable-choice', context),
        pairs: pairsOf(response, context),
      };
    case 'qti-gap-match-interaction':
      return readGapMatch(interaction, response, context, head);
    case 'qti-hottext-interaction':
      return readHottext(interaction, response, context, head);
    case 'qti-hotspot-interaction':
    case 'qti-select-point-interaction':
    case 'qti-graphic-gap-match-interaction':
      return readOnPicture(interaction, response, context, head);
    case 'qti-slider-interaction': {
      const number = (name: string, otherwise: number) => readNumber(interaction.attributes[name]) ?? otherwise;
      const key = readNumber(response.correct[0]);
      return {
        ...head,
        ...{ kind: 'slider', minLabel: '', maxLabel: '' },
        ...{ min: number('lower-bound', 0), max: number('upper-bound', 10), step: number('step', 1) },
        ...(key === null ? {} : { key: { from: key, to: key } }),
      };
    }
    case 'qti-extended-text-interaction':
      return { ...head, kind: 'extendedText', points: pointsByHand(context) };
    case 'qti-drawing-interaction': {
      const picture = pictureIn(interaction);
      const isPaper = !picture || picture.materialId.startsWith('data:');
      const byHand = { ...head, points: pointsByHand(context) };
      return isPaper
        ? { ...byHand, kind: 'drawing', ground: 'blank' }
        : { ...byHand, kind: 'drawing', ground: 'picture', picture };
    }
    case 'qti-upload-interaction': {
      const [, medium] = /^(audio|video)\//.exec(interaction.attributes.type ?? '') ?? [];
      const byHand = { ...head, points: pointsByHand(context) };
      if (!medium) return { ...byHand, kind: 'upload', maxFiles: 1 };
      return { ...byHand, kind: 'record', withPicture: medium === 'video', longestMs: 120_000 };
    }
    default:
      return null;
  }
}

/** What a teacher marks carries a point where nothing is said. */
const pointsByHand = ({ possible }: ReadContext) => (possible === null ? 100 : hundredths(possible));

function noteAllOrNothing({ processing, report }: ReadContext, { correct }: ReadResponse): void {
  if (processing.isAllOrNothing && correct.length > 1) report.add('allOrNothing');
}

/** What stands inside a choice, less what is said to it. */
function wordsOf(choice: XmlElement, { prose }: ReadContext): string {
  const shown = choice.children.filter(
    (node) => !isElement(node) || !['qti-feedback-inline', 'qti-feedback-block', 'img'].includes(node.name),
  );
  return prose.toText(shown);
}

function itemsOf(parent: XmlElement, name: string, context: ReadContext): Item[] {
  return findWithin(parent, (one) => one.name === name).map((choice) => ({
    id: context.idOf(choice.attributes.identifier ?? ''),
    text: wordsOf(choice, context),
  }));
}

function pairsOf({ correct, mapping }: ReadResponse, { idOf }: ReadContext): [string, string][] {
  const keys =
    correct.length > 0 ? correct : (mapping?.entries ?? []).filter(({ value }) => value > 0).map(({ key }) => key);
  return keys.flatMap((key): [string, string][] => {
    const [a, b] = key.split(' ');
    return a && b ? [[idOf(a), idOf(b)]] : [];
  });
}

/** Identifiers that are right, and what each is worth where that is told. */
function keyOf({ correct, mapping }: ReadResponse) {
  const worthOf = new Map((mapping?.entries ?? []).map(({ key, value }) => [key, value]));
  const isCorrect = (identifier: string) =>
    correct.length > 0 ? correct.includes(identifier) : (worthOf.get(identifier) ?? 0) > 0;
  return { worthOf, isCorrect, hasKey: correct.length > 0 || worthOf.size > 0 };
}

function readChoice(
  interaction: XmlElement,
  response: ReadResponse,
  context: ReadContext,
  head: QuestionHead,
): Question {
  const multiple = response.cardinality === 'multiple';
  const { worthOf, isCorrect, hasKey } = keyOf(response);
  const choices = allNamed(interaction, 'qti-simple-choice');
  if (!hasKey) {
    const options = itemsOf(interaction, 'qti-simple-choice', context);
    return { ...head, kind: 'poll', points: 0, multiple, options };
  }
  if (multiple) noteAllOrNothing(context, response);
  const correctCount = choices.filter(({ attributes }) => isCorrect(attributes.identifier ?? '')).length;
  const share = head.points / 100 / Math.max(1, correctCount);
  const isOwnWorth =
    multiple &&
    worthOf.size > 0 &&
    choices.some(({ attributes: { identifier = '' } }) => {
      const usual = isCorrect(identifier) ? share : -share;
      return Math.abs((worthOf.get(identifier) ?? 0) - usual) > 1e-4;
    });
  const { mapping } = response;
  const bounds = isOwnWorth
    ? { lower: Math.round((mapping?.lower ?? 0) * 100), upper: Math.round((mapping?.upper ?? head.points / 100) * 100) }
    : undefined;
  const isUsual = bounds?.lower === 0 && bounds.upper === head.points;
  return {
    ...head,
    kind: 'choice',
    multiple,
    options: choices.map((choice) => {
      const identifier = choice.attributes.identifier ?? '';
      const picture = pictureIn(choice);
      const said = findWithin(choice, ({ name }) => name === 'qti-feedback-inline' || name === 'qti-feedback-block');
      return {
        id: context.idOf(identifier),
        text: wordsOf(choice, context),
        correct: isCorrect(identifier),
        feedback: said[0] ? context.prose.toText(said[0].children) : context.feedbackOf(identifier),
        ...(picture ? { picture } : {}),
        ...(isOwnWorth ? { worth: Math.round((worthOf.get(identifier) ?? 0) * 100) } : {}),
      };
    }),
    ...(interaction.attributes.shuffle === 'true' ? { shuffle: true } : {}),
    ...(bounds && !isUsual ? { bounds } : {}),
  };
}

function readGapMatch(
  interaction: XmlElement,
  response: ReadResponse,
  context: ReadContext,
  head: QuestionHead,
): Question {
  noteAllOrNothing(context, response);
  context.report.add('interaction', findWithin(interaction, ({ name }) => name === 'qti-gap-img').length);
  const words = itemsOf(interaction, 'qti-gap-text', context);
  const gaps = findWithin(interaction, ({ name }) => name === 'qti-gap');
  const correctIds = correctWords(response, context);
  const { idOf } = context;
  const text = interaction.children.filter(
    (node) => !isElement(node) || !['qti-gap-text', 'qti-gap-img', 'qti-prompt'].includes(node.name),
  );
  return {
    ...head,
    kind: 'gapMatch',
    pieces: piecesOf(text, (one) => (one.name === 'qti-gap' ? idOf(one.attributes.identifier ?? '') : null)),
    words,
    gaps: gaps.map(({ attributes: { identifier = '' } }) => ({
      id: idOf(identifier),
      correctIds: correctIds.get(idOf(identifier)) ?? [],
    })),
  };
}

/** Which words are right on which place. */
function correctWords(response: ReadResponse, context: ReadContext): ReadonlyMap<string, readonly string[]> {
  const found = new Map<string, string[]>();
  const mapped = (response.mapping?.entries ?? []).filter(({ value }) => value > 0).map(({ key }) => key);
  for (const [wordId, placeId] of pairsOf(
    { ...response, correct: mapped.length > 0 ? mapped : response.correct },
    context,
  ))
    found.set(placeId, [...(found.get(placeId) ?? []), wordId]);
  return found;
}

export type Piece = { readonly text: string } | { readonly gapId: string };

const breaking: ReadonlySet<string> = new Set([
  'p',
  'div',
  'li',
  'tr',
  'br',
  'blockquote',
  'ul',
  'ol',
  'table',
  'h1',
  'h2',
  'h3',
]);

/** A text with gaps as pieces: blocks part lines, and white space is what it is on a page. */
export function piecesOf(nodes: readonly XmlNode[], gapOf: (one: XmlElement) => string | null): Piece[] {
  const pieces: Piece[] = [];
  const write = (text: string) => {
    const last = pieces.at(-1);
    if (last && 'text' in last) pieces[pieces.length - 1] = { text: last.text + text };
    else pieces.push({ text });
  };
  const walk = (node: XmlNode): void => {
    if (!isElement(node)) {
      write(node.replace(/\s+/g, ' '));
      return;
    }
    const gapId = gapOf(node);
    if (gapId !== null) {
      pieces.push({ gapId });
      return;
    }
    if (breaking.has(node.name)) write('\n');
    for (const child of node.children) walk(child);
    if (breaking.has(node.name) && node.name !== 'br') write('\n');
  };
  for (const node of nodes) walk(node);
  return tidyPieces(pieces);
}

/** One break for many, without spaces around it. */
function tidyBreaks(text: string): string {
  const lines = text.split('\n');
  return lines
    .map((line, index) => {
      const begun = index > 0 ? line.trimStart() : line;
      return index < lines.length - 1 ? begun.trimEnd() : begun;
    })
    .filter((line, index) => line !== '' || index === 0 || index === lines.length - 1)
    .join('\n');
}

function tidyPieces(pieces: readonly Piece[]): Piece[] {
  const last = pieces.length - 1;
  return pieces
    .map((piece, index): Piece => {
      if (!('text' in piece)) return piece;
      let text = tidyBreaks(piece.text);
      if (index === 0) text = text.trimStart();
      if (index === last) text = text.trimEnd();
      return { text };
    })
    .filter((piece) => !('text' in piece) || piece.text !== '');
}

function readHottext(
  interaction: XmlElement,
  response: ReadResponse,
  context: ReadContext,
  head: QuestionHead,
): Question {
  const { isCorrect } = keyOf(response);
  const multiple = response.cardinality === 'multiple';
  if (multiple) noteAllOrNothing(context, response);
  const marked = new Map<string, XmlElement>();
  const text = interaction.children.filter((node) => !isElement(node) || node.name !== 'qti-prompt');
  const pieces = piecesOf(text, (one) => {
    if (one.name !== 'qti-hottext') return null;
    const identifier = one.attributes.identifier ?? '';
    marked.set(identifier, one);
    return identifier;
  });
  return {
    ...head,
    kind: 'hottext',
    multiple,
    words: pieces.map((piece, index) => {
      if ('text' in piece) return { id: context.idOf(`plain-${index}`), text: piece.text, standing: 'plain' };
      const words = marked.get(piece.gapId);
      return {
        id: context.idOf(piece.gapId),
        text: words ? plain(words) : '',
        standing: isCorrect(piece.gapId) ? 'correct' : 'wrong',
      };
    }),
  };
}

/** The picture inside an element: an `img`, or an `object` as QTI 2 has it. */
export function pictureIn(parent: XmlElement): { readonly materialId: string; readonly alt: string } | null {
  const [found] = findWithin(parent, isPicture);
  return found ? pictureFrom(found) : null;
}

export const isPicture = ({ name, attributes }: XmlElement): boolean =>
  name === 'img' || (name === 'object' && (attributes.type ?? '').startsWith('image/'));

export function pictureFrom(one: XmlElement): { readonly materialId: string; readonly alt: string } {
  const { src, data, alt } = one.attributes;
  return { materialId: src ?? data ?? '', alt: alt ?? plain(one) };
}

function sizeIn(interaction: XmlElement, sizeOf: ReadContext['sizeOf']): PictureSize {
  const [picture] = findWithin(interaction, isPicture);
  const width = readNumber(picture?.attributes.width);
  const height = readNumber(picture?.attributes.height);
  if (width && height) return { width, height };
  return (picture && sizeOf(pictureFrom(picture).materialId)) ?? assumedSize;
}

function readOnPicture(
  interaction: XmlElement,
  response: ReadResponse,
  context: ReadContext,
  shared: QuestionHead,
): Question | null {
  const picture = pictureIn(interaction);
  if (!picture) return null;
  const head = { ...shared, picture };
  const size = sizeIn(interaction, context.sizeOf);
  const placesIn = (name: string): (Area & { readonly identifier: string })[] =>
    allNamed(interaction, name).flatMap(({ attributes }, index) => {
      const place = fromShape(attributes.shape ?? '', attributes.coords ?? '', size);
      if (!place) context.report.add('places');
      const { identifier = '' } = attributes;
      const label = attributes['hotspot-label'] ?? String(index + 1);
      return place ? [{ id: context.idOf(identifier), ...place, label, identifier }] : [];
    });
  switch (interaction.name) {
    case 'qti-hotspot-interaction': {
      const { isCorrect } = keyOf(response);
      const multiple = response.cardinality === 'multiple';
      if (multiple) noteAllOrNothing(context, response);
      const areas = placesIn('qti-hotspot-choice').map(({ identifier, ...area }) => ({
        ...area,
        correct: isCorrect(identifier),
      }));
      return { ...head, kind: 'hotspot', multiple, areas };
    }
    case 'qti-select-point-interaction': {
      const areas = response.areas
        .filter(({ value }) => value > 0)
        .flatMap(({ shape, coords }, index): Area[] => {
          const place = fromShape(shape, coords, size);
          return place ? [{ id: context.idOf(`place-${index + 1}`), ...place, label: String(index + 1) }] : [];
        });
      const most = readNumber(interaction.attributes['max-choices']) ?? 1;
      return { ...head, kind: 'selectPoint', areas, maxPoints: Math.max(1, Math.round(most) || areas.length) };
    }
    default: {
      noteAllOrNothing(context, response);
      const correctIds = correctWords(response, context);
      const areas = placesIn('qti-associable-hotspot').map(({ identifier: _, ...area }) => ({
        ...area,
        correctIds: correctIds.get(area.id) ?? [],
      }));
      return { ...head, kind: 'graphicGapMatch', words: itemsOf(interaction, 'qti-gap-text', context), areas };
    }
  }
}

export const promptOf = (interaction: XmlElement): readonly XmlNode[] =>
  firstNamed(interaction, 'qti-prompt')?.children ?? [];
