import { mostPeopleAtOnce } from '@semita/core/contract';
import { listPeople, readingOf, type TableReading } from '@semita/core/roster';
import { useMutation } from '@tanstack/react-query';
import { FileUp } from 'lucide-react';
import { useState } from 'react';
import { Button } from '../../../ui/button.tsx';
import { Dialog } from '../../../ui/dialog.tsx';
import { Field, TextArea } from '../../../ui/field.tsx';
import { FileButton } from '../../../ui/file-button.tsx';
import { Notice } from '../../../ui/notice.tsx';
import { t } from '../../../words/words.ts';
import type { ClassView } from '../queries.ts';
import type { SignInPaper } from '../sign-in-sheet.tsx';
import { ColumnsOfTable } from './columns-of-table.tsx';
import type { PeopleTable } from './people-table.ts';
import { PlanOfList } from './plan-of-list.tsx';
import { readPeopleTable } from './read-people-table.ts';
import '../words.ts';

interface Props {
  readonly of: ClassView;
  readonly onClose: () => void;
  readonly onPaper: (paper: SignInPaper) => void;
}

interface Read {
  readonly table: PeopleTable;
  readonly reading: TableReading;
}

/** In bytes. */
const largestList = 10_000_000;

/** Names that are typed, pasted or taken out of a file: what they come to is seen before anything is written. */
export function AddStudentsDialog({ of, onClose, onPaper }: Props) {
  const [text, setText] = useState('');
  const [read, setRead] = useState<Read | null>(null);
  const look = useMutation({
    mutationFn: async (source: { readonly text: string } | { readonly file: File }) => {
      // No list of people is as large as that: it is something else, and is not even opened.
      if ('file' in source && source.file.size > largestList) return null;
      const table = await readPeopleTable('file' in source ? { bytes: await source.file.arrayBuffer() } : source);
      return table && { table, reading: readingOf(table.rows, table.areOneName) };
    },
    onSuccess: (found) => setRead(found && found.table.rows.length > 0 ? found : null),
  });
  const people = read ? listPeople(read.table.rows, read.reading) : [];
  const isTooMany = people.length > mostPeopleAtOnce;
  const isShown = read !== null && !isTooMany;
  return (
    <Dialog
      open
      place="wide"
      onOpenChange={(open) => !open && onClose()}
      title={t('classes.addTitle', { name: of.name })}
    >
      {isShown && (
        <div className="grid gap-5">
          <ColumnsOfTable {...read} onChange={(reading) => setRead({ ...read, reading })} />
          <PlanOfList
            key={JSON.stringify(read.reading)}
            classId={of.id}
            people={people}
            onBack={() => setRead(null)}
            onDone={(firsts) => {
              onClose();
              if (firsts.length > 0) onPaper({ kind: 'passwords', people: firsts });
            }}
          />
        </div>
      )}
      {/* What was pasted stays in the dialog while its plan is looked at, so that closing asks about it. */}
      <form
        hidden={isShown}
        className={isShown ? undefined : 'grid gap-4'}
        onSubmit={(event) => {
          event.preventDefault();
          look.mutate({ text });
        }}
      >
        {isTooMany && (
          <Notice tone="attention" role="alert">
            {t('classes.tooMany', { count: people.length, most: mostPeopleAtOnce })}
          </Notice>
        )}
        {!read && look.isSuccess && (
          <Notice tone="attention" role="alert">
            {t(look.data === null ? 'classes.unreadable' : 'classes.nothingThere')}
          </Notice>
        )}
        <Field label={t('classes.addHow')}>
          {(ids) => (
            <TextArea
              {...ids}
              rows={8}
              maxLength={2_000_000}
              placeholder={t('classes.addExample')}
              className="max-h-[50dvh] min-h-48"
              value={text}
              onChange={(event) => setText(event.target.value)}
            />
          )}
        </Field>
        <div className="flex flex-wrap items-center gap-3">
          <Button look="main" type="submit" disabled={look.isPending || text.trim() === ''}>
            {t('classes.goOn')}
          </Button>
          <FileButton
            accept=".csv,.tsv,.txt,text/csv,text/plain"
            disabled={look.isPending}
            onFile={(file) => look.mutate({ file })}
          >
            <FileUp aria-hidden className="size-4" strokeWidth={1.75} />
            {t('classes.fromFile')}
          </FileButton>
        </div>
      </form>
    </Dialog>
  );
}
