import { picturePath, pictureLayers } from '@/core/drawing';
import type { Project } from '@/core/record';
import { seenIn, standOf } from '@/core/view';
import { drain, visibleLinesExact } from '@/core/visibility';
import { sceneOf } from './perspective';

/** A small picture of a project's first view: what is seen, as one SVG path, y down, in mm from the frame's upper left corner. */
export interface Thumbnail {
  readonly width: number;
  readonly height: number;
  readonly path: string;
}

/** @returns null when the view cannot be drawn from where it stands. */
export function thumbnailOf(whole: Project): Thumbnail | null {
  const view = whole.views[0];
  if (!view) return null;
  const project = seenIn(whole, view);
  const stand = standOf(project, view);
  if (!stand.ok) return null;
  const scene = sceneOf(project).prepared;
  const { setUp } = stand.value;
  const lines = drain(visibleLinesExact(scene, setUp, view.frame));
  return { ...sizeOf(view.frame), path: seenPath({ project, view, setUp, scene, lines }, 0.1) };
}

const sizeOf = ({ left, right, bottom, top }: { left: number; right: number; bottom: number; top: number }) => ({
  width: right - left,
  height: top - bottom,
});

/** What is seen of a view as one path in frame mm, y down from the frame's upper left corner; hidden lines and footprints left out. */
export function seenPath(given: Parameters<typeof pictureLayers>[0], within: number): string {
  const { x, y } = given.view.centreOfVisionOnSheet;
  const { left, right, bottom, top } = given.view.frame;
  const { layers } = pictureLayers({ ...given, rough: true });
  return picturePath({ layers }, { left: x + left, right: x + right, bottom: y + bottom, top: y + top }, within);
}
