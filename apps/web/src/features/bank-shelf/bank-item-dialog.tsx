import { questionFaults } from '@semita/core/checks';
import type { BankItem } from '@semita/core/contract';
import { createQuestion, type Question } from '@semita/core/question';
import { useState } from 'react';
import { Button } from '../../ui/button.tsx';
import { Dialog, DialogClose } from '../../ui/dialog.tsx';
import { Field, TextInput } from '../../ui/field.tsx';
import { Notice } from '../../ui/notice.tsx';
import { t } from '../../words/words.ts';
import { readTags } from '../bank/filter-bank.ts';
import { newItemId } from '../lesson-parts/new-id.ts';
import { QuestionEditor } from '../question-editor/question-editor.tsx';
import './words.ts';
import '../lesson-parts/words.ts';

interface Props {
  /** Null for a new one. */
  readonly item: BankItem | null;
  readonly isSaving: boolean;
  readonly onSave: (entry: { question: Question; tags: string[] }) => void;
  readonly onClose: () => void;
}

/** One question of the bank, edited as in a lesson. */
export function BankItemDialog({ item, isSaving, onSave, onClose }: Props) {
  const [question, setQuestion] = useState(() => item?.question ?? createQuestion('choice', newItemId));
  const [tags, setTags] = useState(item?.tags.join(', ') ?? '');
  const [isTried, setIsTried] = useState(false);
  const faults = questionFaults(question);
  return (
    <Dialog open place="wide" title={t(item ? 'bank.change' : 'bank.add')} onOpenChange={(open) => !open && onClose()}>
      <form
        className="grid gap-4"
        onSubmit={(event) => {
          event.preventDefault();
          setIsTried(true);
          if (faults.length === 0) onSave({ question, tags: readTags(tags) });
        }}
      >
        <QuestionEditor question={question} number={1} earlier={[]} onChange={setQuestion} />
        <Field label={t('bank.tags')} help={t('bank.tagsHelp')}>
          {(ids) => (
            <TextInput
              {...ids}
              className="h-9 text-14"
              value={tags}
              onChange={(event) => setTags(event.target.value)}
            />
          )}
        </Field>
        {isTried && faults.length > 0 && (
          <Notice tone="attention" role="alert">
            <ul>
              {faults.map((code) => (
                <li key={code}>{t(`fault.${code}`)}</li>
              ))}
            </ul>
          </Notice>
        )}
        <div className="flex gap-2">
          <Button type="submit" look="main" disabled={isSaving}>
            {t(item ? 'bank.save' : 'bank.put')}
          </Button>
          <DialogClose>{t('app.close')}</DialogClose>
        </div>
      </form>
    </Dialog>
  );
}
