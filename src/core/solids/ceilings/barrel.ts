import { tolerance } from '@/core/numeric';
import { dot2 } from '@/core/geometry';
import { farthestFrom, type CeilingKind } from './ceiling-kind';

const RISE = 'rise of the vault';

/** A part of a round tunnel along a wall, springing from the height at the walls. */
export const barrel: CeilingKind = {
  id: 'barrel',
  words: 'a barrel vault',
  along: 'a-wall',
  zones: [],
  sizes: { [RISE]: () => 600 },
  says: [', rising by ', { size: RISE, label: 'rise of the vault' }],
  fault: ({ runs, wall, outline, size }) => {
    if (!wall) return null;
    const square =
      runs.length === 4 &&
      runs.every((one) => {
        const along = Math.abs(dot2(one.run, wall.run));
        return along < 1e-6 || along > 1 - 1e-9;
      });
    if (!square) return 'has a barrel vault, which needs four walls square to each other';
    const span = farthestFrom(wall, outline);
    return size(RISE) > 0 && size(RISE) <= span / 2 + tolerance.touchMm
      ? null
      : `has a vault that rises more than half its span of ${Math.round(span)} mm`;
  },
  shape: ({ wall, outline, eaves, size }) =>
    wall
      ? {
          kind: 'vault',
          vault: { along: wall, span: farthestFrom(wall, outline), springing: eaves, rise: size(RISE) },
        }
      : { kind: 'regions', regions: [{ outline, height: () => eaves }] },
  heights: () => [],
  slopes: () => [],
};
