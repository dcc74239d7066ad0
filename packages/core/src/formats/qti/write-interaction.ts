import {
  type Item,
  isOpinion,
  type NumericTolerance,
  type Question,
  type QuestionOf,
  type TextPiece,
} from '../../question/question.ts';
import { element, type XmlElement, type XmlNode } from '../xml-tree.ts';
import {
  declareResponse,
  type MapEntry,
  type ScoreTerm,
  soleResponse,
  toIdentifier,
  variable,
} from './declarations.ts';
import { assumedSize, type PictureSize, toShape } from './pictures.ts';
import { inlineMarkup, type Prose } from './prose.ts';

export interface WriteOptions {
  readonly prose: Prose;
  /** Pixels of a picture, by the address it has in the package. */
  readonly sizeOf: (href: string) => PictureSize | null;
}

/** What a question asks for, as QTI has it. */
export interface WrittenInteraction {
  readonly body: readonly XmlNode[];
  readonly declarations: readonly XmlElement[];
  readonly terms: readonly ScoreTerm[];
}

const response = { 'response-identifier': soleResponse };

/** The interaction of a question, the responses it declares, and how they are scored. */
export function writeInteraction(question: Question, options: WriteOptions): WrittenInteraction {
  const { prose } = options;
  switch (question.kind) {
    case 'choice':
      return writeChoice(question, options);
    case 'poll':
      return {
        body: [
          element(
            'qti-choice-interaction',
            { ...response, 'max-choices': question.multiple ? 0 : 1 },
            question.options.map(({ id, text }) => simpleChoice(id, inlineMarkup(prose, text))),
          ),
        ],
        declarations: [declareResponse(soleResponse, question.multiple ? 'multiple' : 'single', 'identifier')],
        terms: [],
      };
    case 'inlineChoice':
    case 'textEntry':
      return writeGaps(question);
    case 'gapMatch': {
      const pairs = question.gaps.map(({ id, correctIds }) => ({ placeId: id, correctIds }));
      return {
        body: [
          element(
            'qti-gap-match-interaction',
            { ...response, shuffle: true },
            question.words.map(gapText),
            blocksOf(question.pieces, (gapId) => element('qti-gap', { identifier: toIdentifier(gapId) })),
          ),
        ],
        ...placed(question, pairs),
      };
    }
    case 'numeric':
      return writeNumeric(question);
    case 'order': {
      const correct = question.items.map(({ id }) => toIdentifier(id));
      return {
        body: [
          element(
            'qti-order-interaction',
            { ...response, shuffle: true },
            question.items.map(({ id, text }) => simpleChoice(id, inlineMarkup(prose, text))),
          ),
        ],
        declarations: [declareResponse(soleResponse, 'ordered', 'identifier', { correct })],
        terms: [wholeMatch(question)],
      };
    }
    case 'match':
      return {
        body: [
          element(
            'qti-match-interaction',
            { ...response, shuffle: true, 'max-associations': question.sources.length },
            element(
              'qti-simple-match-set',
              {},
              question.sources.map((item) => associable(item, prose, 1)),
            ),
            element(
              'qti-simple-match-set',
              {},
              question.targets.map((item) => associable(item, prose, 0)),
            ),
          ),
        ],
        ...paired(question, 'directedPair'),
      };
    case 'associate':
      return {
        body: [
          element(
            'qti-associate-interaction',
            { ...response, shuffle: true, 'max-associations': Math.floor(question.items.length / 2) },
            question.items.map((item) => associable(item, prose, 1)),
          ),
        ],
        ...paired(question, 'pair'),
      };
    case 'hottext':
      return {
        body: [
          element(
            'qti-hottext-interaction',
            { ...response, 'max-choices': question.multiple ? 0 : 1 },
            element(
              'p',
              {},
              question.words.map(({ id, text, standing }) =>
                standing === 'plain' ? text : element('qti-hottext', { identifier: toIdentifier(id) }, text),
              ),
            ),
          ),
        ],
        ...picked(
          question,
          question.words
            .filter(({ standing }) => standing !== 'plain')
            .map(({ id, standing }) => ({ id, correct: standing === 'correct' })),
        ),
      };
    case 'hotspot':
    case 'selectPoint':
    case 'graphicGapMatch':
      return writeOnPicture(question, options);
    case 'slider':
      return writeSlider(question);
    case 'extendedText':
    case 'discussion':
      return byHand(element('qti-extended-text-interaction', { ...response, 'expected-lines': 6 }), 'string');
    case 'drawing':
      return byHand(element('qti-drawing-interaction', response, pictureOf(question, options) ?? blankPicture), 'file');
    case 'upload':
      return byHand(element('qti-upload-interaction', response), 'file');
    case 'record':
      return byHand(
        element('qti-upload-interaction', { ...response, type: question.withPicture ? 'video/*' : 'audio/*' }),
        'file',
      );
  }
}

