import { expect, test } from 'vitest';
import { everyKind } from '../examples/every-kind.ts';
import type { QuestionKind } from './question.ts';
import type { Response } from './response.ts';
import { responseWords } from './response-words.ts';

const file = { fileId: 'f', name: 'plan.pdf', mimeType: 'application/pdf', byteLength: 3 };
const text = (words: string): Response => ({ kind: 'extendedText', text: words });

test.each<[QuestionKind, Response, string[]]>([
  ['choice', { kind: 'choice', optionIds: ['c3', 'c1', 'gone'] }, ['Hanger', 'Cable']],
  ['poll', { kind: 'choice', optionIds: ['p2'] }, ['The stone arch']],
  ['inlineChoice', { kind: 'gaps', gaps: { i1: 'ib' } }, ['compression']],
  ['gapMatch', { kind: 'gaps', gaps: { g2: 'w1', g1: 'w2' } }, ['pulled', 'squeezed']],
  ['textEntry', { kind: 'gaps', gaps: { t1: 'thrust' } }, ['thrust']],
  ['numeric', { kind: 'number', text: '12,5 kN' }, ['12,5 kN']],
  ['selectPoint', { kind: 'points', points: [[2_550, 8_000]] }, ['25.5 % from the left, 80 % from the top']],
  ['slider', { kind: 'scale', value: 7 }, ['7']],
  ['extendedText', text('It bends.'), ['It bends.']],
  ['discussion', text(''), []],
  ['upload', { kind: 'files', files: [file] }, ['plan.pdf']],
  [
    'drawing',
    { kind: 'drawing', drawing: { marks: [{ tool: 'text', at: [0, 0], text: 'load', colour: 'ink', size: 300 }] } },
    ['load'],
  ],
])('%s', (kind, response, words) => expect(responseWords(everyKind[kind], response)).toEqual(words));

test('what goes by ids of items goes by their words', () => {
  const { order, match, associate, hottext, hotspot, graphicGapMatch } = everyKind;
  const first = <T extends { readonly id: string }>(items: readonly T[]) => items[0] as T;
  const ordered = responseWords(order, { kind: 'order', itemIds: order.items.map(({ id }) => id) });
  expect(ordered[0]).toBe(`1. ${first(order.items).text}`);
  const matched: Response = { kind: 'pairs', pairs: [[first(match.sources).id, first(match.targets).id]] };
  expect(responseWords(match, matched)).toEqual([`${first(match.sources).text} – ${first(match.targets).text}`]);
  const [a, b] = associate.items;
  expect(responseWords(associate, { kind: 'pairs', pairs: [[a?.id ?? '', b?.id ?? '']] })).toEqual([
    `${a?.text} – ${b?.text}`,
  ]);
  const word = hottext.words.find(({ standing }) => standing !== 'plain');
  expect(responseWords(hottext, { kind: 'choice', optionIds: [word?.id ?? ''] })).toEqual([word?.text]);
  expect(responseWords(hotspot, { kind: 'choice', optionIds: [first(hotspot.areas).id] })).toEqual([
    first(hotspot.areas).label,
  ]);
  const place = first(graphicGapMatch.areas);
  const put: Response = { kind: 'gaps', gaps: { [place.id]: first(graphicGapMatch.words).id } };
  expect(responseWords(graphicGapMatch, put)).toEqual([`${place.label}: ${first(graphicGapMatch.words).text}`]);
});
