import { ELEVATION_ZERO, type PlanOnPaper, type WholePlan } from '@/core/construction';
import { controlLayer, crossAt, layerOf, settleWords, type Drawing, type Stroke, type Word } from '@/core/drawing';
import type { View } from '@/core/record';
import { tolerance } from '@/core/numeric';
import { picturePoint, type PicturePoint } from '@/core/space';
import type { SetUp } from '@/core/view';
import type { Scene } from './perspective';
import { planRows } from './plan-rows';

/** So much of the elevation’s ground line is drawn to either side of its edge, mm. */
const GROUND_MM = 6;

/**
 * The edge of an elevation that lies beside the plan, from the lowest height that is carried to the highest, and the ground line that meets it, picture
 * mm; none where nothing is carried from one.
 */
export function elevationEdge(
  marks: PlanOnPaper['marks'],
): readonly (readonly [from: PicturePoint, to: PicturePoint])[] {
  const zero = marks.get(ELEVATION_ZERO)?.at;
  if (!zero) return [];
  const levels = [...marks.values()].flatMap(({ at, paper }) =>
    paper === 'plan' && Math.abs(at.u - zero.u) < tolerance.touchMm ? [at.v] : [],
  );
  return [
    [picturePoint(zero.u, Math.min(...levels)), picturePoint(zero.u, Math.max(...levels))],
    [picturePoint(zero.u - GROUND_MM, zero.v), picturePoint(zero.u + GROUND_MM, zero.v)],
  ];
}

/** The plan as it lies on the table, its picture plane level, and the edge of the elevation beside it: strokes of the sheet; none where there is no plan. */
export function planStrokes(
  view: View,
  setUp: SetUp,
  scene: Scene,
  { planAt, marks }: Pick<PlanOnPaper, 'planAt' | 'marks'>,
): readonly Stroke[] {
  if (!planAt) return [];
  const { station: s, right: r, forward: f, pictureDistance: d, scaleDenominator: N } = setUp;
  const { x, y } = view.centreOfVisionOnSheet;
  const { walls, pieces, thin } = planRows(scene, null);
  const put = (east: number, north: number) => ({
    x: x + planAt.u + ((east - s.x) * r.x + (north - s.y) * r.y) / N,
    y: y + planAt.v + ((east - s.x) * f.x + (north - s.y) * f.y - d) / N,
  });
  const strokes = (rows: Float64Array, weight: Stroke['weight'], of: string): Stroke[] =>
    Array.from({ length: rows.length / 4 }, (_, i) => {
      const [a, b] = [put(rows[4 * i] ?? 0, rows[4 * i + 1] ?? 0), put(rows[4 * i + 2] ?? 0, rows[4 * i + 3] ?? 0)];
      return {
        ...{ x0: a.x, y0: a.y, x1: b.x, y1: b.y, family: 'sheet' as const, weight },
        ...{ role: { is: 'outline', of: 'board' } as const, of },
      };
    });
  return [
    ...strokes(walls, 'firm', 'wall'),
    ...strokes(pieces, 'faint', 'piece'),
    ...strokes(thin, 'hairline', 'opening'),
    ...elevationEdge(marks).map(([a, b]): Stroke => ({
      ...{ x0: x + a.u, y0: y + a.v, x1: x + b.u, y1: y + b.v, family: 'sheet', weight: 'faint' },
      ...{ role: { is: 'outline', of: 'board' }, of: 'elevation' },
    })),
  ];
}

/** Paper about the plan, and under it for the control lines, mm. */
const [ABOUT_MM, UNDER_MM] = [14, 34];
const LETTER_MM = 2.6;
const CROSS_MM = 1.2;

const elevationWord = ({ x, y }: { readonly x: number; readonly y: number }): Word => ({
  ...{ x: x + 1, y: y - LETTER_MM - 1.5, text: 'elevation', heightMm: LETTER_MM, anchor: 'start' },
  free: { where: 'along', level: y },
});

/**
 * The plan sheet of a drawing by plan projection, at the scale of the picture plane: rooms and what stands in them, picture plane and station point, and
 * the corners by the names the steps call them.
 */
export function planSheetDrawing(
  view: View,
  setUp: SetUp,
  scene: Scene,
  { plan, paper }: { readonly plan: WholePlan; readonly paper: PlanOnPaper },
  title: string,
  caption: string,
): Drawing | null {
  const { planAt } = paper;
  if (!planAt) return null;
  const { x, y } = view.centreOfVisionOnSheet;
  const corners = plan.steps.flatMap((step) =>
    step.operations.flatMap((one) => {
      const at = one.op === 'take' && one.paper === 'plan' ? paper.marks.get(one.mark)?.at : undefined;
      return at && 'mark' in one ? [{ mark: one.mark, x: x + at.u, y: y + at.v }] : [];
    }),
  );
  const drawn = planStrokes(view, setUp, scene, paper);
  const foot = corners.find(({ mark }) => mark === ELEVATION_ZERO);
  const [xs, ys] = [
    [...drawn.flatMap((one) => [one.x0, one.x1]), ...corners.map((one) => one.x)],
    [...drawn.flatMap((one) => [one.y0, one.y1]), ...corners.map((one) => one.y)],
  ];
  const [left, bottom] = [Math.min(...xs) - ABOUT_MM, Math.min(...ys) - UNDER_MM];
  const [width, height] = [Math.max(...xs) + ABOUT_MM - left, Math.max(...ys) + ABOUT_MM - bottom];
  const moved = (one: Stroke): Stroke => ({
    ...{ ...one, x0: one.x0 - left, x1: one.x1 - left, y0: one.y0 - bottom, y1: one.y1 - bottom },
  });
  const plane = y + planAt.v - bottom;
  const words = corners.map(({ mark, x: cx, y: cy }): Word => {
    const place = { x: cx - left, y: cy - bottom };
    return {
      ...{ x: place.x + 1, y: place.y + 1, text: plan.labels.get(mark) ?? '', heightMm: LETTER_MM, anchor: 'start' },
      free: { where: 'beside', mark: place },
    };
  });
  return settleWords({
    ...{ title, width, height },
    layers: [
      layerOf({ layer: 'room' }, 'Plan', { strokes: drawn.map(moved) }),
      layerOf({ layer: 'marks' }, 'Corners', {
        strokes: [
          {
            ...{ x0: 0, y0: plane, x1: width, y1: plane, family: 'sheet', weight: 'faint' },
            ...{ role: { is: 'construction' }, of: 'picture plane' },
          },
          ...corners.flatMap(({ mark, x: cx, y: cy }) =>
            crossAt(cx - left, cy - bottom, CROSS_MM, mark, { is: 'construction' }),
          ),
        ],
        words: [
          ...words,
          ...(foot ? [elevationWord({ x: foot.x - left, y: foot.y - bottom })] : []),
          {
            ...{ x: 3, y: plane + 1.2, text: 'picture plane', heightMm: LETTER_MM, anchor: 'start' },
            free: { where: 'along', level: plane },
          },
        ],
      }),
      controlLayer({ sheet: { name: 'plan', width, height } }, caption),
    ],
  });
}
