import { carve } from '../carve';
import { block, prism, type Prism } from '../parts';
import { rule, type Kind, type Refusing, type Values } from '../kind';
import { lieWithin, meet, outlineCrossesItself } from '../outline-check';
import type { OutlineCorner } from '@/core/record';

const rowsOf = (corners: readonly OutlineCorner[]) => corners.map(({ x, y, bulge }) => [x, y, bulge] as const);

const VIEW_AXIS = { plan: 'z', front: 'y', side: 'x' } as const;

/** The choice whether outlines are added together or cut with each other. */
export const OUTLINES_ARE = 'outlines are';
const CUT = 'cut with each other';

/** Cut freely: outlines drawn or typed in plan, front and side view, each pushed through from one depth to another. */
export const blockKind: Kind = {
  id: 'block',
  name: 'Block, freely cut',
  group: 'blocks',
  choices: { [OUTLINES_ARE]: ['added together', CUT] },
  sizes: { width: rule(600, 1, 100000), depth: rule(400, 1, 100000), height: rule(400, 1, 100000) },
  refuse: (v) => {
    for (const outline of v.outlines) {
      if (outline.corners.length < 2) return `its ${outline.view} outline has fewer than two corners`;
      if (Math.abs(outline.to - outline.from) < 0.5) return `its ${outline.view} outline is pushed through by nothing`;
      if (outlineCrossesItself(outline.corners))
        return `its ${outline.view} outline crosses itself or encloses nothing`;
      if (outline.holes.some((hole) => !lieWithin(outline.corners, hole)))
        return `a hole of its ${outline.view} outline crosses itself or does not lie within it`;
      if (outline.holes.some((hole, i) => outline.holes.slice(i + 1).some((other) => meet(hole, other))))
        return `two holes of its ${outline.view} outline run into each other`;
    }
    return isCut(v) ? refuseCut(v) : null;
  },
  parts: (v) => {
    const prisms = prismsOf(v);
    if (prisms.length === 0) return [block('block', [0, v.width], [0, v.depth], [0, v.height])];
    return isCut(v) ? [{ part: 'cut', name: 'block', prisms }] : prisms;
  },
};

/** One outline alone is what it is, whichever of the two is said. */
const isCut = (v: Values): boolean => v.choice(OUTLINES_ARE) === CUT && v.outlines.length > 1;

const prismsOf = (v: Values): readonly Prism[] =>
  v.outlines.map(({ id, view, corners, holes, from, to }) =>
    prism(id, VIEW_AXIS[view], [Math.min(from, to), Math.max(from, to)], rowsOf(corners), holes.map(rowsOf)),
  );

/** Outlines that are cut with each other, at most, and their corners: each side of each is cut to all pieces of all the others. */
const [MOST_CUT, MOST_CORNERS] = [6, 120];

/** Whether outlines have anything in common: asked again at every look at the record, and cut once. */
const kept = new WeakMap<Values['outlines'], boolean>();

function refuseCut(v: Refusing): string | null {
  const bent = v.outlines.find((one) =>
    [one.corners, ...one.holes].some((loop) => loop.some(({ bulge }) => bulge !== 0)),
  );
  if (bent) return `its ${bent.view} outline has a bend, and only outlines with straight sides are cut with each other`;
  const corners = v.outlines.reduce((sum, one) => sum + [one.corners, ...one.holes].flat().length, 0);
  if (v.outlines.length > MOST_CUT || corners > MOST_CORNERS)
    return `it has ${v.outlines.length} outlines with ${corners} corners, and at most ${MOST_CUT} with ${MOST_CORNERS} are cut with each other`;
  let common = kept.get(v.outlines);
  if (common === undefined) {
    common = carve(prismsOf(v)).faces.length > 3;
    kept.set(v.outlines, common);
  }
  return common ? null : 'its outlines have nothing in common';
}
