import { StrokeIndex, type Drawing } from '@/core/drawing';
import type { View } from '@/core/record';
import { projectPoint } from '@/core/view';
import type { Perspective } from '@/interface/session';
import type { Pointed } from './arrangement';
import type { BoardLayout } from './layout';
import { pickCorner, viewAt, type Corner } from './lit';
import { pictureFromScreen, type Pose } from './pose';

/** A line is under the pointer within so much, px. */
const NEAR_PX = 5;

/** Strokes laid out to be pointed at: made when one first points, for a drawing that is only passed through is never pointed at. */
const indices = new WeakMap<Drawing, StrokeIndex>();
function strokesOf(drawing: Drawing): StrokeIndex {
  let index = indices.get(drawing);
  if (!index) indices.set(drawing, (index = new StrokeIndex(drawing)));
  return index;
}

/** What lies under a place of the board, CSS pixels from its upper left corner. */
export function pointedAt(
  given: {
    readonly layout: BoardLayout;
    readonly pose: Pose;
    readonly view: View;
    readonly perspective: Perspective;
    readonly corners: readonly Corner[];
    readonly dragging: boolean;
  },
  { x, y }: { readonly x: number; readonly y: number },
): Pointed {
  const { layout, pose, view, perspective, corners, dragging } = given;
  const { setUp } = perspective.stand;
  const inView = viewAt(layout, x, y);
  const corner = inView === null ? null : (pickCorner(corners, inView, pose, setUp, x, y) ?? null);
  if (inView !== 'picture') return { inView, corner, line: null, place: null, bare: null };
  const at = pictureFromScreen(pose, x, y);
  const { x: cx, y: cy } = view.centreOfVisionOnSheet;
  // A quick picture does not know which lines are there to be pointed at.
  const line =
    corner || dragging || perspective.quick
      ? null
      : strokesOf(perspective.drawing).nearest(cx + at.u, cy + at.v, NEAR_PX / pose.pictureScale);
  const bare = { at, reachMm: (2 * NEAR_PX) / pose.pictureScale };
  return { inView, corner, line: line?.of ?? null, place: (corner && projectPoint(setUp, corner.at)) ?? at, bare };
}
