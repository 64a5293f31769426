import { footprintOf, levelOf, mmOf, outlineFault, type MeasuredRoom } from '@/core/record';
import type { Body } from './body';
import { boxBody } from './box';
import { roomBody } from './room';

/**
 * Record to bodies. A piece whose place is refused, or a room whose outline encloses nothing, has no body; the record's
 * findings say why.
 */
export function bodiesOf(project: MeasuredRoom): readonly Body[] {
  const floorOf = (levelId: string): number => mmOf(levelOf(project, levelId).elevation);
  const sound = project.spaces.filter((space) => outlineFault(space) === null);
  const rooms = sound.map((space) => roomBody(space, project.openings, floorOf(space.levelId)));
  const pieces = project.pieces.flatMap((piece) => {
    const footprint = footprintOf(project, piece);
    return footprint.ok ? [boxBody(piece, footprint.value, floorOf(piece.levelId))] : [];
  });
  return [...rooms, ...pieces];
}
