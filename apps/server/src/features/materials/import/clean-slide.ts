import sanitizeHtml from 'sanitize-html';
import { type PicturePlace, pictureScheme } from './clean-html.ts';
import type { Report } from './import-result.ts';

const words = (list: string): string[] => list.trim().split(/\s+/);

const svgTags = words(`
  svg g path rect circle ellipse line polyline polygon image text tspan defs clipPath linearGradient
  radialGradient stop pattern marker
`);
const htmlTags = words(`
  div span p br img video a table colgroup col tbody tr td ul ol li sub sup strong em
`);

const paint = words(`
  fill stroke stroke-width stroke-linejoin stroke-linecap stroke-dasharray opacity fill-opacity
  stroke-opacity fill-rule clip-path transform vector-effect text-anchor font-size
`);
const geometry = words(`
  d x y x1 y1 x2 y2 cx cy r rx ry width height points viewBox preserveAspectRatio offset stop-color
  stop-opacity gradientTransform gradientUnits clipPathUnits patternUnits id markerWidth markerHeight
  refX refY orient
`);

const ownPicture = /^picture:\w+$/;
/** Films of slides that are made here. */
const filmScheme = 'film';
const ownFilm = /^film:[\w-]+$/;

/** A value that names nothing outside: no address, no escape, no end of the declaration. */
const harmless = /^(?!.*(?:url\s*\(|expression|javascript:|@import|\\|[<>{}]))[^;]{0,400}$/i;
const styles = words(`
  left top right bottom width height min-width max-width min-height max-height z-index overflow
  overflow-x overflow-y display flex flex-direction justify-content align-items gap box-sizing margin
  margin-top margin-bottom margin-left margin-right padding padding-left padding-right padding-top
  padding-bottom background background-color color opacity border border-top border-bottom border-left
  border-right border-radius border-collapse table-layout object-fit transform transform-origin
  font-size font-weight font-style font-family font-kerning letter-spacing line-height line-break
  text-align text-indent text-decoration text-transform vertical-align white-space overflow-wrap
  word-break direction writing-mode
`);

/**
 * The sanitiser of drawn slides: shapes and placed words, with styles from a list whose values name nothing outside.
 * Slides are shown in a box of their own that cuts off what lies outside it.
 * @param place where the pictures of a cleaned slide stand, and what is said of them: put in here, where it is cleaned
 */
export function cleanSlide(html: string, report: Report, place?: PicturePlace): string {
  const isOwn = (source = '', film = false) =>
    place ? place.isPlaced(source) : (film ? ownFilm : ownPicture).test(source);
  return sanitizeHtml(html, {
    allowedTags: [...htmlTags, ...svgTags],
    allowedAttributes: {
      '*': ['style', ...paint],
      a: ['href', 'target', 'rel', 'style'],
      img: ['src', 'alt', 'style'],
      video: ['src', 'title', 'controls', 'style'],
      td: ['colspan', 'rowspan', 'style'],
      ...Object.fromEntries(svgTags.map((tag) => [tag, [...geometry, ...paint, 'style', 'href']])),
    },
    allowedStyles: {
      '*': {
        ...Object.fromEntries(styles.map((name) => [name, [harmless]])),
        position: [/^(absolute|relative|static)$/],
      },
    },
    allowedSchemes: ['http', 'https', 'mailto'],
    allowedSchemesByTag: { img: [pictureScheme], image: [pictureScheme], video: [filmScheme] },
    allowProtocolRelative: false,
    disallowedTagsMode: 'discard',
    nonTextTags: [
      'style',
      'script',
      'textarea',
      'option',
      'noscript',
      'title',
      'template',
      'foreignObject',
      'foreignobject',
    ],
    nestingLimit: 60,
    parser: { lowerCaseTags: false, lowerCaseAttributeNames: false },
    exclusiveFilter: ({ tag, attribs }) =>
      (tag === 'img' && !isOwn(attribs.src)) ||
      (tag === 'video' && !isOwn(attribs.src, true)) ||
      (tag === 'image' && !isOwn(attribs.href)),
    transformTags: {
      '*': (tagName, attribs) => ({
        tagName,
        attribs: place ? placed(tagName, withOwnReferences(attribs), place) : withOwnReferences(attribs),
      }),
      a: (tagName, attribs): sanitizeHtml.Tag => {
        if (/^(https?:|mailto:)/i.test(attribs.href ?? ''))
          return {
            tagName,
            attribs: { ...withOwnReferences(attribs), target: '_blank', rel: 'noopener noreferrer nofollow' },
          };
        report.add('unsafeLinks');
        return { tagName: 'span', attribs: attribs.style ? { style: attribs.style } : {} };
      },
    },
  });
}

function placed(tagName: string, attribs: sanitizeHtml.Attributes, place: PicturePlace): sanitizeHtml.Attributes {
  const name = /^picture:(\w+)$/.exec(attribs.src ?? attribs.href ?? '')?.[1];
  const film = /^film:([\w-]+)$/.exec(attribs.src ?? '')?.[1];
  if (tagName === 'video' && film !== undefined) return { ...attribs, src: place.filmAt(film) };
  if (name === undefined) return attribs;
  if (tagName === 'image') return { ...attribs, href: place.pictureAt(name) };
  const alt = place.wordsOf(name, attribs.alt ?? '');
  return tagName === 'img' ? { ...attribs, src: place.pictureAt(name), alt } : attribs;
}

/** Paint may point at gradients and clips of the same slide, and at nothing else. */
function withOwnReferences(attribs: sanitizeHtml.Attributes): sanitizeHtml.Attributes {
  return Object.fromEntries(
    Object.entries(attribs).filter(
      ([name, value]) => name === 'style' || !/url\s*\(/i.test(value) || /^url\(["']?#[\w-]+["']?\)$/.test(value),
    ),
  );
}
