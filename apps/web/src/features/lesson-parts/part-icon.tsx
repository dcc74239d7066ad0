import type { PartKind } from '@semita/core/lesson';
import { BookCopy, BookOpen, Film, LayoutGrid, ListChecks, Presentation } from 'lucide-react';
import { joinClasses } from '../../ui/join-classes.ts';

const partIcons = {
  clip: Film,
  reading: BookOpen,
  deck: Presentation,
  task: ListChecks,
  board: LayoutGrid,
  lesson: BookCopy,
};

export function PartIcon({ kind, className }: { readonly kind: PartKind; readonly className?: string }) {
  const Icon = partIcons[kind];
  return <Icon aria-hidden className={joinClasses('size-4 shrink-0 text-slate', className)} strokeWidth={1.75} />;
}
