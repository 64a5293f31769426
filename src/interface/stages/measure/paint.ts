import { type Elevation, type Scene, planLinesOf } from '@/core/pipeline';
import { conicChain, dot2, type Vector2 } from '@/core/geometry';
import {
  alongWall,
  leftAlongWall,
  onWall,
  mmOf,
  wallRunOf,
  wallRuns,
  type Id,
  type Project,
  footprintOf,
  type Footprint,
} from '@/core/record';
import { openingKindOf, type Body } from '@/core/solids';
import type { PlanPoint } from '@/core/space';
import type { Look } from '@/interface/theme';
import { dropsInto, elevationToScreen, planToScreen, type MeasureLayout, type MeasurePose } from './pose';

export interface MeasurePainting {
  readonly layout: MeasureLayout;
  readonly pose: MeasurePose;
  readonly look: Look;
  readonly project: Project;
  readonly scene: Scene;
  readonly levelId: Id;
  readonly chosen: readonly Id[];
  readonly elevation: Elevation | null;
  /** Plans of bodies already worked out. */
  readonly plans: WeakMap<Body, Float64Array>;
  /** What lies still, or what is chosen and follows the pointer: they are painted on two sheets, so that a drag paints little. */
  readonly sheet: 'still' | 'chosen';
}

type Context = Pick<
  CanvasRenderingContext2D,
  | 'save'
  | 'restore'
  | 'beginPath'
  | 'rect'
  | 'clip'
  | 'moveTo'
  | 'lineTo'
  | 'stroke'
  | 'setLineDash'
  | 'setTransform'
  | 'clearRect'
  | 'fillRect'
  | 'strokeStyle'
  | 'fillStyle'
  | 'lineWidth'
  | 'globalAlpha'
>;

function strokes(
  ctx: Context,
  rows: readonly (readonly [number, number, number, number])[],
  colour: string,
  width: number,
  dash: readonly number[] = [],
): void {
  if (rows.length === 0) return;
  ctx.beginPath();
  for (const [x0, y0, x1, y1] of rows) {
    ctx.moveTo(x0, y0);
    ctx.lineTo(x1, y1);
  }
  ctx.strokeStyle = colour;
  ctx.lineWidth = width;
  ctx.setLineDash([...dash]);
  ctx.stroke();
}

