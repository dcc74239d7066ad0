import { type MadeDeck, madeSlideSize, materialsOfSlides, type Slide, slideLengthMs } from '@semita/core';
import type { Deps } from '../../deps.ts';
import { found, Refused } from '../../http/refused.ts';
import type { Actor } from '../accounts/session-service.ts';
import { drawMadeSlide } from './draw-made-slide.ts';
import type { MaterialRepository, MaterialRow } from './material-repository.ts';

export type MadeSlides = ReturnType<typeof createMadeSlides>;

/** Slides that teachers make here: a deck like any other, drawn anew from what they wrote whenever that is saved. */
export function createMadeSlides({
  repository,
  clock,
  newId,
}: Pick<Deps, 'clock' | 'newId'> & { readonly repository: MaterialRepository }) {
  const ownShown = (actor: Actor, deck: MadeDeck): ReadonlyMap<string, MaterialRow> => {
    const rows = materialsOfSlides(deck).map((id): [string, MaterialRow] => {
      const row = repository.findInSchool(actor.schoolId, id);
      if (row?.ownerId !== actor.id || row.status !== 'ready') throw new Refused('inputInvalid', { fields: ['deck'] });
      return [id, row];
    });
    return new Map(rows);
  };

  return {
    /** @throws Refused notFound for what is not the actor's, or was not made here */
    read(actor: Actor, materialId: string): { title: string; deck: MadeDeck } {
      const { title } = found(repository.findOwned(actor, materialId));
      return { title, deck: found(repository.readMadeDeck(materialId)) };
    },

    /**
     * Saves slides. Editions never change: where one shows the deck, what is saved is a newer version of it.
     * @param materialId null for a new deck
     * @returns the id of the deck that holds them
     */
    save(actor: Actor, materialId: string | null, title: string, deck: MadeDeck): { id: string } {
      const older = materialId === null ? null : found(repository.findOwned(actor, materialId));
      if (older && !older.madeHere) throw new Refused('notFound');
      const isFrozen = older !== null && repository.isInEdition(older.id);
      const shown = ownShown(actor, deck);
      const pictures = [...shown.values()].filter((row) => row.kind === 'picture');
      const names = new Map(pictures.map((row, index) => [row.id, `p${index + 1}`]));
      const slides = deck.slides.map((slide): Slide => {
        const { html, text } = drawMadeSlide(slide, deck, names);
        const filmMs = (slide.film && shown.get(slide.film.materialId)?.lengthMs) ?? 0;
        return {
          ...{ id: slide.id, title: slide.heading, html, text, notes: slide.notes },
          ...madeSlideSize(deck),
          lengthMs: slideLengthMs(text, slide.pictures.length) + filmMs,
        };
      });
      const row: MaterialRow = {
        id: older && !isFrozen ? older.id : newId(),
        schoolId: actor.schoolId,
        ownerId: actor.id,
        title,
        fileName: title,
        byteLength: 0,
        status: 'ready',
        refusal: null,
        sha256: null,
        lengthMs: slides.reduce((sum, slide) => sum + slide.lengthMs, 0),
        mimeType: null,
        width: null,
        height: null,
        uploadId: null,
        sourceUrl: null,
        captionsUrl: null,
        kind: 'deck',
        progress: null,
        leftOut: null,
        level: null,
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
      repository.keepMadeDeck(row, deck, slides, inside);
      return { id: row.id };
    },
  };
}
