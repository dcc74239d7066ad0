// Writes the demo's documents with LibreOffice, from the texts below. Its results are committed; run it by hand after
// changing a text. Needs, from Debian: libreoffice-writer-nogui libreoffice-impress-nogui.
import { execFileSync } from 'node:child_process';
import fs from 'node:fs';
import { createRequire } from 'node:module';
import os from 'node:os';
import path from 'node:path';

const sharp = createRequire(new URL('../../apps/server/package.json', import.meta.url))('sharp');
const here = import.meta.dirname;
const escapeXml = (text) => text.replace(/[&<>]/g, (char) => ({ '&': '&amp;', '<': '&lt;', '>': '&gt;' })[char]);

const arch = `<svg xmlns="http://www.w3.org/2000/svg" width="900" height="420" viewBox="0 0 900 420">
  <rect width="900" height="420" fill="#F7F5EF"/>
  <rect y="330" width="900" height="90" fill="#CFE0E6"/>
  <path d="M90 330 A360 250 0 0 1 810 330 L750 330 A300 200 0 0 0 150 330 Z" fill="#C9BFAE" stroke="#20262B" stroke-width="4"/>
  <path d="M0 118 H900" stroke="#20262B" stroke-width="14"/>
  <path d="M430 84 L470 84 L458 126 L442 126 Z" fill="#5A2A54"/>
  <g stroke="#D0561D" stroke-width="8" fill="none"><path d="M450 150 V190"/><path d="M190 300 L140 345"/><path d="M710 300 L760 345"/></g>
</svg>`;

/** Inline: **strong**, _emphasis_, [[words|address]], ((note)). */
const inline = (text) =>
  escapeXml(text)
    .replace(/\*\*(.+?)\*\*/g, '<text:span text:style-name="Strong">$1</text:span>')
    .replace(/_(.+?)_/g, '<text:span text:style-name="Emphasis">$1</text:span>')
    .replace(/\[\[(.+?)\|(.+?)\]\]/g, '<text:a xlink:href="$2">$1</text:a>')
    .replace(
      /\(\((.+?)\)\)/g,
      '<text:note text:note-class="footnote"><text:note-citation>1</text:note-citation><text:note-body><text:p>$1</text:p></text:note-body></text:note>',
    );
const p = (text, style = 'Standard') => `<text:p text:style-name="${style}">${inline(text)}</text:p>`;
const h = (level, text) => `<text:h text:outline-level="${level}">${inline(text)}</text:h>`;
const list = (style, items) =>
  `<text:list text:style-name="${style}">${items.map((item) => `<text:list-item>${p(item)}</text:list-item>`).join('')}</text:list>`;
const table = (rows) => {
  const row = (cells) =>
    `<table:table-row>${cells.map((cell) => `<table:table-cell office:value-type="string">${p(cell)}</table:table-cell>`).join('')}</table:table-row>`;
  return `<table:table><table:table-column table:number-columns-repeated="${rows[0].length}"/><table:table-header-rows>${row(rows[0])}</table:table-header-rows>${rows.slice(1).map(row).join('')}</table:table>`;
};
const picture = (base64, alt) =>
  `<text:p><draw:frame text:anchor-type="as-char" svg:width="12cm" svg:height="5.6cm"><draw:image><office:binary-data>${base64}</office:binary-data></draw:image><svg:desc>${escapeXml(alt)}</svg:desc></draw:frame></text:p>`;

