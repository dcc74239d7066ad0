import type { BreakPoint } from '@semita/core/breaks';
import type { Draft } from '@semita/core/contract';
import { hasMaterial, isWithinFilm, type LessonChange } from '@semita/core/lesson';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { lazy, Suspense, useEffect, useMemo, useRef, useState, useSyncExternalStore } from 'react';
import { useNavigate, useParams } from 'react-router';
import { toast } from 'sonner';
import { v7 } from 'uuid';
import { call } from '../../api/client.ts';
import { useUnsavedGuard } from '../../saving/use-unsaved-guard.ts';
import { joinClasses } from '../../ui/join-classes.ts';
import { EmptyPlace } from '../../ui/notice.tsx';
import { QueryView } from '../../ui/query-view.tsx';
import { t } from '../../words/words.ts';
import { createDesk } from '../draft/desk-store.ts';
import { useDraftOnOpening } from '../draft/queries.ts';
import { useWholeLesson } from '../draft/whole-lesson.ts';
import type { FilmControls } from '../film/film-stage.tsx';
import { materialsOptions } from '../materials/queries.ts';
import { RegionSources, sourcesOfParts } from '../picture/region-source.ts';
import { EditedLessonProvider } from '../question-editor/edited-lesson.ts';
import { loadEditorAhead } from '../script/stop-card.tsx';
import { DeskBar } from './desk-bar.tsx';
import { FaultList } from './fault-list.tsx';
import { Outline } from './outline.tsx';
import { PartAtDesk } from './part-at-desk.tsx';
import { PicturesWithoutAltNotice } from './pictures-without-alt-notice.tsx';
import { useDeskKeys } from './use-desk-keys.ts';
import { useDeskPosition } from './use-desk-position.ts';
import { useEditions } from './use-editions.ts';
import '../lesson-parts/words.ts';
import './words.ts';
import '../lesson-parts/words.ts';

/** Loaded when two have changed the same. */
const ConflictNotice = lazy(async () => ({ default: (await import('../draft/conflict-notice.tsx')).ConflictNotice }));
/** Loaded when a lesson is given out. */
const AssignDialog = lazy(async () => ({
  default: (await import('../assigning/assign-dialog.tsx')).AssignDialog,
}));
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
  const { desk, snapshot } = useDesk(draft);
  useEffect(loadEditorAhead, []);
  const { lesson } = snapshot;
  const places = useDeskPosition();
  const [breaks, setBreaks] = useState<{ partId: string; places: readonly BreakPoint[] } | null>(null);
  const [isAssigning, setIsAssigning] = useState(false);
  const whole = useWholeLesson(lesson);
  const materials = useQuery(materialsOptions());
  const editions = useEditions({ desk, draft, whole, materials: materials.data ?? [] });
  const film = useRef<FilmControls>(null);
  const part = lesson.parts.find((one) => one.id === places.chosenPartId) ?? lesson.parts[0];
  const material = materials.data?.find((one) => part && hasMaterial(part) && one.id === part.materialId);
  const sources = useMemo(
    () => sourcesOfParts(lesson.parts, materials.data ?? [], part, () => film.current?.nowMs() ?? 0),
    [lesson.parts, materials.data, part],
  );

  const apply = (change: LessonChange) => {
    const isDone = desk.apply(change);
    if (isDone) editions.strikeOff(change);
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
  const leaveFor = (place: string) => void desk.flush().then(() => navigate(`/lessons/${draft.id}/${place}`));
  const isOnMap = places.side === 'path';
  const nothing = (
    <div className="p-8 lg:col-span-2">{materials.isSuccess && <EmptyPlace title={t('fault.partsMissing')} />}</div>
  );

  return (
    <EditedLessonProvider value={lesson}>
      <div className="flex min-h-0 grow flex-col">
        <DeskBar
          {...{ desk, snapshot, apply }}
          edition={draft.edition}
          view={places.side}
          onView={places.showSide}
          onPrint={() => leaveFor('print')}
          onRehearse={() => leaveFor('rehearse')}
          onMakeEdition={editions.make}
          onAssign={() => setIsAssigning(true)}
        />
        {(snapshot.saving === 'conflict' || snapshot.leftOut.length > 0) && (
          <Suspense>
            <ConflictNotice snapshot={snapshot} onResolve={desk.resolve} onPutAway={desk.putAway} />
          </Suspense>
        )}
        <PicturesWithoutAltNotice
          count={editions.picturesWithoutAlt}
          onGo={editions.goToPictures}
          onAccept={editions.makeAllTheSame}
        />
        <FaultList lesson={lesson} faults={editions.faults} onGo={places.goToFault} />
        <div
          className={joinClasses(
            'grid grow grid-cols-1 divide-line lg:h-[calc(100dvh-6.5rem)] lg:divide-x',
            isOnMap ? 'lg:grid-cols-[14rem_minmax(0,1fr)_21rem]' : 'lg:grid-cols-[14rem_minmax(0,1fr)_25rem]',
          )}
        >
          <div className="min-h-0 overflow-y-auto">
            <Outline
              {...{ lesson, breaks, apply }}
              lessonId={draft.id}
              whole={whole ?? lesson}
              partId={isOnMap ? places.mapPartId : (part?.id ?? null)}
              openStopId={places.openStopId}
              materials={materials.data?.filter((one) => one.status === 'ready') ?? []}
              onChoosePart={isOnMap ? places.chooseOnMap : places.choosePart}
              onChooseStop={places.goToStop}
              onAddParts={(parts) => {
                for (const [index, added] of parts.entries())
                  apply({ type: 'insertPart', index: lesson.parts.length + index, part: added });
                places.choosePart(parts[0]?.id ?? null);
              }}
            />
          </div>
          {isOnMap ? (
            <Suspense fallback={<p className="p-4 text-quiet">{t('app.loading')}</p>}>
              <PathView
                {...{ lesson, apply }}
                whole={whole ?? lesson}
                partId={places.mapPartId}
                onChoosePart={places.chooseOnMap}
                onOpenPart={places.goToPart}
                onOpenStop={places.goToStop}
              />
            </Suspense>
          ) : part ? (
            <RegionSources value={sources}>
              <PartAtDesk
                {...{ lesson, part, material, apply, setWindow, film }}
                lessonId={draft.id}
                lessonNow={() => desk.getSnapshot().lesson}
                faults={editions.faults}
                openStopId={places.openStopId}
                setOpenStop={places.openStop}
                onGoToStop={places.goToStop}
                breaks={breaks?.partId === part.id ? breaks.places : null}
                setBreaks={(found) => setBreaks(found && { partId: part.id, places: found })}
                fallback={nothing}
              />
            </RegionSources>
          ) : (
            nothing
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
