import { queryOptions } from '@tanstack/react-query';
import { call } from '../../api/client.ts';

export const captionsOptions = (materialId: string) =>
  queryOptions({ queryKey: ['captions', materialId], queryFn: () => call('readCaptions', { params: { materialId } }) });