const document = (body, language) => `<?xml version="1.0" encoding="UTF-8"?>
<office:document xmlns:office="urn:oasis:names:tc:opendocument:xmlns:office:1.0" xmlns:text="urn:oasis:names:tc:opendocument:xmlns:text:1.0" xmlns:table="urn:oasis:names:tc:opendocument:xmlns:table:1.0" xmlns:style="urn:oasis:names:tc:opendocument:xmlns:style:1.0" xmlns:fo="urn:oasis:names:tc:opendocument:xmlns:xsl-fo-compatible:1.0" xmlns:draw="urn:oasis:names:tc:opendocument:xmlns:drawing:1.0" xmlns:svg="urn:oasis:names:tc:opendocument:xmlns:svg-compatible:1.0" xmlns:xlink="http://www.w3.org/1999/xlink" office:version="1.3" office:mimetype="application/vnd.oasis.opendocument.text">
<office:styles>
  <style:style style:name="Standard" style:family="paragraph"><style:text-properties fo:language="${language}"/></style:style>
  <style:style style:name="Title" style:family="paragraph" style:parent-style-name="Standard"><style:text-properties fo:font-size="24pt" fo:font-weight="bold"/></style:style>
  <style:style style:name="Quotations" style:family="paragraph" style:parent-style-name="Standard"><style:paragraph-properties fo:margin-left="1cm"/></style:style>
  <style:style style:name="Strong" style:family="text"><style:text-properties fo:font-weight="bold"/></style:style>
  <style:style style:name="Emphasis" style:family="text"><style:text-properties fo:font-style="italic"/></style:style>
  <text:list-style style:name="Bullets"><text:list-level-style-bullet text:level="1" text:bullet-char="•"/></text:list-style>
  <text:list-style style:name="Numbers"><text:list-level-style-number text:level="1" style:num-format="1" style:num-suffix="."/></text:list-style>
</office:styles>
<office:body><office:text>${body}</office:text></office:body></office:document>`;

const notebook = (archPng) =>
  [
    p('A bridge-keeper’s notebook', 'Title'),
    p('Six pages kept by the keeper of the Quill footbridge, who walks it every evening before the lamps are lit.'),
    h(1, 'Monday: the beam'),
    p(
      'The old plank at the landing is a **beam** and nothing more. I stood in its middle and it bent under me. Its upper side grew a little shorter, its lower side a little longer.',
    ),
    p(
      'Wood splits along its lower side first. That is the side that is _pulled_.((Stone can be squeezed very hard, but it cracks when it is pulled even a little.))',
    ),
    h(1, 'Tuesday: the arch'),
    p(
      'The stone arch upstream has no mortar left, and it stands. Every stone is squeezed between its neighbours, and the weight of the road only presses them closer.',
    ),
    picture(
      archPng,
      'A stone arch with a keystone at its top. Arrows show the squeeze running down both sides to the banks.',
    ),
    p('An arch pushes outward at its feet. Where the banks are soft, I look for three things:'),
    list('Bullets', ['a crack that opens toward the river', 'a stone that has slipped', 'a foot that stands in water']),
    h(1, 'Wednesday: the cable'),
    p(
      'The footbridge hangs. The deck hangs from hangers, the hangers hang from the cable, the cable lies over two towers and ends in the rock.',
    ),
    p(
      'Pull a rope tight between two posts and lean on it. The rope is pulled; the posts are squeezed. There is no more to it, said the one who taught me.',
      'Quotations',
    ),
    h(1, 'Thursday: what I weighed'),
    p('I built three small bridges of paper and loaded them with washers until they fell.'),
    table([
      ['Bridge', 'Own weight', 'Load held'],
      ['Flat strip', '4 g', '12 g'],
      ['Folded beam', '4 g', '180 g'],
      ['Arch', '5 g', '240 g'],
    ]),
    p('The folded strip weighs no more than the flat one and holds fifteen times as much.'),
    h(1, 'Friday: in this order'),
    p('Before the lamps are lit I go over the bridge in the same order:'),
    list('Numbers', [
      'Look along the deck for a dip.',
      'Listen at the towers.',
      'Touch each hanger: a slack one carries nothing.',
    ]),
    p(
      'A bridge that is looked at every day does not surprise anyone. More about paper bridges stands on [[the page of the workshop|https://example.org/paper-bridges]].',
    ),
  ].join('\n');

const arabic = [
  p('دفتر حارس الجسر', 'Title'),
  p('كل مساء يمشي الحارس على الجسر قبل أن تضاء المصابيح.'),
  h(1, 'القوس'),
  p('كل حجر مضغوط بين جيرانه، ووزن الطريق يزيده ثباتا.'),
  list('Bullets', ['شق ينفتح نحو النهر', 'حجر تحرك من مكانه']),
].join('\n');