/** A sheet of paper: an interaction for drawing must have something to draw on. */
const blankPicture = element('img', {
  src: 'data:image/gif;base64,R0lGODlhAQABAIAAAP///wAAACwAAAAAAQABAAACAkQBADs=',
  alt: '',
  width: 800,
  height: 600,
});

function byHand(interaction: XmlElement, baseType: 'string' | 'file'): WrittenInteraction {
  return { body: [interaction], declarations: [declareResponse(soleResponse, 'single', baseType)], terms: [] };
}

const simpleChoice = (id: string, ...content: Parameters<typeof element>[2][]) =>
  element('qti-simple-choice', { identifier: toIdentifier(id) }, ...content);
const gapText = ({ id, text }: Item) => element('qti-gap-text', { identifier: toIdentifier(id), 'match-max': 1 }, text);
const associable = ({ id, text }: Item, prose: Prose, matchMax: number) =>
  element(
    'qti-simple-associable-choice',
    { identifier: toIdentifier(id), 'match-max': matchMax },
    inlineMarkup(prose, text),
  );

const wholeMatch = ({ points }: { readonly points: number }): ScoreTerm => ({
  kind: 'match',
  response: soleResponse,
  points: points / 100,
});

function writeChoice(question: QuestionOf<'choice'>, options: WriteOptions): WrittenInteraction {
  const choices = question.options.map(({ id, text, picture }) =>
    simpleChoice(id, inlineMarkup(options.prose, text), picture && pictureElement(picture, options)),
  );
  return {
    body: [
      element(
        'qti-choice-interaction',
        { ...response, shuffle: question.shuffle ?? false, 'max-choices': question.multiple ? 0 : 1 },
        choices,
      ),
    ],
    ...picked(question, question.options, question.bounds),
  };
}

interface Option {
  readonly id: string;
  readonly correct: boolean;
  readonly worth?: number | undefined;
}

/** Picks of one or several: each right one its share of the points, each wrong one as much below nought. */
function picked(
  question: { readonly multiple: boolean; readonly points: number },
  picks: readonly Option[],
  bounds?: { readonly lower: number; readonly upper: number },
): Omit<WrittenInteraction, 'body'> {
  const right = picks.filter((one) => one.correct);
  const correct = right.map(({ id }) => toIdentifier(id));
  if (!question.multiple)
    return {
      declarations: [declareResponse(soleResponse, 'single', 'identifier', { correct })],
      terms: [wholeMatch(question)],
    };
  const isWorth = picks.some(({ worth }) => worth !== undefined);
  const share = question.points / 100 / Math.max(1, right.length);
  const worthOf = ({ correct: isRight, worth }: Option) => (isWorth ? (worth ?? 0) / 100 : isRight ? share : -share);
  const mapping = {
    lower: Math.max(0, (bounds?.lower ?? 0) / 100),
    upper: (bounds?.upper ?? question.points) / 100,
    entries: picks.map((one) => ({ key: toIdentifier(one.id), value: worthOf(one) })),
  };
  return {
    declarations: [declareResponse(soleResponse, 'multiple', 'identifier', { correct, mapping })],
    terms: [{ kind: 'map', response: soleResponse }],
  };
}

