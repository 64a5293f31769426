import { tolerance } from '@/core/numeric';
import { dot2, type Vector2 } from '@/core/geometry';
import { invariant } from '@/core/base';
import { mmOf, type PieceCorner } from '@/core/record';
import { type DirectionPair, type LineFamily } from '@/core/view';
import { radiansFromDegrees } from '@/core/units';
import { writeFinish } from './finish-step';
import type { ConstructionGiven, MeasuredCorner } from './given';
import { writeHeightsTwoPoint } from './heights-two-point';
import type { MarkId } from './operation';
import type { ConstructionPlan } from './plan';
import { PlanWriter, senseOf } from './plan-writer';
import { GROUND_LINE, GROUND_ZERO, writeSetOut } from './set-out-steps';

/** One of the two level directions: where it vanishes, where its lengths are carried from, and its sense in plan. */
export interface Direction {
  readonly side: 'right' | 'left';
  readonly mark: MarkId;
  readonly measuringMark: MarkId;
  readonly label: string;
  readonly measuringLabel: string;
  readonly words: string;
  readonly vpU: number;
  readonly mpU: number;
  readonly turnDeg: number;
  readonly family: LineFamily;
}

/** What the heights need to know of the footprint. */
export interface TwoPointFrame {
  readonly near: PieceCorner;
  readonly alongPrimary: PieceCorner;
  readonly alongSecondary: PieceCorner;
  readonly far: PieceCorner;
  readonly primary: Direction;
  readonly secondary: Direction;
  readonly trace: MarkId;
  readonly traceLabel: string;
  readonly labels: Readonly<Record<string, string>>;
  readonly footprintMark: (corner: string) => MarkId;
  /** Sides seen edge-on, where a line and the uprights at its ends are one and give no crossing: a–d, b–c and d–c. */
  readonly edgeOn: { readonly nearSecondary: boolean; readonly farSecondary: boolean; readonly backPrimary: boolean };
}

/** Closer than this on paper, a receding line and an upright are one, mm. */
const EDGE_ON_MM = tolerance.samePointMm;

/** The corner on the other side, and the one at the other depth. */
const FLIPPED: Readonly<Record<PieceCorner, { readonly side: PieceCorner; readonly depth: PieceCorner }>> = {
  'back-left': { side: 'back-right', depth: 'front-left' },
  'back-right': { side: 'back-left', depth: 'front-right' },
  'front-left': { side: 'front-right', depth: 'back-left' },
  'front-right': { side: 'front-left', depth: 'back-right' },
};
const flip = (corner: PieceCorner, part: 'side' | 'depth'): PieceCorner => FLIPPED[corner][part];

/** How a line through a corner along a direction stands to the picture plane: its trace and signed lengths from it. */
function layOut(corner: MeasuredCorner, direction: Direction, length: number) {
  const phi = radiansFromDegrees(direction.turnDeg);
  // From the trace (behind = 0) the corner lies at s = behind/cos φ along the line.
  const start = corner.behindPlane / Math.cos(phi);
  return { traceLateral: corner.lateral - start * Math.sin(phi), start, end: start + length };
}

/**
 * A box by measuring points. The side that keeps the ruler nearest to the centre line is measured from its trace; the other
 * side is measured from its own trace, which closes on the line ruled through the nearest corner.
 * Source: u_MP = −sgn φ·k·tan(45° − |φ|/2); lengths behind the picture plane are laid off on the side away from the measuring point.
 */