const japanese = [
  p('橋守の手帳', 'Title'),
  p('橋守は毎晩、灯りがともる前に橋を渡ります。'),
  h(1, 'アーチ'),
  p('石はとなりの石に押されています。道の重さは石をさらに強く押します。'),
  list('Bullets', ['川に向かって開くひび', 'ずれた石']),
].join('\n');

const slide = (number, title, body, notes) => `<draw:page draw:name="page${number}" draw:master-page-name="Default">
  <draw:frame presentation:class="title" draw:style-name="plain" svg:x="1.4cm" svg:y="0.8cm" svg:width="25.2cm" svg:height="2.4cm"><draw:text-box><text:p text:style-name="Head">${escapeXml(title)}</text:p></draw:text-box></draw:frame>
  ${body}
  <presentation:notes><draw:frame presentation:class="notes" svg:x="2cm" svg:y="13cm" svg:width="17cm" svg:height="12cm"><draw:text-box><text:p>${escapeXml(notes)}</text:p></draw:text-box></draw:frame></presentation:notes>
</draw:page>`;
const box = (x, y, width, height, inner) =>
  `<draw:frame draw:style-name="plain" svg:x="${x}cm" svg:y="${y}cm" svg:width="${width}cm" svg:height="${height}cm"><draw:text-box>${inner}</draw:text-box></draw:frame>`;
const bullets = (items) =>
  `<text:list text:style-name="Bullets">${items.map((item) => `<text:list-item><text:p text:style-name="Body">${escapeXml(item)}</text:p></text:list-item>`).join('')}</text:list>`;
const grid = (rows) =>
  `<draw:frame svg:x="1.4cm" svg:y="4.2cm" svg:width="25.2cm" svg:height="7cm"><table:table table:use-first-row-styles="true"><table:table-column table:number-columns-repeated="${rows[0].length}"/>${rows
    .map(
      (cells) =>
        `<table:table-row>${cells.map((cell) => `<table:table-cell table:style-name="cell"><text:p text:style-name="Body">${escapeXml(cell)}</text:p></table:table-cell>`).join('')}</table:table-row>`,
    )
    .join('')}</table:table></draw:frame>`;
const image = (base64, alt) =>
  `<draw:frame svg:x="3.5cm" svg:y="4.2cm" svg:width="21cm" svg:height="9.8cm"><draw:image><office:binary-data>${base64}</office:binary-data></draw:image><svg:desc>${escapeXml(alt)}</svg:desc></draw:frame>`;

