import { at } from '@/core/base';
import { along2, dot2, type Vector2, type Vector3 } from '@/core/geometry';
import { mmOf, wallRuns, type Id, type Moulding, type Space, type WallRun } from '@/core/record';
import { planPoint, worldFromPlan, type WorldPoint } from '@/core/space';
import { BodyBuilder, type LoopCorner } from './body-builder';
import type { Body } from './body';
import { ceilingShape, wallTop, type CeilingRegion, type TopPoint, type Vault } from './ceiling';
import type { Cut } from './cut';

/** A named corner, or the one already standing at its place: a corner has one name however many faces meet there. */
class Corners {
  private readonly byPlace = new Map<string, Id>();
  constructor(private readonly builder: BodyBuilder) {}
  at(point: WorldPoint, name: Id): Id {
    const key = [point.x, point.y, point.z].map((c) => Math.round(c * 1e4)).join(' ');
    const known = this.byPlace.get(key);
    if (known !== undefined) return known;
    this.byPlace.set(key, name);
    this.builder.vertex(name, point);
    return name;
  }
}

const down = { x: 0, y: 0, z: -1 } as const;
const up = { x: 0, y: 0, z: 1 } as const;
const level = ({ x, y }: Vector2): Vector3 => ({ x, y, z: 0 });
const opposite = ({ x, y, z }: Vector3): Vector3 => ({ x: -x, y: -y, z: -z });

/**
 * A room as one-sided surfaces facing inward: floor, ceiling, walls with their openings, reveals, niches' backs, shut door leaves,
 * mouldings. Edges are named `corner/…`, `wall/…` and `opening/…` after the record's permanent ids.
 */
export function roomBody(space: Space, cutsOf: (run: WallRun, top: number) => readonly Cut[], floorZ: number): Body {
  const builder = new BodyBuilder();
  const corners = new Corners(builder);
  const runs = wallRuns(space);
  const floorId = `${space.id}/floor`;
  const shape = ceilingShape(space);
  for (const run of runs) corners.at(worldFromPlan(run.start, floorZ), `${run.startCorner}/floor`);
  builder.face({
    id: floorId,
    loops: [runs.map((run) => `${run.startCorner}/floor`)],
    normalToward: up,
    seen: 'room-side',
  });
  const tops = runs.map((run): readonly TopPoint[] =>
    shape.kind === 'regions' ? wallTop(run, shape.regions) : vaultTop(run, shape.vault),
  );
  const onWall = (run: WallRun, along: number, height: number): WorldPoint => {
    const p = along2(run.start, run.run, along);
    return worldFromPlan(planPoint(p.x, p.y), floorZ + height);
  };
  // The corners' own names come first, so that what else meets there takes them.
  runs.forEach((run, i) => {
    const first = at(tops, i)[0];
    if (first) corners.at(onWall(run, first.along, first.height), `${run.startCorner}/ceiling`);
  });
  const regionId = (region: number): Id => (region === 0 ? `${space.id}/ceiling` : `${space.id}/ceiling-${region + 1}`);
  if (shape.kind === 'regions') ceilingRegions(builder, corners, space, shape.regions, floorZ, regionId);
  const topIds = runs.map((run, i) =>
    at(tops, i).map((point, k) => corners.at(onWall(run, point.along, point.height), `${run.wall.id}/top-${k + 1}`)),
  );
  runs.forEach((run, index) => {
    const wallId = run.wall.id;
    const before = at(runs, (index + runs.length - 1) % runs.length);
    const top = at(tops, index);
    const ids = at(topIds, index);
    const lowest = Math.min(...top.map((point) => point.height));
    const cuts = cutsOf(run, lowest);
    const inward = level(run.intoRoom);
    const vault = shape.kind === 'vault' && top.length === 2 && at(top, 0).region === VAULT_END ? shape.vault : null;
    const archId = `${wallId}/ceiling`;
    if (vault) vaultArc(builder, run, vault, floorZ, archId, [wallId, `${space.id}/ceiling`]);
    const upper: LoopCorner[] = ids.map((corner) => ({ corner })).reverse();
    const first = upper[0];
    if (vault && first) upper[0] = { ...first, arc: archId };
    for (const cut of cuts) openingParts(builder, corners, run, cut, floorZ);
    builder.face({
      id: wallId,
      loops: [[`${run.startCorner}/floor`, `${run.endCorner}/floor`, ...upper], ...cuts.map((cut) => holeLoop(cut))],
      normalToward: inward,
      seen: 'room-side',
    });
    builder.edge(`${wallId}/floor`, `${run.startCorner}/floor`, `${run.endCorner}/floor`, [wallId, floorId]);
    if (!vault)
      ids.slice(1).forEach((to, k) => {
        const { region } = at(top, k);
        const name = ids.length === 2 ? `${wallId}/ceiling` : `${wallId}/ceiling-${k + 1}`;
        builder.edge(name, at(ids, k), to, region === null ? [wallId] : [wallId, regionId(Math.max(0, region))]);
      });
    const lastTop = at(tops, (index + runs.length - 1) % runs.length).at(-1);
    const own = ids[0];
    if (own !== undefined) {
      builder.edge(`${run.startCorner}/vertical`, `${run.startCorner}/floor`, own, [wallId, before.wall.id]);
      // Where the ceiling steps exactly at the corner the higher part's upright goes on.
      const other = at(topIds, (index + runs.length - 1) % runs.length).at(-1);
      if (other !== undefined && lastTop && other !== own && lastTop.height > at(top, 0).height)
        builder.edge(`${run.startCorner}/vertical-upper`, own, other, [before.wall.id]);
    }
    for (const [what, moulding] of [
      ['skirting', space.skirting],
      ['cornice', space.cornice],
    ] as const) {
      if (!moulding) continue;
      const at0 = what === 'skirting' ? 0 : mmOf(space.ceilingHeight) - mmOf(moulding.height);
      mouldingParts(builder, runs, index, cuts, moulding, what, floorZ + at0, at0);
    }
  });
  if (shape.kind === 'vault') vaultFace(builder, shape.vault, space, floorZ);
  return builder.build(space.id, 'room', space.name);
}

