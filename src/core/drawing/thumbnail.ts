import type { Project } from '@/core/record';
import { conicChain } from '@/core/geometry';
import { conicOfRow, drain, visibleLinesExact } from '@/core/visibility';
import { sceneOf, standOf } from './perspective';

/** A small picture of a project's first view: what is seen, as one SVG path, y down, in mm from the frame's upper left corner. */
export interface Thumbnail {
  readonly width: number;
  readonly height: number;
  readonly path: string;
}

/** @returns null when the view cannot be drawn from where it stands. */
export function thumbnailOf(project: Project): Thumbnail | null {
  const view = project.views[0];
  if (!view) return null;
  const stand = standOf(project, view);
  if (!stand.ok) return null;
  const { left, right, bottom, top } = view.frame;
  const scene = sceneOf(project).prepared;
  const lines = drain(visibleLinesExact(scene, stand.value.setUp, view.frame));
  const { picture, seen, curves } = lines;
  const strokes: string[] = [];
  const place = (i: number): string =>
    `${((picture[i] ?? 0) - left).toFixed(1)} ${(top - (picture[i + 1] ?? 0)).toFixed(1)}`;
  seen.forEach((visible, row) => {
    if (visible === 1) strokes.push(`M${place(row * 4)}L${place(row * 4 + 2)}`);
  });
  curves.seen.forEach((visible, row) => {
    if (visible !== 1) return;
    const chain = conicChain(conicOfRow(scene, stand.value.setUp, lines, row), 0.1);
    strokes.push(
      chain.map((p, i) => `${i === 0 ? 'M' : 'L'}${(p.x - left).toFixed(1)} ${(top - p.y).toFixed(1)}`).join(''),
    );
  });
  return { width: right - left, height: top - bottom, path: strokes.join('') };
}
