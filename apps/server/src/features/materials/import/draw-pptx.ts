import { zipSync } from 'fflate';
import { JSDOM } from 'jsdom';
import type { ZipFiles } from './safe-zip.ts';

export interface DrawnSlide {
  readonly html: string;
  readonly width: number;
  readonly height: number;
}

export interface DrawnDeck {
  readonly slides: readonly DrawnSlide[];
  /** A picture by the address under which it stands in the drawings. */
  readonly findPicture: (address: string) => Promise<Buffer | undefined>;
}

/** A slide that is not drawn by then is taken as far as it got. */
const longestDrawMs = 5_000;

/**
 * Draws the slides of a PPTX as HTML and SVG. The library is made for browsers; it finds a page made by jsdom here,
 * which loads nothing and runs no scripts.
 */
export async function drawPptx(files: ZipFiles, onProgress: (share: number) => void): Promise<DrawnDeck> {
  const blobs = new Map<string, Blob>();
  const window = standInForBrowser(blobs);
  const { buildPresentation, parseZip, PptxViewer, RECOMMENDED_ZIP_LIMITS } = await import('@aiden0z/pptx-renderer');
  const bytes = zipSync(Object.fromEntries(withoutOutside(files)), { level: 0 });
  const presentation = buildPresentation(await parseZip(bytes.buffer as ArrayBuffer, RECOMMENDED_ZIP_LIMITS));
  const { width, height } = presentation;
  const viewer = new PptxViewer(window.document.createElement('div'), { pdfjs: false, width });
  viewer.load(presentation);
  const slides: DrawnSlide[] = [];
  for (let index = 0; index < presentation.slides.length; index++) {
    const place = window.document.createElement('div');
    window.document.body.append(place);
    const handle = viewer.renderThumbnailToContainer(index, place, { width });
    await Promise.race([handle?.ready, new Promise((resolve) => setTimeout(resolve, longestDrawMs))]);
    // Inside the library's own frame, which scales for its viewer.
    slides.push({
      html: place.firstElementChild?.innerHTML ?? '',
      width: Math.round(width),
      height: Math.round(height),
    });
    place.remove();
    onProgress((index + 1) / presentation.slides.length);
  }
  return {
    slides,
    findPicture: async (address) => {
      const blob = blobs.get(address);
      return blob && Buffer.from(await blob.arrayBuffer());
    },
  };
}

/** Pictures and films on other machines are not fetched: what points outside is taken out before the library sees it. */
function withoutOutside(files: ZipFiles): Map<string, Buffer> {
  const outside = /<Relationship\b(?=[^<>]*TargetMode="External")(?![^<>]*\/hyperlink")[^<>]*\/>/g;
  return new Map(
    [...files].map(([name, content]) => [
      name,
      name.endsWith('.rels') ? Buffer.from(content.toString('utf8').replace(outside, '')) : content,
    ]),
  );
}

const browserNames = [
  ...[
    'document',
    'DOMParser',
    'XMLSerializer',
    'HTMLElement',
    'Element',
    'Node',
    'SVGElement',
    'EventTarget',
    'Event',
    'CustomEvent',
  ],
  ...['getComputedStyle', 'requestAnimationFrame', 'cancelAnimationFrame', 'HTMLImageElement', 'Image'],
];

/** Puts a page's names where the library looks for them. This process lives for one document. */
function standInForBrowser(blobs: Map<string, Blob>) {
  const { window } = new JSDOM('<!doctype html><body></body>', { pretendToBeVisual: true, url: 'http://localhost/' });
  const own = globalThis as unknown as Record<string, unknown>;
  const theirs = window as unknown as Record<string, unknown>;
  own.window = window;
  for (const name of browserNames) own[name] = theirs[name];
  Object.defineProperty(globalThis, 'navigator', { value: window.navigator, configurable: true });
  class Nothing {
    observe() {}
    unobserve() {}
    disconnect() {}
  }
  own.IntersectionObserver = Nothing;
  own.ResizeObserver = Nothing;
  window.HTMLCanvasElement.prototype.getContext = () => null;
  const keep = (blob: Blob): string => {
    const address = `blob:slide/${blobs.size + 1}`;
    blobs.set(address, blob);
    return address;
  };
  for (const place of [URL, window.URL] as (typeof URL)[]) {
    place.createObjectURL = keep as typeof URL.createObjectURL;
    place.revokeObjectURL = () => undefined;
  }
  return window;
}