function paintPlan(ctx: Context, { pose, look, project, scene, levelId, chosen, plans, sheet }: MeasurePainting): void {
  const row = (a: { x: number; y: number }, b: { x: number; y: number }): readonly [number, number, number, number] => {
    const [p, q] = [planToScreen(pose, a), planToScreen(pose, b)];
    return [p.x, p.y, q.x, q.y];
  };
  const onLevel = new Set(project.pieces.filter((piece) => piece.levelId === levelId).map((piece) => piece.id));
  const roomsHere = new Set(project.spaces.filter((space) => space.levelId === levelId).map((space) => space.id));
  const faint: (readonly [number, number, number, number])[] = [];
  const graphite: (readonly [number, number, number, number])[] = [];
  const inked: (readonly [number, number, number, number])[] = [];
  for (const body of scene.bodies) {
    if (body.kind === 'room' || chosen.includes(body.id) !== (sheet === 'chosen')) continue;
    const surface = body.kind === 'surface';
    if (body.kind === 'piece' && !onLevel.has(body.id)) continue;
    // What is in a wall or on a floor of another storey is no part of this plan: of its rooms only the walls show, faintly.
    if (body.kind !== 'piece' && body.homes && !body.homes.some((id) => roomsHere.has(id))) continue;
    let lines = plans.get(body);
    if (!lines) {
      lines = surface ? surfaceLines(project, body) : planLinesOf(scene, body);
      plans.set(body, lines);
    }
    const into = surface ? faint : chosen.includes(body.id) ? inked : graphite;
    const { right, up, centre, scale, x, y } = pose;
    for (let i = 0; i + 3 < lines.length; i += 4) {
      const [ax, ay, bx, by] = [
        lines[i] as number,
        lines[i + 1] as number,
        lines[i + 2] as number,
        lines[i + 3] as number,
      ];
      into.push([
        x + scale * ((ax - centre.x) * right.x + (ay - centre.y) * right.y),
        y - scale * ((ax - centre.x) * up.x + (ay - centre.y) * up.y),
        x + scale * ((bx - centre.x) * right.x + (by - centre.y) * right.y),
        y - scale * ((bx - centre.x) * up.x + (by - centre.y) * up.y),
      ]);
    }
  }
  ctx.globalAlpha = 0.35;
  strokes(ctx, faint, look.graphite, 0.6);
  ctx.globalAlpha = 1;
  for (const space of sheet === 'chosen' ? [] : project.spaces) {
    const here = space.levelId === levelId;
    const runs = wallRuns(space);
    ctx.globalAlpha = here ? 1 : 0.25;
    strokes(
      ctx,
      runs.map((run) => row(run.start, run.end)),
      look.graphite,
      2.6 * look.widen,
    );
    if (!here) continue;
    for (const run of runs) {
      for (const opening of project.openings.filter((one) => one.throughWallId === run.wall.id)) {
        const own = wallRunOf(project, opening.wallId);
        if (!own) continue;
        const left = leftAlongWall(opening, own);
        const ends = [left, left + mmOf(opening.width)].map((along) => alongWall(run, onWall(own, along)));
        const [a, b] = ends.map((along) => onWall(run, along)) as [PlanPoint, PlanPoint];
        strokes(ctx, [row(a, b)], look.paper, 4.4 * look.widen);
      }
      const picked = chosen.includes(run.wall.id);
      if (picked) strokes(ctx, [row(run.start, run.end)], look.ink, 4 * look.widen);
      for (const opening of project.openings.filter((one) => one.wallId === run.wall.id)) {
        const left = leftAlongWall(opening, run);
        const inPlan = openingKindOf(opening.kind)?.inPlan;
        const right = left + mmOf(opening.width);
        const deep = -Math.max(60, mmOf(opening.reveal));
        strokes(ctx, [row(onWall(run, left), onWall(run, right))], look.paper, 4.4 * look.widen);
        const colour = chosen.includes(opening.id) ? look.ink : look.graphite;
        strokes(
          ctx,
          [
            row(onWall(run, left), onWall(run, left, deep)),
            row(onWall(run, right), onWall(run, right, deep)),
            ...(inPlan?.back ? [row(onWall(run, left, deep), onWall(run, right, deep))] : []),
            ...(inPlan?.pane ? [row(onWall(run, left, deep / 2), onWall(run, right, deep / 2))] : []),
          ],
          colour,
          (chosen.includes(opening.id) ? 1.8 : 1) * look.widen,
        );
      }
    }
  }
  ctx.globalAlpha = 1;
  strokes(ctx, graphite, look.graphite, 0.9 * look.widen);
  strokes(ctx, inked, look.ink, 1.5 * look.widen);
}

/** A plan's point carried from one place of a piece to another: moved and turned, never stretched. */
function carried(from: Footprint, to: Footprint): (x: number, y: number) => Vector2 {
  const { widthDirection: w0, depthDirection: d0 } = from;
  const { widthDirection: w1, depthDirection: d1 } = to;
  const [a, b] = [from.corners['back-left'], to.corners['back-left']];
  return (x, y) => {
    const across = (x - a.x) * w0.x + (y - a.y) * w0.y;
    const forward = (x - a.x) * d0.x + (y - a.y) * d0.y;
    return { x: b.x + across * w1.x + forward * d1.x, y: b.y + across * w1.y + forward * d1.y };
  };
}

/** The chosen pieces where a drag carries them: their plans as they were, moved and turned. */
export function paintMovedPieces(
  ctx: Context,
  {
    layout,
    pose,
    look,
    project,
    scene,
    chosen,
    plans,
  }: Pick<MeasurePainting, 'layout' | 'pose' | 'look' | 'project' | 'scene' | 'chosen' | 'plans'>,
  moved: Project,
): void {
  ctx.save();
  ctx.beginPath();
  ctx.rect(0, layout.plan.y, layout.width, layout.plan.height);
  ctx.clip();
  ctx.beginPath();
  for (const id of chosen) {
    const body = scene.bodies.find((one) => one.id === id && one.kind === 'piece');
    const lines = body && plans.get(body);
    const [before, after] = [project, moved].map((one) => {
      const piece = one.pieces.find((each) => each.id === id);
      const footprint = piece && footprintOf(one, piece);
      return footprint?.ok ? footprint.value : null;
    });
    if (!lines || !before || !after) continue;
    const place = carried(before, after);
    for (let i = 0; i + 3 < lines.length; i += 4) {
      const a = planToScreen(pose, place(lines[i] as number, lines[i + 1] as number));
      const b = planToScreen(pose, place(lines[i + 2] as number, lines[i + 3] as number));
      ctx.moveTo(a.x, a.y);
      ctx.lineTo(b.x, b.y);
    }
  }
  ctx.strokeStyle = look.ink;
  ctx.lineWidth = 1.5 * look.widen;
  ctx.setLineDash([]);
  ctx.stroke();
  ctx.restore();
}

