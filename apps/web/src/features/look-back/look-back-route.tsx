import type { LookBack } from '@semita/core/analysis';
import type { Sheet, StopFigures } from '@semita/core/contract';
import { knownTargets } from '@semita/core/target';
import { useQuery } from '@tanstack/react-query';
import { Presentation, Printer } from 'lucide-react';
import { useMemo, useState } from 'react';
import { Button } from '../../ui/button.tsx';
import { CheckInput } from '../../ui/check-input.tsx';
import { Field, TextArea } from '../../ui/field.tsx';
import { joinClasses } from '../../ui/join-classes.ts';
import { EmptyPlace } from '../../ui/notice.tsx';
import { QueryView } from '../../ui/query-view.tsx';
import { t } from '../../words/words.ts';
import { AssignmentFrame } from '../assignment/assignment-frame.tsx';
import { stopFiguresOptions } from '../assignment/queries.ts';
import { useEndNow } from '../assignment/use-end-now.ts';
import { useLiveSheet } from '../assignment/use-live-sheet.ts';
import { targetsOptions } from '../targets/queries.ts';
import { ChooseAnswers } from './choose-answers.tsx';
import { lookBackOptions, useSetLookBack } from './queries.ts';
import { SectionView } from './section-view.tsx';
import { type QuestionSection, sectionsOf } from './sections.ts';
import { fillScreen, Wall } from './wall.tsx';
import '../assignment/words.ts';
import '../marking/words.ts';
import './words.ts';

export function Component() {
  return <AssignmentFrame>{(sheet) => <LookBackPage sheet={sheet} />}</AssignmentFrame>;
}

function LookBackPage({ sheet }: { readonly sheet: Sheet }) {
  const { id } = sheet.assignment;
  useLiveSheet(id);
  const figures = useQuery(stopFiguresOptions(id));
  const content = useQuery(lookBackOptions(id));
  return (
    <QueryView query={figures}>
      {(told) => (
        <QueryView query={content}>{(chosen) => <LookBackDesk {...{ sheet, told }} content={chosen} />}</QueryView>
      )}
    </QueryView>
  );
}

interface Props {
  readonly sheet: Sheet;
  readonly told: StopFigures;
  readonly content: LookBack;
}

/** What is looked at together, as it is put together: what is shown of it, and what is said to it. */
function LookBackDesk({ sheet, told, content }: Props) {
  const { assignment, runs, terms } = sheet;
  const assignmentId = assignment.id;
  const { data: targets } = useQuery(targetsOptions());
  const known = useMemo(() => knownTargets(targets ?? []), [targets]);
  const set = useSetLookBack(assignmentId);
  const [isOnWall, setIsOnWall] = useState(false);
  const [choosing, setChoosing] = useState<string | null>(null);
  const all = sectionsOf(sheet, told, content, known);
  const pages = all.filter((section) => section.kind !== 'question' || !section.isHidden);
  const common = { assignmentId, title: assignment.title, className: assignment.className };
  const locale = terms.locale ?? 'en';
  if (told.figures.questions.every(({ answered }) => answered === 0))
    return (
      <div className="p-8">
        <EmptyPlace title={t('lookBack.nothing')}>
          <p>{t('lookBack.nothingHelp')}</p>
        </EmptyPlace>
      </div>
    );
  const chosen = all.find(
    (section): section is QuestionSection => section.kind === 'question' && section.question.id === choosing,
  );
  const hide = (questionId: string, isHidden: boolean) =>
    set({
      hidden: isHidden ? [...content.hidden, questionId] : content.hidden.filter((id) => id !== questionId),
    });
  return (
    <div className="mx-auto grid w-full max-w-4xl grid-cols-[minmax(0,1fr)] content-start gap-4 p-5 print:max-w-none print:p-0">
      <div className="flex flex-wrap items-center gap-3 print:hidden">
        <Button
          look="main"
          onClick={() => {
            fillScreen();
            setIsOnWall(true);
          }}
        >
          <Presentation aria-hidden className="size-4" strokeWidth={1.75} />
          {t('lookBack.show')}
        </Button>
        <Button onClick={() => window.print()}>
          <Printer aria-hidden className="size-4" strokeWidth={1.75} />
          {t('lookBack.print')}
        </Button>
        <span className="grow" />
        {runs && <Closing sheet={sheet} />}
      </div>
      {runs && <Again key={assignmentId} content={content} onChange={(again) => set({ again })} />}
      {all.map((section) => {
        const own = section.kind === 'question' ? section : null;
        return (
          <section
            key={own ? own.question.id : section.kind}
            className={joinClasses(
              'grid grid-cols-[minmax(0,1fr)] gap-3 rounded-card border border-line bg-card p-5 print:break-inside-avoid print:border-0',
              own?.isHidden && 'opacity-60 print:hidden',
            )}
          >
            <SectionView {...{ ...common, section, locale }} />
            {own && runs && (
              <div className="flex flex-wrap items-center gap-4 border-t border-line pt-3 print:hidden">
                <CheckInput
                  checked={!own.isHidden}
                  label={t('lookBack.shownOf', { number: own.number })}
                  onChange={(isShown) => hide(own.question.id, !isShown)}
                >
                  {t('lookBack.shown')}
                </CheckInput>
                <Button size="small" look="quiet" onClick={() => setChoosing(own.question.id)}>
                  {t('lookBack.chooseAnswers')}
                </Button>
                {own.shown.length > 0 && (
                  <span className="text-14 text-quiet">{t('lookBack.chosen', { count: own.shown.length })}</span>
                )}
              </div>
            )}
          </section>
        );
      })}
      {chosen && (
        <ChooseAnswers
          {...{ assignmentId }}
          section={chosen}
          shown={content.shown}
          onChange={(shown) => set({ shown })}
          onClose={() => setChoosing(null)}
        />
      )}
      {isOnWall && (
        <Wall title={assignment.title} count={pages.length} onClose={() => setIsOnWall(false)}>
          {(index, zoom) => {
            const section = pages[index];
            return section && <SectionView {...{ ...common, section, locale, zoom }} />;
          }}
        </Wall>
      )}
    </div>
  );
}

/** Closes it for all, with how many that leaves out. */
function Closing({ sheet: { assignment, students } }: Pick<Props, 'sheet'>) {
  const { endNow, isEnding } = useEndNow(assignment);
  const open = students.filter(
    ({ row, excused, leftAt }) => row?.handedInAt == null && !excused && leftAt === undefined,
  );
  const isClosed = assignment.to.every(({ closesAt }) => closesAt !== null && closesAt < Date.now());
  if (isClosed) return <p className="text-14 text-quiet">{t('lookBack.isClosed')}</p>;
  return (
    <div className="flex flex-wrap items-center gap-3">
      {open.length > 0 && (
        <p className="max-w-80 text-13 text-quiet">{t('lookBack.stillOpen', { count: open.length })}</p>
      )}
      <Button disabled={isEnding} onClick={endNow}>
        {t('lookBack.close')}
      </Button>
    </div>
  );
}

/** Words of one's own, kept when one goes on from them. */
function Again({ content, onChange }: { readonly content: LookBack; readonly onChange: (again: string) => void }) {
  const [words, setWords] = useState(content.again);
  return (
    <div className="print:hidden">
      <Field label={t('lookBack.againLabel')} help={t('lookBack.againHelp')}>
        {(ids) => (
          <TextArea
            {...ids}
            maxLength={2_000}
            value={words}
            onChange={({ target }) => setWords(target.value)}
            onBlur={() => words !== content.again && onChange(words)}
          />
        )}
      </Field>
    </div>
  );
}
