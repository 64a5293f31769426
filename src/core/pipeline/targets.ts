import { at, invariant } from '@/core/base';
import type { FrameSide, TargetByEye, TargetCurve, TargetEdge, TargetEnd, Targets } from '@/core/construction';
import { tolerance } from '@/core/numeric';
import type { Id, View } from '@/core/record';
import { picturePoint, worldPoint, type PicturePoint, type WorldPoint } from '@/core/space';
import type { PaperMillimetres } from '@/core/units';
import { eyeFromWorld, paperFraction, projectPoint, type SetUp } from '@/core/view';
import {
  curveOfRow,
  edgeOfRow,
  ownerOfLine,
  spaceConicPoint,
  spaceConicRun,
  type PreparedCurve,
  type PreparedEdge,
  type PreparedScene,
  type VisibleLines,
} from '@/core/visibility';
import { bendsUntold, placesAmong, pointsKept, pointsOfCurve, type CurvePoints, withMore } from './round-targets';

/** Parts of a round line that is drawn by eye, as fractions of it. */
const CHORDS = Array.from({ length: 17 }, (_, i) => i / 16);

/** A rectangle on the paper, picture mm. */
export interface PaperRect {
  readonly left: PaperMillimetres;
  readonly right: PaperMillimetres;
  readonly bottom: PaperMillimetres;
  readonly top: PaperMillimetres;
}

/** The drawing board about the picture. */
export function boardAbout({ board, sheetOnBoard, centreOfVisionOnSheet: cv }: View): PaperRect {
  const [left, bottom] = [-sheetOnBoard.x - cv.x, -sheetOnBoard.y - cv.y];
  return { left, bottom, right: left + board.width, top: bottom + board.height };
}

/** The sheet's left and right edges, picture mm. */
export const sheetAbout = ({
  sheet,
  centreOfVisionOnSheet: cv,
}: View): { readonly left: PaperMillimetres; readonly right: PaperMillimetres } => ({
  left: -cv.x,
  right: sheet.width - cv.x,
});

/** Nearer than this to the frame's side a seen part ends there because the frame cuts it, mm. */
const ON_FRAME_MM = 1e-6;
/**
 * All that is seen as targets of a construction. Ends of lines are their corners where those lie on the board; otherwise the ends of what is seen. What
 * would lie nearer to a measured point than the detail is left to the eye.
 * @param detailMm nearer together than this nothing is measured, mm on paper.
 * @param things what is drawn as a thing of its own; a wall is drawn with its room.
 */
