import type { AssignmentSummary } from '@semita/core/contract';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Field, Select, TextInput } from '../../ui/field.tsx';
import { EmptyPlace } from '../../ui/notice.tsx';
import { Page } from '../../ui/page.tsx';
import { QueryView } from '../../ui/query-view.tsx';
import { t } from '../../words/words.ts';
import { AssignmentList } from '../assignment/assignment-list.tsx';
import { historyOptions } from '../assignment/queries.ts';
import { classesOptions } from '../classes/queries.ts';
import { schoolDaysOptions } from '../week/queries.ts';
import { byTerm } from './by-term.ts';
import './words.ts';

/** All that a teacher's classes were ever given, by term. */
export function Component() {
  const history = useQuery(historyOptions());
  return (
    <Page title={t('history.title')}>
      <QueryView query={history}>
        {(all) =>
          all.length === 0 ? (
            <EmptyPlace title={t('history.empty')}>
              <p className="text-quiet">{t('history.emptyHelp')}</p>
            </EmptyPlace>
          ) : (
            <Terms all={all} />
          )
        }
      </QueryView>
    </Page>
  );
}

function Terms({ all }: { readonly all: readonly AssignmentSummary[] }) {
  const schoolDays = useQuery(schoolDaysOptions());
  const classes = useQuery(classesOptions());
  const [classId, setClassId] = useState('');
  const [words, setWords] = useState('');
  const wanted = words.trim().toLocaleLowerCase();
  const isOf = ({ to }: AssignmentSummary, id: string) => to.some((one) => one.classId === id);
  const found = all.filter(
    (one) => one.title.toLocaleLowerCase().includes(wanted) && (classId === '' || isOf(one, classId)),
  );
  return (
    <>
      <p className="text-quiet">{t('history.help')}</p>
      <div className="flex flex-wrap gap-4">
        <Field label={t('history.class')}>
          {(ids) => (
            <Select {...ids} value={classId} onChange={({ target }) => setClassId(target.value)}>
              <option value="">{t('history.allClasses')}</option>
              {(classes.data ?? [])
                .filter(({ id }) => all.some((one) => isOf(one, id)))
                .map(({ id, name }) => (
                  <option key={id} value={id}>
                    {name}
                  </option>
                ))}
            </Select>
          )}
        </Field>
        <Field label={t('history.lesson')}>
          {(ids) => (
            <TextInput {...ids} type="search" value={words} onChange={({ target }) => setWords(target.value)} />
          )}
        </Field>
      </div>
      {found.length === 0 && <p className="text-quiet">{t('history.noneFound')}</p>}
      {byTerm(found, schoolDays.data ?? []).map(({ title, assignments }) => (
        <section key={title ?? ''} className="grid gap-3">
          {/* Where the school has no calendar there is nothing to tell apart. */}
          {(title !== null || (schoolDays.data ?? []).some(({ kind }) => kind === 'term')) && (
            <h2 className="text-18">{title ?? t('history.otherTimes')}</h2>
          )}
          <AssignmentList
            assignments={assignments}
            actionOf={({ takenBackAt }) =>
              takenBackAt !== null && <span className="text-13 text-quiet">{t('history.takenBack')}</span>
            }
          />
        </section>
      ))}
    </>
  );
}
