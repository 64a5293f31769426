import { footprintOf, type MeasuredRoom } from '@/core/record';
import type { Served } from '@/core/record';
import type { Vector2 } from '@/core/geometry';
import { directionIn } from './axes';
import { ceilingSlopes } from './ceiling';
import { refusalOf, valuesOf } from './kind';
import { kindOf } from './kinds';
import { axesOf } from './piece';

/** A line of the room that climbs, by what it belongs to. */
export interface RoomSlope {
  readonly served: Served;
  readonly words: string;
  /** Level unit direction it climbs in. */
  readonly toward: Vector2;
  /** Rise for each mm along it. */
  readonly rise: number;
}

const plain = (mm: number): string => `${Math.round(mm)} mm`;

/** Everything of the record whose lines climb: slopes of ceilings and roofs, pitches of stairs. What cannot be made has none. */
export function slopesOf(project: MeasuredRoom): readonly RoomSlope[] {
  const ceilings = project.spaces.flatMap((space) =>
    ceilingSlopes(space).map((slope, number): RoomSlope => ({
      ...slope,
      served: { thing: 'ceiling', id: space.id, number },
    })),
  );
  const pieces = project.pieces.flatMap((piece): RoomSlope[] => {
    const kind = kindOf(piece.kind);
    const footprint = footprintOf(project, piece);
    if (!kind?.slopes || !footprint.ok || refusalOf(kind, piece, plain) !== null) return [];
    const axes = axesOf(piece, footprint.value, 0);
    return kind.slopes(valuesOf(kind, piece)).map(({ words, along: [x, y], rise }, number) => {
      const d = directionIn(axes, x, y, 0);
      return { served: { thing: 'slope', id: piece.id, number }, words, toward: { x: d.x, y: d.y }, rise };
    });
  });
  return [...ceilings, ...pieces];
}
