import { t } from '../../words/words.ts';
import { Recorder } from '../voice/recorder.tsx';
import { useAnswerFiles } from './answer-files.ts';
import type { FieldProps } from './field-props.ts';
import { HandedFileList } from './handed-file.tsx';
import './words.ts';

/** An answer that is spoken, or filmed. It is heard before it is handed in. */
export function RecordField({ question, response, onChange, labelledBy }: FieldProps<'record'>) {
  const files = response?.kind === 'files' ? response.files : [];
  const { send } = useAnswerFiles();
  return (
    // biome-ignore lint/a11y/useSemanticElements: named by the question's own words
    <div role="group" aria-labelledby={labelledBy} className="grid gap-2">
      {files.length > 0 ? (
        <HandedFileList files={files} onRemove={() => onChange({ kind: 'files', files: [] })} />
      ) : (
        <Recorder
          sources={question.withPicture ? ['camera', 'voice'] : ['voice']}
          title={t('question.recordingName')}
          asksWords={false}
          longestMs={question.longestMs}
          keep={async (file) => onChange({ kind: 'files', files: [await send(file)] })}
        />
      )}
    </div>
  );
}
