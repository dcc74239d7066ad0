import type { Question } from '../question/question.ts';
import type { Part, Rule, RuleCondition, Stop, Target } from './lesson.ts';

export type ToTarget = (to: Target) => Target;
export type IdOf = (id: string) => string;
const same: IdOf = (id) => id;

/**
 * A part with its ways led elsewhere.
 * @param toDone what a choice waits for that waits for a part to be done
 */
export function withTargets(part: Part, toTarget: ToTarget, toDone: IdOf = same): Part {
  return {
    ...part,
    stops: part.stops.map((stop) => stopOf(stop, toTarget, same, toDone)),
    ...(part.next ? { next: toTarget(part.next) } : {}),
    ...(part.rules ? { rules: part.rules.map((rule) => ruleOf(rule, toTarget, same)) } : {}),
  };
}

/** A rule that leads elsewhere, and looks at questions by other ids. */
export function ruleOf(rule: Rule, toTarget: ToTarget, idOf: IdOf): Rule {
  const when = whenOf(rule.when, idOf);
  return { ...rule, when, to: toTarget(rule.to) };
}

function whenOf(when: RuleCondition, idOf: IdOf): RuleCondition {
  if ('questionId' in when) return { ...when, questionId: idOf(when.questionId) };
  return 'of' in when && when.of ? { ...when, of: when.of.map(idOf) } : when;
}

/** A stop whose ways lead elsewhere, with other ids. */
export function stopOf(stop: Stop, toTarget: ToTarget, idOf: IdOf, toDone: IdOf = idOf): Stop {
  const id = idOf(stop.id);
  switch (stop.kind) {
    case 'pause':
      return { ...stop, id };
    case 'fork':
      return {
        ...stop,
        id,
        choices: stop.choices.map((choice) => ({
          ...choice,
          to: toTarget(choice.to),
          ...(choice.after === undefined ? {} : { after: toDone(choice.after) }),
        })),
      };
    case 'board':
      return {
        ...stop,
        id,
        tiles: stop.tiles.map((tile) => {
          const to = tile.to.kind === 'part' ? toTarget(tile.to) : tile.to;
          return to.kind === 'part' ? { ...tile, to: { kind: 'part', partId: to.partId } } : tile;
        }),
      };
    case 'checkpoint':
      return {
        ...stop,
        id,
        questions: stop.questions.map((question) => questionOf(question, idOf)),
        ...(stop.rules ? { rules: stop.rules.map((rule) => ruleOf(rule, toTarget, idOf)) } : {}),
      };
  }
}

function questionOf(question: Question, idOf: IdOf): Question {
  const { comparedWith } = question;
  return {
    ...question,
    id: idOf(question.id),
    ...(comparedWith === undefined ? {} : { comparedWith: idOf(comparedWith) }),
  };
}
