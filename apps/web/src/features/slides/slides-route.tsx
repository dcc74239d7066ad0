import { type MadeDeck, type MadeSlide, madeSlideSize } from '@semita/core/deck';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { ArrowLeft } from 'lucide-react';
import { useEffect, useMemo, useState, useSyncExternalStore } from 'react';
import { flushSync } from 'react-dom';
import { Link, useBlocker, useNavigate, useParams, useSearchParams } from 'react-router';
import { toast } from 'sonner';
import { v7 } from 'uuid';
import { call } from '../../api/client.ts';
import { ConflictChoice } from '../../saving/conflict-choice.tsx';
import { SavedState } from '../../saving/saved-state.tsx';
import { createWholeStore } from '../../saving/whole-store.ts';
import { Button } from '../../ui/button.tsx';
import { Dialog } from '../../ui/dialog.tsx';
import { TextInput } from '../../ui/field.tsx';
import { HistoryButtons } from '../../ui/history-buttons.tsx';
import { errorWords } from '../../ui/notice.tsx';
import { QueryView } from '../../ui/query-view.tsx';
import { useHistory } from '../../ui/use-history.ts';
import { useHistoryKeys } from '../../ui/use-keys.ts';
import { t } from '../../words/words.ts';
import { SlideView } from '../deck/slide-view.tsx';
import { materialsOptions } from '../materials/queries.ts';
import { RegionSources, regionKindOf } from '../picture/region-source.ts';
import { contentOptions } from '../reading/content.ts';
import { emptySlide } from './new-slide.ts';
import { drawingOptions, madeSlidesOptions } from './queries.ts';
import { SlideForm } from './slide-form.tsx';
import { SlideList } from './slide-list.tsx';
import { useSettled } from './use-settled.ts';
import '../../saving/words.ts';
import './words.ts';

/** Making slides: the list, how the slide looks, and what is on it. */
export function Component() {
  const { materialId = 'new' } = useParams();
  return materialId === 'new' ? (
    <SlidesEditor materialId={null} title="" deck={{ portrait: false, slides: [emptySlide()] }} print={null} />
  ) : (
    <SavedSlides materialId={materialId} />
  );
}

function SavedSlides({ materialId }: { readonly materialId: string }) {
  const made = useQuery(madeSlidesOptions(materialId));
  return <QueryView query={made}>{(data) => <SlidesEditor materialId={materialId} {...data} />}</QueryView>;
}

interface Props {
  readonly materialId: string | null;
  readonly title: string;
  readonly deck: MadeDeck;
  readonly print: string | null;
}

interface Slides {
  readonly title: string;
  readonly deck: MadeDeck;
}

/** Slides are saved when their teacher says so, through the same queue as everything else. */
function useSlidesStore(props: Props) {
  const queryClient = useQueryClient();
  const [materialId, setMaterialId] = useState(props.materialId);
  const [store] = useState(() => {
    let id = props.materialId;
    return createWholeStore<Slides>({
      first: { whole: props, print: props.print },
      async send({ title, deck }, before, saveId) {
        const saved = await call('saveMadeSlides', { body: { materialId: id, title, deck, before, saveId } });
        id = saved.id;
        setMaterialId(saved.id);
        await queryClient.invalidateQueries(materialsOptions());
        await queryClient.invalidateQueries(contentOptions(saved.id));
        return saved;
      },
      async reload() {
        const { title, deck, print } = await call('readMadeSlides', { params: { materialId: id ?? '' } });
        return { whole: { title, deck }, print };
      },
      newId: () => v7(),
    });
  });
  return { store, materialId, saving: useSyncExternalStore(store.subscribe, store.getSnapshot).saving };
}