function paired(
  { points, pairs }: { readonly points: number; readonly pairs: readonly (readonly [string, string])[] },
  baseType: 'pair' | 'directedPair',
): Omit<WrittenInteraction, 'body'> {
  const correct = pairs.map(([a, b]) => `${toIdentifier(a)} ${toIdentifier(b)}`);
  const entries = correct.map((key) => ({ key, value: points / 100 / pairs.length }));
  return {
    declarations: [declareResponse(soleResponse, 'multiple', baseType, { correct, mapping: { entries } })],
    terms: [{ kind: 'map', response: soleResponse }],
  };
}

/** Words put on places: each place that is to be filled has an equal share, with any word that is right there. */
function placed(
  { points }: { readonly points: number },
  places: readonly { readonly placeId: string; readonly correctIds: readonly string[] }[],
): Omit<WrittenInteraction, 'body'> {
  const toFill = places.filter(({ correctIds }) => correctIds.length > 0);
  const keyOf = (wordId: string, placeId: string) => `${toIdentifier(wordId)} ${toIdentifier(placeId)}`;
  const entries = toFill.flatMap(({ placeId, correctIds }) =>
    correctIds.map((wordId) => ({ key: keyOf(wordId, placeId), value: points / 100 / toFill.length })),
  );
  const correct = toFill.map(({ placeId, correctIds: [first = ''] }) => keyOf(first, placeId));
  return {
    declarations: [declareResponse(soleResponse, 'multiple', 'directedPair', { correct, mapping: { entries } })],
    terms: [{ kind: 'map', response: soleResponse }],
  };
}

/** A text with its gaps, a paragraph for each of its lines. */
function blocksOf(pieces: readonly TextPiece[], gap: (gapId: string) => XmlElement): XmlElement[] {
  const lines: XmlNode[][] = [[]];
  for (const piece of pieces) {
    if ('gapId' in piece) lines.at(-1)?.push(gap(piece.gapId));
    else
      for (const [index, line] of piece.text.split('\n').entries()) {
        if (index > 0) lines.push([]);
        if (line !== '') lines.at(-1)?.push(line);
      }
  }
  return lines.map((line) => element('p', {}, line));
}

function writeGaps(question: QuestionOf<'inlineChoice' | 'textEntry'>): WrittenInteraction {
  const share = question.points / 100 / Math.max(1, question.gaps.length);
  // Each gap answers for itself, under its own id.
  const responseOf = new Map(question.gaps.map(({ id }) => [id, toIdentifier(id)]));
  const declarations =
    question.kind === 'textEntry'
      ? question.gaps.map(({ id, accepted }) => {
          const entries = accepted.map(
            ({ text, percent }): MapEntry => ({
              key: text,
              value: (share * percent) / 100,
              caseSensitive: question.tolerance.caseMatters,
            }),
          );
          const correct = accepted.slice(0, 1).map(({ text }) => text);
          return declareResponse(responseOf.get(id) ?? '', 'single', 'string', { correct, mapping: { entries } });
        })
      : question.gaps.map(({ id, correctId }) => {
          const key = toIdentifier(correctId);
          const entries = [{ key, value: share }];
          return declareResponse(responseOf.get(id) ?? '', 'single', 'identifier', {
            correct: [key],
            mapping: { entries },
          });
        });
  const optionsOf = (gapId: string): readonly Item[] =>
    question.kind === 'inlineChoice' ? (question.gaps.find(({ id }) => id === gapId)?.options ?? []) : [];
  const interaction = (gapId: string) => {
    const attributes = { 'response-identifier': responseOf.get(gapId) };
    if (question.kind === 'textEntry') return element('qti-text-entry-interaction', attributes);
    return element(
      'qti-inline-choice-interaction',
      { ...attributes, shuffle: true },
      optionsOf(gapId).map(({ id, text }) => element('qti-inline-choice', { identifier: toIdentifier(id) }, text)),
    );
  };
  return {
    body: blocksOf(question.pieces, interaction),
    declarations,
    terms: [...responseOf.values()].map((id) => ({ kind: 'map', response: id })),
  };
}

