import sanitizeHtml from 'sanitize-html';
import type { Report } from './import-result.ts';

const allowedTags = [
  ...['h1', 'h2', 'h3', 'h4', 'h5', 'h6', 'p', 'blockquote', 'pre', 'hr', 'br'],
  ...['ul', 'ol', 'li', 'dl', 'dt', 'dd'],
  ...['table', 'caption', 'thead', 'tbody', 'tr', 'th', 'td'],
  ...['figure', 'figcaption', 'img'],
  ...['strong', 'em', 'u', 's', 'sub', 'sup', 'code', 'a'],
];

const boxTags = [
  'div',
  'section',
  'article',
  'main',
  'header',
  'footer',
  'aside',
  'address',
  'center',
  'details',
  'summary',
];

const countedTags: Readonly<Record<string, Parameters<Report['add']>[0]>> = {
  script: 'scripts',
  iframe: 'embeddedFrames',
  object: 'embeddedFrames',
  embed: 'embeddedFrames',
  form: 'formFields',
  input: 'formFields',
  select: 'formFields',
  textarea: 'formFields',
  button: 'formFields',
  math: 'equations',
  svg: 'drawings',
  canvas: 'drawings',
};

/** Some programs write the file's name where the words for the picture belong. */
const fileName = /^\S+\.(png|jpe?g|gif|svg|webp|bmp|tiff?)$/i;

/** An element that is taken out; what stands in it stays. */
const nothing: sanitizeHtml.Tag = { tagName: 'span', attribs: {} };

/** Scheme of pictures that were brought in with the document; every other source is outside and not fetched. */
export const pictureScheme = 'picture';

/** Where the pictures and films of a material are, and the words a teacher wrote for them. */
export interface PicturePlace {
  readonly pictureAt: (name: string) => string;
  readonly filmAt: (materialId: string) => string;
  /** @param before what the document says of it */
  readonly wordsOf: (name: string, before: string) => string;
  /** Whether an address is one of these. */
  readonly isPlaced: (address: string) => boolean;
}

function toPicture(src: string, alt: string, place: PicturePlace | undefined): sanitizeHtml.Attributes {
  const name = src.slice(pictureScheme.length + 1);
  return place && /^\w+$/.test(name) ? { src: place.pictureAt(name), alt: place.wordsOf(name, alt) } : { src, alt };
}

/**
 * The one sanitiser of everything that becomes part of a reading: an allow-list of elements and attributes, links to
 * http, https and mail only, pictures only of our own. What it takes out is told in the report.
 * @param html any HTML, of any origin
 * @param place where its pictures stand, and what is said of them: put in here, where it is cleaned
 * @returns HTML that is safe to show as it is
 */
export function cleanHtml(html: string, report: Report, place?: PicturePlace): string {
  return sanitizeHtml(html, {
    allowedTags,
    allowedAttributes: {
      a: ['href', 'target', 'rel'],
      img: ['src', 'alt'],
      td: ['colspan', 'rowspan'],
      th: ['colspan', 'rowspan', 'scope'],
      ol: ['start', 'type'],
    },
    allowedSchemes: ['http', 'https', 'mailto'],
    allowedSchemesByTag: { img: [pictureScheme] },
    allowProtocolRelative: false,
    disallowedTagsMode: 'discard',
    nonTextTags: ['style', 'script', 'textarea', 'option', 'noscript', 'title', 'nav', 'svg', 'template', 'xmp'],
    nestingLimit: 60,
    onOpenTag: (name) => {
      const code = countedTags[name];
      if (code) report.add(code);
    },
    transformTags: {
      // Boxes that part text from text; what is empty of words falls away later.
      ...Object.fromEntries(boxTags.map((tag) => [tag, 'p'])),
      b: 'strong',
      i: 'em',
      del: 's',
      strike: 's',
      a: (tagName, { href = '' }) => {
        // Places inside the document have no address here.
        if (href === '' || href.startsWith('#')) return nothing;
        if (isSafeLink(href))
          return { tagName, attribs: { href, target: '_blank', rel: 'noopener noreferrer nofollow' } };
        report.add('unsafeLinks');
        return nothing;
      },
      img: (tagName, { src = '', alt = '' }) => {
        if (src.startsWith(`${pictureScheme}:`))
          return { tagName, attribs: toPicture(src, fileName.test(alt) ? '' : alt, place) };
        if (src !== '') report.add('picturesElsewhere');
        return nothing;
      },
    },
  });
}

function isSafeLink(href: string): boolean {
  try {
    return ['http:', 'https:', 'mailto:'].includes(new URL(href).protocol);
  } catch {
    return false;
  }
}