function SlidesEditor(props: Props) {
  const navigate = useNavigate();
  const [search] = useSearchParams();
  const lessonId = search.get('lesson');
  const backTo = lessonId ? `/lessons/${lessonId}` : '/shelf';
  const { store, materialId, saving } = useSlidesStore(props);
  const history = useHistory({ title: props.title, deck: props.deck });
  const { title, deck } = history.now;
  const setDeck = (next: MadeDeck, place?: string) => history.change({ title, deck: next }, place);
  const [saved, setSaved] = useState({ title: props.title, deck: props.deck });
  const [chosenId, setChosenId] = useState(deck.slides[0]?.id);
  const slide = deck.slides.find((one) => one.id === chosenId) ?? (deck.slides[0] as MadeSlide);
  const isChanged = saved.title !== title || saved.deck !== deck;
  const sources = useShelfSources();

  const save = async (): Promise<boolean> => {
    store.put({ title: title.trim() || slide.heading.trim() || t('slides.untitled'), deck });
    const isSaved = await store.flush();
    if (isSaved) {
      // Before anybody leaves: what is saved keeps nobody here.
      flushSync(() => setSaved({ title, deck }));
      toast(t('slides.saved'), { id: 'slides-saved' });
    }
    return isSaved;
  };
  const saveAndLeave = async () => {
    if (await save()) await navigate(backTo);
  };
  const resolve = (choice: 'keepMine' | 'dropMine') => {
    const theirs = store.resolve(choice);
    if (!theirs) return;
    history.change(theirs);
    setSaved(theirs);
    if (choice === 'dropMine') return;
    history.change({ title, deck });
    void save();
  };
  const setSlide = (next: MadeSlide) =>
    setDeck({ ...deck, slides: deck.slides.map((one) => (one.id === next.id ? next : one)) }, placeOf(slide, next));
  useHistoryKeys(history);

  return (
    <RegionSources value={sources}>
      <LeaveGuard isChanged={isChanged && saving !== 'saving'} />
      <div className="flex min-h-0 grow flex-col">
        <h1 className="sr-only">{t('slides.page')}</h1>
        <div className="flex flex-wrap items-center gap-3 border-b border-line bg-card px-4 py-2">
          <Link to={backTo} className="flex min-h-9 items-center gap-1.5 text-14 text-main hover:underline">
            <ArrowLeft aria-hidden className="size-4" strokeWidth={1.75} />
            {t(lessonId ? 'slides.backToLesson' : 'slides.backToShelf')}
          </Link>
          <TextInput
            aria-label={t('slides.title')}
            placeholder={t('slides.titleHint')}
            className="h-9 min-w-60 flex-1 font-heading text-16"
            maxLength={200}
            value={title}
            onChange={(event) => history.change({ title: event.target.value, deck }, 'title')}
          />
          <Orientation portrait={deck.portrait} onChange={(portrait) => setDeck({ ...deck, portrait })} />
          <HistoryButtons {...history} />
          {isChanged && (saving === 'saved' || saving === 'unsaved') ? (
            <p role="status" className="text-14 text-quiet">
              {t('desk.unsaved')}
            </p>
          ) : (
            (isChanged || materialId !== null) && <SavedState saving={saving} />
          )}
          <Button disabled={!isChanged || saving === 'saving'} onClick={() => void save()}>
            {t('slides.save')}
          </Button>
          <Button look="main" disabled={saving === 'saving'} onClick={() => void saveAndLeave()}>
            {t('slides.done')}
          </Button>
        </div>
        {saving === 'conflict' && (
          <div className="p-3">
            <ConflictChoice title={t('slides.movedTitle')} help={t('slides.moved')} onResolve={resolve} />
          </div>
        )}
        <div className="grid grow grid-cols-1 divide-line lg:h-[calc(100dvh-6.5rem)] lg:grid-cols-[14rem_minmax(0,1fr)_25rem] lg:divide-x">
          <SlideList
            slides={deck.slides}
            chosenId={slide.id}
            onChoose={setChosenId}
            onChange={(slides) => setDeck({ ...deck, slides })}
          />
          <Preview slide={slide} portrait={deck.portrait} />
          <SlideForm key={slide.id} slide={slide} onChange={setSlide} />
        </div>
      </div>
    </RegionSources>
  );
}

/** The field that was written in; undefined where what changed is no words. */
function placeOf(before: MadeSlide, after: MadeSlide): string | undefined {
  const field = (['heading', 'text', 'notes', 'colour'] as const).find((name) => before[name] !== after[name]);
  return field && `${field} of ${after.id}`;
}

/** Everything on the shelf that a picture can be cut out of. */
function useShelfSources() {
  const materials = useQuery(materialsOptions());
  return useMemo(
    () =>
      (materials.data ?? []).flatMap((material) => {
        const kind = material.status === 'ready' ? regionKindOf(material) : null;
        const { id, title, lengthMs } = material;
        return kind ? [{ id, title, materialId: id, kind, inMs: 0, outMs: lengthMs ?? 0, nowMs: () => 0 }] : [];
      }),
    [materials.data],
  );
}

function Orientation({
  portrait,
  onChange,
}: {
  readonly portrait: boolean;
  readonly onChange: (portrait: boolean) => void;
}) {
  return (
    <fieldset className="flex gap-3 text-14">
      <legend className="sr-only">{t('slides.orientation')}</legend>
      {[false, true].map((one) => (
        <label key={String(one)} className="flex items-center gap-1.5">
          <input
            type="radio"
            name="orientation"
            className="size-4 accent-main"
            checked={portrait === one}
            onChange={() => onChange(one)}
          />
          {t(one ? 'slides.portrait' : 'slides.landscape')}
        </label>
      ))}
    </fieldset>
  );
}

/** Drawn by the server as it will be shown, a moment after the last key. */
function Preview({ slide, portrait }: { readonly slide: MadeSlide; readonly portrait: boolean }) {
  const { deck, isSettled } = useSettled({ portrait, slides: [slide] });
  const drawing = useQuery(drawingOptions(deck));
  const drawn = drawing.data?.[0];
  const { width, height } = madeSlideSize({ portrait });
  return (
    <section aria-label={t('slides.preview')} className="grid min-h-0 place-items-center overflow-y-auto bg-paper p-6">
      <div
        className="w-full overflow-hidden rounded-card border border-line bg-card"
        style={{ aspectRatio: `${width} / ${height}`, maxWidth: `min(100%, calc(76dvh * ${width / height}))` }}
      >
        {drawn && <SlideView slide={drawn} />}
      </div>
      <p role="status" className="sr-only">
        {isSettled && drawing.isSuccess ? t('slides.drawn') : ''}
      </p>
      {drawing.isError && <p className="mt-3 text-14 text-brick">{errorWords(drawing.error)}</p>}
    </section>
  );
}

/** Nobody loses slides by a stray click. */
function LeaveGuard({ isChanged }: { readonly isChanged: boolean }) {
  const blocker = useBlocker(isChanged);
  useEffect(() => {
    if (!isChanged) return;
    const ask = (event: BeforeUnloadEvent) => event.preventDefault();
    window.addEventListener('beforeunload', ask);
    return () => window.removeEventListener('beforeunload', ask);
  }, [isChanged]);
  if (blocker.state !== 'blocked') return null;
  return (
    <Dialog open onOpenChange={() => blocker.reset()} title={t('slides.leaveTitle')}>
      <p>{t('slides.leaveHelp')}</p>
      <div className="mt-4 flex gap-2">
        <Button look="main" onClick={() => blocker.reset()}>
          {t('slides.stay')}
        </Button>
        <Button look="danger" onClick={() => blocker.proceed()}>
          {t('slides.leave')}
        </Button>
      </div>
    </Dialog>
  );
}
