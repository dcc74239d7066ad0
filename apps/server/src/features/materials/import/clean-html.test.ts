import { DomUtils, parseDocument } from 'htmlparser2';
import { describe, expect, test } from 'vitest';
import { cleanHtml } from './clean-html.ts';
import { createReport } from './import-result.ts';
import { splitBlocks } from './split-blocks.ts';

/**
 * Known shapes of script injection. Kinds as OWASP's cross-site scripting filter evasion cheat sheet names them; the
 * shapes are written from memory.
 */
const injections = [
  '<script>alert(1)</script>',
  '<SCRIPT SRC=//evil.example/x.js></SCRIPT>',
  '<scr<script>ipt>alert(1)</scr</script>ipt>',
  '<img src=x onerror=alert(1)>',
  '<img src="x" onerror="alert(1)" onload=alert(2)>',
  '<img """><script>alert(1)</script>">',
  '<img src=javascript:alert(1)>',
  '<img src="data:image/svg+xml;base64,PHN2ZyBvbmxvYWQ9YWxlcnQoMSk+">',
  '<img src="https://tracker.example/p.gif">',
  '<img srcset="x 1x, javascript:alert(1) 2x">',
  '<svg onload=alert(1)>',
  '<svg><script>alert(1)</script></svg>',
  '<svg><a xlink:href="javascript:alert(1)"><text>x</text></a></svg>',
  '<svg><use href="data:image/svg+xml,<svg id=x onload=alert(1)>#x"/></svg>',
  '<svg><animate onbegin=alert(1) attributeName=x></svg>',
  '<math><mi//xlink:href="data:x,<script>alert(4)</script>">',
  '<math><mtext><table><mglyph><style><!--</style><img title="--&gt;&lt;img src=1 onerror=alert(1)&gt;">',
  '<a href="javascript:alert(1)">x</a>',
  '<a href="java\tscript:alert(1)">x</a>',
  '<a href="&#x6a;avascript:alert(1)">x</a>',
  '<a href=" javascript:alert(1)">x</a>',
  '<a href="JaVaScRiPt:alert(1)">x</a>',
  '<a href="vbscript:msgbox(1)">x</a>',
  '<a href="data:text/html,<script>alert(1)</script>">x</a>',
  '<a href="//evil.example">x</a>',
  '<a href="file:///etc/passwd">x</a>',
  '<p style="background:url(javascript:alert(1));position:fixed;inset:0">x</p>',
  '<p onclick=alert(1) onmouseover="alert(1)">x</p>',
  '<iframe srcdoc="<script>alert(1)</script>"></iframe>',
  '<iframe src="javascript:alert(1)"></iframe>',
  '<object data="data:text/html,<script>alert(1)</script>"></object>',
  '<embed src="javascript:alert(1)">',
  '<form action=javascript:alert(1)><button>go</button></form>',
  '<input autofocus onfocus=alert(1)>',
  '<textarea><script>alert(1)</script></textarea>',
  '<noscript><p title="</noscript><img src=x onerror=alert(1)>">',
  '<style>@import url(//evil.example)</style>',
  '<link rel=stylesheet href=//evil.example>',
  '<base href=//evil.example>',
  '<meta http-equiv=refresh content="0;url=//evil.example">',
  '<p id="location" name=getElementById>clobber</p>',
  '<table background="javascript:alert(1)"><tr><td onclick=1>ok</table>',
  '<template><script>alert(1)</script></template>',
  '<xmp><img src=x onerror=alert(1)></xmp>',
  '<!--[if IE]><script>alert(1)</script><![endif]-->',
  '<video><source onerror=alert(1)></video>',
  '<details open ontoggle=alert(1)>x</details>',
];

const elements = new Set(
  'h1 h2 h3 h4 h5 h6 p blockquote pre hr br ul ol li dl dt dd table caption thead tbody tr th td figure figcaption img strong em u s sub sup code a'.split(
    ' ',
  ),
);
const attributes = new Set(['href', 'target', 'rel', 'src', 'alt', 'colspan', 'rowspan', 'scope', 'start', 'type']);

/** What a reader's browser would find in it; checked on the parsed page, not on its letters. */
function expectHarmless(html: string): void {
  for (const element of DomUtils.findAll(() => true, parseDocument(html).children)) {
    expect(elements).toContain(element.name);
    for (const [name, value] of Object.entries(element.attribs)) {
      expect(attributes).toContain(name);
      if (name === 'href') expect(value).toMatch(/^(https?:|mailto:)/);
      if (name === 'src') expect(value).toMatch(/^picture:\w+$/);
    }
  }
}

describe('script injection', () => {
  test.each(injections)('%s', (injection) => {
    const html = cleanHtml(`<p>before</p>${injection}<p>after</p>`, createReport());
    expectHarmless(html);
    expectHarmless(
      splitBlocks(html)
        .map((block) => block.html)
        .join(''),
    );
    expect(html).toContain('before');
  });
});

test('what is taken out is told', () => {
  const report = createReport();
  cleanHtml(
    '<script>1</script><script>2</script><iframe></iframe><a href="javascript:1">x</a><img src="https://example.org/x.png">',
    report,
  );
  expect(report.list()).toEqual([
    { code: 'scripts', count: 2 },
    { code: 'embeddedFrames', count: 1 },
    { code: 'unsafeLinks', count: 1 },
    { code: 'picturesElsewhere', count: 1 },
  ]);
});

test('nesting without end takes no time', () => {
  const startedAt = performance.now();
  cleanHtml('<div>'.repeat(50_000), createReport());
  cleanHtml(`${'<b>'.repeat(20_000)}x`, createReport());
  expect(performance.now() - startedAt).toBeLessThan(10_000);
});

test('boxes part text from text, and loose words become paragraphs', () => {
  const html = cleanHtml('loose <b>words</b><div>one</div><div>two<ul><li>three</li></ul></div>', createReport());
  expect(splitBlocks(html).map(({ kind, text }) => [kind, text])).toEqual([
    ['paragraph', 'loose words'],
    ['paragraph', 'one'],
    ['paragraph', 'two'],
    ['list', 'three'],
  ]);
});
