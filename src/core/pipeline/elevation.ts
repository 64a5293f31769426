import { tolerance } from '@/core/numeric';
import { at, drain, inPart } from '@/core/base';
import { conicBounds, ellipseArc, type ConicArc, type Vector3 } from '@/core/geometry';
import {
  distanceFromWall,
  footprintOf,
  lengthStyleOf,
  levelOf,
  mmOf,
  wallOf,
  wallRunOf,
  type Id,
  type Project,
} from '@/core/record';
import type { Body } from '@/core/solids';
import { planPoint } from '@/core/space';
import { formatLength, type Millimetres } from '@/core/units';
import {
  ownerOfLine,
  parallelView,
  parallelViewInSteps,
  sceneFromInSteps,
  seenChains,
  type LineRole,
  type PreparedScene,
} from '@/core/visibility';
import {
  CONTROL_LINE_MM,
  controlStroke,
  endsOf,
  layerOf,
  placedStroke,
  strokeRows,
  type Drawing,
  type Drawn,
  type Stroke,
  type Word,
} from '@/core/drawing';
import type { Scene } from './perspective';

/** What an elevation is of: a wall from inside its room, with what stands before it within so many mm; or a piece from the front or from its right. */
export type ElevationOf =
  | { readonly of: 'wall'; readonly wallId: Id; readonly within: Millimetres }
  | { readonly of: 'piece'; readonly pieceId: Id; readonly from: 'front' | 'side' };

/** Lines true to size, mm: across from the left end, up from the floor. */
export interface Elevation {
  readonly name: string;
  readonly across: number;
  /** Where it stands: its left end on the floor, and the directions across and toward the viewer. */
  readonly axes: { readonly origin: Vector3; readonly right: Vector3; readonly toward: Vector3 };
  readonly lines: readonly {
    readonly x0: number;
    readonly y0: number;
    readonly x1: number;
    readonly y1: number;
    readonly of: Id;
    readonly role: LineRole;
    /** The thing it is of: a wall, an opening, a piece, a surface, or the room itself. */
    readonly body: Id;
    readonly kind: 'wall' | 'opening' | 'piece' | 'surface';
    /** How far before the wall the thing begins, mm: what is farther off is drawn fainter. */
    readonly away: Millimetres;
    /** Of a line that is not straight: what it follows, true to size. */
    readonly curve?: ConicArc;
  }[];
  /** Pieces of the room that stand farther before the wall than was asked for, by name. */
  readonly leftOut: readonly string[];
}

/** Pieces farther than this from a wall are left out of its elevation unless it is said otherwise, mm: they stand before it, not at it. */
export const ELEVATION_REACH_MM = 1200;

const up: Vector3 = { x: 0, y: 0, z: 1 };

function axesFor(project: Project, what: ElevationOf): (Elevation['axes'] & { name: string; across: number }) | null {
  if (what.of === 'wall') {
    const run = wallRunOf(project, what.wallId);
    const owner = wallOf(project, what.wallId);
    if (!run || !owner) return null;
    return {
      name: `${owner.space.name}, ${run.wall.name}`,
      across: run.lengthMm,
      origin: { x: run.start.x, y: run.start.y, z: mmOf(levelOf(project, owner.space.levelId).elevation) },
      right: { x: run.run.x, y: run.run.y, z: 0 },
      toward: { x: run.intoRoom.x, y: run.intoRoom.y, z: 0 },
    };
  }
  const piece = project.pieces.find((one) => one.id === what.pieceId);
  const footprint = piece && footprintOf(project, piece);
  if (!piece || !footprint?.ok) return null;
  const { widthDirection: w, depthDirection: d, corners } = footprint.value;
  const z = mmOf(levelOf(project, piece.levelId).elevation);
  if (what.from === 'front') {
    const from = corners['front-left'];
    return {
      name: `${piece.name}, front`,
      across: footprint.value.width,
      origin: { x: from.x, y: from.y, z },
      right: { x: w.x, y: w.y, z: 0 },
      toward: { x: d.x, y: d.y, z: 0 },
    };
  }
  // From the right: its front lies to the left on the paper.
  const from = corners['front-right'];
  return {
    name: `${piece.name}, right side`,
    across: footprint.value.depth,
    origin: { x: from.x, y: from.y, z },
    right: { x: -d.x, y: -d.y, z: 0 },
    toward: { x: w.x, y: w.y, z: 0 },
  };
}

