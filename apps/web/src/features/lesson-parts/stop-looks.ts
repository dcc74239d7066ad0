import type { Stop } from '@semita/core/lesson';
import { DoorClosed, LayoutGrid, type LucideIcon, Pause, Split } from 'lucide-react';

/** How each kind of stop looks in the script, the outline and on the map. */
export const stopLooks: Readonly<
  Record<
    Stop['kind'],
    { readonly Icon: LucideIcon; readonly edge: string; readonly notch: string; readonly ink: string }
  >
> = {
  checkpoint: { Icon: DoorClosed, edge: 'border-l-main', notch: 'border-main', ink: 'text-main' },
  pause: { Icon: Pause, edge: 'border-l-slate', notch: 'border-slate', ink: 'text-slate' },
  board: { Icon: LayoutGrid, edge: 'border-l-marigold', notch: 'border-marigold', ink: 'text-marigold-ink' },
  fork: { Icon: Split, edge: 'border-l-marigold', notch: 'border-marigold', ink: 'text-marigold-ink' },
};
