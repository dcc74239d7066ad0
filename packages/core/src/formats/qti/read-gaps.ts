import type { NumericTolerance, Question, QuestionOf } from '../../question/question.ts';
import { allNamed, textOf, type XmlElement, type XmlNode } from '../xml-tree.ts';
import { readNumber } from './read-declarations.ts';
import { piecesOf, possibleOf, type ReadContext, responseOf } from './read-interaction.ts';

const isNumber = (baseType: string) => baseType === 'float' || baseType === 'integer';

/** A question of interactions that stand inside a text: typed gaps, gaps to pick from, or one number. */
export function readGaps(
  blocks: readonly XmlNode[],
  interactions: readonly XmlElement[],
  context: ReadContext,
): Question {
  const [first] = interactions;
  if (first && interactions.length === 1 && first.name === 'qti-text-entry-interaction') {
    const response = responseOf(context, first);
    if (isNumber(response.baseType) && response.correct.length > 0) return readNumeric(blocks, first, context);
  }
  const idOf = (one: XmlElement) => context.idOf(one.attributes['response-identifier'] ?? '');
  const pieces = piecesOf(blocks, (one) => (interactions.includes(one) ? idOf(one) : null));
  const points = pointsOf(interactions, context);
  const picksOnly = interactions.every(({ name }) => name === 'qti-inline-choice-interaction');
  if (picksOnly) {
    const gaps = interactions.map((one) => {
      const { correct, mapping } = responseOf(context, one);
      const best = mapping?.entries.toSorted((a, b) => b.value - a.value)[0]?.key;
      return {
        id: idOf(one),
        options: optionsOf(one).map(({ identifier, text }) => ({ id: context.idOf(identifier), text })),
        correctId: context.idOf(correct[0] ?? best ?? ''),
      };
    });
    return { ...context.head, kind: 'inlineChoice', points, pieces, gaps };
  }
  const mixed = interactions.filter(({ name }) => name === 'qti-inline-choice-interaction').length;
  context.report.add('mixedGaps', mixed);
  return { ...context.head, kind: 'textEntry', points, pieces, ...typedGaps(interactions, idOf, context) };
}

function pointsOf(interactions: readonly XmlElement[], context: ReadContext): number {
  if (context.possible !== null) return possibleOf(context, responseOf(context, interactions[0] as XmlElement));
  return interactions.reduce((sum, one) => sum + possibleOf(context, responseOf(context, one)), 0);
}

const optionsOf = (interaction: XmlElement) =>
  allNamed(interaction, 'qti-inline-choice').map((choice) => ({
    identifier: choice.attributes.identifier ?? '',
    text: textOf(choice).replace(/\s+/g, ' ').trim(),
  }));

function typedGaps(
  interactions: readonly XmlElement[],
  idOf: (one: XmlElement) => string,
  context: ReadContext,
): Pick<QuestionOf<'textEntry'>, 'gaps' | 'tolerance'> {
  const isMapped = interactions.some((one) => responseOf(context, one).mapping !== null);
  // A match with what is correct is one of every letter; a mapping says for itself whether case matters.
  const caseMatters = interactions.some((one) => {
    const { mapping, correct } = responseOf(context, one);
    return mapping ? mapping.entries.some((entry) => entry.caseSensitive) : correct.length > 0;
  });
  const gaps = interactions.map((one) => {
    const { correct, mapping } = responseOf(context, one);
    // Where words are picked they are shown; here they are typed as they were shown.
    const shown = new Map(optionsOf(one).map(({ identifier, text }) => [identifier, text]));
    const gains = (mapping?.entries ?? []).filter(({ value }) => value > 0);
    const most = Math.max(0, ...gains.map(({ value }) => value));
    const accepted =
      gains.length > 0
        ? gains.map(({ key, value }) => ({ text: shown.get(key) ?? key, percent: Math.round((value / most) * 100) }))
        : correct.map((text) => ({ text: shown.get(text) ?? text, percent: 100 }));
    return { id: idOf(one), accepted };
  });
  return {
    gaps,
    tolerance: { caseMatters: caseMatters && (isMapped || gaps.length > 0), accentsMatter: true, slips: 0 },
  };
}

function readNumeric(blocks: readonly XmlNode[], interaction: XmlElement, context: ReadContext): Question {
  const response = responseOf(context, interaction);
  const around = piecesOf(blocks, (one) => (one === interaction ? 'gap' : null));
  const before = around.slice(
    0,
    around.findIndex((piece) => 'gapId' in piece),
  );
  const stem = [context.head.stem, ...before.map((piece) => ('text' in piece ? piece.text.trim() : ''))];
  return {
    ...context.head,
    kind: 'numeric',
    stem: stem.filter((text) => text !== '').join('\n\n'),
    points: possibleOf(context, response),
    value: readNumber(response.correct[0]) ?? 0,
    tolerance: toleranceOf(context.processing.equal),
    unit: '',
    unitNeeded: false,
  };
}

function toleranceOf(equal: XmlElement | null): NumericTolerance {
  const by = Math.max(...(equal?.attributes.tolerance ?? '').split(/\s+/).map((text) => readNumber(text) ?? 0));
  switch (equal?.attributes['tolerance-mode']) {
    case 'absolute':
      return { kind: 'absolute', by };
    case 'relative':
      return { kind: 'relative', percent: Math.min(100, by) };
    default:
      return { kind: 'exact' };
  }
}
