import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { wordsOf } from '@semita/core/text';
import { DomUtils, parseDocument } from 'htmlparser2';
import { afterAll, describe, expect, test } from 'vitest';
import { cleanSlide } from './clean-slide.ts';
import { importDeck } from './import-deck.ts';
import { createReport, type RawSlide } from './import-result.ts';

const documents = new URL('../../../../../../demo/documents/', import.meta.url).pathname;
const outDir = fs.mkdtempSync(path.join(os.tmpdir(), 'semita-deck-'));
afterAll(() => fs.rmSync(outDir, { recursive: true }));

const bringIn = (format: 'pptx' | 'odp' | 'pdf') =>
  importDeck(path.join(documents, `paper-bridge.${format}`), format, outDir, {
    onProgress: () => undefined,
    onWords: () => undefined,
  });
const bagOfWords = (slide: RawSlide) => new Set(wordsOf(slide.text));

test('the words of a PPTX are there before its drawings, in slides of the same length', async () => {
  const told: (readonly RawSlide[])[] = [];
  const { slides } = await importDeck(path.join(documents, 'paper-bridge.pptx'), 'pptx', outDir, {
    onProgress: () => expect(told).toHaveLength(1),
    onWords: (words) => told.push(words),
  });
  const facts = (of: readonly RawSlide[]) => of.map(({ html: _, width, height, ...fact }) => fact);
  expect(facts(told[0] ?? [])).toEqual(facts(slides));
  for (const [index, { width, height }] of slides.entries())
    expect((told[0]?.[index]?.width ?? 0) / (told[0]?.[index]?.height ?? 1)).toBeCloseTo(width / height, 2);
  expect(told[0]?.[0]?.html).toContain('Testing a paper bridge');
}, 60_000);

describe('a deck that LibreOffice wrote', () => {
  test.each(['pptx', 'odp', 'pdf'] as const)(
    '%s: six slides with their titles',
    async (format) => {
      const { slides } = await bringIn(format);
      expect(slides.map((slide) => slide.title)).toEqual([
        'Testing a paper bridge',
        'What you need',
        'An arch pushes outward',
        'How to test',
        'What we measured',
        'What changed?',
      ]);
      for (const { width, height } of slides) expect(width / height).toBeCloseTo(28 / 15.75, 1);
    },
    60_000,
  );

  test('the same words by whichever way they come, in the slide as well as beside it', async () => {
    const [pptx, odp, pdf] = await Promise.all([bringIn('pptx'), bringIn('odp'), bringIn('pdf')]);
    for (const [index, slide] of pptx.slides.entries()) {
      expect(bagOfWords(slide)).toEqual(bagOfWords(odp.slides[index] as RawSlide));
      // Pages of a PDF have no words for their pictures.
      if (slide.html.includes('<img')) continue;
      expect(bagOfWords(slide)).toEqual(bagOfWords(pdf.slides[index] as RawSlide));
      const drawn = new Set(wordsOf(DomUtils.textContent(parseDocument(slide.html).children)));
      for (const word of bagOfWords(slide)) expect(drawn.has(word) || slide.html.includes(word)).toBe(true);
    }
  }, 60_000);

  test.each(['pptx', 'odp'] as const)(
    '%s: notes, pictures and their words are kept',
    async (format) => {
      const { slides, pictures, leftOut } = await bringIn(format);
      expect(slides[1]?.notes).toBe('The books must be of the same height.');
      expect(slides[5]?.notes).toBe('');
      expect(pictures).toHaveLength(1);
      expect(slides[2]?.html).toMatch(/<img [^>]*src="picture:p1"/);
      expect(slides[2]?.text).toContain('A stone arch with a keystone at its top.');
      expect(leftOut).toEqual([]);
    },
    60_000,
  );
});

/** Shapes of injection by way of drawings and styles, written from memory. */
test.each([
  '<div style="position: fixed; inset: 0">x</div>',
  '<div style="background: url(https://tracker.example/p.gif)">x</div>',
  '<div style="background-image: url(javascript:alert(1))">x</div>',
  '<div style="width: expression(alert(1))">x</div>',
  '<div style="color: red\\3b background: url(//x)">x</div>',
  '<svg><script>alert(1)</script></svg>',
  '<svg onload="alert(1)"><rect width="1" height="1"/></svg>',
  '<svg><image href="https://tracker.example/p.png"/></svg>',
  '<svg><image xlink:href="javascript:alert(1)"/></svg>',
  '<svg><a href="javascript:alert(1)"><text>x</text></a></svg>',
  '<svg><use href="data:image/svg+xml,<svg onload=alert(1)>"/></svg>',
  '<svg><foreignObject><img src=x onerror=alert(1)></foreignObject></svg>',
  '<svg><animate attributeName="href" to="javascript:alert(1)"/></svg>',
  '<svg><rect fill="url(https://tracker.example/#x)"/></svg>',
  '<svg><style>@import url(//x)</style></svg>',
  '<img src="blob:x" onerror="alert(1)">',
  '<iframe src="javascript:alert(1)"></iframe>',
])('a slide can do nothing but be shown: %s', (html) => {
  const clean = cleanSlide(`<div>kept</div>${html}`, createReport());
  expect(clean).toContain('kept');
  expect(clean).not.toMatch(
    /javascript:|tracker|expression|<script|<iframe|<use|<foreignObject|<animate|@import|fixed/i,
  );
  for (const element of DomUtils.findAll(() => true, parseDocument(clean).children))
    for (const [name, value] of Object.entries(element.attribs)) {
      expect(name).not.toMatch(/^on/);
      expect(value).not.toMatch(/url\(\s*["']?[^#"'\s]/i);
    }
});

test('gradients and clips of the slide itself stay', () => {
  const html =
    '<svg viewBox="0 0 2 2"><defs><clipPath id="c"><rect x="0" y="0" width="1" height="1"></rect></clipPath></defs><rect clip-path="url(#c)" width="2" height="2" fill="#5a2a54"></rect></svg>';
  const clean = cleanSlide(html, createReport());
  expect(clean).toContain('clip-path="url(#c)"');
  expect(clean).toContain('<clipPath id="c">');
  expect(clean).toContain('viewBox="0 0 2 2"');
});