const deck = (archPng) => `<?xml version="1.0" encoding="UTF-8"?>
<office:document xmlns:office="urn:oasis:names:tc:opendocument:xmlns:office:1.0" xmlns:text="urn:oasis:names:tc:opendocument:xmlns:text:1.0" xmlns:table="urn:oasis:names:tc:opendocument:xmlns:table:1.0" xmlns:style="urn:oasis:names:tc:opendocument:xmlns:style:1.0" xmlns:fo="urn:oasis:names:tc:opendocument:xmlns:xsl-fo-compatible:1.0" xmlns:draw="urn:oasis:names:tc:opendocument:xmlns:drawing:1.0" xmlns:svg="urn:oasis:names:tc:opendocument:xmlns:svg-compatible:1.0" xmlns:presentation="urn:oasis:names:tc:opendocument:xmlns:presentation:1.0" office:version="1.3" office:mimetype="application/vnd.oasis.opendocument.presentation">
<office:styles>
  <text:list-style style:name="Bullets"><text:list-level-style-bullet text:level="1" text:bullet-char="•"><style:list-level-properties text:space-before="0.3cm" text:min-label-width="0.9cm"/></text:list-level-style-bullet></text:list-style>
</office:styles>
<office:automatic-styles>
  <style:style style:name="cell" style:family="table-cell"><style:graphic-properties draw:fill="solid" draw:fill-color="#ffffff"/><style:paragraph-properties fo:border="0.05cm solid #ddd8cc"/></style:style>
  <style:style style:name="plain" style:family="graphic"><style:graphic-properties draw:stroke="none" draw:fill="none"/></style:style>
  <style:style style:name="Head" style:family="paragraph"><style:text-properties fo:font-size="36pt" fo:font-weight="bold" fo:color="#5a2a54"/></style:style>
  <style:style style:name="Body" style:family="paragraph"><style:paragraph-properties fo:margin-bottom="0.4cm"/><style:text-properties fo:font-size="26pt" fo:color="#20262b"/></style:style>
  <style:page-layout style:name="wide"><style:page-layout-properties fo:page-width="28cm" fo:page-height="15.75cm" style:print-orientation="landscape"/></style:page-layout>
  <style:style style:name="ground" style:family="drawing-page"><style:drawing-page-properties draw:fill="solid" draw:fill-color="#f7f5ef"/></style:style>
</office:automatic-styles>
<office:master-styles><style:master-page style:name="Default" style:page-layout-name="wide" draw:style-name="ground"/></office:master-styles>
<office:body><office:presentation>
${[
  [
    'Testing a paper bridge',
    box(1.4, 5, 25, 4, '<text:p text:style-name="Body">Three bridges, one sheet of paper each</text:p>'),
    'Hand out one sheet each. No glue today.',
  ],
  [
    'What you need',
    box(1.4, 4.2, 25, 8, bullets(['One sheet of paper', 'Two books, 20 cm apart', 'A cup and forty washers'])),
    'The books must be of the same height.',
  ],
  [
    'An arch pushes outward',
    image(
      archPng,
      'A stone arch with a keystone at its top. Arrows show the squeeze running down both sides to the banks.',
    ),
    'Ask: what would happen on soft banks?',
  ],
  [
    'How to test',
    box(
      1.4,
      4.2,
      25,
      9,
      bullets([
        'Lay the bridge over the gap',
        'Set the cup in its middle',
        'Add washers one by one, and count',
        'Write down the last number before it fell',
      ]),
    ),
    'One of the group counts aloud.',
  ],
  [
    'What we measured',
    grid([
      ['Bridge', 'Own weight', 'Load held'],
      ['Flat strip', '4 g', '12 g'],
      ['Folded beam', '4 g', '180 g'],
      ['Arch', '5 g', '240 g'],
    ]),
    'Divide load by own weight together for the first row.',
  ],
  [
    'What changed?',
    box(1.4, 4.2, 25, 6, '<text:p text:style-name="Body">The paper is the same. Its shape is not.</text:p>'),
    '',
  ],
]
  .map(([title, body, notes], index) => slide(index + 1, title, body, notes))
  .join('\n')}
</office:presentation></office:body></office:document>`;

const png = (await sharp(Buffer.from(arch)).png().toBuffer()).toString('base64');
const sources = {
  notebook: document(notebook(png), 'en'),
  arabic: document(arabic, 'ar'),
  japanese: document(japanese, 'ja'),
  'paper-bridge': deck(png),
};
const formats = {
  notebook: [
    'docx',
    'odt',
    'epub',
    'html',
    'txt:Text (encoded):UTF8',
    'pdf',
    'pdf:writer_pdf_Export:{"UseTaggedPDF":{"type":"boolean","value":"true"}}',
  ],
  arabic: ['docx', 'odt', 'txt:Text (encoded):UTF8'],
  japanese: ['docx', 'odt', 'txt:Text (encoded):UTF8'],
  'paper-bridge': ['pptx', 'odp', 'pdf'],
};

const work = fs.mkdtempSync(path.join(os.tmpdir(), 'documents-'));
for (const [name, source] of Object.entries(sources)) {
  const flat = `${name}.${source.includes('opendocument.presentation') ? 'fodp' : 'fodt'}`;
  fs.writeFileSync(path.join(work, flat), source);
  for (const format of formats[name]) {
    const extension = format.split(':')[0];
    const isTagged = format.includes('Tagged');
    execFileSync(
      'soffice',
      [
        '--headless',
        '--norestore',
        `-env:UserInstallation=file://${work}/profile`,
        '--convert-to',
        format,
        '--outdir',
        work,
        path.join(work, flat),
      ],
      { stdio: ['ignore', 'ignore', 'inherit'] },
    );
    fs.copyFileSync(
      path.join(work, `${name}.${extension}`),
      path.join(here, `${name}${isTagged ? '-tagged' : ''}.${extension}`),
    );
  }
}
fs.rmSync(work, { recursive: true });
