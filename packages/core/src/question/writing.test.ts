import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { questionFaults } from '../checks/question-faults.ts';
import { everyKind } from '../examples/every-kind.ts';
import { lessonOf } from '../examples/kinds-lesson.ts';
import { materialsOf } from '../lesson/materials-of.ts';
import { changeKind } from './change-kind.ts';
import { gapTextOf, readGapText, withGapText, writeGapText } from './gap-notation.ts';
import { createQuestion, type QuestionForm } from './new-question.ts';
import { readQuestions } from './notation.ts';
import { picturesOf } from './pictures-of.ts';
import { questionKinds } from './question.ts';

let count = 0;
const newId = () => `id-${count++}`;
const read = (text: string) => readQuestions(text, newId);

describe('questions from plain lines', () => {
  test('one of each kind at once, as a worksheet has them', () => {
    const questions = read(`1) Which force squeezes? (2 points)
- [x] Compression :: Yes.
- [ ] Tension :: That pulls.

Which parts of a suspension bridge are pulled?
- [x] Cable
- [x] Hanger
- [ ] Tower
? Think of a rope.
! From last year's test.

Which bridge would you rather cross?
- The rope bridge
- The stone arch

Follow the load down:
1. Deck
2. Hangers
3. Cable

What belongs together?
- Arch -> Stone
- Cable -> Steel
- -> Paper

How heavy is it?
= 3,2 kN ± 5 %

Fill in.
The push at the feet is called [thrust|push=50].

Why do beams sag? (2.5 p)
> The load bends them.

Draw nothing, write something.`);
    expect(questions.map(({ kind, points }) => [kind, points])).toEqual([
      ['choice', 200],
      ['choice', 100],
      ['poll', 0],
      ['order', 100],
      ['match', 100],
      ['numeric', 100],
      ['textEntry', 100],
      ['extendedText', 250],
      ['extendedText', 200],
    ]);
    expect(questions.flatMap(questionFaults)).toEqual([]);
    const [one, several, , order, match, number, gaps, written] = questions;
    expect(one).toMatchObject({
      stem: 'Which force squeezes?',
      multiple: false,
      options: [
        { text: 'Compression', correct: true, feedback: 'Yes.' },
        { text: 'Tension', correct: false, feedback: 'That pulls.' },
      ],
    });
    expect(several).toMatchObject({
      multiple: true,
      hint: { text: 'Think of a rope.', cost: 0 },
      teacherNote: "From last year's test.",
    });
    expect(order).toMatchObject({ items: [{ text: 'Deck' }, { text: 'Hangers' }, { text: 'Cable' }] });
    expect(match).toMatchObject({ sources: [{ text: 'Arch' }, { text: 'Cable' }], targets: { length: 3 } });
    expect(number).toMatchObject({ value: 3.2, unit: 'kN', tolerance: { kind: 'relative', percent: 5 } });
    expect(gaps).toMatchObject({ stem: 'Fill in.', gaps: [{ accepted: [{ text: 'thrust' }, { percent: 50 }] }] });
    expect(written).toMatchObject({ modelAnswer: 'The load bends them.' });
  });

  test.each([
    ['= 12', { value: 12, unit: '', unitNeeded: false, tolerance: { kind: 'exact' } }],
    ['= -4.5 m/s ± 0.1', { value: -4.5, unit: 'm/s', tolerance: { kind: 'absolute', by: 0.1 } }],
    ['= 1e3 kg +- 2%', { value: 1000, unit: 'kg', tolerance: { kind: 'relative', percent: 2 } }],
  ])('%s', (line, expected) => expect(read(`How much?\n${line}`)[0]).toMatchObject(expected));

  test('whatever is pasted, nothing breaks, no words are lost, and ids differ', () => {
    fc.assert(
      fc.property(fc.string({ unit: fc.constantFrom(...'ab \n-[]x1.=>?!|\\→'.split('')) }), (text) => {
        const questions = read(text);
        const ids = JSON.stringify(questions).match(/"id":"[^"]+"/g) ?? [];
        expect(new Set(ids).size).toBe(ids.length);
        if (/[ab]/.test(text)) expect(JSON.stringify(questions)).toMatch(/[ab]/);
      }),
    );
  });
});

/** ISO 80000-1 allows both marks; which groups and which divides is the language's. */
test('the number of a question is read as answers are', () => {
  const numberOf = (line: string, locale?: string) => readQuestions(`How much?\n= ${line}`, newId, locale)[0];
  expect(numberOf('1,000')).toMatchObject({ kind: 'numeric', value: 1000, unit: '' });
  expect(numberOf('1,000', 'de')).toMatchObject({ kind: 'numeric', value: 1 });
  expect(numberOf('9.81 m/s^2 ± 0.01')).toMatchObject({
    value: 9.81,
    unit: 'm/s^2',
    tolerance: { kind: 'absolute', by: 0.01 },
  });
  expect(numberOf('3 × 10^8 m/s ± 1 %')).toMatchObject({ value: 3e8, tolerance: { kind: 'relative', percent: 1 } });
  expect(numberOf('-5 °C')).toMatchObject({ value: -5, unit: '°C' });
  expect(numberOf('3 20')).toMatchObject({ kind: 'extendedText' });
  expect(numberOf('3 apples and 4 pears')).toMatchObject({ kind: 'extendedText' });
});

