import type { ReviewOverview } from '@semita/core/contract';
import { queryOptions, useMutation, useQueryClient } from '@tanstack/react-query';
import { toast } from 'sonner';
import { call } from '../../api/client.ts';
import { errorWords } from '../../ui/notice.tsx';

export const reviewsOptions = (classId: string) =>
  queryOptions({ queryKey: ['reviews', classId], queryFn: () => call('readReviews', { params: { classId } }) });

export const previewOptions = (classId: string, studentId: string) =>
  queryOptions({
    queryKey: ['reviews', classId, studentId],
    queryFn: () => call('previewReview', { params: { classId, studentId } }),
  });

/** A change, after which all that comes back in the class is asked anew. */
export function useReviewsChange<Input>(
  classId: string,
  change: (input: Input) => Promise<ReviewOverview>,
  done?: () => void,
) {
  const queryClient = useQueryClient();
  return useMutation({
    mutationFn: change,
    onSuccess: async (overview) => {
      queryClient.setQueryData(reviewsOptions(classId).queryKey, overview);
      done?.();
      await queryClient.invalidateQueries({ queryKey: ['reviews', classId] });
    },
    onError: (error) => toast.error(errorWords(error)),
  });
}
