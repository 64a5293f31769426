import * as Comlink from 'comlink';
import { withResolution } from '@/core/formats/png';
import { dotsOf, paintSheet, picturesOf } from './paint-sheet';
import type { RasterWorker } from './raster-client';

const worker: RasterWorker = {
  raster: async (drawing, dotsPerInch) => {
    try {
      const { across, down } = dotsOf(drawing, dotsPerInch);
      const canvas = new OffscreenCanvas(across, down);
      const context = canvas.getContext('2d');
      if (!context) return { kind: 'failed', detail: 'this browser draws nothing away from the screen' };
      const decoded = new Map<string, ImageBitmap>();
      for (const { type, base64 } of picturesOf(drawing)) {
        if (decoded.has(base64)) continue;
        const bytes = Uint8Array.from(atob(base64), (one) => one.charCodeAt(0));
        decoded.set(base64, await createImageBitmap(new Blob([bytes], { type })));
      }
      paintSheet(context, drawing, dotsPerInch, decoded);
      const blob = await canvas.convertToBlob({ type: 'image/png' });
      const bytes = withResolution(new Uint8Array(await blob.arrayBuffer()), dotsPerInch);
      return Comlink.transfer({ kind: 'png', bytes } as const, [bytes.buffer]);
    } catch (error) {
      return { kind: 'failed', detail: error instanceof Error ? error.message : 'unknown' };
    }
  },
};

Comlink.expose(worker);
