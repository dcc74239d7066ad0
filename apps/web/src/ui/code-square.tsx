import { create } from 'qrcode';
import { joinClasses } from './join-classes.ts';

/** Free space around the square, in its own cells (ISO/IEC 18004: four). */
const margin = 4;

/** A square that a camera reads as a link (QR code). Dark on white in every theme: cameras need it so. */
export function CodeSquare({ text, label, className }: { text: string; label: string; className?: string }) {
  const { modules } = create(text, { errorCorrectionLevel: 'M' });
  const size = modules.size + 2 * margin;
  const cells = Array.from({ length: modules.size ** 2 }, (_, index) => index).filter((index) => modules.data[index]);
  const path = cells
    .map((index) => `M${margin + (index % modules.size)} ${margin + Math.floor(index / modules.size)}h1v1h-1z`)
    .join('');
  return (
    <svg role="img" aria-label={label} viewBox={`0 0 ${size} ${size}`} className={joinClasses('bg-sheet', className)}>
      <path d={path} className="fill-pen-ink" shapeRendering="crispEdges" />
    </svg>
  );
}
