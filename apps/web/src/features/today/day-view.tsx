import type { AssignmentSummary } from '@semita/core/contract';
import { needOfStudent, readSheetLine } from '@semita/core/sheet';
import { type DayDate, type DayNeed, overnightSince, type TeacherDay, teacherDay } from '@semita/core/today';
import { useMutation, useQuery } from '@tanstack/react-query';
import { ArrowRight } from 'lucide-react';
import type { ReactNode } from 'react';
import { Link } from 'react-router';
import { toast } from 'sonner';
import { call } from '../../api/client.ts';
import { Button, buttonStyle } from '../../ui/button.tsx';
import { ClassMark } from '../../ui/class-mark.tsx';
import { EmptyPlace, errorWords } from '../../ui/notice.tsx';
import { formatAgo, formatInstant } from '../../words/format.ts';
import { t } from '../../words/words.ts';
import { classesOptions } from '../classes/queries.ts';
import '../assignment/words.ts';
import './words.ts';

interface Props {
  readonly assignments: readonly AssignmentSummary[];
  readonly now: number;
}

/** What a teacher's day begins with: whom to help and what to mark, what came in, and what the clock does today. */
export function DayView({ assignments, now }: Props) {
  const day = teacherDay(assignments, now);
  const byId = new Map(assignments.map((one) => [one.id, one]));
  return (
    <>
      <Section title={t('today.needs')}>
        <Needs {...{ byId, now }} needs={day.needs} />
      </Section>
      {day.dates.length > 0 && (
        <Section title={t('today.dates')}>
          <ul className={list}>
            {day.dates.map((date) => {
              const one = byId.get(date.assignmentId);
              return one && <DateRow key={`${one.id} ${date.kind} ${date.at}`} {...{ date, one }} />;
            })}
          </ul>
        </Section>
      )}
      {day.cameIn.length > 0 && (
        <Section title={t('today.cameInSince', { time: sinceWords(assignments, now) })}>
          <ul className={list}>
            {day.cameIn.map(({ assignmentId, count }) => {
              const one = byId.get(assignmentId);
              if (!one) return null;
              return (
                <li key={assignmentId} className={row}>
                  <span className="font-medium">{t('today.cameIn', { count })}</span>
                  <Whose one={one} />
                  <Link
                    to={`/assignments/${assignmentId}?sort=lastSeen`}
                    aria-label={t('app.verbOn', { verb: t('today.look'), title: one.title })}
                    className={buttonStyle({ size: 'small' })}
                  >
                    {t('today.look')}
                  </Link>
                </li>
              );
            })}
          </ul>
        </Section>
      )}
    </>
  );
}

/** On the clock of the first class; a teacher's classes mostly have one. */
function sinceWords([first]: readonly AssignmentSummary[], now: number): string {
  const timeZone = first?.timeZone ?? 'UTC';
  return formatInstant(overnightSince(now, timeZone), timeZone);
}

const list = 'divide-y divide-line overflow-hidden rounded-card border border-line bg-card';
const row = 'flex min-h-12 flex-wrap items-center gap-x-4 gap-y-1 px-5 py-2';

export function Section({ title, children }: { readonly title: string; readonly children: ReactNode }) {
  return (
    <section aria-label={title} className="grid gap-3">
      <h2 className="text-18">{title}</h2>
      {children}
    </section>
  );
}

const Whose = ({ one }: { readonly one: AssignmentSummary }) => (
  <span className="min-w-0 grow text-14 text-quiet [overflow-wrap:anywhere]">
    {one.title}, {one.className}
  </span>
);

type ById = ReadonlyMap<string, AssignmentSummary>;

