import { sendFile } from '../../http/send-file.ts';
import type { Handlers } from '../../http/serve-route.ts';
import type { MadeSlides } from './made-slides.ts';
import type { MaterialService } from './material-service.ts';

type Names =
  | 'listMaterials'
  | 'readMaterial'
  | 'fetchMaterial'
  | 'deleteMaterial'
  | 'bringBackMaterial'
  | 'streamMedia'
  | 'readContent'
  | 'readMadeSlides'
  | 'saveMadeSlides'
  | 'drawMadeSlides'
  | 'describePicture'
  | 'showPicture'
  | 'bringInCaptions'
  | 'readCaptions'
  | 'correctCaptions'
  | 'writeCaptions'
  | 'writeSrt';

export function materialHandlers(materials: MaterialService, madeSlides: MadeSlides): Pick<Handlers, Names> {
  return {
    listMaterials: ({ actor }) => materials.list(actor),
    readMaterial: ({ actor, params }) => materials.read(actor, params.materialId),
    fetchMaterial: ({ actor, body }) => ({ id: materials.fetch(actor, body.address) }),
    deleteMaterial: ({ actor, params }) => {
      materials.remove(actor, params.materialId);
      return undefined;
    },
    bringBackMaterial: ({ actor, params }) => {
      materials.bringBack(actor, params.materialId);
      return undefined;
    },
    streamMedia: async ({ actor, params, res }) => {
      await sendFile(res, materials.findFile(actor, params.materialId));
      return undefined;
    },
    readContent: ({ actor, params }) => materials.readContent(actor, params.materialId),
    readMadeSlides: ({ actor, params }) => madeSlides.read(actor, params.materialId),
    saveMadeSlides: ({ actor, body }) => madeSlides.save(actor, body),
    drawMadeSlides: ({ actor, body }) => madeSlides.draw(actor, body.deck),
    describePicture: ({ actor, params, body }) => {
      materials.describePicture(actor, params.materialId, params.pictureName, body.words);
      return undefined;
    },
    showPicture: async ({ actor, params, res }) => {
      await sendFile(res, materials.findPicture(actor, params.materialId, params.pictureName));
      return undefined;
    },
    bringInCaptions: ({ actor, params, req }) => {
      const bytes = Buffer.isBuffer(req.body) ? req.body : Buffer.alloc(0);
      return materials.bringInCaptions(actor, params.materialId, bytes);
    },
    readCaptions: ({ actor, params }) => materials.readCaptions(actor, params.materialId),
    correctCaptions: ({ actor, params, body }) =>
      materials.correctCaptions(actor, params.materialId, body.before, body.cues),
    writeSrt: ({ actor, params, res }) => {
      res.attachment('captions.srt').type('application/x-subrip').send(materials.writeSrt(actor, params.materialId));
      return undefined;
    },
    writeCaptions: ({ actor, params, res }) => {
      res.attachment('captions.vtt').type('text/vtt').send(materials.writeCaptions(actor, params.materialId));
      return undefined;
    },
  };
}
