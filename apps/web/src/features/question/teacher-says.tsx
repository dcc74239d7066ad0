import type { QuestionResult } from '@semita/core/learner';
import { formatPoints } from '../../words/format.ts';
import { t } from '../../words/words.ts';
import { HandedFileList } from './handed-file.tsx';
import { RichText } from './rich-text.tsx';

/** What a teacher said to an answer, in words, aloud, and by the rubric; and what a good answer is. */
export function TeacherSays({ result }: { readonly result: QuestionResult }) {
  const { comment, voice, rubric, modelAnswer } = result;
  return (
    <>
      {rubric.length > 0 && (
        <ul className="grid gap-0.5 text-14">
          {rubric.map(({ title, words, points }) => (
            <li key={title}>
              <span className="text-quiet">{title}:</span> {words}{' '}
              <span className="font-mono text-13 text-quiet">{formatPoints(points)}</span>
            </li>
          ))}
        </ul>
      )}
      {(comment || voice) && (
        <div className="grid gap-1 rounded-control border-l-4 border-main bg-main-tint px-3 py-2 text-14">
          <span className="text-quiet">{t('walk.teacherSays')}</span>
          {comment && <span className="whitespace-pre-wrap">{comment}</span>}
          {voice && <HandedFileList files={[voice]} />}
        </div>
      )}
      {modelAnswer && (
        <details className="text-14">
          <summary className="cursor-pointer text-quiet">{t('walk.modelAnswer')}</summary>
          <RichText text={modelAnswer} />
        </details>
      )}
    </>
  );
}
