import type { Rubric } from '@semita/core/question';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { Bookmark, BookmarkPlus } from 'lucide-react';
import { DropdownMenu } from 'radix-ui';
import { call } from '../../api/client.ts';
import { Button, buttonStyle } from '../../ui/button.tsx';
import { t } from '../../words/words.ts';
import { newItemId } from '../lesson-parts/new-id.ts';
import './words.ts';

const rubricsOptions = { queryKey: ['rubrics'], queryFn: () => call('listRubrics', {}) };

interface Props {
  readonly rubric: Rubric | undefined;
  readonly onChoose: (rubric: Rubric) => void;
}

/** Rubrics that were kept for another time. */
export function RubricShelf({ rubric, onChoose }: Props) {
  const queryClient = useQueryClient();
  const { data: kept = [] } = useQuery(rubricsOptions);
  const keep = useMutation({
    mutationFn: (content: Rubric) =>
      call('keepRubric', {
        body: {
          title: content.criteria
            .map(({ title }) => title)
            .join(', ')
            .slice(0, 200),
          content,
        },
      }),
    onSuccess: () => queryClient.invalidateQueries(rubricsOptions),
  });
  const canKeep = rubric?.criteria.every(({ title }) => title.trim() !== '') ?? false;
  return (
    <>
      {kept.length > 0 && (
        <DropdownMenu.Root modal={false}>
          <DropdownMenu.Trigger className={buttonStyle({ size: 'small', look: 'quiet' })}>
            <Bookmark aria-hidden className="size-4" strokeWidth={1.75} />
            {t('editor.keptRubrics')}
          </DropdownMenu.Trigger>
          <DropdownMenu.Portal>
            <DropdownMenu.Content className="z-60 grid max-h-72 w-80 overflow-y-auto rounded-card border border-line bg-card p-1.5 shadow-float">
              {kept.map(({ id, title, content }) => (
                <DropdownMenu.Item
                  key={id}
                  onSelect={() => onChoose(withNewIds(content))}
                  className="rounded-control px-2 py-1.5 text-14 outline-none data-highlighted:bg-main-tint"
                >
                  {title}
                </DropdownMenu.Item>
              ))}
            </DropdownMenu.Content>
          </DropdownMenu.Portal>
        </DropdownMenu.Root>
      )}
      {rubric && canKeep && (
        <Button
          look="quiet"
          size="small"
          disabled={keep.isPending || keep.isSuccess}
          onClick={() => keep.mutate(rubric)}
        >
          <BookmarkPlus aria-hidden className="size-4" strokeWidth={1.75} />
          {t(keep.isSuccess ? 'editor.rubricKept' : 'editor.keepRubric')}
        </Button>
      )}
    </>
  );
}

/** A rubric in another question is another one. */
function withNewIds({ criteria }: Rubric): Rubric {
  return {
    criteria: criteria.map((criterion) => ({
      ...criterion,
      id: newItemId(),
      levels: criterion.levels.map((level) => ({ ...level, id: newItemId() })),
    })),
  };
}
