import { along2 } from '@/core/geometry';
import { mmOf, type WallRun } from '@/core/record';
import { Assembly } from './assemble';
import type { Axes } from './axes';
import type { Body } from './body';
import { BodyBuilder } from './body-builder';
import type { Cut } from './cut';
import { openingKindOf, type Fitted, type OpenLeaf } from './openings';

/** An opening as its kind reads it: its own values where it has them, else the kind's usual ones. */
export function fittedOf(cut: Cut): Fitted {
  const { opening } = cut;
  const kind = openingKindOf(opening.kind);
  return {
    opening,
    width: cut.right - cut.left,
    height: cut.spring - cut.sill,
    rise: cut.rise,
    reveal: cut.reveal,
    size: (name) => {
      const own = opening.sizes[name];
      return own ? mmOf(own) : (kind?.sizes[name]?.usual ?? 0);
    },
    count: (name) => opening.counts[name] ?? kind?.counts[name]?.usual ?? 0,
    choice: (name) => opening.choices[name] ?? kind?.choices[name]?.[0] ?? '',
  };
}

/** Leaves of an opening that stand open. */
export const openLeavesOf = (cut: Cut): readonly OpenLeaf[] =>
  openingKindOf(cut.opening.kind)?.leaves(fittedOf(cut)) ?? [];

/** What stands in and round an opening. It is there only when its wall is, or one of the two it joins; an open leaf always. */
export function fittingBody(cut: Cut, run: WallRun, floorZ: number): Body | null {
  const { opening } = cut;
  const parts = openingKindOf(opening.kind)?.parts(fittedOf(cut)) ?? [];
  if (parts.length === 0) return null;
  const corner = along2(run.start, run.run, cut.left);
  const axes: Axes = {
    origin: { x: corner.x, y: corner.y, z: floorZ + cut.sill },
    x: { x: run.run.x, y: run.run.y, z: 0 },
    y: { x: run.intoRoom.x, y: run.intoRoom.y, z: 0 },
    z: { x: 0, y: 0, z: 1 },
  };
  const builder = new BodyBuilder();
  const belongsTo = [run.wall.id, ...(opening.throughWallId === null ? [] : [opening.throughWallId])];
  new Assembly(builder, opening.id, { seen: 'both-sides', belongsTo }).add(parts, axes);
  return builder.build(opening.id, 'fitting', opening.name);
}