/** A surface on a floor is drawn on the plan; one on a wall or a ceiling is not. */
function surfaceLines(project: Project, body: Body): Float64Array {
  const on = project.surfaces.find((one) => one.id === body.id)?.on;
  if (on !== 'floor') return new Float64Array();
  const rows = body.edges.flatMap((edge) => {
    const [a, b] = [body.vertices[edge.from]?.at, body.vertices[edge.to]?.at];
    return a && b ? [a.x, a.y, b.x, b.y] : [];
  });
  return Float64Array.from(rows);
}

/** How strong a piece's lines are in an elevation, the farther it stands before the wall the fainter: at the wall, within a metre, two, beyond. */
const FAINTER = [1, 0.7, 0.5, 0.35] as const;
const fainterFor = (away: number): number => (away < 300 ? 0 : away < 1000 ? 1 : away < 2000 ? 2 : 3);

export function paintElevation(
  ctx: Context,
  {
    layout,
    pose,
    look,
    project,
    chosen,
    elevation,
  }: Pick<MeasurePainting, 'layout' | 'pose' | 'look' | 'project' | 'chosen' | 'elevation'>,
): void {
  if (!elevation) return;
  const y = pose.floorY;
  strokes(ctx, [[0, y, layout.width, y]], look.rule, 1);
  const groups: Record<string, (readonly [number, number, number, number])[]> = {};
  for (const line of elevation.lines) {
    const points = line.curve
      ? conicChain(line.curve, 2)
      : [
          { x: line.x0, y: line.y0 },
          { x: line.x1, y: line.y1 },
        ];
    const onScreen = points.map((p) => elevationToScreen(pose, elevation, p.x, p.y));
    // A room chosen whole is not inked: its elevation is all of it.
    const inked = line.kind !== 'wall' && chosen.includes(line.body);
    const group = inked ? 'inked' : line.kind === 'piece' ? `piece-${fainterFor(line.away)}` : line.kind;
    onScreen.slice(1).forEach((b, i) => {
      const a = onScreen[i];
      if (a) (groups[group] ??= []).push([a.x, a.y, b.x, b.y]);
    });
  }
  ctx.globalAlpha = 0.4;
  strokes(ctx, groups.surface ?? [], look.graphite, 0.6);
  ctx.globalAlpha = 1;
  strokes(ctx, groups.wall ?? [], look.graphite, 1.6 * look.widen);
  strokes(ctx, groups.opening ?? [], look.graphite, 0.9 * look.widen);
  FAINTER.forEach((alpha, i) => {
    ctx.globalAlpha = alpha;
    strokes(ctx, groups[`piece-${i}`] ?? [], look.graphite, 0.9 * look.widen);
  });
  ctx.globalAlpha = 1;
  strokes(ctx, groups.inked ?? [], look.ink, 1.5 * look.widen);
  if (!dropsInto(pose, elevation)) return;
  // Drops from the plan's corners into the elevation: the link, faint.
  const drops = project.spaces
    .flatMap((space) => wallRuns(space))
    .filter((run) => {
      const away =
        (run.start.x - elevation.axes.origin.x) * elevation.axes.toward.x +
        (run.start.y - elevation.axes.origin.y) * elevation.axes.toward.y;
      return (
        Math.abs(away) < 1 &&
        Math.abs(dot2(run.intoRoom, { x: elevation.axes.toward.x, y: elevation.axes.toward.y })) > 0.99
      );
    })
    .flatMap((run) => [run.start, run.end])
    .map((p): readonly [number, number, number, number] => {
      const from = planToScreen(pose, p);
      return [from.x, from.y, from.x, pose.floorY];
    });
  ctx.globalAlpha = 0.5;
  strokes(ctx, drops, look.families.measuring, 0.7, [2, 5]);
  ctx.globalAlpha = 1;
}

/** Paints one of the two sheets: what lies still in plan, or what is chosen with the elevation. `ratio` is device pixels for each CSS pixel. */
export function paintMeasure(ctx: Context, given: MeasurePainting, ratio: number): void {
  const { layout, look, sheet } = given;
  ctx.setTransform(ratio, 0, 0, ratio, 0, 0);
  ctx.clearRect(0, 0, layout.width, layout.height);
  ctx.save();
  ctx.beginPath();
  ctx.rect(0, layout.plan.y, layout.width, layout.plan.height);
  ctx.clip();
  paintPlan(ctx, given);
  ctx.restore();
  if (sheet === 'still') {
    ctx.fillStyle = look.strip;
    ctx.fillRect(0, layout.elevation.y - 1, layout.width, 2);
    return;
  }
  paintElevation(ctx, given);
}
