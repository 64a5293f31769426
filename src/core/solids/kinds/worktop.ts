import { at } from '@/core/base';
import { block, drum, prism, ring, type Part, type Range } from '../parts';
import type { Refusing, Values } from '../kind';

/** What a worktop may hold, by the number of the unit it lies over, from the left; nought: none. */
export const IN_THE_TOP = {
  'sink over unit': { usual: 0, least: 0, most: 10 },
  'hob over unit': { usual: 0, least: 0, most: 10 },
} as const;

/** Depth of a sink's bowl below the worktop, its edge's height over it, and what a hob's plate is thick, mm. */
const [BOWL, RIM, PLATE] = [170, 4, 6];
const LEAST_DEEP = 400;
type Corner = [number, number];
const around = (x: Range, y: Range): Corner[] => [
  [x[0], y[0]],
  [x[1], y[0]],
  [x[1], y[1]],
  [x[0], y[1]],
];

/** Where a bowl or a plate lies in the top over a unit's case: in its middle, as large as is usual or as there is room for. */
function over(unit: Range, y: Range, wide: number, deep: number): { readonly x: Range; readonly y: Range } {
  const [x, half] = [(unit[0] + unit[1]) / 2, Math.min(wide, unit[1] - unit[0] - 60) / 2];
  const [middle, halfDeep] = [(y[0] + y[1]) / 2, Math.min(deep, y[1] - y[0] - 140) / 2];
  return { x: [x - half, x + half], y: [middle - halfDeep + 20, middle + halfDeep + 20] };
}

/** Why sink and hob do not go into a top over these units, or null. `deep`: what their case is deep; `under`: height of the case below it. */
export function refuseInTop(v: Refusing, units: readonly number[], deep: number, under: number): string | null {
  const [sink, hob] = [v.count('sink over unit'), v.count('hob over unit')];
  if (Math.max(sink, hob) > units.length)
    return `its sink or its hob lies over a unit it has not: it has ${units.length}`;
  if (sink > 0 && sink === hob) return 'its sink and its hob lie over the same unit';
  const narrow = [sink, hob].some((one) => one > 0 && at(units, one - 1) < 300);
  if (narrow || ((sink > 0 || hob > 0) && deep < LEAST_DEEP))
    return `a sink and a hob want a unit of ${v.show(300)} with ${v.show(LEAST_DEEP)} of depth behind overhang and front`;
  return sink > 0 && under < BOWL + 20 ? 'its sink is deeper than the case under it' : null;
}

/** An outline of worktop and case with the sink cut through them, the bowl's floor, its tap and the hob. `x`: of each unit. */
export function topParts(
  v: Values,
  {
    units,
    y,
    foot,
    under,
    top,
    carcass,
  }: {
    readonly units: readonly Range[];
    /** Of the case: however far the top hangs over, what lies in it lies over that. */
    readonly y: Range;
    /** Heights of the case's underside, the worktop's underside and its top. */
    readonly foot: number;
    readonly under: number;
    readonly top: number;
    /** Outlines in plan of the worktop and of the case. */
    readonly carcass: { readonly top: readonly Corner[]; readonly case: readonly Corner[] };
  },
): Part[] {
  const [sink, hob] = [v.count('sink over unit'), v.count('hob over unit')];
  const bowl = sink > 0 ? over(at(units, sink - 1), y, 500, 400) : null;
  const holes = bowl ? [around(bowl.x, bowl.y)] : [];
  const body = (name: string, z: Range, outline: readonly Corner[]): Part => {
    const [from, , to] = outline;
    // A straight run without a sink is a plain block.
    return outline.length === 4 && from && to && holes.length === 0
      ? block(name, [from[0], to[0]], [from[1], to[1]], z)
      : prism(name, 'z', z, outline, holes);
  };
  const parts: Part[] = [body('worktop', [under, top], carcass.top), body('carcass', [foot, under], carcass.case)];
  if (bowl) {
    const [middle, back] = [(bowl.x[0] + bowl.x[1]) / 2, bowl.y[0] - 35];
    const edge = around([bowl.x[0] - 15, bowl.x[1] + 15], [bowl.y[0] - 15, bowl.y[1] + 15]);
    parts.push(
      block('bowl-floor', bowl.x, bowl.y, [foot, top - BOWL]),
      prism('bowl-rim', 'z', [top, top + RIM], edge, holes),
      ring('drain', [middle, (bowl.y[0] + bowl.y[1]) / 2, top - BOWL], 18, 40, 2),
      drum('tap', [middle, back, top], 14, 240),
      drum('spout', [middle, back + 14, top + 215], 11, (bowl.y[1] - bowl.y[0]) / 2 + 10, 'y'),
    );
  }
  if (hob > 0) {
    const plate = over(at(units, hob - 1), y, 580, 500);
    const [wide, deep] = [plate.x[1] - plate.x[0], plate.y[1] - plate.y[0]];
    const radius = Math.min(wide, deep) / 6;
    parts.push(
      block('hob', plate.x, plate.y, [top, top + PLATE]),
      ...[0, 1, 2, 3].map((i) =>
        ring(
          `hob-ring-${i + 1}`,
          [plate.x[0] + wide * (i % 2 === 0 ? 0.28 : 0.72), plate.y[0] + deep * (i < 2 ? 0.28 : 0.72), top + PLATE],
          radius * 0.85,
          radius,
          3,
        ),
      ),
    );
  }
  return parts;
}

/** Corners in plan of a straight run. */
export const straight = (x: Range, y: Range): readonly Corner[] => around(x, y);
