import { mapLayers } from './map-layers.ts';
import type { MapGraph } from './map-layout.ts';

self.onmessage = ({ data }: MessageEvent<MapGraph>) => self.postMessage(mapLayers(data));
