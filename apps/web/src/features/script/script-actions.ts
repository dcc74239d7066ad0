import type { BreakPoint } from '@semita/core/breaks';
import {
  type Inset,
  type Lesson,
  type LessonChange,
  type MaterialPart,
  type Stop,
  splitChange,
} from '@semita/core/lesson';
import { anchorAt, anchorTimeMs } from '@semita/core/reading';
import { gapOf, gapTimeMs, type ScriptLine } from '@semita/core/script';
import { toast } from 'sonner';
import { v7 } from 'uuid';
import { focusOn, writeIn } from '../../ui/focus-target.ts';
import { formatPosition } from '../../words/position.ts';
import { t } from '../../words/words.ts';
import { createCheckpoint, createStop, type ScriptStopKind, type StopPlace } from '../lesson-parts/new-stops.ts';
import { writingIn } from '../lesson-parts/writing-in.ts';
import './words.ts';

/** What can be done from within a script, whatever it is the script of. */
export interface ScriptActions {
  readonly insert: (kind: ScriptStopKind, gap: number) => void;
  readonly move: (stop: Stop, gap: number) => void;
  /** @returns whether the words stand in the stop's paragraph */
  readonly setPhrase: (stop: Stop, phrase: string) => boolean;
  readonly change: (stop: Stop) => void;
  readonly remove: (stop: Stop) => void;
  /** Cuts the part in two at a gap. */
  readonly split: (gap: number) => void;
  readonly setBreaks: (breaks: readonly BreakPoint[] | null) => void;
  readonly takeBreaks: (breaks: readonly BreakPoint[]) => void;
  readonly dropBreak: (place: BreakPoint) => void;
  /** Puts a film or a sound into a text, or takes it out. */
  readonly insertInset: (material: { readonly id: string; readonly title: string }, gap: number) => void;
  readonly removeInset: (inset: Inset) => void;
  readonly setOpenStop: (stopId: string | null) => void;
  readonly setCursor: (line: number) => void;
}

interface Options {
  readonly lesson: Lesson;
  readonly part: MaterialPart;
  readonly lines: readonly ScriptLine[];
  readonly apply: (change: LessonChange) => boolean;
  readonly setOpenStop: (stopId: string | null) => void;
  readonly setCursor: (line: number) => void;
  readonly breaks: readonly BreakPoint[] | null;
  readonly setBreaks: (breaks: readonly BreakPoint[] | null) => void;
}

/** The same for a part: each is a change of the lesson, or of what the desk shows. */
export function scriptActions({
  lesson,
  part,
  lines,
  apply,
  setOpenStop,
  setCursor,
  breaks,
  setBreaks,
}: Options): ScriptActions {
  const placeAt = (gap: number): StopPlace => ({
    atMs: gapTimeMs(lines, gap),
    ...(part.kind === 'clip' ? {} : { anchor: anchorAt(lines, gap) }),
  });
  return {
    insert: (kind, gap) => {
      const stop = createStop(kind, placeAt(gap));
      if (!apply({ type: 'insertStop', partId: part.id, stop })) return;
      setOpenStop(stop.id);
      writeIn(writingIn(stop));
    },
    move: (stop, gap) => {
      const place = placeAt(gap);
      if (!apply({ type: 'moveStop', partId: part.id, stopId: stop.id, ...place })) return;
      toast(t('desk.movedTo', { time: formatPosition(part.kind, place) }), { id: 'moved', duration: 1500 });
      focusOn(`stop:${stop.id}`);
    },
    setPhrase: (stop, phrase) => {
      const { blockId, number } = stop.anchor ?? { blockId: null, number: 0 };
      const anchor = { blockId, number, ...(phrase === '' ? {} : { phrase }) };
      const atMs = anchorTimeMs(lines, anchor);
      return atMs !== null && apply({ type: 'moveStop', partId: part.id, stopId: stop.id, atMs, anchor });
    },
    change: (stop) => apply({ type: 'replaceStop', partId: part.id, stop }),
    remove: (stop) => {
      apply({ type: 'removeStop', partId: part.id, stopId: stop.id });
      setOpenStop(null);
      focusOn(`line:${Math.max(0, gapOf(lines, stop.atMs) - 1)}`);
    },
    split: (gap) => {
      const change = splitChange(lesson, part.id, gapTimeMs(lines, gap), v7());
      if (!change || !apply(change)) return;
      toast(t('desk.splitDone', { title: part.title }), { id: 'split' });
    },
    insertInset: ({ id, title }, gap) => {
      const inset = { id: v7(), atMs: gapTimeMs(lines, gap), anchor: anchorAt(lines, gap), materialId: id, title };
      apply({ type: 'setInsets', partId: part.id, insets: [...(part.insets ?? []), inset] });
    },
    removeInset: (inset) => {
      const insets = (part.insets ?? []).filter((one) => one.id !== inset.id);
      apply({ type: 'setInsets', partId: part.id, insets });
    },
    setBreaks,
    takeBreaks: (taken) => {
      for (const { gap } of taken) apply({ type: 'insertStop', partId: part.id, stop: createCheckpoint(placeAt(gap)) });
      setBreaks((breaks ?? []).filter((one) => !taken.includes(one)));
    },
    dropBreak: (place) => setBreaks((breaks ?? []).filter((one) => one !== place)),
    setOpenStop,
    setCursor,
  };
}
