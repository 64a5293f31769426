import { tolerance } from '@/core/numeric';
import { picturePoint } from '@/core/space';
import type { Millimetres, PaperMillimetres } from '@/core/units';
import type { SetUp } from '@/core/view';
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

/** The sheet's left and right edges, picture mm. */
export interface SheetEdges {
  readonly left: PaperMillimetres;
  readonly right: PaperMillimetres;
}

/** An edge of the sheet as a line to set ticks on, with its mark at the height of the horizon. */
export const edgeOf = (side: keyof SheetEdges): { readonly line: LineId; readonly mark: MarkId } => ({
  line: `sheet-${side}`,
  mark: `sheet-${side}-horizon`,
});

/** The sheet's edges as lines. */
export const edgeOperations = (edges: SheetEdges): readonly Operation[] =>
  (['left', 'right'] as const).flatMap((side): Operation[] => {
    const { line, mark } = edgeOf(side);
    return [sideways(mark, HORIZON_LINE, CV, edges[side]), { op: 'upright', line, through: mark }];
  });

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
