import type { Json } from './create-upgrader.ts';

/*
 * The first shapes called many things by one name: `right` was an option that is correct, the second list of a match,
 * and what is said to a correct answer. What answers and questions hold has the names of QTI since, where it has one.
 */

const named: Readonly<Record<string, Readonly<Record<string, string>>>> = {
  choice: { several: 'multiple' },
  poll: { several: 'multiple' },
  hottext: { several: 'multiple' },
  hotspot: { several: 'multiple' },
  match: { left: 'sources', right: 'targets' },
  selectPoint: { mostPoints: 'maxPoints' },
  slider: { least: 'min', most: 'max', leastLabel: 'minLabel', mostLabel: 'maxLabel' },
  upload: { mostFiles: 'maxFiles' },
};

/** Of what stands in lists inside a question. */
const namedInside = { right: 'correct', rightId: 'correctId', rightIds: 'correctIds' };

/** A question of the first shape. */
export function nameQuestion(question: Json): Json {
  const renamed = rename(question, named[question.kind] ?? {});
  const { options, gaps, areas, words, feedback, wordRange } = renamed;
  const lists = Object.fromEntries(
    Object.entries({ options, gaps, areas }).flatMap(([name, list]) =>
      Array.isArray(list) ? [[name, list.map((one) => rename(one, namedInside))]] : [],
    ),
  );
  return {
    ...renamed,
    ...lists,
    ...(question.kind === 'hottext' && {
      words: words.map((word: Json) => (word.standing === 'right' ? { ...word, standing: 'correct' } : word)),
    }),
    ...(feedback && { feedback: rename(feedback, { right: 'correct' }) }),
    ...(wordRange && { wordRange: rename(wordRange, { least: 'min', most: 'max' }) }),
  };
}

/** A lesson of the first shape. */
export function nameLesson(lesson: Json): Json {
  return {
    ...lesson,
    parts: lesson.parts.map((part: Json) => ({
      ...part,
      ...namedRules(part),
      stops: part.stops.map((stop: Json) => ({
        ...stop,
        ...namedRules(stop),
        ...(Array.isArray(stop.questions) && { questions: stop.questions.map(nameQuestion) }),
      })),
    })),
  };
}

/** An event of the first shape: what was answered, and how sure the student was of it. */
export function nameEvent(event: Json): Json {
  const { response, responses } = event;
  return {
    ...event,
    ...(response && { response: nameResponse(response) }),
    ...(responses && {
      responses: Object.fromEntries(Object.entries(responses).map(([id, one]) => [id, nameResponse(one)])),
    }),
  };
}

const nameResponse = (response: Json): Json => rename(response, { sure: 'confidence' });

function namedRules({ rules }: Json): Json {
  if (!Array.isArray(rules)) return {};
  return {
    rules: rules.map((rule: Json) =>
      rule.when?.kind === 'sureAtMost'
        ? { ...rule, when: { kind: 'confidenceAtMost', confidence: rule.when.sure } }
        : rule,
    ),
  };
}

/** The same document with some fields called otherwise, in the order they had. */
function rename(document: Json, names: Readonly<Record<string, string>>): Json {
  return Object.fromEntries(Object.entries(document).map(([name, value]) => [names[name] ?? name, value]));
}
