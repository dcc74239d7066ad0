import { describe, expect, test } from 'vitest';
import { plainProse } from '../../test/qti/plain-prose.ts';
import { element, type XmlElement, type XmlNode } from '../xml-tree.ts';
import { fromQtiItem } from './read-item.ts';

const read = (item: XmlElement) => {
  let n = 0;
  return fromQtiItem(item, { newId: () => `id${n++}`, prose: plainProse, sizeOf: () => null });
};

/** An item as other programs write them, in the names of QTI 2.1. */
const older = (body: readonly XmlNode[], ...declarations: XmlElement[]) =>
  element(
    'assessmentItem',
    { identifier: 'i', title: 't', adaptive: false, timeDependent: false },
    declarations,
    element('outcomeDeclaration', { identifier: 'SCORE', cardinality: 'single', baseType: 'float' }),
    element('itemBody', {}, body),
    element('responseProcessing', { template: 'http://www.imsglobal.org/question/qti_v2p1/rptemplates/match_correct' }),
  );
const response = (attributes: Record<string, string>, ...inside: XmlElement[]) =>
  element(
    'responseDeclaration',
    { identifier: 'RESPONSE', cardinality: 'single', baseType: 'identifier', ...attributes },
    inside,
  );
const correct = (...values: string[]) =>
  element(
    'correctResponse',
    {},
    values.map((value) => element('value', {}, value)),
  );

