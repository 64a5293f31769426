import { footprintOf, levelOf, mmOf, type Piece, type Project } from '@/core/record';
import { heightOver } from './height-over';
import { kindOf } from './kinds';
import { valuesOf } from './kind';
import { USUAL_HEADROOM_MM } from './stair-calculator';

/** Headroom over a straight flight, and the opening it needs in the floor above. */
export interface StairHeadroom {
  /** Least height of the ceiling over the pitch line, mm; negative where the flight goes up through it. */
  readonly least: number;
  /** Length of the opening in the floor above, back from the top riser, that leaves the usual headroom, mm; null where the ceiling leaves it anyway. */
  readonly wellLength: number | null;
}

const SAMPLES = 40;

/**
 * Walks the pitch line of a straight flight under its room's ceiling. Where the floor above is `thick`, an opening of length L leaves
 * L·rise/going − thick over the pitch line at its near edge: L = (2000 + thick)·going/rise for the usual headroom. A caution, no proof.
 */
export function stairHeadroom(project: Project, piece: Piece): StairHeadroom | null {
  const kind = kindOf(piece.kind);
  const footprint = footprintOf(project, piece);
  const space = project.spaces.find((one) => one.walls.some((wall) => wall.id === piece.place.from[0].wallId));
  if (kind?.id !== 'straight-stair' || !footprint.ok || !space) return null;
  const values = valuesOf(kind, piece);
  const risers = values.count('risers');
  const [rise, going] = [values.height / risers, values.depth / (risers - 1)];
  const base =
    mmOf(levelOf(project, piece.levelId).elevation) +
    mmOf(piece.lift) -
    mmOf(levelOf(project, space.levelId).elevation);
  const { corners, depthDirection, widthDirection } = footprint.value;
  let least = Infinity;
  for (let i = 0; i <= SAMPLES; i += 1) {
    const back = (values.depth * i) / SAMPLES;
    // From the front of the footprint, where the first riser stands, to the back.
    const p = {
      x: corners['front-left'].x - depthDirection.x * back + (widthDirection.x * values.width) / 2,
      y: corners['front-left'].y - depthDirection.y * back + (widthDirection.y * values.width) / 2,
    };
    const pitchLine = base + rise + (back * rise) / going;
    least = Math.min(least, heightOver(space, p) - pitchLine);
  }
  if (least >= USUAL_HEADROOM_MM) return { least, wellLength: null };
  const thick = Math.max(0, base + values.height - mmOf(space.ceilingHeight));
  return { least, wellLength: ((USUAL_HEADROOM_MM + thick) * going) / rise };
}