export function targetsOf(
  scene: PreparedScene,
  lines: VisibleLines,
  setUp: SetUp,
  view: View,
  detailMm: PaperMillimetres,
  things: ReadonlySet<Id>,
): Targets {
  const board = boardAbout(view);
  const onBoard = (p: PicturePoint | null): p is PicturePoint =>
    p !== null && p.u >= board.left && p.u <= board.right && p.v >= board.bottom && p.v <= board.top;
  // What stands near by in the picture only is no hindrance: lines of one thing are what lies close together.
  const measuredOf = new Map<Id, MeasuredPoints>();
  const measured = (of: Id): MeasuredPoints => {
    const known = measuredOf.get(of) ?? new MeasuredPoints(detailMm);
    measuredOf.set(of, known);
    return known;
  };
  const byEye: TargetByEye[] = [];
  const thingOf = ({ role, body }: PreparedEdge | PreparedCurve): Id => {
    const owner = ownerOfLine(role);
    return things.has(owner) ? owner : body;
  };

  const straight = [...rowsBy(lines.edge, lines.seen, (row) => edgeOfRow(scene, lines, row))].map(([edge, rows]) => {
    const point = (s: number): WorldPoint => between(edge, s);
    const spans = rows.map((row) => [at(lines.along, row * 2), at(lines.along, row * 2 + 1)] as const);
    const [low, high] = [Math.min(...spans.map(([a]) => a)), Math.max(...spans.map(([, b]) => b))];
    const [s0, s1] = [onBoard(pictured(setUp, point(0))) ? 0 : low, onBoard(pictured(setUp, point(1))) ? 1 : high];
    const [a, b] = [projectPoint(setUp, point(s0)), projectPoint(setUp, point(s1))];
    const paperMm = a && b ? Math.hypot(b.u - a.u, b.v - a.v) : 0;
    return { edge, spans, ends: [s0, s1] as const, on: [a, b] as const, paperMm, point };
  });
  const edges: TargetEdge[] = [];
  // Long lines first: what lies beside one of them gives way.
  for (const { edge, spans, ends, on, paperMm, point } of straight.sort((p, q) => q.paperMm - p.paperMm)) {
    const [a, b] = on;
    const of = thingOf(edge);
    const stands = [point(ends[0]), point(ends[1])] as const;
    invariant(a && b, `what is seen of ${edge.id} lies in front of the eye`);
    if (paperMm < detailMm || !measured(of).take([a, b])) {
      byEye.push({
        edge: edge.id,
        of,
        round: false,
        stands,
        seen: spans.map(([s, t]) => [point(s), point(t)]),
        paperMm,
      });
      continue;
    }
    const end = (i: 0 | 1): TargetEnd => ({
      at: stands[i],
      cutBy: ends[i] === i ? null : sideAt(view, i === 0 ? a : b),
    });
    const [d0, d1] = stands.map((p) => eyeFromWorld(setUp, p).depth) as [number, number];
    const fraction = (s: number): number => paperFraction((s - ends[0]) / (ends[1] - ends[0]), d0, d1);
    edges.push({
      edge: edge.id,
      of,
      from: end(0),
      to: end(1),
      seen: spans.map(([from, to]) => [fraction(from), fraction(to)] as const),
    });
  }

  const curves: TargetCurve[] = [];
  const round = [...rowsBy(lines.curves.curve, lines.curves.seen, (row) => curveOfRow(scene, lines, row))].map(
    ([curve, rows]) => {
      const spans = rows.map((row) => [at(lines.curves.range, row * 2), at(lines.curves.range, row * 2 + 1)] as const);
      const on = (angle: number): PicturePoint | null => pictured(setUp, spaceConicPoint(curve.conic, angle));
      const points = pointsOfCurve(curve, spans, (angle) => onBoard(on(angle)));
      const marks = points.angles.map(on);
      const paperMm = Math.max(
        ...marks.map((p) => (p && marks[0] ? Math.hypot(p.u - marks[0].u, p.v - marks[0].v) : 0)),
      );
      return { curve, spans, points, on, paperMm };
    },
  );
  for (const { curve, spans, points: first, on, paperMm } of round.sort((p, q) => q.paperMm - p.paperMm)) {
    const of = thingOf(curve);
    const place = (angle: number): WorldPoint => spaceConicPoint(curve.conic, angle);
    const fitsOf = ({ angles, inOrder }: CurvePoints): readonly boolean[] =>
      measured(of).fits(
        angles.map((angle) => on(angle) ?? picturePoint(NaN, NaN)),
        inOrder,
      );
    // Where some lie too near to what is measured, others between them are tried.
    const points = withMore(first, fitsOf(first));
    const fits = fitsOf(points);
    const kept = pointsKept(points, fits);
    if (paperMm < detailMm || !kept || bendsUntold(kept.angles, on)) {
      const { angles } = points;
      const stands = [place(at(angles, 0)), place(at(angles, angles.length - 1))] as const;
      const seen = spans.map((span) => CHORDS.map((t) => place(span[0] + (span[1] - span[0]) * t)));
      byEye.push({ edge: curve.id, of, round: true, stands, seen, paperMm });
      continue;
    }
    measured(of).take(points.angles.flatMap((angle, i) => (fits[i] ? (on(angle) ?? []) : [])));
    curves.push({
      ...{ edge: curve.id, of, through: kept.angles.map(place), closed: kept.closed },
      runs: kept.angles.map((angle) => spaceConicRun(curve.conic, angle)),
      seen: spans.map((span) => placesAmong(kept, span)),
    });
  }
  return { edges, curves, byEye };
}