describe('items of other programs', () => {
  // In structure after the standard's own example choice.xml, from memory; the words are ours.
  test('a pick of one, in the names of QTI 2.1', () => {
    const { questions, leftOut } = read(
      older(
        [
          element('p', {}, '\n  Look at the sign.\n '),
          element('p', {}, element('img', { src: 'images/sign.png', alt: 'Bridge closed' })),
          element(
            'choiceInteraction',
            { responseIdentifier: 'RESPONSE', shuffle: false, maxChoices: 1 },
            element('prompt', {}, 'What does it say?'),
            element(
              'simpleChoice',
              { identifier: 'ChoiceA' },
              'You may not cross.',
              element('feedbackInline', {}, 'Yes.'),
            ),
            element('simpleChoice', { identifier: 'ChoiceB' }, 'You may cross.'),
          ),
        ],
        response({}, correct('ChoiceA')),
      ),
    );
    expect(leftOut).toEqual([]);
    expect(questions).toMatchObject([
      {
        ...{ kind: 'choice', multiple: false, points: 100, stem: 'Look at the sign.\n\nWhat does it say?' },
        picture: { materialId: 'images/sign.png', alt: 'Bridge closed' },
        options: [
          { text: 'You may not cross.', correct: true, feedback: 'Yes.' },
          { text: 'You may cross.', correct: false, feedback: '' },
        ],
      },
    ]);
  });

  test('picks of several that were right as a whole or not at all say so', () => {
    const choices = ['a', 'b', 'c'].map((identifier) => element('simpleChoice', { identifier }, identifier));
    const interaction = element('choiceInteraction', { responseIdentifier: 'RESPONSE', maxChoices: 0 }, choices);
    const { questions, leftOut } = read(older([interaction], response({ cardinality: 'multiple' }, correct('a', 'c'))));
    expect(leftOut).toEqual([{ code: 'allOrNothing', count: 1 }]);
    expect(questions).toMatchObject([
      { multiple: true, options: [{ correct: true }, { correct: false }, { correct: true }] },
    ]);
  });

  test('gaps to type in stand in their text, and what stands before it is the stem', () => {
    const mapping = element(
      'mapping',
      { defaultValue: 0 },
      element('mapEntry', { mapKey: 'York', mappedValue: 1 }),
      element('mapEntry', { mapKey: 'york', mappedValue: 0.5 }),
    );
    const gap = element('textEntryInteraction', { responseIdentifier: 'RESPONSE' });
    const frame = element(
      'div',
      {},
      element('p', {}, 'Read.'),
      element('blockquote', {}, element('p', {}, 'The arch of ', gap, ' stands.')),
    );
    const { questions } = read(older([frame], response({ baseType: 'string' }, mapping)));
    expect(questions).toMatchObject([
      {
        ...{ kind: 'textEntry', stem: 'Read.', points: 100, tolerance: { caseMatters: false } },
        pieces: [{ text: 'The arch of ' }, { gapId: expect.any(String) }, { text: ' stands.' }],
        gaps: [
          {
            accepted: [
              { text: 'York', percent: 100 },
              { text: 'york', percent: 50 },
            ],
          },
        ],
      },
    ]);
  });

  test('a number with its tolerance', () => {
    const item = older(
      [element('p', {}, 'How long is it? ', element('textEntryInteraction', { responseIdentifier: 'RESPONSE' }))],
      response({ baseType: 'float' }, correct('12.5')),
    );
    const equal = element('equal', { toleranceMode: 'relative', tolerance: '2 2' });
    const own = element('responseProcessing', {}, element('responseCondition', {}, element('responseIf', {}, equal)));
    const { questions, leftOut } = read({ ...item, children: [...item.children.slice(0, -1), own] });
    expect(leftOut).toEqual([]);
    expect(questions).toMatchObject([
      { kind: 'numeric', stem: 'How long is it?', value: 12.5, tolerance: { kind: 'relative', percent: 2 } },
    ]);
  });

  test('several interactions become a question each', () => {
    const written = (identifier: string) => element('extendedTextInteraction', { responseIdentifier: identifier });
    const { questions } = read(older([element('p', {}, 'Explain.'), written('A'), written('B')]));
    expect(questions.map(({ kind, stem }) => [kind, stem])).toEqual([
      ['extendedText', 'Explain.'],
      ['extendedText', ''],
    ]);
  });

  test('places on a picture are told by its size', () => {
    const spot = (identifier: string, shape: string, coords: string) =>
      element('hotspotChoice', { identifier, shape, coords });
    const { questions, leftOut } = read(
      older(
        [
          element(
            'hotspotInteraction',
            { responseIdentifier: 'RESPONSE', maxChoices: 1 },
            element('object', { type: 'image/png', data: 'map.png', width: '200', height: '100' }, 'A map'),
            spot('A', 'circle', '100,50,10'),
            spot('B', 'poly', '0,0,200,0,200,100'),
            spot('C', 'default', ''),
          ),
        ],
        response({}, correct('A')),
      ),
    );
    expect(leftOut).toEqual([{ code: 'places', count: 1 }]);
    expect(questions).toMatchObject([
      {
        picture: { materialId: 'map.png', alt: 'A map' },
        areas: [
          { shape: 'ellipse', coords: [4500, 4000, 5500, 6000], correct: true },
          { shape: 'poly', coords: [0, 0, 10_000, 0, 10_000, 10_000], correct: false },
        ],
      },
    ]);
  });
});

describe('what cannot be taken over is told', () => {
  test.each([
    ['notAnItem', element('assessmentTest')],
    ['nothingAsked', older([element('p', {}, 'Only words.')])],
    ['interaction', older([element('mediaInteraction', { responseIdentifier: 'RESPONSE' })])],
    ['adaptive', { ...older([]), attributes: { adaptive: 'true' } }],
    ['template', older([], element('templateDeclaration', { identifier: 'N' }))],
  ] as const)('%s', (code, item) => {
    expect(read(item).leftOut.map((one) => one.code)).toContain(code);
  });

  test('rules of its own', () => {
    const item = older([]);
    const own = element('responseProcessing', {}, element('setOutcomeValue', {}, element('randomInteger')));
    expect(read({ ...item, children: [...item.children.slice(0, -1), own] }).leftOut).toContainEqual({
      code: 'processing',
      count: 1,
    });
  });

  test('what was kept beside the item and is broken is passed over', () => {
    const written = element('extendedTextInteraction', { responseIdentifier: 'A' });
    const item = older([written]);
    const body = { ...(item.children[1] as XmlElement), attributes: { 'data-semita': '{"points":' } };
    expect(read({ ...item, children: [body] }).questions).toMatchObject([{ kind: 'extendedText', points: 100 }]);
  });
});