function writeNumeric(question: QuestionOf<'numeric'>): WrittenInteraction {
  const { value, tolerance, unit, points } = question;
  const test = element(
    'qti-equal',
    toleranceOf(tolerance),
    variable(soleResponse),
    element('qti-correct', { identifier: soleResponse }),
  );
  return {
    body: [element('p', {}, element('qti-text-entry-interaction', response), unit === '' ? null : ` ${unit}`)],
    declarations: [declareResponse(soleResponse, 'single', 'float', { correct: [String(value)] })],
    terms: [{ kind: 'when', test, points: points / 100 }],
  };
}

/** `tolerance` is told for below and above; where it is relative, in percent (QTI ASI 3.0, `equal`). */
function toleranceOf(tolerance: NumericTolerance) {
  if (tolerance.kind === 'exact') return { 'tolerance-mode': 'exact' };
  const by = tolerance.kind === 'absolute' ? tolerance.by : tolerance.percent;
  return { 'tolerance-mode': tolerance.kind, tolerance: `${by} ${by}` };
}

function writeSlider(question: QuestionOf<'slider'>): WrittenInteraction {
  const { min, max, step, key, points } = question;
  const bound = (value: number) => element('qti-base-value', { 'base-type': 'float' }, String(value));
  const test =
    key &&
    element(
      'qti-and',
      {},
      element('qti-gte', {}, variable(soleResponse), bound(key.from)),
      element('qti-lte', {}, variable(soleResponse), bound(key.to)),
    );
  return {
    body: [
      element('qti-slider-interaction', {
        ...response,
        'lower-bound': min,
        'upper-bound': max,
        step,
        'step-label': false,
      }),
    ],
    declarations: [declareResponse(soleResponse, 'single', 'float', key ? { correct: [String(key.from)] } : {})],
    terms: test && !isOpinion(question) ? [{ kind: 'when', test, points: points / 100 }] : [],
  };
}

export function pictureElement(
  picture: { readonly materialId: string; readonly alt: string },
  { sizeOf }: Pick<WriteOptions, 'sizeOf'>,
): XmlElement {
  const size = sizeOf(picture.materialId);
  return element('img', { src: picture.materialId, alt: picture.alt, width: size?.width, height: size?.height });
}

function pictureOf({ picture }: Question, options: WriteOptions): XmlElement | null {
  return picture ? pictureElement(picture, options) : null;
}

function writeOnPicture(
  question: QuestionOf<'hotspot' | 'selectPoint' | 'graphicGapMatch'>,
  options: WriteOptions,
): WrittenInteraction {
  const size = (question.picture && options.sizeOf(question.picture.materialId)) ?? assumedSize;
  const picture =
    question.picture && element('img', { src: question.picture.materialId, alt: question.picture.alt, ...size });
  const points = question.points / 100;
  switch (question.kind) {
    case 'hotspot':
      return {
        body: [
          element(
            'qti-hotspot-interaction',
            { ...response, 'max-choices': question.multiple ? 0 : 1 },
            picture,
            question.areas.map((area) =>
              element('qti-hotspot-choice', {
                identifier: toIdentifier(area.id),
                ...toShape(area, size),
                'hotspot-label': area.label,
              }),
            ),
          ),
        ],
        ...picked(question, question.areas),
      };
    case 'selectPoint': {
      const areas = question.areas.map((area) => ({ ...toShape(area, size), value: points / question.areas.length }));
      return {
        body: [element('qti-select-point-interaction', { ...response, 'max-choices': question.maxPoints }, picture)],
        declarations: [declareResponse(soleResponse, 'multiple', 'point', { areas })],
        terms: [{ kind: 'mapPoint', response: soleResponse }],
      };
    }
    case 'graphicGapMatch':
      return {
        body: [
          element(
            'qti-graphic-gap-match-interaction',
            response,
            picture,
            question.words.map(gapText),
            question.areas.map((area) =>
              element('qti-associable-hotspot', {
                identifier: toIdentifier(area.id),
                ...toShape(area, size),
                'match-max': 1,
                'hotspot-label': area.label,
              }),
            ),
          ),
        ],
        ...placed(
          question,
          question.areas.map(({ id, correctIds }) => ({ placeId: id, correctIds })),
        ),
      };
  }
}
