import type { BankItem } from '@semita/core/contract';
import type { Question } from '@semita/core/question';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { Plus, TextCursorInput } from 'lucide-react';
import { useState } from 'react';
import { toast } from 'sonner';
import { ApiError } from '../../api/api-error.ts';
import { call, callWithFile } from '../../api/client.ts';
import { Button } from '../../ui/button.tsx';
import { FileButton } from '../../ui/file-button.tsx';
import { EmptyPlace, errorWords, Notice } from '../../ui/notice.tsx';
import { Page } from '../../ui/page.tsx';
import { QueryView } from '../../ui/query-view.tsx';
import { findWords, t } from '../../words/words.ts';
import { BankFilters } from '../bank/bank-filters.tsx';
import { BankRow } from '../bank/bank-row.tsx';
import { filterBank, noFilter } from '../bank/filter-bank.ts';
import { bankOptions } from '../bank/queries.ts';
import { useChosen } from '../bank/use-chosen.ts';
import { materialsOptions } from '../materials/queries.ts';
import { TypeQuestions } from '../question-editor/type-questions.tsx';
import { ShelfTabs } from '../shelf/shelf-tabs.tsx';
import { BankItemDialog } from './bank-item-dialog.tsx';
import { TakenReport, WriteOut } from './package-reports.tsx';
import '../shelf/words.ts';
import './words.ts';
import '../bank/words.ts';
import '../question-editor/words.ts';

interface Entry {
  readonly question: Question;
  readonly tags: string[];
}

export function Component() {
  const queryClient = useQueryClient();
  const query = useQuery(bankOptions());
  const [filter, setFilter] = useState(noFilter);
  const { chosen, toggle, clear } = useChosen();
  const [edited, setEdited] = useState<BankItem | 'new' | null>(null);
  const [isTyping, setIsTyping] = useState(false);
  const [isWritingOut, setIsWritingOut] = useState(false);

  const after = async (words: string) => {
    await queryClient.invalidateQueries(bankOptions());
    toast(words);
  };
  const onError = (error: unknown) => toast.error(errorWords(error));
  const takeIn = useMutation({
    mutationFn: (file: File) => callWithFile('takeInPackage', {}, file),
    onSuccess: () =>
      Promise.all([queryClient.invalidateQueries(bankOptions()), queryClient.invalidateQueries(materialsOptions())]),
  });
  const put = useMutation({
    mutationFn: (entries: Entry[]) => call('putIntoBank', { body: { entries } }),
    onSuccess: async ({ ids }) => {
      setEdited(null);
      setIsTyping(false);
      await after(t('bank.added', { count: ids.length }));
    },
    onError,
  });
  const change = useMutation({
    mutationFn: ({ itemId, entry }: { itemId: string; entry: Entry }) =>
      call('changeBankItem', { params: { itemId }, body: entry }),
    onSuccess: async () => {
      setEdited(null);
      await after(t('bank.saved'));
    },
    onError,
  });
  const remove = useMutation({
    mutationFn: async (itemIds: readonly string[]) => {
      for (const itemId of itemIds) await call('removeBankItem', { params: { itemId } });
    },
    onSuccess: async (_, itemIds) => {
      clear();
      await after(t('bank.removed', { count: itemIds.length }));
    },
    onError,
  });

  return (
    <Page
      title={t('shelf.title')}
      actions={
        <>
          <FileButton
            accept=".zip,.xml,application/zip,text/xml"
            disabled={takeIn.isPending}
            onFile={(file) => takeIn.mutate(file)}
          >
            {t(takeIn.isPending ? 'bank.takingIn' : 'bank.takeIn')}
          </FileButton>
          <Button onClick={() => setIsTyping(true)}>
            <TextCursorInput aria-hidden className="size-4" strokeWidth={1.75} />
            {t('editor.type')}
          </Button>
          <Button look="main" onClick={() => setEdited('new')}>
            <Plus aria-hidden className="size-4" strokeWidth={1.75} />
            {t('bank.new')}
          </Button>
        </>
      }
    >
      <ShelfTabs />
      {takeIn.isSuccess && <TakenReport report={takeIn.data} onClose={takeIn.reset} />}
      {takeIn.isError && (
        <Notice tone="danger" role="alert">
          {packageWords(takeIn.error)}
        </Notice>
      )}
      <QueryView query={query}>
        {(items) => {
          const shown = filterBank(items, filter);
          return items.length === 0 ? (
            <EmptyPlace title={t('bank.empty')}>
              <p>{t('bank.emptyHelp')}</p>
            </EmptyPlace>
          ) : (
            <section aria-label={t('bank.title')} className="grid gap-3">
              <BankFilters items={items} filter={filter} onChange={setFilter} />
              {chosen.size > 0 && (
                <div className="flex flex-wrap items-center gap-2 rounded-card bg-main-tint px-4 py-2">
                  <span className="grow text-14">{t('bank.chosen', { count: chosen.size })}</span>
                  <Button size="small" onClick={() => setIsWritingOut(true)}>
                    {t('bank.writeOut')}
                  </Button>
                  <Button size="small" look="danger" onClick={() => remove.mutate([...chosen])}>
                    {t('bank.remove')}
                  </Button>
                  <Button size="small" onClick={clear}>
                    {t('bank.unchoose')}
                  </Button>
                </div>
              )}
              {shown.length === 0 && <p className="text-quiet">{t('bank.noMatch')}</p>}
              <ul className="divide-y divide-line overflow-hidden rounded-card border border-line bg-card">
                {shown.map((item) => (
                  <BankRow key={item.id} item={item} isChosen={chosen.has(item.id)} onToggle={() => toggle(item.id)}>
                    <Button
                      size="small"
                      onClick={() => setEdited(item)}
                      aria-label={t('app.verbOn', { verb: t('bank.edit'), title: item.question.stem })}
                    >
                      {t('bank.edit')}
                    </Button>
                  </BankRow>
                ))}
              </ul>
            </section>
          );
        }}
      </QueryView>
      {edited && (
        <BankItemDialog
          item={edited === 'new' ? null : edited}
          isSaving={put.isPending || change.isPending}
          onSave={(entry) => (edited === 'new' ? put.mutate([entry]) : change.mutate({ itemId: edited.id, entry }))}
          onClose={() => setEdited(null)}
        />
      )}
      {isWritingOut && <WriteOut itemIds={[...chosen]} onClose={() => setIsWritingOut(false)} />}
      {isTyping && (
        <TypeQuestions
          onClose={() => setIsTyping(false)}
          onTake={(questions) => put.mutate(questions.map((question) => ({ question, tags: [] })))}
        />
      )}
    </Page>
  );
}

/** Why a package was not taken, as far as the server could tell. */
function packageWords(error: unknown): string {
  const detail = error instanceof ApiError ? (error.detail as { readonly reason?: string } | undefined) : undefined;
  return (detail?.reason && findWords(`packageRefusal.${detail.reason}`)) || errorWords(error);
}