/** A wall's or a piece's elevation with what is hidden left out; null for a thing that has no place. */
export const elevationOf = (project: Project, scene: Scene, what: ElevationOf): Elevation | null =>
  drain(elevationInSteps(project, scene, what));

/** The same in steps; yields what part of the work is done. */
export function* elevationInSteps(
  project: Project,
  scene: Scene,
  what: ElevationOf,
): Generator<number, Elevation | null> {
  const axes = axesFor(project, what);
  if (!axes) return null;
  const owner = what.of === 'wall' ? wallOf(project, what.wallId) : undefined;
  const before = what.of === 'wall' ? standingBefore(project, scene, what.wallId) : NOTHING_BEFORE;
  const shown = scene.bodies.filter((body) => {
    if (what.of === 'piece') return body.id === what.pieceId;
    if (body.kind === 'room') return body.id === owner?.space.id;
    if (body.kind === 'fitting')
      return project.openings.some((one) => one.id === body.id && one.wallId === what.wallId);
    if (body.kind === 'surface')
      return project.surfaces.some((one) => one.id === body.id && one.wallId === what.wallId && one.on === 'wall');
    return (before.get(body.id) ?? Infinity) < what.within;
  });
  const prepared = yield* inPart(
    sceneFromInSteps(
      new Map(
        shown.flatMap((body) => {
          const ready = scene.kept.prepared.get(body);
          return ready ? [[body, ready] as const] : [];
        }),
      ),
    ),
    0,
    0.3,
  );
  const { origin, right, toward } = axes;
  const view = yield* inPart(parallelViewInSteps(prepared, { origin, right, up, toward }), 0.3, 0.7);
  const kindOf = new Map<Id, Elevation['lines'][number]['kind']>([
    ...project.openings.map((one) => [one.id, 'opening'] as const),
    ...project.pieces.map((one) => [one.id, 'piece'] as const),
    ...project.surfaces.map((one) => [one.id, 'surface'] as const),
  ]);
  const lines: Elevation['lines'][number][] = [];
  const put = ({ id: of, role }: { readonly id: Id; readonly role: LineRole }, line: Drawn): void => {
    if (!line.curve && Math.hypot(line.x1 - line.x0, line.y1 - line.y0) < 0.01) return;
    const body = ownerOfLine(role);
    // The walls at both ends are seen edge-on: their openings are no part of this elevation.
    const opening = project.openings.find((one) => one.id === body);
    if (what.of === 'wall' && opening && opening.wallId !== what.wallId && opening.throughWallId !== what.wallId)
      return;
    const away = Math.max(0, before.get(body) ?? 0);
    lines.push({ ...line, of, role, body, kind: kindOf.get(body) ?? 'wall', away });
  };
  view.rows.forEach((of, i) => {
    if (view.seen[i] !== 1) return;
    const [x0, y0, x1, y1] = [0, 1, 2, 3].map((k) => at(view.flat, i * 4 + k)) as [number, number, number, number];
    put(of, { x0, y0, x1, y1 });
  });
  for (const { arc, seen, ...of } of view.curves) {
    if (!seen) continue;
    // Seen edge-on a circle is a straight line.
    if (ellipseArc(arc)) put(of, endsOf(arc));
    else for (const [x0, y0, x1, y1] of strokeRows(endsOf(arc), 0.01)) put(of, { x0, y0, x1, y1 });
  }
  const leftOut = what.of === 'wall' ? leftOutOf(project, scene, what.wallId, what.within) : [];
  return { name: axes.name, across: axes.across, axes: { origin, right, toward }, lines, leftOut };
}

