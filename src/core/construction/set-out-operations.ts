import { tolerance } from '@/core/numeric';
import { picturePoint, type PicturePoint } from '@/core/space';
import type { Millimetres, PaperMillimetres } from '@/core/units';
import { directionPair, fractionalPointU, type SetUp } from '@/core/view';
import type { AxisFrame } from './frame';
import type { LineId, MarkId, Operation, Sense } from './operation';
import type { FrameSide } from './target';

export const CV: MarkId = 'CV';
export const HORIZON_LINE: LineId = 'horizon';
export const CENTRE: LineId = 'centre';

const toward = (signed: number, [less, more]: readonly [Sense, Sense]): Sense => (signed < 0 ? less : more);

/** A mark laid off along a level line or an upright by a signed paper distance. */
export const laidOff = (
  mark: MarkId,
  on: LineId,
  from: MarkId,
  signed: PaperMillimetres,
  way: 'level' | 'upright',
): Operation => ({
  op: 'lay-off',
  ...{ mark, on, from, distance: Math.abs(signed) },
  toward: toward(signed, way === 'level' ? ['left', 'right'] : ['down', 'up']),
});

/** Sideways of the centre line along a level line; on it nothing is laid off, the two lines cross. */
export const sideways = (mark: MarkId, on: LineId, from: MarkId, signed: PaperMillimetres): Operation =>
  Math.abs(signed) < tolerance.nought
    ? { op: 'cross', mark, lines: [on, CENTRE] }
    : laidOff(mark, on, from, signed, 'level');

/** Centre of vision, horizon and centre line: what every drawing begins with. */
export const BEGINNING: readonly Operation[] = [
  { op: 'take', mark: CV, point: picturePoint(0, 0), slides: 'none' },
  { op: 'level', line: HORIZON_LINE, through: CV },
  { op: 'upright', line: CENTRE, through: CV },
];

/** The level line in which a level plane meets the picture plane, and its zero under the centre of vision. */
export interface GroundOf {
  readonly zero: MarkId;
  readonly line: LineId;
}
export const groundOf = (z: Millimetres): GroundOf => ({ zero: `0@${z}`, line: `ground@${z}` });

export function groundOperations(setUp: SetUp, z: Millimetres): readonly Operation[] {
  const { zero, line } = groundOf(z);
  return [
    laidOff(zero, CENTRE, CV, (z - setUp.eyeZ) / setUp.scaleDenominator, 'upright'),
    { op: 'level', line, through: zero },
  ];
}

/** What a point on the horizon is to the lines ruled to it. */
export type PointRole = 'vanishing-right' | 'vanishing-left' | 'vanishing-centre' | 'measuring';

/** Names of a frame's points: where its lines vanish (null where they stay level) and from where they are measured (null where the ground line does). */
export interface FramePoints {
  readonly vanishing: { readonly x: MarkId | null; readonly y: MarkId };
  readonly measuring: { readonly x: MarkId | null; readonly y: MarkId };
  /** Lengths are divided by so much before they are laid off: 1, or the parts of a fractional point. */
  readonly parts: { readonly x: number; readonly y: number };
  /** To which side of the trace on the ground line a length behind the picture plane is laid off: away from the measuring point. */
  readonly behind: { readonly x: 1 | -1; readonly y: 1 | -1 };
  readonly roles: readonly (readonly [MarkId, PointRole])[];
  /** Points that lie on strips of paper taped on beyond the board. */
  readonly strips: readonly MarkId[];
  readonly operations: readonly Operation[];
}

/** Which point of a frame is meant. */
export type FramePoint =
  'vanishing-right' | 'vanishing-left' | 'measuring-right' | 'measuring-left' | 'distance-right' | 'distance-left';

/** What brings a point within reach: it is used at 1/n of its way from the vanishing point, or lies on a strip of paper taped on beyond the board. */
export type PointAid = { readonly by: 'fraction'; readonly n: number } | { readonly by: 'strip' };

/** A frame's points as the set-out has them. */
export interface PairAtHand {
  /** Written after the letters of its points, to tell them from those of other frames. */
  readonly suffix: string;
  readonly aids: ReadonlyMap<FramePoint, PointAid>;
}

