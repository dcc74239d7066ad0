import type { TodoItem } from '@semita/core/contract';
import { useMutation } from '@tanstack/react-query';
import { useNavigate } from 'react-router';
import { toast } from 'sonner';
import { call } from '../../api/client.ts';
import { Button } from '../../ui/button.tsx';
import { errorWords } from '../../ui/notice.tsx';
import { t } from '../../words/words.ts';
import './words.ts';

/** Another attempt at what is handed in; the one before stays as it is. */
export default function BeginAgain({ item: { assignmentId, title } }: { readonly item: TodoItem }) {
  const navigate = useNavigate();
  const begin = useMutation({
    mutationFn: () => call('beginAgain', { params: { assignmentId } }),
    onSuccess: () => navigate(`/walk/${assignmentId}`),
    onError: (error) => toast.error(errorWords(error)),
  });
  const verb = t('todo.beginAgain');
  return (
    <Button
      size="roomy"
      aria-label={t('app.verbOn', { verb, title })}
      disabled={begin.isPending}
      onClick={() => begin.mutate()}
    >
      {verb}
    </Button>
  );
}