/** By class, what has waited longest first; every row is a verb that does it, or leads to where it is done. */
function Needs({
  needs,
  byId,
  now,
}: {
  readonly needs: TeacherDay['needs'];
  readonly byId: ById;
  readonly now: number;
}) {
  const { data: classes = [] } = useQuery(classesOptions());
  if (needs.length === 0) return <EmptyPlace title={t('today.nothing')} />;
  return (
    <div className="grid gap-4">
      {needs.map(({ classId, needs: own }) => {
        const ofClass = classes.find(({ id }) => id === classId);
        return (
          <section key={classId} className="overflow-hidden rounded-card border border-line bg-card">
            <h3 className="flex items-center gap-2 border-b border-line px-5 py-2 text-16">
              {ofClass && <ClassMark {...ofClass} />}
              {ofClass?.name ?? ''}
            </h3>
            <ul className="divide-y divide-line">
              {own.map((need) => {
                const one = byId.get(need.assignmentId);
                return one && <NeedRow key={`${one.id} ${need.kind}`} {...{ need, one, now }} />;
              })}
            </ul>
          </section>
        );
      })}
    </div>
  );
}

const leadsTo = { stuck: '?needs=stuck', wroteBack: '', mark: '?mark=next' } as const;

function NeedRow({
  need: { kind, count, since },
  one,
  now,
}: {
  readonly need: DayNeed;
  readonly one: AssignmentSummary;
  readonly now: number;
}) {
  const waits = since === null ? null : formatAgo(since, now);
  const about = (
    <>
      <span className="min-w-0 grow text-14 text-quiet [overflow-wrap:anywhere]">
        {one.title}
        <span className="sr-only">, {one.className}</span>
      </span>
      {waits && <span className="shrink-0 text-14 text-quiet">{t('today.waitsSince', { ago: waits })}</span>}
    </>
  );
  const look = 'flex flex-wrap items-center gap-x-4 gap-y-1 border-l-4 border-l-marigold px-4 py-2.5';
  if (kind === 'overdue')
    return (
      <li className={look}>
        <Nudge one={one} count={count} />
        {about}
      </li>
    );
  return (
    <li>
      <Link to={`/assignments/${one.id}${leadsTo[kind]}`} className={`${look} hover:bg-main-tint`}>
        <span className="font-medium">{t(`today.${kind}`, { count })}</span>
        {about}
        <ArrowRight aria-hidden className="size-4 shrink-0 text-quiet" strokeWidth={1.75} />
      </Link>
    </li>
  );
}

/** Reminds those who are past the date when it is pressed, and not those who were when the page was read. */
function Nudge({ one, count }: { readonly one: AssignmentSummary; readonly count: number }) {
  const params = { assignmentId: one.id };
  const nudge = useMutation({
    mutationFn: async () => {
      const sheet = await call('readSheet', { params });
      const studentIds = sheet.students
        .map(readSheetLine)
        .filter((student) => needOfStudent(student, sheet) === 'overdue' && !student.cameTooLate)
        .map(({ studentId }) => studentId);
      if (studentIds.length > 0) await call('nudge', { params, body: { studentIds } });
      return studentIds.length;
    },
    onSuccess: (nudged) => toast(nudged === 0 ? t('today.nobodyOverdue') : t('today.nudged', { count: nudged })),
    onError: (error) => toast.error(errorWords(error)),
  });
  return (
    <Button
      size="small"
      disabled={nudge.isPending || nudge.isSuccess}
      aria-label={t('app.verbOn', { verb: t('today.nudge', { count }), title: one.title })}
      onClick={() => nudge.mutate()}
    >
      {t('today.nudge', { count })}
    </Button>
  );
}

function DateRow({ date: { kind, at }, one }: { readonly date: DayDate; readonly one: AssignmentSummary }) {
  const out = one.studentCount - one.handedInCount;
  // The day is today: the clock alone says when.
  const time = formatInstant(at, one.timeZone).split(', ').at(-1) ?? '';
  return (
    <li className={row}>
      <span className="w-28 shrink-0 font-medium">{t(`onClock.${kind}`, { time })}</span>
      <Whose one={one} />
      {kind !== 'opens' && out > 0 && <span className="text-14">{t('today.stillOut', { count: out })}</span>}
      <Link
        to={kind === 'closes' ? `/assignments/${one.id}/look-back` : `/assignments/${one.id}`}
        aria-label={t('app.verbOn', {
          verb: t(kind === 'closes' ? 'today.lookBack' : 'sheet.sheet'),
          title: one.title,
        })}
        className={buttonStyle({ size: 'small' })}
      >
        {t(kind === 'closes' ? 'today.lookBack' : 'sheet.sheet')}
      </Link>
    </li>
  );
}
