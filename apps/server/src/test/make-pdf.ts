/** A PDF of many pages of text, each with a running title and its number (ISO 32000-1, 7.5). For tests and figures. */
export function makePdf(pageCount: number, linesPerPage = 40): Buffer {
  const objects: string[] = [];
  const add = (body: string) => objects.push(body);
  const kids = Array.from({ length: pageCount }, (_, page) => `${4 + page * 2} 0 R`).join(' ');
  add('<< /Type /Catalog /Pages 2 0 R >>');
  add(`<< /Type /Pages /Kids [${kids}] /Count ${pageCount} >>`);
  add('<< /Type /Font /Subtype /Type1 /BaseFont /Helvetica >>');
  for (let page = 0; page < pageCount; page++) {
    const body = Array.from(
      { length: linesPerPage },
      (_, line) =>
        `1 0 0 1 60 ${760 - line * 16} Tm (Line ${line + 1} of page ${page + 1}: a beam carries its load to two supports.) Tj`,
    );
    const text = `BT /F1 9 Tf 1 0 0 1 60 815 Tm (The keeper's book, ${page + 1}) Tj /F1 11 Tf ${body.join('\n')} ET`;
    add(
      `<< /Type /Page /Parent 2 0 R /MediaBox [0 0 595 842] /Resources << /Font << /F1 3 0 R >> >> /Contents ${5 + page * 2} 0 R >>`,
    );
    add(`<< /Length ${text.length} >>\nstream\n${text}\nendstream`);
  }
  let file = '%PDF-1.4\n';
  const offsets = objects.map((body, index) => {
    const at = file.length;
    file += `${index + 1} 0 obj\n${body}\nendobj\n`;
    return at;
  });
  const xref = file.length;
  const rows = offsets.map((at) => `${String(at).padStart(10, '0')} 00000 n \n`).join('');
  file += `xref\n0 ${objects.length + 1}\n0000000000 65535 f \n${rows}`;
  file += `trailer\n<< /Size ${objects.length + 1} /Root 1 0 R >>\nstartxref\n${xref}\n%%EOF\n`;
  return Buffer.from(file, 'latin1');
}
