import { thumbnailOf } from '@/core/pipeline';
import type { SmallPictureWorker } from './small-picture-protocol';

/** The drawing worker's side, apart from its thread. */
export const serveSmallPicture = (): SmallPictureWorker => ({
  draw: (project) => {
    try {
      return { kind: 'made', picture: thumbnailOf(project) };
    } catch (error) {
      return { kind: 'failed', detail: error instanceof Error ? error.message : 'unknown' };
    }
  },
});
