import type { ChoiceOption, Item, Question, QuestionHead, QuestionKind, QuestionOf } from './question.ts';

/** Makes ids that say nothing: not even which was made first, so that they cannot give an order away. */
export type NewId = () => string;

/** What a teacher picks from; `choice` is two things to them. */
export type QuestionForm = QuestionKind | 'choiceSeveral';

/** What a question of each form begins as. */
export function createQuestion(form: QuestionForm, newId: NewId): Question {
  return fromHead(form, { id: newId(), stem: '', points: pointsOf(form), teacherNote: '' }, newId);
}

export function createItem(newId: NewId, text = ''): Item {
  return { id: newId(), text };
}

export function createOption(newId: NewId, text = '', correct = false): ChoiceOption {
  return { id: newId(), text, correct, feedback: '' };
}

/** Usual points: more for what takes longer, none for an opinion. Common practice, no source. */
function pointsOf(form: QuestionForm): number {
  if (form === 'poll' || form === 'slider' || form === 'discussion') return 0;
  return ['extendedText', 'drawing', 'upload', 'record'].includes(form) ? 200 : 100;
}

/** An empty question of a form with this head. */
export function fromHead(form: QuestionForm, head: QuestionHead, newId: NewId): Question {
  const items = (count: number) => Array.from({ length: count }, () => createItem(newId));
  switch (form) {
    case 'choice':
    case 'choiceSeveral': {
      const options = Array.from({ length: 3 }, () => createOption(newId));
      return { ...head, kind: 'choice', multiple: form === 'choiceSeveral', options };
    }
    case 'poll':
      return { ...head, kind: form, multiple: false, options: items(2) };
    case 'inlineChoice':
    case 'gapMatch':
    case 'textEntry':
      return emptyGaps(form, head);
    case 'numeric':
      return { ...head, kind: form, value: 0, tolerance: { kind: 'exact' }, unit: '', unitNeeded: false };
    case 'order':
      return { ...head, kind: form, items: items(3), scoring: 'exact' };
    case 'match': {
      const [sources, targets] = [items(2), items(2)];
      return { ...head, kind: form, sources, targets, pairs: sources.map(({ id }, i) => [id, targets[i]?.id ?? '']) };
    }
    case 'associate': {
      const four = items(4);
      const [a, b, c, d] = four.map(({ id }) => id) as [string, string, string, string];
      return {
        ...head,
        kind: form,
        items: four,
        pairs: [
          [a, b],
          [c, d],
        ],
      };
    }
    case 'hottext':
      return { ...head, kind: form, multiple: true, words: [] };
    case 'hotspot':
      return { ...head, kind: form, multiple: false, areas: [] };
    case 'selectPoint':
      return { ...head, kind: form, areas: [], maxPoints: 1 };
    case 'graphicGapMatch':
      return { ...head, kind: form, words: [], areas: [] };
    case 'slider':
      return { ...head, kind: form, min: 1, max: 5, step: 1, minLabel: '', maxLabel: '' };
    case 'extendedText':
    case 'discussion':
      return { ...head, kind: form };
    case 'drawing':
      return { ...head, kind: form, ground: head.picture ? 'picture' : 'blank' };
    case 'upload':
      return { ...head, kind: form, maxFiles: 1 };
    case 'record':
      return { ...head, kind: form, withPicture: false, longestMs: 120_000 };
  }
}

function emptyGaps(
  kind: 'inlineChoice' | 'gapMatch' | 'textEntry',
  head: QuestionHead,
): QuestionOf<'inlineChoice' | 'gapMatch' | 'textEntry'> {
  if (kind === 'inlineChoice') return { ...head, kind, pieces: [], gaps: [] };
  if (kind === 'gapMatch') return { ...head, kind, pieces: [], gaps: [], words: [] };
  const tolerance = { caseMatters: false, accentsMatter: true, slips: 0 };
  return { ...head, kind, pieces: [], gaps: [], tolerance };
}