/** Pieces of a wall's room that its elevation leaves out, as they stand farther before it, by name. */
export function leftOutOf(project: Project, scene: Scene, wallId: Id, within: Millimetres): readonly string[] {
  const before = standingBefore(project, scene, wallId);
  return project.pieces.filter((piece) => (before.get(piece.id) ?? 0) >= within).map((piece) => piece.name);
}

const NOTHING_BEFORE: ReadonlyMap<Id, number> = new Map();
/** What reaches farther than this behind a wall's face stands in another room, or in the wall, mm. */
const BEHIND_MM = 50;

/** How far before a wall each piece of its room begins, mm; nothing of what stands in other rooms. */
function standingBefore(project: Project, scene: Scene, wallId: Id): ReadonlyMap<Id, number> {
  const run = wallRunOf(project, wallId);
  const owner = wallOf(project, wallId);
  if (!run || !owner) return NOTHING_BEFORE;
  const walls = new Set(owner.space.walls.map((wall) => wall.id));
  const here = new Set(
    project.pieces.filter((piece) => piece.place.from.some((one) => walls.has(one.wallId))).map((piece) => piece.id),
  );
  const before = new Map<Id, number>();
  for (const body of scene.bodies) {
    if (body.kind !== 'piece' || !here.has(body.id)) continue;
    let away = Infinity;
    for (const { at: p } of body.vertices) away = Math.min(away, distanceFromWall(run, planPoint(p.x, p.y)));
    if (away > -BEHIND_MM) before.set(body.id, away);
  }
  return before;
}

const MARGIN_MM = 25;
/** What begins farther before the wall than this is drawn faint on an elevation's own sheet, mm. */
const FAINT_FROM_MM = 1000;

/** An elevation on a sheet of its own at 1:N, with its overall dimensions and a control line: what the SVG is written from. */
export function elevationDrawing(project: Project, elevation: Elevation, scaleDenominator: number): Drawing {
  const scale = 1 / scaleDenominator;
  const bounds = elevation.lines.map((line) =>
    line.curve
      ? conicBounds(line.curve)
      : {
          left: Math.min(line.x0, line.x1),
          right: Math.max(line.x0, line.x1),
          bottom: Math.min(line.y0, line.y1),
          top: Math.max(line.y0, line.y1),
        },
  );
  const xs = bounds.flatMap((one) => [one.left, one.right]);
  const ys = bounds.flatMap((one) => [one.bottom, one.top]);
  const [left, right, top] = [Math.min(0, ...xs), Math.max(elevation.across, ...xs), Math.max(0, ...ys)];
  const x = (mm: number): number => MARGIN_MM + (mm - left) * scale;
  const y = (mm: number): number => MARGIN_MM + mm * scale;
  const width = (right - left) * scale + 2 * MARGIN_MM;
  const height = top * scale + 2 * MARGIN_MM;
  const style = lengthStyleOf(project);
  const stroke = ({ x0, y0, x1, y1, of, role, body, curve, away }: Elevation['lines'][number]): Stroke =>
    placedStroke(
      {
        ...{
          x0,
          y0,
          x1,
          y1,
          of,
          weight: away < FAINT_FROM_MM ? 'firm' : 'faint',
          role: { is: 'line', line: role, body },
        },
        family: curve ? 'round' : Math.abs(x1 - x0) < tolerance.touchMm ? 'vertical' : 'level',
        ...(curve ? { curve } : {}),
      },
      { scale, x: x(0), y: y(0) },
    );
  const measure = (x0: number, y0: number, x1: number, y1: number): Stroke[] => [
    { x0, y0, x1, y1, family: 'measuring', weight: 'faint', role: { is: 'dimension' }, of: 'dimension' },
    ...[
      [x0, y0],
      [x1, y1],
    ].map(([px = 0, py = 0]): Stroke => ({
      x0: px - 1,
      y0: py - 1,
      x1: px + 1,
      y1: py + 1,
      family: 'measuring',
      weight: 'faint',
      role: { is: 'dimension' },
      of: 'dimension',
    })),
  ];
  const words: Word[] = [
    {
      x: x(elevation.across / 2),
      y: MARGIN_MM - 12,
      text: formatLength(elevation.across, style),
      heightMm: 3,
      anchor: 'middle',
    },
    { x: MARGIN_MM - 14, y: y(top / 2), text: formatLength(top, style), heightMm: 3, anchor: 'middle' },
    { x: MARGIN_MM, y: height - 8, text: `${elevation.name}, 1:${scaleDenominator}`, heightMm: 3.5, anchor: 'start' },
    ...(elevation.leftOut.length > 0
      ? [
          {
            ...({ x: MARGIN_MM, y: height - 14, heightMm: 2.5, anchor: 'start' } as const),
            text: `left out, standing farther before it: ${elevation.leftOut.join(', ')}`,
          },
        ]
      : []),
    { x: MARGIN_MM + 104, y: 4, text: '100 mm when printed true to size', heightMm: 2.5, anchor: 'start' },
  ];
  return {
    width,
    height,
    title: elevation.name,
    layers: [
      layerOf({ layer: 'elevation' }, 'Elevation', { strokes: elevation.lines.map(stroke) }),
      layerOf({ layer: 'dimensions' }, 'Dimensions', {
        strokes: [
          ...measure(x(0), MARGIN_MM - 8, x(elevation.across), MARGIN_MM - 8),
          ...measure(MARGIN_MM - 8, y(0), MARGIN_MM - 8, y(top)),
          { ...controlStroke(MARGIN_MM, 5, MARGIN_MM + CONTROL_LINE_MM, 5, 'across'), of: 'control-line' },
        ],
        words,
      }),
    ],
  };
}

