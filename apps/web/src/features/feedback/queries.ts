import { queryOptions } from '@tanstack/react-query';
import { call } from '../../api/client.ts';

export const feedbackOptions = () => queryOptions({ queryKey: ['feedback'], queryFn: () => call('listFeedback', {}) });
