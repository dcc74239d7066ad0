import { sendFile } from '../../http/send-file.ts';
import type { Handlers } from '../../http/serve-route.ts';
import type { MaterialService } from '../materials/material-service.ts';
import type { PracticeService } from './practice-service.ts';

type Names =
  | 'readPracticeLink'
  | 'setPracticeLink'
  | 'openPractice'
  | 'walkPractice'
  | 'practiceMedia'
  | 'practiceContent'
  | 'practicePicture'
  | 'practiceCaptions';

export function practiceHandlers(
  practice: PracticeService,
  materials: Pick<MaterialService, 'findFile' | 'findPicture' | 'readContent' | 'readCaptions'>,
): Pick<Handlers, Names> {
  const readerOf = (params: { readonly practiceToken: string; readonly materialId: string }) =>
    practice.readerOf(params.practiceToken, params.materialId);
  return {
    readPracticeLink: ({ params }) => practice.readLink(params.lessonId),
    setPracticeLink: ({ params, body }) => practice.setLink(params.lessonId, body),
    openPractice: ({ params }) => practice.open(params.practiceToken),
    walkPractice: ({ params, body }) => practice.walk(params.practiceToken, body),
    practiceMedia: async ({ params, res }) => {
      await sendFile(res, materials.findFile(readerOf(params), params.materialId));
      return undefined;
    },
    practiceContent: ({ params }) => {
      const content = materials.readContent(readerOf(params), params.materialId);
      // Its pictures and films are asked for by the same link.
      const here = `/api/practice/${params.practiceToken}/materials/`;
      return JSON.parse(JSON.stringify(content).replaceAll('/api/materials/', here)) as typeof content;
    },
    practicePicture: async ({ params, res }) => {
      await sendFile(res, materials.findPicture(readerOf(params), params.materialId, params.pictureName));
      return undefined;
    },
    practiceCaptions: ({ params }) => materials.readCaptions(readerOf(params), params.materialId),
  };
}