/** Bodies never change: what is seen of one from above is worked out once. */
const plansKept = new WeakMap<Body, Float64Array>();
/** The same of models, as they were made ready. */
const modelPlans = new WeakMap<PreparedScene, Float64Array>();

/** A body of a scene seen from straight above, true to size: mm east and north. What is hidden from above is left out; a room has none. */
export function planLinesOf(scene: Scene, body: Body): Float64Array {
  let lines = plansKept.get(body);
  if (!lines) {
    const ready = body.kind === 'room' ? undefined : scene.kept.prepared.get(body);
    lines = planOfCopy(scene, body) ?? (ready ? seenFromAbove(ready) : new Float64Array());
    plansKept.set(body, lines);
  }
  return lines;
}

/** All copies of a model look alike from above: it is looked at once, and moved to where each stands. */
function planOfCopy(scene: Scene, body: Body): Float64Array | null {
  const copy = scene.kept.prepared.get(body)?.copy;
  if (!copy) return null;
  let lines = modelPlans.get(copy.ready);
  if (!lines) modelPlans.set(copy.ready, (lines = seenFromAbove(copy.ready)));
  const { x, y } = copy.moved;
  return lines.map((value, i) => value + (i % 2 === 0 ? x : y));
}

/** Works out the plans of all bodies, one after another, before they are asked for; yields what part of them is done. */
export function* planLinesInSteps(scene: Scene): Generator<number, void> {
  for (const [i, body] of scene.bodies.entries()) {
    if (body.kind !== 'surface') planLinesOf(scene, body);
    yield i / scene.bodies.length;
  }
}

function seenFromAbove(ready: PreparedScene): Float64Array {
  // Looked at alone: what belongs to a wall is there although its wall is not.
  const alone = { ...ready, faces: ready.faces.map((one) => ({ ...one, face: { ...one.face, belongsTo: [] } })) };
  const view = parallelView(alone, {
    origin: { x: 0, y: 0, z: 0 },
    right: { x: 1, y: 0, z: 0 },
    up: { x: 0, y: 1, z: 0 },
    toward: up,
  });
  return Float64Array.from(
    seenChains(view, 0.5).flatMap(({ row }) => (Math.hypot(row[2] - row[0], row[3] - row[1]) > 0.5 ? row : [])),
  );
}
