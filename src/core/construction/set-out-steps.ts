import { picturePoint } from '@/core/space';
import type { PaperMillimetres } from '@/core/units';
import type { ConstructionGiven } from './given';
import type { MarkId } from './operation';
import { senseOf, type PlanWriter } from './plan-writer';

export const CENTRE = 'centre-of-vision';
export const HORIZON = 'horizon';
export const CENTRE_LINE = 'centre-line';
export const GROUND_LINE = 'ground-line';
export const GROUND_ZERO = 'ground-zero';

/** A point on the horizon to be laid down, with its name in words. */
export interface HorizonPoint {
  readonly mark: MarkId;
  readonly label: string;
  readonly words: string;
  readonly u: PaperMillimetres;
}

/** Horizon, centre line, the ground line of the floor the piece stands on, then the points on the horizon. */
export function writeSetOut(writer: PlanWriter, given: ConstructionGiven, points: readonly HorizonPoint[]): void {
  const { setUp, placement, floorZ } = given;
  const drop = setUp.eyeZ - floorZ;
  writer
    .step(
      'horizon',
      'set-out',
      [
        'Rule the horizon across the sheet, ',
        { paperMm: placement.centreOfVisionOnSheet.y },
        ' above its lower edge. Mark the centre of vision on it, ',
        { paperMm: placement.centreOfVisionOnSheet.x },
        ' from the left edge, and rule the upright centre line through it.',
      ],
      ['The horizon is eye level. The centre line is the zero that everything sideways is measured from.'],
    )
    .take(CENTRE, 'CV', picturePoint(0, 0))
    .across(HORIZON, CENTRE, 'level')
    .across(CENTRE_LINE, CENTRE, 'upright');
  writer
    .step(
      'ground-line',
      'set-out',
      [
        'On the centre line lay off the eye height, ',
        { real: drop },
        ': ',
        { paperMm: drop / setUp.scaleDenominator },
        ` ${drop >= 0 ? 'down' : 'up'} from the horizon. Rule the ground line level through the mark.`,
      ],
      [
        'The ground line is where the floor meets the picture plane. On it, and only on it and on what stands upright from it, things are to scale.',
      ],
    )
    .layOff(GROUND_ZERO, '0', { on: CENTRE_LINE, from: CENTRE, upright: true }, -drop / setUp.scaleDenominator, drop)
    .across(GROUND_LINE, GROUND_ZERO, 'level');
  if (points.length === 0) return;
  writer.step(
    'horizon-points',
    'set-out',
    [
      'Mark on the horizon, from the centre of vision: ',
      ...points.flatMap((point, index): (string | { paperMm: number })[] => [
        `${index === 0 ? '' : index === points.length - 1 ? ' and ' : ', '}${point.words}, ${point.label}, `,
        { paperMm: Math.abs(point.u) },
        ` to the ${senseOf(point.u)}`,
      ]),
      '.',
    ],
    ['All lines of one direction run to its vanishing point; the measuring point carries true lengths onto them.'],
  );
  for (const point of points) writer.take(point.mark, point.label, picturePoint(point.u, 0));
}
