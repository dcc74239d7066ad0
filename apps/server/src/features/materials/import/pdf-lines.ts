/** A run of text on a page; y grows downward, all in points. */
export interface PdfPiece {
  readonly text: string;
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
  readonly isBold: boolean;
}

/** A line of one column, put together from its pieces. */
export interface PdfLine extends PdfPiece {
  readonly right: number;
}

/** Pieces further apart than this many heights belong to different columns or cells. */
const columnGap = 1.8;

/**
 * Puts the pieces of a page together to lines in reading order: by baseline, then apart at wide gaps; of two columns
 * first the left one.
 */
export function linesOf(pieces: readonly PdfPiece[], pageWidth: number): PdfLine[] {
  const rows: PdfPiece[][] = [];
  for (const piece of pieces.toSorted((a, b) => a.y - b.y || a.x - b.x)) {
    const row = rows.at(-1);
    const tallest = row?.reduce((a, b) => (b.height > a.height ? b : a));
    const isSameRow = tallest && Math.abs(tallest.y - piece.y) < sameRowWithin(tallest, piece);
    if (row && isSameRow) row.push(piece);
    else rows.push([piece]);
  }
  const lines = rows.flatMap(splitRow);
  return isTwoColumns(lines, pageWidth) ? inColumns(lines, pageWidth) : lines;
}

/** Smaller letters on the same row are raised or lowered: marks of notes, formulas. */
function sameRowWithin(a: PdfPiece, b: PdfPiece): number {
  const [small, large] = a.height < b.height ? [a.height, b.height] : [b.height, a.height];
  return Math.max(2, small < large * 0.85 ? large * 0.5 : small * 0.45);
}

function splitRow(row: readonly PdfPiece[]): PdfLine[] {
  const lines: PdfLine[] = [];
  for (const piece of row.toSorted((a, b) => a.x - b.x)) {
    const last = lines.at(-1);
    const gap = last ? piece.x - last.right : 0;
    if (!last || gap > Math.max(12, last.height * columnGap)) lines.push({ ...piece, right: piece.x + piece.width });
    else
      lines[lines.length - 1] = {
        ...last,
        text: last.text + (gap > last.height * 0.15 && !last.text.endsWith(' ') ? ' ' : '') + piece.text,
        height: Math.max(last.height, piece.height),
        isBold: last.isBold && piece.isBold,
        width: piece.x + piece.width - last.x,
        right: piece.x + piece.width,
      };
  }
  return lines;
}

/** Two columns: many lines on either side of the middle, and few across it. */
function isTwoColumns(lines: readonly PdfLine[], pageWidth: number): boolean {
  const middle = pageWidth / 2;
  const left = lines.filter((line) => line.right < middle + 6).length;
  const right = lines.filter((line) => line.x > middle - 6).length;
  const across = lines.filter((line) => line.x < middle - 20 && line.right > middle + 20).length;
  return left > 8 && right > 8 && across < (left + right) * 0.25;
}

/** Lines across both columns part the page into bands; each band is read left, then right. */
function inColumns(lines: readonly PdfLine[], pageWidth: number): PdfLine[] {
  const middle = pageWidth / 2;
  const ordered: PdfLine[] = [];
  let left: PdfLine[] = [];
  let right: PdfLine[] = [];
  const closeBand = () => {
    ordered.push(...left, ...right);
    left = [];
    right = [];
  };
  for (const line of lines) {
    if (line.x < middle - 20 && line.right > middle + 20) {
      closeBand();
      ordered.push(line);
    } else if (line.x > middle - 6) right.push(line);
    else left.push(line);
  }
  closeBand();
  return ordered;
}

/** Margins in which running titles and page numbers stand, as shares of the page's height. */
const marginShare = 0.09;

/** Takes out what stands in the margin of most pages alike, numbers aside. Fewer than three pages have no running titles. */
export function withoutRunningTitles(
  pages: readonly { readonly lines: readonly PdfLine[]; readonly height: number }[],
): PdfLine[][] {
  const isMargin = (line: PdfLine, height: number) =>
    line.y < height * marginShare || line.y > height * (1 - marginShare);
  const shapeOf = (line: PdfLine) => line.text.replace(/\d+/g, '#').trim();
  const counts = new Map<string, number>();
  for (const { lines, height } of pages)
    for (const shape of new Set(lines.filter((line) => isMargin(line, height)).map(shapeOf)))
      counts.set(shape, (counts.get(shape) ?? 0) + 1);
  const least = Math.max(3, pages.length * 0.3);
  return pages.map(({ lines, height }) =>
    lines.filter((line) => !isMargin(line, height) || (counts.get(shapeOf(line)) ?? 0) < least),
  );
}