/** Marks the stretch of a wall's top that is the end of a vault. */
const VAULT_END = -1;

function vaultTop(run: WallRun, vault: Vault): readonly TopPoint[] {
  const end = Math.abs(dot2(run.run, vault.along.run)) < 0.5;
  return [
    { along: 0, height: vault.springing, region: end ? VAULT_END : 0 },
    { along: run.lengthMm, height: vault.springing, region: null },
  ];
}

/** Radius of an arc from its span and rise: (s²/4 + h²)/2h; half its angle: 2·atan(2h/s). */
const arcRadius = (span: number, rise: number): number => (span * span) / (8 * rise) + rise / 2;

function vaultArc(
  builder: BodyBuilder,
  run: WallRun,
  vault: Vault,
  floorZ: number,
  id: Id,
  faces: readonly Id[],
): void {
  const radius = arcRadius(vault.span, vault.rise);
  const middle = along2(run.start, run.run, run.lengthMm / 2);
  const half = 2 * Math.atan((2 * vault.rise) / vault.span);
  builder.arc({
    id,
    circle: {
      centre: worldFromPlan(planPoint(middle.x, middle.y), floorZ + vault.springing + vault.rise - radius),
      first: level(run.run),
      second: up,
      radius,
    },
    from: Math.PI / 2 - half,
    to: Math.PI / 2 + half,
    faces,
  });
}

function vaultFace(builder: BodyBuilder, vault: Vault, space: Space, floorZ: number): void {
  const { along, span, springing, rise } = vault;
  const radius = arcRadius(span, rise);
  const half = 2 * Math.atan((2 * rise) / span);
  const foot = along2(along.start, along.intoRoom, span / 2);
  const end = (a: number) => ({ along: a, radius });
  builder.round({
    id: `${space.id}/ceiling`,
    surface: 'cylinder',
    centre: worldFromPlan(planPoint(foot.x, foot.y), floorZ + springing + rise - radius),
    axis: level(along.run),
    first: level(along.intoRoom),
    second: up,
    from: end(0),
    to: end(along.lengthMm),
    radius,
    sector: [Math.PI / 2 - half, Math.PI / 2 + half],
    looks: 'inward',
    seen: 'room-side',
  });
}