export function planBoxTwoPoint(
  given: ConstructionGiven,
  corners: readonly MeasuredCorner[],
  pair: DirectionPair & { kind: 'two-point' },
): ConstructionPlan {
  const { setUp, footprint, piece } = given;
  const right: Direction = {
    side: 'right',
    mark: 'vp-right',
    measuringMark: 'mp-right',
    label: `VR${given.pointSuffix}`,
    measuringLabel: `MR${given.pointSuffix}`,
    words: 'the right vanishing point',
    vpU: pair.vpRight,
    mpU: pair.mpOfRight,
    turnDeg: pair.turnDeg,
    family: 'right',
  };
  const left: Direction = {
    side: 'left',
    mark: 'vp-left',
    measuringMark: 'mp-left',
    label: `VL${given.pointSuffix}`,
    measuringLabel: `ML${given.pointSuffix}`,
    words: 'the left vanishing point',
    vpU: pair.vpLeft,
    mpU: pair.mpOfLeft,
    turnDeg: pair.turnDeg - 90,
    family: 'left',
  };

  const nearest = corners.reduce((best, corner) => (corner.depth < best.depth ? corner : best));
  // The width runs along one direction of the pair, the depth along the other; which, decides the neighbours' names.
  const lateralOf = (direction: Vector2): number =>
    dot2(direction, setUp.right) * Math.sign(dot2(direction, setUp.forward));
  const widthGoesRight = lateralOf(footprint.widthDirection) > 0;
  const cornerAlong = (side: Direction['side']): PieceCorner =>
    flip(nearest.name, (side === 'right') === widthGoesRight ? 'side' : 'depth');
  const lengthAlong = (side: Direction['side']): number =>
    (side === 'right') === widthGoesRight ? footprint.width : footprint.depth;

  const N = setUp.scaleDenominator;
  const reach = (direction: Direction): number => {
    const line = layOut(nearest, direction, lengthAlong(direction.side));
    const sign = direction.turnDeg > 0 ? 1 : -1;
    const onPaper = [line.traceLateral, line.traceLateral + sign * line.start, line.traceLateral + sign * line.end].map(
      (x) => Math.abs(x / N),
    );
    // A side seen edge-on cannot carry heights.
    const edgeOn = Math.abs(line.traceLateral / N - direction.vpU) < 1 ? 1e6 : 0;
    return Math.max(...onPaper) + edgeOn;
  };
  const [primary, secondary] = reach(right) <= reach(left) ? [right, left] : [left, right];
  const first = layOut(nearest, primary, lengthAlong(primary.side));
  const second = layOut(nearest, secondary, lengthAlong(secondary.side));
  const alongPrimary = cornerAlong(primary.side);
  const alongSecondary = cornerAlong(secondary.side);
  const far = flip(flip(nearest.name, 'side'), 'depth');
  const labels = { [nearest.name]: 'a', [alongPrimary]: 'b', [far]: 'c', [alongSecondary]: 'd' };
  const standsOnFloor = mmOf(piece.lift) === 0;
  const footprintMark = (corner: string): MarkId =>
    standsOnFloor ? `${piece.id}/box/${corner}-bottom` : `${piece.id}/floor/${corner}`;

  const writer = new PlanWriter();
  writeSetOut(
    writer,
    given,
    [primary, secondary].flatMap((direction) => [
      { mark: direction.mark, label: direction.label, words: direction.words, u: direction.vpU },
      {
        mark: direction.measuringMark,
        label: direction.measuringLabel,
        words: 'its measuring point',
        u: direction.mpU,
      },
    ]),
  );

  const traceU = first.traceLateral / N;
  writer.step(
    'trace',
    'footprint',
    [
      'On the ground line lay off ',
      { real: Math.abs(first.traceLateral) },
      ': ',
      { paperMm: Math.abs(traceU) },
      ` to the ${senseOf(traceU)} of the centre line. This is T, where the ${primary.side}-going side of ${piece.name}, carried on, meets the picture plane. Rule from T to ${primary.label}.`,
    ],
    ['A floor line starts at its trace on the ground line and runs to its vanishing point.'],
  );
  writer.layOff('trace', 'T', { on: GROUND_LINE, from: GROUND_ZERO }, traceU, first.traceLateral);
  writer.rule('side-primary', ['trace', primary.mark]);
  writer.stroke('side-primary', 'trace', footprintMark(alongPrimary), primary.family);

  writeLengths(writer, 'primary', 'trace', 'T', primary, first, N, [
    { mark: 'laid-near', label: '1', along: first.start },
    { mark: 'laid-primary', label: '2', along: first.end },
  ]);
  writer.step(
    'cut-primary',
    'footprint',
    [
      `Rule from 1 and from 2 to ${primary.measuringLabel}. They cut the line T–${primary.label} at a and b: the nearest corner and the one to its ${primary.side}.`,
    ],
    ['The measuring point carries the true lengths onto the receding line.'],
  );
  writer
    .rule('measure-near', ['laid-near', primary.measuringMark])
    .rule('measure-primary', ['laid-primary', primary.measuringMark]);
  writer
    .cross(footprintMark(nearest.name), 'a', ['side-primary', 'measure-near'])
    .cross(footprintMark(alongPrimary), 'b', ['side-primary', 'measure-primary']);
  writer
    .stroke('measure-near', 'laid-near', footprintMark(nearest.name), 'measuring')
    .stroke('measure-primary', 'laid-primary', footprintMark(alongPrimary), 'measuring');

  const secondU = second.traceLateral / N;
  writer.step(
    'second-trace',
    'footprint',
    [
      `Rule from ${secondary.label} through a down to the ground line. Check: it must meet it `,
      { paperMm: Math.abs(secondU) },
      ` to the ${senseOf(secondU)} of the centre line (`,
      { real: Math.abs(second.traceLateral) },
      '). Mark T₂ there by measure.',
    ],
    [
      'Two routes to one point that must meet: if they miss by more than a pencil’s width, look for the slip before going on.',
    ],
  );
  writer.rule('side-secondary', [footprintMark(nearest.name), secondary.mark]);
  writer.cross('second-trace-ruled', '', ['side-secondary', GROUND_LINE]);
  writer.layOff('second-trace', 'T₂', { on: GROUND_LINE, from: GROUND_ZERO }, secondU, second.traceLateral);
  writer.check('second-trace', 'second-trace-ruled');
  writer.stroke('side-secondary', 'second-trace-ruled', footprintMark(alongSecondary), secondary.family);

  writeLengths(writer, 'secondary', 'second-trace', 'T₂', secondary, second, N, [
    { mark: 'laid-secondary', label: '3', along: second.end },
  ]);
  writer.step(
    'cut-secondary',
    'footprint',
    [`Rule from 3 to ${secondary.measuringLabel}: it cuts the line a–${secondary.label} at d.`],
    ['Measured from its own trace, not stepped off from a: errors must not add up.'],
  );
  writer.rule('measure-secondary', ['laid-secondary', secondary.measuringMark]);
  writer.cross(footprintMark(alongSecondary), 'd', ['side-secondary', 'measure-secondary']);
  writer.stroke('measure-secondary', 'laid-secondary', footprintMark(alongSecondary), 'measuring');

  writer.step(
    'close-footprint',
    'footprint',
    [`Rule from b to ${secondary.label} and from d to ${primary.label}. They cross at c: the footprint is closed.`],
    ['Lines that are parallel in plan run to one vanishing point.'],
  );
  writer
    .rule('close-b', [footprintMark(alongPrimary), secondary.mark])
    .rule('close-d', [footprintMark(alongSecondary), primary.mark]);
  writer.cross(footprintMark(far), 'c', ['close-b', 'close-d']);
  writer
    .stroke('close-b', footprintMark(alongPrimary), footprintMark(far), secondary.family)
    .stroke('close-d', footprintMark(alongSecondary), footprintMark(far), primary.family);

  const edgeOn = (corner: PieceCorner, direction: Direction): boolean => {
    const from = corners.find((one) => one.name === corner);
    invariant(from, 'a footprint has four corners');
    return Math.abs(layOut(from, direction, 0).traceLateral / N - direction.vpU) < EDGE_ON_MM;
  };
  writeHeightsTwoPoint(writer, given, {
    near: nearest.name,
    alongPrimary,
    alongSecondary,
    far,
    primary,
    secondary,
    trace: 'trace',
    traceLabel: 'T',
    labels,
    footprintMark,
    edgeOn: {
      nearSecondary: edgeOn(nearest.name, secondary),
      farSecondary: edgeOn(alongPrimary, secondary),
      backPrimary: edgeOn(alongSecondary, primary),
    },
  });
  writeFinish(writer, given);
  return writer.finish(piece.id, 'measuring-points');
}

