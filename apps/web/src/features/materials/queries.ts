import type { Material } from '@semita/core/contract';
import { queryOptions } from '@tanstack/react-query';
import { call } from '../../api/client.ts';

export const lessonsOptions = () => queryOptions({ queryKey: ['lessons'], queryFn: () => call('listLessons', {}) });

export const materialsOptions = () =>
  queryOptions({
    queryKey: ['materials'],
    queryFn: () => call('listMaterials', {}),
    // While one is being looked into, or its slides are drawn, look again soon.
    refetchInterval: ({ state }) => (state.data?.some(isUnderWay) ? 800 : false),
  });

export interface CatalogueWish {
  readonly words: string;
  readonly maxSeconds: number | null;
  readonly licence: string;
}

export const catalogueOptions = (wish: CatalogueWish) =>
  queryOptions({ queryKey: ['catalogue', wish], queryFn: () => call('searchCatalogue', { body: wish }), retry: false });

const isUnderWay = ({ status, progress }: Material): boolean => status === 'checking' || progress !== null;
