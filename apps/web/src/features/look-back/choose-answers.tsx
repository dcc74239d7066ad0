import type { LookBack } from '@semita/core/analysis';
import { useQuery } from '@tanstack/react-query';
import { toast } from 'sonner';
import { CheckInput } from '../../ui/check-input.tsx';
import { Dialog } from '../../ui/dialog.tsx';
import { QueryView } from '../../ui/query-view.tsx';
import { t } from '../../words/words.ts';
import { AnswerView } from '../marking/answer-view.tsx';
import { answersOptions } from '../marking/queries.ts';
import type { QuestionSection } from './sections.ts';
import './words.ts';

interface Props {
  readonly assignmentId: string;
  readonly section: QuestionSection;
  readonly shown: LookBack['shown'];
  readonly onChange: (shown: LookBack['shown']) => void;
  readonly onClose: () => void;
}

const mostShown = 200;

/** Which answers a class is shown, and whether with the name. What is ticked is kept at once. */
export function ChooseAnswers({ assignmentId, section, shown, onChange, onClose }: Props) {
  const { question } = section;
  const query = useQuery(answersOptions(assignmentId, question.id));
  const isThis = (studentId: string) => (one: LookBack['shown'][number]) =>
    one.questionId === question.id && one.studentId === studentId;
  const toggle = (studentId: string, isOn: boolean) => {
    if (isOn && shown.length >= mostShown) toast.error(t('lookBack.moreAnswers'));
    else if (isOn) onChange([...shown, { questionId: question.id, studentId, isNamed: false }]);
    else onChange(shown.filter((one) => !isThis(studentId)(one)));
  };
  const setNamed = (studentId: string, isNamed: boolean) =>
    onChange(shown.map((one) => (isThis(studentId)(one) ? { ...one, isNamed } : one)));
  return (
    <Dialog
      open
      keepsAtOnce
      place="side"
      onOpenChange={(isOpen) => !isOpen && onClose()}
      title={t('lookBack.chooseTitle')}
      description={t('lookBack.chooseHelp')}
    >
      <QueryView query={query}>
        {({ answers }) =>
          answers.length === 0 ? (
            <p>{t('lookBack.noAnswers')}</p>
          ) : (
            <ul className="grid gap-3">
              {answers.map(({ studentId, displayName, answer }) => {
                const own = shown.find(isThis(studentId));
                return (
                  <li key={studentId} className="grid gap-2 rounded-card border border-line p-3">
                    <div className="flex flex-wrap items-center gap-x-5 gap-y-1">
                      <CheckInput
                        checked={own !== undefined}
                        label={t('lookBack.showAnswer', { name: displayName })}
                        onChange={(isOn) => toggle(studentId, isOn)}
                      >
                        <span className="font-medium">{displayName}</span>
                      </CheckInput>
                      {own && (
                        <CheckInput
                          checked={own.isNamed}
                          label={t('lookBack.nameOf', { name: displayName })}
                          onChange={(isOn) => setNamed(studentId, isOn)}
                        >
                          {t('lookBack.withName')}
                        </CheckInput>
                      )}
                    </div>
                    <AnswerView question={question} answer={answer} />
                  </li>
                );
              })}
            </ul>
          )
        }
      </QueryView>
    </Dialog>
  );
}
