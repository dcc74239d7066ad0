import { useMutation, useQueryClient } from '@tanstack/react-query';
import { toast } from 'sonner';
import { errorWords } from '../../ui/notice.tsx';
import { materialsOptions } from '../materials/queries.ts';
import { bringInQuietly } from '../materials/upload.ts';

const pictureIn = (data: DataTransfer) => [...data.files].find((file) => file.type.startsWith('image/'));

/**
 * Takes a picture that is pasted or dropped; words and all else go where they would.
 * @returns handlers for the element that takes it
 */
export function usePictureDrop(onTaken: (materialId: string) => void) {
  const queryClient = useQueryClient();
  const take = useMutation({
    mutationFn: bringInQuietly,
    onSuccess: async (materialId) => {
      await queryClient.invalidateQueries(materialsOptions());
      onTaken(materialId);
    },
    onError: (error) => toast.error(errorWords(error)),
  });
  const takeFrom = (data: DataTransfer, event: React.SyntheticEvent) => {
    const picture = pictureIn(data);
    if (!picture) return;
    event.preventDefault();
    take.mutate(picture);
  };
  return {
    onPaste: (event: React.ClipboardEvent) => takeFrom(event.clipboardData, event),
    onDragOver: (event: React.DragEvent) => {
      if ([...event.dataTransfer.items].some(({ type }) => type.startsWith('image/'))) event.preventDefault();
    },
    onDrop: (event: React.DragEvent) => takeFrom(event.dataTransfer, event),
  };
}