/** Flat parts of the ceiling, with the uprights where two heights meet and the creases where two slopes do. */
function ceilingRegions(
  builder: BodyBuilder,
  corners: Corners,
  space: Space,
  regions: readonly CeilingRegion[],
  floorZ: number,
  regionId: (region: number) => Id,
): void {
  const point = (p: Vector2, height: number): WorldPoint => worldFromPlan(planPoint(p.x, p.y), floorZ + height);
  regions.forEach(({ outline, height }, r) => {
    builder.face({
      id: regionId(r),
      loops: [outline.map((p, k) => corners.at(point(p, height(p)), `${regionId(r)}/corner-${k + 1}`))],
      normalToward: down,
      seen: 'room-side',
    });
  });
  let meeting = 0;
  regions.forEach((one, r) => {
    regions.slice(r + 1).forEach((other, o) => {
      for (const [p, q] of sharedStretches(one.outline, other.outline)) {
        meeting += 1;
        const name = `${space.id}/ceiling-joint-${meeting}`;
        const heights = [one.height(p), one.height(q), other.height(p), other.height(q)] as const;
        const ids = [regionId(r), regionId(r + 1 + o)] as const;
        const [a, b] = [corners.at(point(p, heights[0]), `${name}/1`), corners.at(point(q, heights[1]), `${name}/2`)];
        if (Math.abs(heights[0] - heights[2]) < 1e-4 && Math.abs(heights[1] - heights[3]) < 1e-4) {
          builder.edge(`${name}/ridge`, a, b, ids);
          continue;
        }
        const [c, d] = [corners.at(point(p, heights[2]), `${name}/3`), corners.at(point(q, heights[3]), `${name}/4`)];
        // Clockwise outlines have their inside to the right of each side. The upright looks to where the ceiling is higher.
        const toRight = { x: q.y - p.y, y: p.x - q.x, z: 0 };
        builder.face({
          id: `${name}/upright`,
          loops: [[a, b, d, c]],
          normalToward: heights[0] > heights[2] ? toRight : opposite(toRight),
          seen: 'room-side',
        });
        builder.edge(`${name}/edge-1`, a, b, [ids[0], `${name}/upright`]);
        builder.edge(`${name}/edge-2`, c, d, [ids[1], `${name}/upright`]);
      }
    });
  });
}

/** Stretches where sides of two outlines lie on each other, in opposite senses, in the first one's sense. */
function sharedStretches(one: readonly Vector2[], other: readonly Vector2[]): readonly (readonly [Vector2, Vector2])[] {
  const stretches: [Vector2, Vector2][] = [];
  one.forEach((a, i) => {
    const b = at(one, (i + 1) % one.length);
    const length = Math.hypot(b.x - a.x, b.y - a.y);
    const run = { x: (b.x - a.x) / length, y: (b.y - a.y) / length };
    const off = (p: Vector2): number => Math.abs((p.x - a.x) * run.y - (p.y - a.y) * run.x);
    const along = (p: Vector2): number => (p.x - a.x) * run.x + (p.y - a.y) * run.y;
    other.forEach((c, k) => {
      const d = at(other, (k + 1) % other.length);
      if (off(c) > 1e-4 || off(d) > 1e-4 || along(c) < along(d)) return;
      const [from, to] = [Math.max(0, along(d)), Math.min(length, along(c))];
      if (to - from > 1e-3) stretches.push([along2(a, run, from), along2(a, run, to)]);
    });
  });
  return stretches;
}

const CUT_CORNERS = ['left-sill', 'right-sill', 'right-head', 'left-head'] as const;
type CutCorner = (typeof CUT_CORNERS)[number];
/** The four sides of an opening, each from one corner to the next. */
const CUT_SIDES = [
  { side: 'sill', from: 'left-sill', to: 'right-sill' },
  { side: 'right', from: 'right-sill', to: 'right-head' },
  { side: 'head', from: 'right-head', to: 'left-head' },
  { side: 'left', from: 'left-head', to: 'left-sill' },
] as const;

const layerOf = (cut: Cut, layer: 'face' | 'back'): string => (cut.far ? 'far' : layer);
const cutCorner = (cut: Cut, layer: 'face' | 'back', corner: CutCorner): Id =>
  `${cut.opening.id}/${layerOf(cut, layer)}/${corner}`;
const headArc = (cut: Cut, layer: 'face' | 'back'): Id => `${cut.opening.id}/${layerOf(cut, layer)}/head`;

function cutLoop(cut: Cut, layer: 'face' | 'back'): LoopCorner[] {
  return CUT_CORNERS.map((corner) => ({
    corner: cutCorner(cut, layer, corner),
    ...(corner === 'right-head' && cut.rise > 0 ? { arc: headArc(cut, layer) } : {}),
  }));
}
const holeLoop = (cut: Cut): LoopCorner[] => cutLoop(cut, 'face');

/** A leaf that is shut and leads nowhere else is drawn as the opening's back; an open one, or one between two rooms, is a thing of its own. */
const hasFlatLeaf = ({ opening }: Cut): boolean =>
  opening.kind === 'door' && opening.throughWallId === null && (opening.counts['open by'] ?? 0) === 0;

