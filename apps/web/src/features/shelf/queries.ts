import { queryOptions } from '@tanstack/react-query';
import { call } from '../../api/client.ts';

export const lessonsOptions = () => queryOptions({ queryKey: ['lessons'], queryFn: () => call('listLessons', {}) });

export const materialsOptions = () =>
  queryOptions({
    queryKey: ['materials'],
    queryFn: () => call('listMaterials', {}),
    // While a film is being checked, look again soon.
    refetchInterval: ({ state }) => (state.data?.some((material) => material.status === 'checking') ? 800 : false),
  });

export interface CatalogueWish {
  readonly words: string;
  readonly mostSeconds: number | null;
  readonly licence: string;
}

export const catalogueOptions = (wish: CatalogueWish) =>
  queryOptions({ queryKey: ['catalogue', wish], queryFn: () => call('searchCatalogue', { body: wish }), retry: false });
