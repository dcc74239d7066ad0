import type { BreakPoint } from '@semita/core/breaks';
import { type Fault, isPathFault } from '@semita/core/checks';
import type { Draft } from '@semita/core/contract';
import { changeTarget, hasMaterial, isWithinFilm, type LessonChange } from '@semita/core/lesson';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { lazy, Suspense, useEffect, useMemo, useRef, useState, useSyncExternalStore } from 'react';
import { useNavigate, useParams, useSearchParams } from 'react-router';
import { toast } from 'sonner';
import { v7 } from 'uuid';
import { ApiError, codeOf } from '../../api/api-error.ts';
import { call } from '../../api/client.ts';
import { useUnsavedGuard } from '../../saving/use-unsaved-guard.ts';
import { Button } from '../../ui/button.tsx';
import { focusSoon } from '../../ui/focus-soon.ts';
import { joinClasses } from '../../ui/join-classes.ts';
import { EmptyPlace, errorWords, Notice } from '../../ui/notice.tsx';
import { QueryView } from '../../ui/query-view.tsx';
import { enStudent } from '../../words/en-student.ts';
import { addWords, t } from '../../words/words.ts';
import type { FilmControls } from '../film/film-stage.tsx';
import { materialsOptions } from '../materials/queries.ts';
import { RegionSources, sourcesOfParts } from '../picture/region-source.ts';
import { EditedLessonProvider } from '../question-editor/edited-lesson.ts';
import { DeskBar, type DeskSide } from './desk-bar.tsx';
import { createDesk } from './desk-store.ts';
import { FaultList } from './fault-list.tsx';
import { Outline } from './outline.tsx';
import { PartDesk } from './part-desk.tsx';
import { draftOptions, useDraftOnOpening } from './queries.ts';
import { loadEditorAhead } from './stop-card.tsx';
import { useDeskKeys } from './use-desk-keys.ts';
import { useWholeLesson } from './whole-lesson.ts';

// The stage is the students' own player, with their words.
addWords(enStudent);

/** Loaded by what a part shows. */
const ClipDetails = lazy(async () => ({ default: (await import('./clip-details.tsx')).ClipDetails }));
const ReadingDetails = lazy(async () => ({ default: (await import('./reading-details.tsx')).ReadingDetails }));
/** Loaded when two have changed the same. */
const ConflictNotice = lazy(async () => ({ default: (await import('./conflict-notice.tsx')).ConflictNotice }));

/** Loaded when a lesson is given out. */
const AssignDialog = lazy(async () => ({
  default: (await import('../assigning/assign-dialog.tsx')).AssignDialog,
}));

const LessonDesk = lazy(async () => ({ default: (await import('./lesson-desk.tsx')).LessonDesk }));
/** Each loaded when there is such a part. */
const TaskDesk = lazy(async () => ({ default: (await import('./task-desk.tsx')).TaskDesk }));
const BoardDesk = lazy(async () => ({ default: (await import('../board/board-desk.tsx')).BoardDesk }));
/** Loaded when the path is looked at. */
const PathView = lazy(async () => ({ default: (await import('../path/path-view.tsx')).PathView }));

export function Component() {
  const { lessonId = '' } = useParams();
  const query = useDraftOnOpening(lessonId);
  return (
    <QueryView isPage query={query}>
      {(draft) => <DeskView key={lessonId} draft={draft} />}
    </QueryView>
  );
}

function useDesk(draft: Draft) {
  const queryClient = useQueryClient();
  const [desk] = useState(() =>
    createDesk({
      draft,
      send: (body) => call('changeDraft', { params: { lessonId: draft.id }, body }),
      newId: () => v7(),
      reload: () => call('readDraft', { params: { lessonId: draft.id } }),
      now: () => performance.now(),
    }),
  );
  useUnsavedGuard(desk);
  useEffect(
    () => () => {
      desk.stop();
      void queryClient.invalidateQueries({ queryKey: ['lessons'] });
    },
    [desk, queryClient],
  );
  return { desk, snapshot: useSyncExternalStore(desk.subscribe, desk.getSnapshot) };
}

