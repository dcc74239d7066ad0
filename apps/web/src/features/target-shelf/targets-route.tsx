import type { ListedTarget } from '@semita/core/contract';
import { longestCode, longestWords, type ReadTargets, targetKey } from '@semita/core/target';
import { useQuery } from '@tanstack/react-query';
import { Plus, X } from 'lucide-react';
import { useState } from 'react';
import { toast } from 'sonner';
import { Button } from '../../ui/button.tsx';
import { Dialog, DialogClose } from '../../ui/dialog.tsx';
import { Field, Select, TextInput } from '../../ui/field.tsx';
import { FileButton } from '../../ui/file-button.tsx';
import { EmptyPlace, Notice } from '../../ui/notice.tsx';
import { Page } from '../../ui/page.tsx';
import { QueryView } from '../../ui/query-view.tsx';
import { t } from '../../words/words.ts';
import { ShelfTabs } from '../shelf/shelf-tabs.tsx';
import { targetsOptions, useBringIn, useRemoveTarget } from '../targets/queries.ts';
import { BringInDialog } from './bring-in-dialog.tsx';
import { readTargetFile } from './read-target-file.ts';
import '../shelf/words.ts';
import './words.ts';

/** What students of the school learn. */
export function Component() {
  const query = useQuery(targetsOptions());
  const [isAdding, setIsAdding] = useState(false);
  const [file, setFile] = useState<{ readonly name: string; readonly read: ReadTargets | null } | null>(null);
  const listed = query.data ?? [];
  return (
    <Page
      title={t('shelf.title')}
      actions={
        <>
          <FileButton
            accept=".csv,.tsv,.txt,.json,text/csv,application/json"
            onFile={async (one) => setFile({ name: one.name, read: await readTargetFile(one) })}
          >
            {t('targets.bringIn')}
          </FileButton>
          <Button look="main" onClick={() => setIsAdding(true)}>
            <Plus aria-hidden className="size-4" strokeWidth={1.75} />
            {t('targets.add')}
          </Button>
        </>
      }
    >
      <ShelfTabs />
      {file && file.read === null && (
        <Notice tone="danger" role="alert">
          {t('targets.unreadable')}
        </Notice>
      )}
      <QueryView query={query}>{(targets) => <TargetList targets={targets} />}</QueryView>
      {file?.read && <BringInDialog name={file.name} read={file.read} onClose={() => setFile(null)} />}
      {isAdding && <AddTarget listed={listed} onClose={() => setIsAdding(false)} />}
    </Page>
  );
}

function TargetList({ targets }: { readonly targets: readonly ListedTarget[] }) {
  const [search, setSearch] = useState('');
  const putBack = useBringIn(() => {});
  const remove = useRemoveTarget(() => {});
  if (targets.length === 0)
    return (
      <EmptyPlace title={t('targets.empty')}>
        <p className="max-w-xl text-quiet">{t('targets.emptyHelp')}</p>
        <p className="text-14 text-quiet">{t('targets.bringInHelp')}</p>
      </EmptyPlace>
    );
  const wanted = targetKey(search);
  const shown = targets.filter(({ code, words }) => targetKey(`${code} ${words}`).includes(wanted));
  const parents = new Map(targets.map(({ code, parentCode }) => [targetKey(code), parentCode]));
  return (
    <section aria-label={t('targets.list')} className="grid gap-3">
      <div className="flex items-center gap-3">
        <TextInput
          type="search"
          aria-label={t('targets.find')}
          placeholder={t('targets.find')}
          className="h-9 max-w-80 text-14"
          value={search}
          onChange={({ target }) => setSearch(target.value)}
        />
        <p className="text-14 text-quiet">{t('targets.count', { shown: shown.length, all: targets.length })}</p>
      </div>
      <ul className="divide-y divide-line overflow-hidden rounded-card border border-line bg-card">
        {shown.map(({ id, code, words, parentCode, isOwn }) => (
          <li key={id} className="flex min-h-10 items-center gap-3 px-4 py-1.5">
            <span
              style={{ paddingLeft: `${Math.min(4, depthOf(parentCode, parents)) * 20}px` }}
              className="w-40 shrink-0 font-mono text-13 [overflow-wrap:anywhere]"
            >
              {code}
            </span>
            <span className="min-w-0 grow text-14 [overflow-wrap:anywhere]">{words}</span>
            {isOwn && (
              <button
                type="button"
                aria-label={t('targets.remove', { code })}
                disabled={remove.isPending}
                onClick={() =>
                  remove.mutate(id, {
                    onSuccess: () =>
                      toast(t('targets.removed', { code }), {
                        action: {
                          label: t('targets.putBack'),
                          onClick: () => putBack.mutate([{ code, words, parentCode }]),
                        },
                      }),
                  })
                }
                className="grid size-8 shrink-0 place-items-center rounded-control hover:bg-main-tint"
              >
                <X aria-hidden className="size-4" strokeWidth={1.75} />
              </button>
            )}
          </li>
        ))}
      </ul>
    </section>
  );
}

/** How far below the top: what stands in a circle ends where it began. */
function depthOf(parentCode: string | null, parents: ReadonlyMap<string, string | null>): number {
  const seen = new Set<string>();
  for (let at = parentCode; at !== null && !seen.has(targetKey(at)); at = parents.get(targetKey(at)) ?? null)
    seen.add(targetKey(at));
  return seen.size;
}

function AddTarget({ listed, onClose }: { readonly listed: readonly ListedTarget[]; readonly onClose: () => void }) {
  const [code, setCode] = useState('');
  const [words, setWords] = useState('');
  const [parentCode, setParentCode] = useState('');
  const save = useBringIn(() => {
    toast(t('targets.saved'));
    onClose();
  });
  return (
    <Dialog open onOpenChange={(isOpen) => !isOpen && onClose()} title={t('targets.add')}>
      <form
        className="grid gap-4"
        onSubmit={(event) => {
          event.preventDefault();
          save.mutate([{ code: code.trim(), words: words.trim(), parentCode: parentCode || null }]);
        }}
      >
        <Field label={t('targets.code')} help={t('targets.codeHelp')}>
          {(ids) => (
            <TextInput
              {...ids}
              required
              pattern=".*\S.*"
              maxLength={longestCode}
              value={code}
              onChange={({ target }) => setCode(target.value)}
            />
          )}
        </Field>
        <Field label={t('targets.words')}>
          {(ids) => (
            <TextInput
              {...ids}
              required
              pattern=".*\S.*"
              maxLength={longestWords}
              value={words}
              onChange={({ target }) => setWords(target.value)}
            />
          )}
        </Field>
        {listed.length > 0 && (
          <Field label={t('targets.under')}>
            {(ids) => (
              <Select {...ids} value={parentCode} onChange={({ target }) => setParentCode(target.value)}>
                <option value="">{t('targets.underNone')}</option>
                {listed.map((one) => (
                  <option key={one.id} value={one.code}>
                    {one.code} {one.words.slice(0, 60)}
                  </option>
                ))}
              </Select>
            )}
          </Field>
        )}
        <div className="flex justify-end gap-2">
          <DialogClose>{t('targets.cancel')}</DialogClose>
          <Button type="submit" look="main" disabled={save.isPending}>
            {t('targets.save')}
          </Button>
        </div>
      </form>
    </Dialog>
  );
}