/** Lengths from a trace along the ground line: behind the picture plane away from the measuring point, in front toward it. */
function writeLengths(
  writer: PlanWriter,
  id: string,
  trace: MarkId,
  traceLabel: string,
  direction: Direction,
  line: { readonly traceLateral: number },
  N: number,
  lengths: readonly { readonly mark: MarkId; readonly label: string; readonly along: number }[],
): void {
  const sign = direction.turnDeg > 0 ? 1 : -1;
  writer.step(
    `lengths-${id}`,
    'footprint',
    [
      `Lay the rule on the ground line with its zero at ${traceLabel}. `,
      ...lengths.flatMap(({ label, along }): (string | { real: number } | { paperMm: number })[] => [
        `Mark ${label} at `,
        { real: Math.abs(along) },
        ': ',
        { paperMm: Math.abs(along / N) },
        ` to the ${senseOf(sign * along)} (`,
        { paperMm: Math.abs((line.traceLateral + sign * along) / N) },
        ` ${senseOf(line.traceLateral + sign * along)} of the centre line). `,
      ]),
    ],
    ['What lies behind the picture plane is laid off away from the measuring point, what lies in front toward it.'],
  );
  for (const { mark, label, along } of lengths)
    writer.layOff(mark, label, { on: GROUND_LINE, from: trace }, (sign * along) / N, along);
}
