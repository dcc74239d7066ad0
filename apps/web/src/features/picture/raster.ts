import type { Slide } from '@semita/core/deck';

/** Points across a picture of a slide or a page: sharp on a projector. */
const widePx = 2_400;

/** What a film shows now, with as many points as the film has. */
export function rasterFrame(video: HTMLVideoElement): HTMLCanvasElement {
  const canvas = createCanvas(video.videoWidth, video.videoHeight);
  canvas.getContext('2d')?.drawImage(video, 0, 0);
  return canvas;
}

/** A picture as large as it is stored. */
export async function rasterPicture(src: string): Promise<HTMLCanvasElement> {
  const image = await loadImage(src);
  const canvas = createCanvas(image.naturalWidth, image.naturalHeight);
  canvas.getContext('2d')?.drawImage(image, 0, 0);
  return canvas;
}

/**
 * A slide, drawn anew from its shapes and words and not from the screen. Its pictures are put into the drawing, since
 * a drawing that is made into a picture may fetch nothing.
 */
export async function rasterSlide({ html, width, height }: Pick<Slide, 'html' | 'width' | 'height'>) {
  const page = new DOMParser().parseFromString(`<div>${html}</div>`, 'text/html');
  for (const film of page.querySelectorAll('video')) film.remove();
  for (const image of page.querySelectorAll('img, image')) {
    const name = image.localName === 'img' ? 'src' : 'href';
    image.setAttribute(name, await toDataUrl(image.getAttribute(name) ?? ''));
  }
  const scale = Math.max(1, widePx / width);
  const body = new XMLSerializer().serializeToString(page.body.firstElementChild as Element);
  const ground = `position:relative;width:${width}px;height:${height}px;overflow:hidden;background:#fff;color:#000;font-family:Arial,sans-serif`;
  const drawing = `<svg xmlns="http://www.w3.org/2000/svg" width="${width * scale}" height="${height * scale}" viewBox="0 0 ${width} ${height}"><foreignObject width="${width}" height="${height}"><div xmlns="http://www.w3.org/1999/xhtml" style="${ground}"><style>img{max-width:100%}p{margin:0}</style>${body}</div></foreignObject></svg>`;
  return rasterPicture(`data:image/svg+xml;charset=utf-8,${encodeURIComponent(drawing)}`);
}

export type Pages = Awaited<ReturnType<typeof openPages>>;

/** Pages of a PDF, drawn in a thread of its own by the same library that reads it on the server. */
export async function openPages(address: string) {
  const { getDocument, GlobalWorkerOptions } = await import('pdfjs-dist');
  const { default: workerSrc } = await import('pdfjs-dist/build/pdf.worker.min.mjs?url');
  GlobalWorkerOptions.workerSrc = workerSrc;
  const document = await getDocument({ url: address, isEvalSupported: false }).promise;
  return {
    count: document.numPages,
    raster: async (number: number): Promise<HTMLCanvasElement> => {
      const page = await document.getPage(number);
      const scale = widePx / page.getViewport({ scale: 1 }).width;
      const viewport = page.getViewport({ scale });
      const canvas = createCanvas(Math.round(viewport.width), Math.round(viewport.height));
      await page.render({ canvas, viewport }).promise;
      return canvas;
    },
    close: () => void document.destroy(),
  };
}

/** A rectangle in hundredths of a picture's sides. */
export interface Region {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

/** Cuts a rectangle out. */
export async function cutOut(source: HTMLCanvasElement, region: Region): Promise<Blob> {
  const x = Math.round((region.x / 100) * source.width);
  const y = Math.round((region.y / 100) * source.height);
  const width = Math.max(1, Math.round((region.width / 100) * source.width));
  const height = Math.max(1, Math.round((region.height / 100) * source.height));
  const canvas = createCanvas(width, height);
  canvas.getContext('2d')?.drawImage(source, x, y, width, height, 0, 0, width, height);
  return new Promise((resolve, reject) => {
    canvas.toBlob((blob) => (blob ? resolve(blob) : reject(new Error('nothing was cut out'))), 'image/png');
  });
}

function createCanvas(width: number, height: number): HTMLCanvasElement {
  const canvas = document.createElement('canvas');
  canvas.width = width;
  canvas.height = height;
  return canvas;
}

async function loadImage(src: string): Promise<HTMLImageElement> {
  const image = new Image();
  image.src = src;
  await image.decode();
  return image;
}

async function toDataUrl(address: string): Promise<string> {
  const blob = await (await fetch(address)).blob();
  return new Promise((resolve, reject) => {
    const reader = new FileReader();
    reader.onload = () => resolve(String(reader.result));
    reader.onerror = () => reject(reader.error);
    reader.readAsDataURL(blob);
  });
}