describe('texts with gaps', () => {
  test('brackets, bars, percents and backslashes', () => {
    expect(readGapText('A [beam|girder=50] is \\[not\\] an [arch].')).toEqual([
      { text: 'A ' },
      {
        accepted: [
          { text: 'beam', percent: 100 },
          { text: 'girder', percent: 50 },
        ],
      },
      { text: ' is [not] an ' },
      { accepted: [{ text: 'arch', percent: 100 }] },
      { text: '.' },
    ]);
    expect(readGapText('no [gap\nhere] [] [')).toEqual([{ text: 'no [gap\nhere] [] [' }]);
  });

  test('an equals sign that is no worth, links and pictures stay what they are', () => {
    const gap = (...accepted: [string, number?][]) => ({
      accepted: accepted.map(([text, percent = 100]) => ({ text, percent })),
    });
    expect(readGapText('[E=mc2|E=mc^2=80]')).toEqual([gap(['E=mc2'], ['E=mc^2', 80])]);
    expect(readGapText('[a=b=50 %]')).toEqual([gap(['a=b', 50])]);
    expect(writeGapText([gap(['E=mc2'], ['x=5'])])).toBe('[E=mc2|x\\=5]');
    const plain = 'See [the plan](plan.pdf) and ![a beam](beam.png).';
    expect(readGapText(plain)).toEqual([{ text: plain }]);
    expect(readGapText('[beam]\\(or girder)')).toEqual([gap(['beam']), { text: '(or girder)' }]);
  });

  test('what is written is read again', () => {
    const word = fc.string({
      unit: fc.constantFrom('a', '5', '[', ']', '(', '|', '=', '\\', 'é'),
      minLength: 1,
      maxLength: 6,
    });
    const gap = fc.record({
      accepted: fc.array(fc.record({ text: word, percent: fc.integer({ min: 0, max: 100 }) }), {
        minLength: 1,
        maxLength: 3,
      }),
    });
    fc.assert(
      fc.property(fc.array(fc.tuple(word, gap), { maxLength: 4 }), (pairs) => {
        const pieces = pairs.flatMap(([text, accepted]) => [{ text }, accepted]);
        expect(readGapText(writeGapText(pieces))).toEqual(pieces);
      }),
    );
  });

  test.each(['inlineChoice', 'gapMatch', 'textEntry'] as const)(
    '%s keeps its ids when its text is written anew',
    (kind) => {
      const question = everyKind[kind];
      const same = withGapText(question, gapTextOf(question), newId);
      expect(gapTextOf(same)).toBe(gapTextOf(question));
      expect(same.gaps.map(({ id }) => id)).toEqual(question.gaps.map(({ id }) => id));
      const longer = withGapText(question, `${gapTextOf(question)} And [more].`, newId);
      expect(longer.gaps.slice(0, question.gaps.length).map(({ id }) => id)).toEqual(question.gaps.map(({ id }) => id));
      expect(longer.gaps).toHaveLength(question.gaps.length + 1);
    },
  );

  test('words that belong in no gap stay in the box', () => {
    const changed = withGapText(everyKind.gapMatch, 'Only [pulled].', newId);
    expect(changed.words.map(({ text }) => text).toSorted()).toEqual(['painted', 'pulled']);
  });
});

test('answers that are pictures are pictures of the question, and materials of its lesson', () => {
  const [first, ...rest] = everyKind.choice.options;
  const options = [{ ...first, picture: { materialId: 'arch', alt: '' } }, ...rest] as typeof everyKind.choice.options;
  const question = { ...everyKind.choice, options };
  expect(picturesOf(question)).toEqual([{ materialId: 'arch', alt: '' }]);
  expect(materialsOf(lessonOf([question, everyKind.hotspot]))).toEqual(['film', 'arch', 'picture']);
});

describe('another kind', () => {
  const forms: QuestionForm[] = [...questionKinds, 'choiceSeveral'];

  test.each(forms)('an empty %s can be made, and asks for what is missing', (form) => {
    const question = createQuestion(form, newId);
    expect(questionFaults(question)).toContain('stemMissing');
    expect(questionFaults(question)).not.toContain('opinionWithPoints');
  });

  test.each(Object.values(everyKind))('$kind becomes every other and keeps what all have', (question) => {
    for (const form of forms) {
      const changed = changeKind(question, form, newId);
      expect(changed.kind).toBe(form === 'choiceSeveral' ? 'choice' : form);
      expect(changed).toMatchObject({ id: question.id, stem: question.stem, hint: question.hint });
      expect(questionFaults(changed)).not.toContain('opinionWithPoints');
    }
  });

  test('answers carry over where they have a counterpart', () => {
    const several = changeKind(everyKind.choice, 'choice', newId);
    expect(several).toMatchObject({
      multiple: false,
      options: [{ correct: true }, { correct: false }, { correct: false, text: 'Hanger' }],
    });
    expect(changeKind(everyKind.match, 'associate', newId)).toMatchObject({ items: { length: 4 } });
    expect(changeKind(everyKind.textEntry, 'gapMatch', newId)).toMatchObject({
      words: [{ text: 'SECRET thrust' }, { text: 'SECRET push' }],
    });
    expect(changeKind(everyKind.hotspot, 'selectPoint', newId)).toMatchObject({ areas: { length: 3 }, maxPoints: 3 });
  });
});
