import { at } from '@/core/base';
import { planRows, type PlanRows, type Rows, type Scene } from '@/core/pipeline';
import type { Body } from '@/core/solids';
import type { SetUp } from '@/core/view';
import type { Pose } from './pose';

/** Rows of a flat view to the screen: X = a·x + c·y + e, Y = b·x + d·y + f. */
export interface Affine {
  readonly a: number;
  readonly b: number;
  readonly c: number;
  readonly d: number;
  readonly e: number;
  readonly f: number;
}

/** Plan rows, world mm east and north, to the screen. */
export function planAffine(
  pose: Pose,
  { station: s, right: r, forward: f, pictureDistance, scaleDenominator }: SetUp,
): Affine {
  const k = pose.planScale / scaleDenominator;
  return {
    a: k * r.x,
    c: k * r.y,
    e: pose.axisX - k * (s.x * r.x + s.y * r.y),
    b: -k * f.x,
    d: -k * f.y,
    f: pose.planeY + k * (s.x * f.x + s.y * f.y + pictureDistance),
  };
}

/** Side rows, mm along the line of sight from the world's zero and up from it, to the screen. */
export function sideAffine(
  pose: Pose,
  { station: s, forward: f, pictureDistance, eyeZ, scaleDenominator }: SetUp,
): Affine {
  const k = pose.sideScale / scaleDenominator;
  return {
    a: k,
    c: 0,
    e: pose.planeX - k * (s.x * f.x + s.y * f.y + pictureDistance),
    b: 0,
    d: -k,
    f: pose.horizonY + k * eyeZ,
  };
}

/** One path for all rows: thousands of lines cost a few calls and no objects. */
export function strokeRows(
  ctx: CanvasRenderingContext2D,
  rows: Rows,
  { a, b, c, d, e, f }: Affine,
  colour: string,
  width: number,
): void {
  if (rows.length === 0) return;
  ctx.beginPath();
  for (let i = 0; i + 3 < rows.length; i += 4) {
    // Read without a check of each index: this is the inner loop of a drag.
    const x0 = rows[i] as number;
    const y0 = rows[i + 1] as number;
    const x1 = rows[i + 2] as number;
    const y1 = rows[i + 3] as number;
    ctx.moveTo(a * x0 + c * y0 + e, b * x0 + d * y0 + f);
    ctx.lineTo(a * x1 + c * y1 + e, b * x1 + d * y1 + f);
  }
  ctx.strokeStyle = colour;
  ctx.lineWidth = width;
  ctx.lineCap = width > 1 ? 'round' : 'butt';
  ctx.stroke();
}

/** The side view for one direction of sight: all straight edges, those of the chosen piece apart. */
export interface SideRows {
  readonly others: Rows;
  readonly chosen: Rows;
}

export function sideRows(scene: Scene, chosen: string | null, { forward }: Pick<SetUp, 'forward'>): SideRows {
  const rows = (wanted: (body: Body) => boolean): Rows =>
    Float64Array.from(
      scene.bodies.filter(wanted).flatMap((body) =>
        body.edges.flatMap((edge) => {
          const [p, q] = [at(body.vertices, edge.from).at, at(body.vertices, edge.to).at];
          return [p.x * forward.x + p.y * forward.y, p.z, q.x * forward.x + q.y * forward.y, q.z];
        }),
      ),
    );
  return {
    others: rows((body) => body.kind !== 'surface' && body.id !== chosen),
    chosen: rows((body) => body.kind !== 'surface' && body.id === chosen),
  };
}

/** Rows kept for the scene and the choice they were made for. */
export class KeptRows {
  private plan: { readonly scene: Scene; readonly chosen: string | null; readonly rows: PlanRows } | null = null;
  private side: {
    readonly scene: Scene;
    readonly chosen: string | null;
    readonly forward: SetUp['forward'];
    readonly rows: SideRows;
  } | null = null;

  planOf(scene: Scene, chosen: string | null): PlanRows {
    if (this.plan?.scene !== scene || this.plan.chosen !== chosen)
      this.plan = { scene, chosen, rows: planRows(scene, chosen) };
    return this.plan.rows;
  }

  sideOf(scene: Scene, chosen: string | null, { forward }: SetUp): SideRows {
    const kept = this.side;
    const same =
      kept?.scene === scene && kept.chosen === chosen && kept.forward.x === forward.x && kept.forward.y === forward.y;
    if (kept && same) return kept.rows;
    const rows = sideRows(scene, chosen, { forward });
    this.side = { scene, chosen, forward, rows };
    return rows;
  }
}