/** So small a part of a measuring point's distance is still used: each division divides the accuracy too. */
const MOST_PARTS = 6;

/**
 * The points of a frame on the horizon. A measuring point that lies off the board is used at the largest part of its distance that does not, if no other
 * part was chosen; of the two distance points the one that is nearer to being used. @param onBoard whether a point lies on the board.
 */
export function framePoints(
  setUp: SetUp,
  { turnDeg }: AxisFrame,
  { suffix, aids }: PairAtHand,
  onBoard: (p: PicturePoint) => boolean,
): FramePoints {
  const operations: Operation[] = [];
  const roles: (readonly [MarkId, PointRole])[] = [];
  const strips: MarkId[] = [];
  const take = (mark: MarkId, u: PaperMillimetres, which: FramePoint, role: PointRole): MarkId => {
    operations.push({ op: 'take', mark, point: picturePoint(u, 0), slides: 'u' });
    roles.push([mark, role]);
    if (aids.get(which)?.by === 'strip') strips.push(mark);
    return mark;
  };
  /** Into how many parts a measuring point's distance from its vanishing point is divided. */
  const partsOf = (which: FramePoint, vanishing: PaperMillimetres, u: PaperMillimetres): number => {
    const aid = aids.get(which);
    if (aid) return aid.by === 'fraction' ? aid.n : 1;
    for (let n = 1; n <= MOST_PARTS; n += 1) if (onBoard(picturePoint(fractionalPointU(vanishing, u, n), 0))) return n;
    return 1;
  };
  const measuring = (which: FramePoint, label: string, vanishing: PaperMillimetres, u: PaperMillimetres) => {
    const parts = partsOf(which, vanishing, u);
    const mark = take(
      parts === 1 ? `${label}${suffix}` : `${label}${suffix}/${parts}`,
      fractionalPointU(vanishing, u, parts),
      which,
      'measuring',
    );
    return { mark, parts };
  };
  const pair = directionPair(setUp, turnDeg);
  if (pair.kind === 'one-point') {
    const [left, right] = pair.distancePoints;
    const side = partsOf('distance-left', 0, left) < partsOf('distance-right', 0, right) ? 'left' : 'right';
    roles.push([CV, 'vanishing-centre']);
    const own =
      side === 'left' ? measuring('distance-left', 'DL', 0, left) : measuring('distance-right', 'DR', 0, right);
    return {
      vanishing: { x: null, y: CV },
      measuring: { x: null, y: own.mark },
      parts: { x: 1, y: own.parts },
      behind: { x: 1, y: side === 'left' ? 1 : -1 },
      ...{ roles, strips, operations },
    };
  }
  const vr = take(`VR${suffix}`, pair.vpRight, 'vanishing-right', 'vanishing-right');
  const vl = take(`VL${suffix}`, pair.vpLeft, 'vanishing-left', 'vanishing-left');
  const mr = measuring('measuring-right', 'MR', pair.vpRight, pair.mpOfRight);
  const ml = measuring('measuring-left', 'ML', pair.vpLeft, pair.mpOfLeft);
  return {
    vanishing: { x: vr, y: vl },
    measuring: { x: mr.mark, y: ml.mark },
    parts: { x: mr.parts, y: ml.parts },
    behind: { x: 1, y: -1 },
    ...{ roles, strips, operations },
  };
}

/** The sides of the picture's frame as lines: what runs out of the picture is cut there. */
export function frameSides(frame: Readonly<Record<FrameSide, PaperMillimetres>>): {
  readonly line: (side: FrameSide) => LineId;
  readonly operations: readonly Operation[];
} {
  const line = (side: FrameSide): LineId => `frame-${side}`;
  return {
    line,
    operations: (['left', 'right', 'bottom', 'top'] as const).flatMap((side): Operation[] => {
      const level = side === 'left' || side === 'right';
      const mark = `frame-${side}-mark`;
      return [
        Math.abs(frame[side]) < tolerance.nought
          ? { op: 'cross', mark, lines: [HORIZON_LINE, CENTRE] }
          : laidOff(mark, level ? HORIZON_LINE : CENTRE, CV, frame[side], level ? 'level' : 'upright'),
        { op: level ? 'upright' : 'level', line: line(side), through: mark },
      ];
    }),
  };
}