function DeskView({ draft }: { readonly draft: Draft }) {
  const navigate = useNavigate();
  const queryClient = useQueryClient();
  const { desk, snapshot } = useDesk(draft);
  useEffect(loadEditorAhead, []);
  const { lesson } = snapshot;
  const [search, setSearch] = useSearchParams();
  const view = search.get('view') === 'path' ? 'path' : 'script';
  const [mapPartId, setMapPartId] = useState<string | null>(null);
  const [chosenPartId, setChosenPartId] = useState<string | null>(null);
  const [openStopId, setOpenStopId] = useState<string | null>(null);
  const [faults, setFaults] = useState<readonly Fault[]>([]);
  const [mutePictures, setMutePictures] = useState(0);
  const [breaks, setBreaks] = useState<{ partId: string; places: readonly BreakPoint[] } | null>(null);
  const [isCorrecting, setIsCorrecting] = useState(false);
  const [isAssigning, setIsAssigning] = useState(false);
  const whole = useWholeLesson(lesson);
  const materials = useQuery(materialsOptions());
  const film = useRef<FilmControls>(null);
  const part = lesson.parts.find((one) => one.id === chosenPartId) ?? lesson.parts[0];
  const material = materials.data?.find((one) => part && hasMaterial(part) && one.id === part.materialId);

  const sources = useMemo(
    () => sourcesOfParts(lesson.parts, materials.data ?? [], part, () => film.current?.nowMs() ?? 0),
    [lesson.parts, materials.data, part],
  );

  const apply = (change: LessonChange) => {
    const isDone = desk.apply(change);
    // A fault is struck off the list once its place has been worked on; the next edition checks again.
    if (isDone && faults.length > 0) setFaults(faults.filter((fault) => !isAbout(fault, change)));
    return isDone;
  };
  const setWindow = (inMs: number, outMs: number) => {
    const isInFilm = isWithinFilm(outMs, material?.lengthMs ?? outMs);
    const window = { inMs: Math.round(inMs), outMs: Math.round(outMs) };
    const isDone = isInFilm && part !== undefined && apply({ type: 'setWindow', partId: part.id, ...window });
    if (!isDone) toast(t('desk.windowImpossible'), { id: 'window' });
    return isDone;
  };
  useDeskKeys({ desk, film, part, setWindow });

  const makeEdition = useMutation({
    mutationFn: async ({ acceptsMutePictures }: { acceptsMutePictures: boolean }) => {
      const draftVersion = await desk.flush();
      if (draftVersion === null) throw new ApiError('offline');
      const { stuckRoutes } = await import('../path/stuck-routes.ts');
      const stuck = await stuckRoutes(whole ?? desk.getSnapshot().lesson, materials.data ?? []);
      if (stuck.length > 0) throw new ApiError('lessonIncomplete', { faults: stuck });
      return call('makeEdition', { params: { lessonId: draft.id }, body: { draftVersion, acceptsMutePictures } });
    },
    onSuccess: async ({ number }) => {
      setFaults([]);
      setMutePictures(0);
      await queryClient.invalidateQueries(draftOptions(draft.id));
      toast(t('desk.editionMade', { number }));
    },
    onError: (error) => {
      const code = codeOf(error);
      const detail = error instanceof ApiError ? error.detail : undefined;
      if (code === 'lessonIncomplete') setFaults((detail as { faults: readonly Fault[] }).faults);
      else if (code === 'picturesMute') setMutePictures((detail as { pictures: readonly unknown[] }).pictures.length);
      else toast.error(errorWords(error));
    },
  });

  const showView = (next: DeskSide) => setSearch(next === 'path' ? { view: 'path' } : {}, { replace: true });
  const goToPart = (partId: string) => {
    showView('script');
    setChosenPartId(partId);
  };
  const goToStop = (partId: string, stopId: string) => {
    goToPart(partId);
    setOpenStopId(stopId);
    focusSoon(() => document.querySelector(`[data-item="stop:${stopId}"]`), 'center');
  };

  const goToFault = (fault: Fault) => {
    // What is wrong with the way of a part is seen on the map.
    if (fault.partId && !fault.stopId && isPathFault(fault.code)) {
      showView('path');
      setMapPartId(fault.partId);
      return;
    }
    if (fault.partId) goToPart(fault.partId);
    setOpenStopId(fault.stopId ?? null);
    const at = fault.questionId ? `#question-${fault.questionId} textarea` : `[data-item="stop:${fault.stopId}"]`;
    const selector = fault.stopId
      ? at
      : fault.code === 'titleMissing'
        ? `[aria-label="${t('desk.titleLabel')}"]`
        : null;
    focusSoon(() => (selector === null ? null : document.querySelector<HTMLElement>(selector)), 'center');
  };

  return (
    <EditedLessonProvider value={snapshot.lesson}>
      <div className="flex min-h-0 grow flex-col">
        <DeskBar
          desk={desk}
          snapshot={snapshot}
          edition={draft.edition}
          apply={apply}
          view={view}
          onView={showView}
          onPrint={() => void desk.flush().then(() => navigate(`/lessons/${draft.id}/print`))}
          onRehearse={() => void desk.flush().then(() => navigate(`/lessons/${draft.id}/rehearse`))}
          onMakeEdition={() => makeEdition.mutate({ acceptsMutePictures: false })}
          onAssign={() => setIsAssigning(true)}
        />
        {(snapshot.saving === 'conflict' || snapshot.leftOut.length > 0) && (
          <Suspense>
            <ConflictNotice snapshot={snapshot} onResolve={desk.resolve} onPutAway={desk.putAway} />
          </Suspense>
        )}
        {mutePictures > 0 && (
          <div className="p-3">
            <Notice tone="attention" role="alert" title={t('desk.picturesMute', { count: mutePictures })}>
              <p>{t('desk.picturesMuteHelp')}</p>
              <div className="flex gap-2">
                <Button look="main" size="small" onClick={() => setMutePictures(0)}>
                  {t('desk.picturesGo')}
                </Button>
                <Button size="small" onClick={() => makeEdition.mutate({ acceptsMutePictures: true })}>
                  {t('desk.picturesAccept')}
                </Button>
              </div>
            </Notice>
          </div>
        )}
        <FaultList lesson={lesson} faults={faults} onGo={goToFault} />
        <div
          className={joinClasses(
            'grid grow grid-cols-1 divide-line lg:h-[calc(100dvh-6.5rem)] lg:divide-x',
            view === 'path' ? 'lg:grid-cols-[14rem_minmax(0,1fr)_21rem]' : 'lg:grid-cols-[14rem_minmax(0,1fr)_25rem]',
          )}
        >
          <div className="min-h-0 overflow-y-auto">
            <Outline
              lessonId={draft.id}
              lesson={lesson}
              whole={whole ?? lesson}
              partId={view === 'path' ? mapPartId : (part?.id ?? null)}
              openStopId={openStopId}
              breaks={breaks}
              materials={materials.data?.filter((one) => one.status === 'ready') ?? []}
              onChoosePart={view === 'path' ? setMapPartId : setChosenPartId}
              onChooseStop={goToStop}
              apply={apply}
              onAddParts={(parts) => {
                for (const [index, added] of parts.entries())
                  apply({ type: 'insertPart', index: lesson.parts.length + index, part: added });
                setChosenPartId(parts[0]?.id ?? null);
              }}
            />
          </div>
          {view === 'path' ? (
            <Suspense fallback={<p className="p-4 text-quiet">{t('app.loading')}</p>}>
              <PathView
                {...{ lesson, apply }}
                whole={whole ?? lesson}
                partId={mapPartId}
                onChoosePart={setMapPartId}
                onOpenPart={goToPart}
                onOpenStop={goToStop}
              />
            </Suspense>
          ) : part?.kind === 'board' ? (
            <RegionSources value={sources}>
              <Suspense fallback={<p className="p-4 text-quiet">{t('app.loading')}</p>}>
                <BoardDesk key={part.id} {...{ part, faults, apply }} />
              </Suspense>
            </RegionSources>
          ) : part?.kind === 'lesson' ? (
            <Suspense fallback={<p className="p-4 text-quiet">{t('app.loading')}</p>}>
              <LessonDesk key={part.id} {...{ part, apply }} />
            </Suspense>
          ) : part?.kind === 'task' ? (
            <RegionSources value={sources}>
              <Suspense fallback={<p className="p-4 text-quiet">{t('app.loading')}</p>}>
                <TaskDesk key={part.id} {...{ part, faults, openStopId, apply }} setOpenStop={setOpenStopId} />
              </Suspense>
            </RegionSources>
          ) : part && material ? (
            <RegionSources value={sources}>
              <PartDesk
                key={part.id}
                lesson={snapshot.lesson}
                part={part}
                lengthMs={material.lengthMs ?? part.outMs}
                faults={faults}
                openStopId={openStopId}
                setOpenStop={setOpenStopId}
                apply={apply}
                breaks={breaks?.partId === part.id ? breaks.places : null}
                setBreaks={(places) => setBreaks(places && { partId: part.id, places })}
                film={film}
                correcting={isCorrecting ? () => setIsCorrecting(false) : null}
              >
                <Suspense>
                  {part.kind === 'clip' ? (
                    <ClipDetails
                      clip={part}
                      material={material}
                      lessonId={draft.id}
                      apply={apply}
                      setWindow={setWindow}
                      film={film}
                      onCorrect={() => setIsCorrecting(true)}
                    />
                  ) : (
                    <ReadingDetails
                      lessonNow={() => desk.getSnapshot().lesson}
                      part={part}
                      lessonId={draft.id}
                      material={material}
                      apply={apply}
                      onGoToStop={(stopId) => goToStop(part.id, stopId)}
                    />
                  )}
                </Suspense>
              </PartDesk>
            </RegionSources>
          ) : (
            <div className="p-8 lg:col-span-2">
              {materials.isSuccess && <EmptyPlace title={t('fault.partsMissing')} />}
            </div>
          )}
        </div>
        {isAssigning && draft.edition && (
          <Suspense>
            <AssignDialog
              lessonId={draft.id}
              title={lesson.title}
              editionNumber={draft.edition.number}
              onClose={() => setIsAssigning(false)}
            />
          </Suspense>
        )}
      </div>
    </EditedLessonProvider>
  );
}

function isAbout(fault: Fault, change: LessonChange): boolean {
  const target = changeTarget(change);
  if (fault.stopId) return target.endsWith(`:${fault.stopId}`);
  return fault.partId ? target.endsWith(`:${fault.partId}`) : true;
}