/** Rows of what is seen, by the line they are parts of. */
function rowsBy<T>(of: Int32Array, seen: Uint8Array, line: (row: number) => T): Map<T, number[]> {
  const rows = new Map<T, number[]>();
  for (let row = 0; row < of.length; row += 1) {
    if (seen[row] !== 1) continue;
    const one = line(row);
    const list = rows.get(one);
    if (list) list.push(row);
    else rows.set(one, [row]);
  }
  return rows;
}

const between = ({ from, to }: PreparedEdge, s: number): WorldPoint =>
  worldPoint(from.x + (to.x - from.x) * s, from.y + (to.y - from.y) * s, from.z + (to.z - from.z) * s);

/** Clearly in front of the eye, or not pictured at all. */
const pictured = (setUp: SetUp, p: WorldPoint): PicturePoint | null =>
  eyeFromWorld(setUp, p).depth > 1 ? projectPoint(setUp, p) : null;

function sideAt({ frame }: View, { u, v }: PicturePoint): FrameSide | null {
  if (Math.abs(u - frame.left) < ON_FRAME_MM) return 'left';
  if (Math.abs(u - frame.right) < ON_FRAME_MM) return 'right';
  if (Math.abs(v - frame.bottom) < ON_FRAME_MM) return 'bottom';
  return Math.abs(v - frame.top) < ON_FRAME_MM ? 'top' : null;
}

/** Points that are measured, none nearer to another than the detail. */
class MeasuredPoints {
  private readonly cells = new Map<string, PicturePoint[]>();

  constructor(private readonly apart: PaperMillimetres) {}

  /**
   * Which of a line's points can be measured, tried in an order: those that are measured already, or far enough from all that are and from those of
   * the line itself that come before.
   */
  fits(points: readonly PicturePoint[], order: readonly number[]): readonly boolean[] {
    const fresh: PicturePoint[] = [];
    const fit = points.map(() => false);
    for (const i of order) {
      const p = at(points, i);
      if (!Number.isFinite(p.u)) continue;
      const near = [...this.near(p), ...fresh.filter((q) => this.tooNear(p, q))];
      const same = near.some((q) => Math.hypot(q.u - p.u, q.v - p.v) < tolerance.touchMm);
      if (near.length > 0 && !same) continue;
      fit[i] = true;
      if (!same) fresh.push(p);
    }
    return fit;
  }

  /** Takes points that are measured already, or far enough from all that are, and from each other; or none of them. */
  take(points: readonly PicturePoint[]): boolean {
    const fresh: PicturePoint[] = [];
    for (const p of points) {
      const near = [...this.near(p), ...fresh.filter((q) => this.tooNear(p, q))];
      if (near.some((q) => Math.hypot(q.u - p.u, q.v - p.v) < tolerance.touchMm)) continue;
      if (near.length > 0) return false;
      fresh.push(p);
    }
    for (const p of fresh) {
      const key = this.key(p, 0, 0);
      this.cells.set(key, [...(this.cells.get(key) ?? []), p]);
    }
    return true;
  }

  private tooNear(p: PicturePoint, q: PicturePoint): boolean {
    return Math.hypot(q.u - p.u, q.v - p.v) < this.apart;
  }

  private near(p: PicturePoint): PicturePoint[] {
    return [-1, 0, 1].flatMap((i) =>
      [-1, 0, 1].flatMap((j) => (this.cells.get(this.key(p, i, j)) ?? []).filter((q) => this.tooNear(p, q))),
    );
  }

  private key({ u, v }: PicturePoint, i: number, j: number): string {
    return `${Math.floor(u / this.apart) + i} ${Math.floor(v / this.apart) + j}`;
  }
}
