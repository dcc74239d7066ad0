import { readOneRoster } from '@semita/core/roster';
import { filesOfPackage } from './package-files.ts';

self.onmessage = ({ data }: MessageEvent<ArrayBuffer>) => {
  const files = filesOfPackage(data);
  self.postMessage(files && readOneRoster(files));
};
