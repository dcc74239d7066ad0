import type { LessonPicture } from '../elements/recording.ts';

/** Slides that a teacher makes here: no more than a heading, words, pictures, a film and a background. */
export interface MadeDeck {
  readonly portrait: boolean;
  readonly slides: readonly MadeSlide[];
}

export interface MadeSlide {
  readonly id: string;
  readonly heading: string;
  /** Markdown (CommonMark) of paragraphs, lists, emphasis and links. */
  readonly text: string;
  readonly pictures: readonly LessonPicture[];
  readonly film: { readonly materialId: string; readonly title: string } | null;
  /** Six hexadecimal digits after #, as CSS writes sRGB. */
  readonly colour: string;
  readonly backgroundId: string | null;
  readonly notes: string;
}

/** The page of a made deck, in the points that slides are drawn with. */
export function madeSlideSize({ portrait }: Pick<MadeDeck, 'portrait'>): { width: number; height: number } {
  return portrait ? { width: 720, height: 1280 } : { width: 1280, height: 720 };
}

/**
 * The colour of words on a background: dark or light, whichever stands out more.
 * @param colour #rrggbb
 * @returns relative luminance by WCAG 2.2 decides: contrast with black is (L + 0.05) / 0.05, with white 1.05 / (L + 0.05)
 */
export function inkOn(colour: string): 'dark' | 'light' {
  const luminance = luminanceOf(colour);
  return (luminance + 0.05) / 0.05 >= 1.05 / (luminance + 0.05) ? 'dark' : 'light';
}

/** Relative luminance, WCAG 2.2. */
function luminanceOf(colour: string): number {
  const [red = 0, green = 0, blue = 0] = [1, 3, 5].map((at) => {
    const share = Number.parseInt(colour.slice(at, at + 2), 16) / 255;
    return share <= 0.04045 ? share / 12.92 : ((share + 0.055) / 1.055) ** 2.4;
  });
  return 0.2126 * red + 0.7152 * green + 0.0722 * blue;
}

/** Ids of the pictures and films that made slides show, each once. */
export function materialsOfSlides({ slides }: MadeDeck): readonly string[] {
  const ids = slides.flatMap((slide) => [
    ...slide.pictures.map((picture) => picture.materialId),
    slide.film?.materialId,
    slide.backgroundId ?? undefined,
  ]);
  return [...new Set(ids.filter((id) => id !== undefined))];
}
