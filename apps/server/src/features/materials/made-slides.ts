import type { Material } from '@semita/core/contract';
import { type MadeDeck, madeSlideSize, materialsOfSlides, type Slide, slideLengthMs } from '@semita/core/deck';
import type { ScriptLine } from '@semita/core/script';
import { fingerprintOf } from '@semita/core/text';
import { inTransaction } from '../../db/open.ts';
import type { Deps } from '../../deps.ts';
import { found, Refused } from '../../http/refused.ts';
import type { MaterialUses } from '../../projections/material-uses.ts';
import type { Actor } from '../accounts/session-service.ts';
import { drawMadeSlide } from './draw-made-slide.ts';
import type { PicturePlace } from './import/clean-html.ts';
import { cleanSlide } from './import/clean-slide.ts';
import { createReport } from './import/import-result.ts';
import type { MaterialRepository, MaterialRow } from './material-repository.ts';

export type MadeSlides = ReturnType<typeof createMadeSlides>;

/** Slides as they are sent. */
export interface SlidesSave {
  /** Null for a new deck. */
  readonly materialId: string | null;
  readonly title: string;
  readonly deck: MadeDeck;
  /** Print of the slides that were changed; null for new ones. */
  readonly before: string | null;
  /** Becomes the id of a deck that is new. */
  readonly saveId: string;
}

/** A short name for slides as they stand. */
const printOf = (title: string, deck: MadeDeck): string => fingerprintOf(JSON.stringify([title, deck]));

interface Options extends Pick<Deps, 'clock' | 'db'> {
  readonly repository: MaterialRepository;
  readonly isInEdition: MaterialUses['isInEdition'];
  readonly scriptOf: (material: Pick<Material, 'id' | 'kind'>) => readonly ScriptLine[];
  /** Puts what is saved into the drafts that show the deck. */
  readonly moveDrafts: (
    actor: Actor,
    olderId: string,
    before: readonly ScriptLine[],
    after: { readonly id: string; readonly lengthMs: number; readonly lines: readonly ScriptLine[] },
  ) => void;
}

const mediaAt = (materialId: string) => `/api/materials/${materialId}/media`;

/** Slides that teachers make here: a deck like any other, drawn anew from what they wrote whenever that is saved. */
export function createMadeSlides({ db, repository, isInEdition, clock, scriptOf, moveDrafts }: Options) {
  const findShown = (actor: Actor, deck: MadeDeck): ReadonlyMap<string, MaterialRow> =>
    new Map(
      materialsOfSlides(deck).map((id): [string, MaterialRow] => {
        const row = repository.findInSchool(actor.schoolId, id);
        if (row?.ownerId !== actor.id || row.status !== 'ready')
          throw new Refused('inputInvalid', { fields: ['deck'] });
        return [id, row];
      }),
    );

  const drawAll = (deck: MadeDeck, shown: ReadonlyMap<string, MaterialRow>, names: ReadonlyMap<string, string>) =>
    deck.slides.map((slide): Slide => {
      const { html, text } = drawMadeSlide(slide, deck, names);
      const filmMs = (slide.film && shown.get(slide.film.materialId)?.lengthMs) ?? 0;
      return {
        ...{ id: slide.id, title: slide.heading, html, text, notes: slide.notes },
        ...madeSlideSize(deck),
        lengthMs: slideLengthMs(text, slide.pictures.length) + filmMs,
      };
    });

  const picturesAmong = (shown: ReadonlyMap<string, MaterialRow>) => {
    const pictures = [...shown.values()].filter((row) => row.kind === 'picture');
    return { pictures, names: new Map(pictures.map((row, index) => [row.id, `p${index + 1}`])) };
  };

  return {
    /** @throws Refused notFound for what is not the actor's, or was not made here */
    read(actor: Actor, materialId: string): { title: string; deck: MadeDeck; print: string } {
      const { title } = found(repository.findOwned(actor, materialId));
      const deck = found(repository.readMadeDeck(materialId));
      return { title, deck, print: printOf(title, deck) };
    },

    /** Slides as they would look, with the addresses of what they show. */
    draw(actor: Actor, deck: MadeDeck): Slide[] {
      const shown = findShown(actor, deck);
      const { pictures, names } = picturesAmong(shown);
      const idOf = new Map(pictures.map(({ id }) => [names.get(id), id]));
      const place: PicturePlace = {
        pictureAt: (name) => mediaAt(idOf.get(name) ?? ''),
        filmAt: mediaAt,
        wordsOf: (_name, alt) => alt,
        isPlaced: (address) => address.startsWith('/api/materials/'),
      };
      return drawAll(deck, shown, names).map((slide) => ({
        ...slide,
        html: cleanSlide(slide.html, createReport(), place),
      }));
    },

    /**
     * Saves slides. Editions never change: where one shows the deck, what is saved is a newer version of it. Drafts
     * show what was saved last.
     * @returns the id of the deck that holds them, and what names them as they stand
     * @throws Refused draftMoved when they were saved elsewhere in between
     */
    save(
      actor: Actor,
      { materialId, title, deck, before: beforePrint, saveId }: SlidesSave,
    ): { id: string; print: string } {
      const older = materialId === null ? null : found(repository.findOwned(actor, materialId));
      if (older && !older.madeHere) throw new Refused('notFound');
      const print = printOf(title, deck);
      // Sent again, because the answer was lost.
      if (repository.findOwned(actor, saveId)?.madeHere) return { id: saveId, print };
      // Nobody writes over what is another's by naming it.
      if (repository.isTaken(saveId)) throw new Refused('notFound');
      const there = older && printOf(older.title, found(repository.readMadeDeck(older.id)));
      if (older && there === print) return { id: older.id, print };
      if (there !== beforePrint) throw new Refused('draftMoved');
      const isFrozen = older !== null && isInEdition(older.id);
      const before = older ? scriptOf(older) : [];
      const shown = findShown(actor, deck);
      const { pictures, names } = picturesAmong(shown);
      const slides = drawAll(deck, shown, names);
      const row: MaterialRow = {
        ...emptyRow,
        id: older && !isFrozen ? older.id : saveId,
        schoolId: actor.schoolId,
        ownerId: actor.id,
        title,
        fileName: title,
        lengthMs: slides.reduce((sum, slide) => sum + slide.lengthMs, 0),
        removedAt: null,
        replacesId: isFrozen ? older.id : (older?.replacesId ?? null),
        createdAt: clock(),
      };
      const inside = pictures.map(({ id, sha256, mimeType, width, height }) => ({
        name: names.get(id) ?? '',
        sha256: sha256 ?? '',
        mimeType: mimeType ?? '',
        width: width ?? 0,
        height: height ?? 0,
      }));
      return inTransaction(db, () => {
        repository.keepMadeDeck(row, deck, slides, inside);
        const after = { id: row.id, lengthMs: row.lengthMs ?? 0, lines: scriptOf(row) };
        if (older) moveDrafts(actor, older.id, before, after);
        return { id: row.id, print };
      });
    },
  };
}

/** A deck that came from no file. */
const emptyRow = {
  kind: 'deck',
  status: 'ready',
  byteLength: 0,
  refusal: null,
  sha256: null,
  mimeType: null,
  width: null,
  height: null,
  uploadId: null,
  sourceUrl: null,
  captionsUrl: null,
  progress: null,
  leftOut: null,
  level: null,
} as const satisfies Partial<MaterialRow>;
