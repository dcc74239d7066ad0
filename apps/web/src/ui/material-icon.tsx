import type { MaterialKind } from '@semita/core/lesson';
import { File, FileImage, FileMusic, FileText, FileVideo, Presentation } from 'lucide-react';

const icons = { film: FileVideo, sound: FileMusic, document: FileText, deck: Presentation, picture: FileImage };

/** What a material is, at a glance. Stands beside its name. */
export function MaterialIcon({ kind }: { readonly kind: MaterialKind | null }) {
  const Icon = kind === null ? File : icons[kind];
  return <Icon aria-hidden className="size-5 shrink-0 text-slate" strokeWidth={1.75} />;
}
