import { useMutation } from '@tanstack/react-query';
import { FileUp } from 'lucide-react';
import { FileButton } from '../../ui/file-button.tsx';
import { errorWords, Notice } from '../../ui/notice.tsx';
import { t } from '../../words/words.ts';
import { useAnswerFiles } from './answer-files.ts';
import type { FieldProps } from './field-props.ts';
import { HandedFileList } from './handed-file.tsx';
import './words.ts';

/** Files that are handed in as an answer. */
export function FilesField({ question, response, onChange, labelledBy }: FieldProps<'upload'>) {
  const files = response?.kind === 'files' ? response.files : [];
  const { send } = useAnswerFiles();
  const sending = useMutation({
    mutationFn: send,
    onSuccess: (file) => onChange({ kind: 'files', files: [...files, file] }),
  });
  return (
    // biome-ignore lint/a11y/useSemanticElements: named by the question's own words
    <div role="group" aria-labelledby={labelledBy} className="grid gap-3">
      <HandedFileList
        files={files}
        onRemove={(index) => onChange({ kind: 'files', files: files.toSpliced(index, 1) })}
      />
      {files.length < question.maxFiles && (
        <div>
          <FileButton size="roomy" disabled={sending.isPending} onFile={(file) => sending.mutate(file)}>
            <FileUp aria-hidden className="size-4" strokeWidth={1.75} />
            {t(sending.isPending ? 'question.sendingFile' : 'question.chooseFile')}
          </FileButton>
        </div>
      )}
      <p className="text-14 text-quiet">{t('question.filesHelp', { count: question.maxFiles })}</p>
      {sending.isError && (
        <Notice tone="danger" role="alert">
          {errorWords(sending.error)}
        </Notice>
      )}
    </div>
  );
}
