import { block, type Part, type Range } from './parts';

/** A figure's strokes in a field of 1 by 2: level ones by their height, upright ones by their side and half. */
type Stroke = 'top' | 'middle' | 'bottom' | 'upper-left' | 'upper-right' | 'lower-left' | 'lower-right';
const FIGURES: readonly (readonly Stroke[])[] = [
  ['top', 'bottom', 'upper-left', 'upper-right', 'lower-left', 'lower-right'],
  ['upper-right', 'lower-right'],
  ['top', 'middle', 'bottom', 'upper-right', 'lower-left'],
  ['top', 'middle', 'bottom', 'upper-right', 'lower-right'],
  ['middle', 'upper-left', 'upper-right', 'lower-right'],
  ['top', 'middle', 'bottom', 'upper-left', 'lower-right'],
  ['top', 'middle', 'bottom', 'upper-left', 'lower-left', 'lower-right'],
  ['top', 'upper-right', 'lower-right'],
  ['top', 'middle', 'bottom', 'upper-left', 'upper-right', 'lower-left', 'lower-right'],
  ['top', 'middle', 'bottom', 'upper-left', 'upper-right', 'lower-right'],
];

/**
 * A number in plain lettering of straight strokes a sixth of their height thick, as it is set with strips: about x = 0, from z upward, y from the face it stands on
 * outward. A stroke's ends belong to the level ones, so that no two fill one place.
 */
export function numberParts(name: string, value: number, z: number, height: number, y: Range): Part[] {
  const thick = height / 6;
  const [wide, apart] = [height * 0.55, height * 0.75];
  const digits = [...String(value)].map(Number);
  const from = -((digits.length - 1) * apart + wide) / 2;
  return digits.flatMap((digit, i) => {
    const strokes = FIGURES[digit] ?? [];
    const x = from + i * apart;
    const has = (one: Stroke): boolean => strokes.includes(one);
    const level: Readonly<Record<'top' | 'middle' | 'bottom', Range>> = {
      top: [z + height - thick, z + height],
      middle: [z + (height - thick) / 2, z + (height + thick) / 2],
      bottom: [z, z + thick],
    };
    return strokes.map((stroke): Part => {
      const said = `${name}-${i + 1}-${stroke}`;
      if (stroke === 'top' || stroke === 'middle' || stroke === 'bottom')
        return block(said, [x, x + wide], y, level[stroke]);
      const [half, side] = stroke.split('-');
      const across: Range = side === 'left' ? [x, x + thick] : [x + wide - thick, x + wide];
      // Where no level stroke lies the upright runs to the field's middle or its end.
      const middle = has('middle') ? level.middle : ([z + height / 2, z + height / 2] as const);
      const high: Range =
        half === 'upper'
          ? [middle[1], has('top') ? level.top[0] : z + height]
          : [has('bottom') ? level.bottom[1] : z, middle[0]];
      return block(said, across, y, high);
    });
  });
}
