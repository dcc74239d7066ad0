import { inkOn, type MadeDeck, type MadeSlide, madeSlideSize } from '@semita/core/deck';
import { DomUtils, parseDocument } from 'htmlparser2';
import MarkdownIt from 'markdown-it';
import { cleanSlide } from './import/clean-slide.ts';
import { createReport } from './import/import-result.ts';
import { escapeHtml } from './import/xml.ts';

const inks = { dark: '#1c2530', light: '#ffffff' };
/** Behind words on a picture, so that they can be read whatever the picture shows. */
const veils = { dark: 'rgba(255, 255, 255, 0.86)', light: 'rgba(20, 26, 33, 0.82)' };

const markdown = new MarkdownIt('zero', { linkify: true }).enable([
  ...['emphasis', 'link', 'linkify', 'list', 'newline', 'escape', 'autolink'],
]);

markdown.renderer.rules.link_open = (tokens, index, options, _env, renderer) => {
  // Blue could not be read on every ground.
  tokens[index]?.attrSet('style', 'color: inherit; text-decoration: underline');
  return renderer.renderToken(tokens, index, options);
};

/** The house's own letters where they are, which is wherever slides are shown here. */
const letters = 'Atkinson Hyperlegible Next Variable, Arial, sans-serif';

/**
 * Draws a slide that was made here: the heading above, words on one side, pictures or the film on the other, or below
 * in portrait.
 * @param pictureNames names of its pictures inside the deck, by their material
 * @returns cleaned HTML, and the same as plain text
 */
export function drawMadeSlide(
  slide: MadeSlide,
  { portrait }: Pick<MadeDeck, 'portrait'>,
  pictureNames: ReadonlyMap<string, string>,
): { html: string; text: string } {
  const { width, height } = madeSlideSize({ portrait });
  const ink = inkOn(slide.colour);
  const words = markdown.render(slide.text);
  const hasMedia = slide.pictures.length > 0 || slide.film !== null;
  const source = (materialId: string) => `picture:${pictureNames.get(materialId) ?? ''}`;
  const pictures = slide.pictures.map(
    ({ materialId, alt }) =>
      `<div style="flex: 1 1 0; min-width: 0; min-height: 0"><img src="${source(materialId)}" alt="${escapeHtml(alt)}" style="width: 100%; height: 100%; object-fit: contain"></div>`,
  );
  const film = slide.film
    ? `<div style="flex: 1 1 0; min-width: 0; min-height: 0"><video controls src="film:${slide.film.materialId}" title="${escapeHtml(slide.film.title)}" style="width: 100%; height: 100%; object-fit: contain"></video></div>`
    : '';
  const media = hasMedia
    ? `<div style="flex: 1 1 0; min-width: 0; min-height: 0; display: flex; flex-direction: column; gap: 24px">${film}${pictures.join('')}</div>`
    : '';
  const background =
    slide.backgroundId === null
      ? ''
      : `<img src="${source(slide.backgroundId)}" alt=" " style="position: absolute; left: 0px; top: 0px; width: ${width}px; height: ${height}px; object-fit: cover">`;
  const veil = slide.backgroundId === null ? '' : `background: ${veils[ink]}; border-radius: 12px;`;
  const heading =
    slide.heading.trim() === ''
      ? ''
      : `<div style="font-size: 52px; font-weight: 700; line-height: 1.15; padding: 8px 16px; ${veil}">${escapeHtml(slide.heading)}</div>`;
  const body =
    slide.text.trim() === ''
      ? ''
      : `<div style="flex: 1 1 0; min-width: 0; font-size: 30px; line-height: 1.4; padding: 8px 16px; overflow: hidden; ${veil}">${words}</div>`;
  const html = `<div style="position: absolute; left: 0px; top: 0px; width: ${width}px; height: ${height}px; background: ${slide.colour}; color: ${inks[ink]}; font-family: ${letters}">${background}<div style="position: absolute; left: 0px; top: 0px; box-sizing: border-box; width: ${width}px; height: ${height}px; padding: 48px; display: flex; flex-direction: column; gap: 28px">${heading}<div style="flex: 1 1 0; min-height: 0; display: flex; flex-direction: ${portrait ? 'column' : 'row'}; gap: 32px">${body}${media}</div></div></div>`;
  return {
    html: cleanSlide(html, createReport()),
    text: [slide.heading, textOf(words), slide.film?.title ?? '', ...slide.pictures.map((picture) => picture.alt)]
      .map((line) => line.trim())
      .filter((line) => line !== '')
      .join('\n'),
  };
}

/** The words of HTML, a line for each piece. */
function textOf(html: string): string {
  return DomUtils.textContent(parseDocument(html))
    .split('\n')
    .map((line) => line.trim())
    .filter((line) => line !== '')
    .join('\n');
}
