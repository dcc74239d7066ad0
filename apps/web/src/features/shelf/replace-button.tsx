import type { Material } from '@semita/core/contract';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { toast } from 'sonner';
import { call } from '../../api/client.ts';
import { FileButton } from '../../ui/file-button.tsx';
import { errorWords } from '../../ui/notice.tsx';
import { findWords, t } from '../../words/words.ts';
import { lessonsOptions, materialsOptions } from '../materials/queries.ts';
import { sendNewerVersion, whenReady } from '../materials/upload.ts';
import './words.ts';
import '../materials/words.ts';

/** Brings in a newer version of a material and puts it into the drafts that show the older one. */
export function ReplaceButton({ material }: { readonly material: Material }) {
  const queryClient = useQueryClient();
  const replace = useMutation({
    mutationFn: async (file: File) => {
      const newer = await whenReady(await sendNewerVersion(file, material.id));
      if (newer.status === 'refused') return newer.refusal;
      if (newer.kind !== material.kind) return 'otherKind';
      const { lessons } = await call('putIntoDrafts', { params: { materialId: newer.id } });
      for (const { title, astrayCount } of lessons)
        toast(t(astrayCount > 0 ? 'shelf.replacedAstray' : 'shelf.replaced', { title, count: astrayCount }));
      return null;
    },
    onSuccess: async (refusal) => {
      await queryClient.invalidateQueries(materialsOptions());
      await queryClient.invalidateQueries(lessonsOptions());
      if (refusal) toast.error(findWords(`refusal.${refusal}`) ?? t('refusal.damaged'));
    },
    onError: (error) => toast.error(errorWords(error)),
  });
  return (
    <FileButton size="small" accept="*/*" disabled={replace.isPending} onFile={(file) => replace.mutate(file)}>
      {t(replace.isPending ? 'shelf.replacing' : 'shelf.replace')}
      <span className="sr-only">: {material.title}</span>
    </FileButton>
  );
}
