import type { Material } from '@semita/core/contract';
import { lineTitle, suggestStarts } from '@semita/core/lesson';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { toast } from 'sonner';
import { call } from '../../api/client.ts';
import { Button } from '../../ui/button.tsx';
import { Dialog } from '../../ui/dialog.tsx';
import { errorWords } from '../../ui/notice.tsx';
import { QueryView } from '../../ui/query-view.tsx';
import { t } from '../../words/words.ts';
import { lessonsOptions, materialsOptions } from '../materials/queries.ts';
import { type Content, contentOptions, contentScript } from '../reading/content.ts';
import './words.ts';

interface Props {
  readonly material: Material;
  readonly onClose: () => void;
}

/** One file, several lessons: the teacher marks where each begins. */
export function SeveralLessons({ material, onClose }: Props) {
  const content = useQuery(contentOptions(material.id));
  return (
    <Dialog
      open
      onOpenChange={(open) => {
        if (!open) onClose();
      }}
      title={t('shelf.severalTitle', { title: material.title })}
      description={t('shelf.severalHelp')}
    >
      <QueryView query={content}>{(data) => <Starts material={material} content={data} onClose={onClose} />}</QueryView>
    </Dialog>
  );
}

function Starts({ material, content, onClose }: Props & { readonly content: Content }) {
  const queryClient = useQueryClient();
  // Of a text only its headings can begin a lesson.
  const all = contentScript(content);
  const lines = material.kind === 'deck' ? all : all.filter((line, index) => index === 0 || line.tone === 'heading');
  const [starts, setStarts] = useState<ReadonlySet<string>>(() => suggestStarts(lines));
  const make = useMutation({
    mutationFn: () =>
      call('splitIntoLessons', { params: { materialId: material.id }, body: { startIds: [...starts] } }),
    onSuccess: async ({ lessonIds }) => {
      await queryClient.invalidateQueries(lessonsOptions());
      await queryClient.invalidateQueries(materialsOptions());
      toast(t('shelf.severalMade', { count: lessonIds.length }));
      onClose();
    },
    onError: (error) => toast.error(errorWords(error)),
  });
  const toggle = (id: string) => {
    const next = new Set(starts);
    if (!next.delete(id)) next.add(id);
    setStarts(next);
  };
  return (
    <div className="grid gap-4">
      <ol className="grid max-h-[50dvh] gap-0.5 overflow-y-auto">
        {lines.map((line) => (
          <li key={line.id}>
            <label className="flex min-h-9 items-center gap-3 rounded-control px-2 hover:bg-main-tint">
              <input
                type="checkbox"
                className="size-4 shrink-0 accent-main"
                checked={starts.has(line.id)}
                onChange={() => toggle(line.id)}
              />
              <span className="w-8 shrink-0 font-mono text-13 text-quiet">{all.indexOf(line) + 1}</span>
              <span className={starts.has(line.id) ? 'font-semibold' : ''}>{lineTitle(line)}</span>
            </label>
          </li>
        ))}
      </ol>
      <Button look="main" size="roomy" disabled={starts.size === 0 || make.isPending} onClick={() => make.mutate()}>
        {t('shelf.severalMake', { count: starts.size })}
      </Button>
    </div>
  );
}
