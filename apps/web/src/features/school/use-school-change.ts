import { useMutation, useQueryClient } from '@tanstack/react-query';
import { toast } from 'sonner';
import { errorWords } from '../../ui/notice.tsx';
import { schoolOptions } from './queries.ts';

/** Changes something of the school, and shows it as it is then. */
export function useSchoolChange<Input>(change: (input: Input) => Promise<unknown>, done?: (input: Input) => void) {
  const queryClient = useQueryClient();
  return useMutation({
    mutationFn: change,
    onSuccess: async (_, input) => {
      await queryClient.invalidateQueries(schoolOptions());
      done?.(input);
    },
    onError: (error) => toast.error(errorWords(error)),
  });
}
