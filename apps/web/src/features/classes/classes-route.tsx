import type { OutputOf, routes } from '@semita/core/contract';
import { useQuery } from '@tanstack/react-query';
import { Plus } from 'lucide-react';
import { useState } from 'react';
import { useForm } from 'react-hook-form';
import { Link, useNavigate } from 'react-router';
import { toast } from 'sonner';
import { call } from '../../api/client.ts';
import { Button, buttonStyle } from '../../ui/button.tsx';
import { ClassMark } from '../../ui/class-mark.tsx';
import { Dialog } from '../../ui/dialog.tsx';
import { Field, TextInput } from '../../ui/field.tsx';
import { EmptyPlace } from '../../ui/notice.tsx';
import { Page } from '../../ui/page.tsx';
import { QueryView } from '../../ui/query-view.tsx';
import { t } from '../../words/words.ts';
import { lastDayOf } from './last-day-of.ts';
import { classesOptions, useClassChange } from './queries.ts';
import './words.ts';

type ClassLine = OutputOf<(typeof routes)['listClasses']>[number];

export function Component() {
  const query = useQuery(classesOptions());
  const [isMaking, setIsMaking] = useState(false);
  const make = (
    <Button look="main" onClick={() => setIsMaking(true)}>
      <Plus aria-hidden className="size-4" strokeWidth={1.75} />
      {t('classes.make')}
    </Button>
  );
  return (
    <Page
      title={t('classes.title')}
      actions={
        <>
          <Link to="/history" className={buttonStyle()}>
            {t('classes.history')}
          </Link>
          {make}
        </>
      }
    >
      {isMaking && <MakeDialog onClose={() => setIsMaking(false)} />}
      <QueryView query={query}>
        {(all) => {
          const current = all.filter(({ isArchived }) => !isArchived);
          const archived = all.filter(({ isArchived }) => isArchived);
          return (
            <>
              {current.length === 0 ? (
                <EmptyPlace title={t('classes.empty')}>
                  <p className="max-w-md text-quiet">{t('classes.emptyHelp')}</p>
                </EmptyPlace>
              ) : (
                <ClassList classes={current} />
              )}
              {archived.length > 0 && <Archived classes={archived} />}
            </>
          );
        }}
      </QueryView>
    </Page>
  );
}

function ClassList({ classes }: { readonly classes: readonly ClassLine[] }) {
  return (
    <ul className="divide-y divide-line overflow-hidden rounded-card border border-line bg-card">
      {classes.map((one) => (
        <li key={one.id} className="relative flex flex-wrap items-center gap-x-4 gap-y-1 px-5 py-3 hover:bg-main-tint">
          <ClassMark {...one} />
          <Link to={`/classes/${one.id}`} className="grow font-medium after:absolute after:inset-0">
            {one.name}
          </Link>
          {one.standsIn && <span className="text-14 text-slate">{t('classes.standsIn')}</span>}
          {one.waitingCount > 0 && (
            <span className="rounded-full bg-marigold-tint px-2 text-14 text-marigold-ink">
              {t('classes.waits', { count: one.waitingCount })}
            </span>
          )}
          <span className="w-28 text-right text-14 text-quiet">
            {t('classes.students', { count: one.studentCount })}
          </span>
        </li>
      ))}
    </ul>
  );
}

/** Classes of other years. */
function Archived({ classes }: { readonly classes: readonly ClassLine[] }) {
  const bringBack = useClassChange(
    ({ id, removedAt }: ClassLine) =>
      removedAt === null
        ? call('changeClass', { params: { classId: id }, body: { isArchived: false } })
        : call('bringBackClass', { params: { classId: id } }),
    (_, { name }) => toast(t('classes.broughtBack', { name })),
  );
  return (
    <section className="grid gap-3">
      <h2 className="text-18">{t('classes.archivedTitle')}</h2>
      <ul className="divide-y divide-line rounded-card border border-line bg-card">
        {classes.map((one) => (
          <li key={one.id} className="flex items-center gap-4 px-5 py-2">
            <ClassMark {...one} className="size-7 opacity-60" />
            <Link to={`/classes/${one.id}`} className="grow text-quiet hover:underline">
              {one.name}
            </Link>
            {one.removedAt !== null && (
              <span className="text-14 text-brick">{t('classes.goes', { day: lastDayOf(one.removedAt) })}</span>
            )}
            <Button
              size="small"
              aria-label={t('classes.bringBackOf', { name: one.name })}
              onClick={() => bringBack.mutate(one)}
            >
              {t('classes.bringBack')}
            </Button>
          </li>
        ))}
      </ul>
    </section>
  );
}

function MakeDialog({ onClose }: { readonly onClose: () => void }) {
  const navigate = useNavigate();
  const form = useForm({ defaultValues: { name: '' } });
  const make = useClassChange(
    (body: { name: string }) => call('createClass', { body }),
    ({ id }) => void navigate(`/classes/${id}`),
  );
  return (
    <Dialog open onOpenChange={(open) => !open && onClose()} title={t('classes.make')}>
      <form noValidate className="grid gap-4" onSubmit={form.handleSubmit((values) => make.mutate(values))}>
        <Field
          label={t('classes.className')}
          help={t('classes.makeHelp')}
          error={form.formState.errors.name && t('classes.classNameMissing')}
        >
          {(ids) => (
            <TextInput
              {...ids}
              {...form.register('name', { validate: (text) => text.trim() !== '' })}
              autoComplete="off"
              maxLength={100}
            />
          )}
        </Field>
        <Button look="main" size="roomy" type="submit" disabled={make.isPending}>
          {t('classes.makeIt')}
        </Button>
      </form>
    </Dialog>
  );
}
