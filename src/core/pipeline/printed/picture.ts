import { visibleLinesExact } from '@/core/visibility';
import { sheetOf } from '../perspective';
import { lacksNothing, type Printed } from './printed';

export const picture: Printed = {
  part: 'picture',
  words: 'the picture itself; crowded lines lighter',
  size: 'true',
  lacks: lacksNothing,
  *pages({ project, view, stand, scene: made }) {
    const scene = made();
    const lines = yield* visibleLinesExact(scene.prepared, stand.setUp, view.frame);
    const pieceId = project.plans.find((plan) => plan.viewId === view.id)?.pieceId ?? null;
    return [sheetOf(project, view, scene, stand, lines, pieceId)];
  },
};