function openingParts(builder: BodyBuilder, corners: Corners, run: WallRun, cut: Cut, floorZ: number): void {
  const { opening, reveal, rise } = cut;
  const wallId = run.wall.id;
  const deep = reveal > 0 && !cut.far;
  const layers = deep ? (['face', 'back'] as const) : (['face'] as const);
  const point = (along: number, height: number, behind: number): WorldPoint => {
    const p = along2(along2(run.start, run.run, along), run.intoRoom, -behind);
    return worldFromPlan(planPoint(p.x, p.y), floorZ + height);
  };
  const place: Readonly<Record<CutCorner, readonly [number, number]>> = {
    'left-sill': [cut.left, cut.sill],
    'right-sill': [cut.right, cut.sill],
    'right-head': [cut.right, cut.spring],
    'left-head': [cut.left, cut.spring],
  };
  const belongsTo = opening.throughWallId === null ? [wallId] : [wallId, opening.throughWallId];
  const width = cut.right - cut.left;
  const radius = rise > 0 ? arcRadius(width, rise) : 0;
  const half = rise > 0 ? 2 * Math.atan((2 * rise) / width) : 0;
  const sector = [Math.PI / 2 - half, Math.PI / 2 + half] as const;
  const revealId = (side: string): Id => `${opening.id}/reveal-${side}`;
  const leafId = `${opening.id}/leaf`;
  const backed = !cut.far && (hasFlatLeaf(cut) || opening.kind === 'niche');
  const facesAt = (layer: 'face' | 'back', side: string): Id[] => {
    if (layer === 'face' && deep) return [wallId];
    const list = deep ? [revealId(side)] : [wallId];
    return backed && (layer === 'back' || !deep) ? [...list, leafId] : list;
  };
  for (const layer of layers) {
    for (const corner of CUT_CORNERS) {
      const [along, height] = place[corner];
      // An opening's corners keep their own names even where one lies on a corner of the room.
      const id = cutCorner(cut, layer, corner);
      if (!builder.has(id)) builder.vertex(id, point(along, height, layer === 'back' ? reveal : 0));
    }
    if (rise > 0)
      builder.arc({
        id: headArc(cut, layer),
        circle: {
          centre: point((cut.left + cut.right) / 2, cut.spring + rise - radius, layer === 'back' ? reveal : 0),
          first: level(run.run),
          second: up,
          radius,
        },
        from: sector[0],
        to: sector[1],
        faces: facesAt(layer, 'head'),
      });
    for (const { side, from, to } of CUT_SIDES)
      if (side !== 'head' || rise === 0)
        builder.edge(
          `${opening.id}/${layerOf(cut, layer)}/${side}`,
          cutCorner(cut, layer, from),
          cutCorner(cut, layer, to),
          facesAt(layer, side),
        );
  }
  if (backed)
    builder.face({
      id: leafId,
      loops: [cutLoop(cut, deep ? 'back' : 'face')],
      normalToward: level(run.intoRoom),
      seen: 'room-side',
      belongsTo: [wallId],
    });
  if (!deep) return;
  const into = { sill: up, head: down, left: level(run.run), right: opposite(level(run.run)) };
  for (const { side, from, to } of CUT_SIDES) {
    const previous = CUT_SIDES.find((other) => other.to === from)?.side ?? side;
    const smooth = rise > 0 && Math.abs(half - Math.PI / 2) < 1e-6 && (side === 'head' || side === 'left');
    if (!smooth)
      builder.edge(`${opening.id}/reveal/${from}`, cutCorner(cut, 'face', from), cutCorner(cut, 'back', from), [
        revealId(side),
        revealId(previous),
      ]);
    if (side === 'head' && rise > 0) {
      builder.round({
        id: revealId('head'),
        surface: 'cylinder',
        centre: point((cut.left + cut.right) / 2, cut.spring + rise - radius, 0),
        axis: opposite(level(run.intoRoom)),
        first: level(run.run),
        second: up,
        from: { along: 0, radius },
        to: { along: reveal, radius },
        radius,
        sector,
        looks: 'inward',
        seen: 'room-side',
        belongsTo,
      });
      continue;
    }
    builder.face({
      id: revealId(side),
      loops: [
        [
          cutCorner(cut, 'face', from),
          cutCorner(cut, 'face', to),
          cutCorner(cut, 'back', to),
          cutCorner(cut, 'back', from),
        ],
      ],
      normalToward: into[side],
      seen: 'room-side',
      belongsTo,
    });
  }
}

/** Stretches of a wall that are free of openings between two heights. */
function freeStretches(
  run: WallRun,
  cuts: readonly Cut[],
  low: number,
  high: number,
): readonly (readonly [number, number])[] {
  const taken = cuts
    .filter((cut) => cut.sill < high && cut.spring + cut.rise > low)
    .map((cut) => [cut.left, cut.right] as const)
    .sort((a, b) => a[0] - b[0]);
  const free: [number, number][] = [];
  let from = 0;
  for (const [left, right] of taken) {
    if (left - from > 1) free.push([from, left]);
    from = Math.max(from, right);
  }
  if (run.lengthMm - from > 1) free.push([from, run.lengthMm]);
  return free;
}

/** A moulding along one wall: face, upper or lower side, mitred where walls meet, square where an opening breaks it. */
function mouldingParts(
  builder: BodyBuilder,
  runs: readonly WallRun[],
  index: number,
  cuts: readonly Cut[],
  moulding: Moulding,
  what: 'skirting' | 'cornice',
  z: number,
  above: number,
): void {
  const run = at(runs, index);
  const [height, thick] = [mmOf(moulding.height), mmOf(moulding.thickness)];
  const before = at(runs, (index + runs.length - 1) % runs.length);
  const after = at(runs, (index + 1) % runs.length);
  // Shift of the mitre along the wall: t·(n₁ + n₂)/(1 + n₁·n₂), taken along this wall's run.
  const mitre = (other: WallRun): number =>
    (thick * dot2({ x: run.intoRoom.x + other.intoRoom.x, y: run.intoRoom.y + other.intoRoom.y }, run.run)) /
    Math.max(0.05, 1 + dot2(run.intoRoom, other.intoRoom));
  const [low, high] = [z, z + height];
  const wallId = run.wall.id;
  freeStretches(run, cuts, above, above + height).forEach(([from, to], i) => {
    const name = (part: string): Id => `${wallId}/${what}-${i + 1}/${part}`;
    const ends = [
      { key: 'left', along: from, front: from === 0 ? mitre(before) : from, open: from > 0 },
      {
        key: 'right',
        along: to,
        front: to === run.lengthMm ? run.lengthMm + mitre(after) : to,
        open: to < run.lengthMm,
      },
    ] as const;
    const put = (part: string, along: number, behind: number, height: number): Id => {
      const p = along2(along2(run.start, run.run, along), run.intoRoom, behind);
      builder.vertex(name(part), worldFromPlan(planPoint(p.x, p.y), height));
      return name(part);
    };
    const corner = ends.map((end) => ({
      end,
      wallLow: put(`${end.key}-wall-low`, end.along, 0, low),
      wallHigh: put(`${end.key}-wall-high`, end.along, 0, high),
      low: put(`${end.key}-low`, end.front, thick, low),
      high: put(`${end.key}-high`, end.front, thick, high),
    }));
    const [a, b] = [at(corner, 0), at(corner, 1)];
    const common = { seen: 'room-side', belongsTo: [wallId] } as const;
    const [face, level2] = [name('face'), name('level')];
    builder.face({ id: face, loops: [[a.low, b.low, b.high, a.high]], normalToward: level(run.intoRoom), ...common });
    const skirting = what === 'skirting';
    builder.face({
      id: level2,
      loops: [skirting ? [a.high, b.high, b.wallHigh, a.wallHigh] : [a.low, b.low, b.wallLow, a.wallLow]],
      normalToward: skirting ? up : down,
      ...common,
    });
    builder.edge(name('low'), a.low, b.low, skirting ? [face] : [face, level2]);
    builder.edge(name('high'), a.high, b.high, skirting ? [face, level2] : [face]);
    builder.edge(name('at-wall'), skirting ? a.wallHigh : a.wallLow, skirting ? b.wallHigh : b.wallLow, [
      level2,
      wallId,
    ]);
    for (const c of corner) {
      builder.edge(name(`${c.end.key}-upright`), c.low, c.high, [face]);
      builder.edge(name(`${c.end.key}-mitre`), skirting ? c.wallHigh : c.wallLow, skirting ? c.high : c.low, [level2]);
      if (!c.end.open) continue;
      const end = name(`${c.end.key}-end`);
      builder.face({
        id: end,
        loops: [[c.wallLow, c.low, c.high, c.wallHigh]],
        normalToward: c.end.key === 'left' ? opposite(level(run.run)) : level(run.run),
        ...common,
      });
      builder.edge(name(`${c.end.key}-end-wall`), c.wallLow, c.wallHigh, [end]);
    }
  });
}
