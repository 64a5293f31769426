import { clamp } from '@/core/numeric';
import { along2 } from '@/core/geometry';
import { mmOf, wallRuns, type Opening, type Space, type WallRun } from '@/core/record';
import { planPoint, worldFromPlan, type WorldPoint } from '@/core/space';
import { BodyBuilder } from './body-builder';
import type { Body } from './body';

interface CutOpening {
  readonly opening: Opening;
  readonly left: number;
  readonly right: number;
  readonly sill: number;
  readonly head: number;
  readonly reveal: number;
}

/** An opening's extent on its wall, kept inside the wall: what reaches beyond is a finding of the record, not a hole in the air. */
function cut(opening: Opening, run: WallRun, ceiling: number): CutOpening | null {
  const near = mmOf(opening.offset);
  const width = mmOf(opening.width);
  const from = opening.fromCorner === run.endCorner ? run.lengthMm - near - width : near;
  const left = clamp(from, 0, run.lengthMm);
  const right = clamp(from + width, 0, run.lengthMm);
  const sill = clamp(mmOf(opening.sill), 0, ceiling);
  const head = clamp(mmOf(opening.sill) + mmOf(opening.height), 0, ceiling);
  if (right - left < 1e-3 || head - sill < 1e-3) return null;
  return { opening, left, right, sill, head, reveal: Math.max(0, mmOf(opening.reveal)) };
}

/**
 * A room as one-sided surfaces facing inward: floor, ceiling, walls with their openings, reveals, shut door leaves.
 * Edges are named `corner/…`, `wall/…` and `opening/…` after the record's permanent ids.
 */
export function roomBody(space: Space, openings: readonly Opening[], floorZ: number): Body {
  const builder = new BodyBuilder();
  const ceilingHeight = mmOf(space.ceilingHeight);
  const runs = wallRuns(space);
  const floorId = `${space.id}/floor`;
  const ceilingId = `${space.id}/ceiling`;
  for (const run of runs) {
    builder.vertex(`${run.startCorner}/floor`, worldFromPlan(run.start, floorZ));
    builder.vertex(`${run.startCorner}/ceiling`, worldFromPlan(run.start, floorZ + ceilingHeight));
  }
  builder.face({
    id: floorId,
    loops: [runs.map((run) => `${run.startCorner}/floor`)],
    normalToward: { x: 0, y: 0, z: 1 },
    seen: 'room-side',
  });
  builder.face({
    id: ceilingId,
    loops: [runs.map((run) => `${run.startCorner}/ceiling`)],
    normalToward: { x: 0, y: 0, z: -1 },
    seen: 'room-side',
  });
  runs.forEach((run, index) => {
    const wallId = run.wall.id;
    const before = runs[(index + runs.length - 1) % runs.length]?.wall.id ?? wallId;
    const cuts = openings
      .filter((opening) => opening.wallId === wallId)
      .flatMap((opening) => cut(opening, run, ceilingHeight) ?? []);
    for (const one of cuts) openingParts(builder, run, one, floorZ);
    const inward = { x: run.intoRoom.x, y: run.intoRoom.y, z: 0 };
    const outer = [
      `${run.startCorner}/floor`,
      `${run.endCorner}/floor`,
      `${run.endCorner}/ceiling`,
      `${run.startCorner}/ceiling`,
    ];
    const holes = cuts.map(({ opening }) =>
      ['left-sill', 'right-sill', 'right-head', 'left-head'].map((corner) => `${opening.id}/face/${corner}`),
    );
    builder.face({ id: wallId, loops: [outer, ...holes], normalToward: inward, seen: 'room-side' });
    builder.edge(`${wallId}/floor`, `${run.startCorner}/floor`, `${run.endCorner}/floor`, [wallId, floorId]);
    builder.edge(`${wallId}/ceiling`, `${run.startCorner}/ceiling`, `${run.endCorner}/ceiling`, [wallId, ceilingId]);
    builder.edge(`${run.startCorner}/vertical`, `${run.startCorner}/floor`, `${run.startCorner}/ceiling`, [
      wallId,
      before,
    ]);
  });
  return builder.build(space.id, 'room', space.name);
}

/** The four sides of an opening, each from one corner to the next, with the direction its reveal face looks: into the opening. */
const OPENING_SIDES = [
  { side: 'sill', from: 'left-sill', to: 'right-sill' },
  { side: 'right', from: 'right-sill', to: 'right-head' },
  { side: 'head', from: 'right-head', to: 'left-head' },
  { side: 'left', from: 'left-head', to: 'left-sill' },
] as const;

function openingParts(builder: BodyBuilder, run: WallRun, one: CutOpening, floorZ: number): void {
  const { opening, reveal } = one;
  const wallId = run.wall.id;
  const point = (along: number, height: number, behind: number): WorldPoint => {
    const onWall = along2(run.start, run.run, along);
    const moved = along2(onWall, run.intoRoom, -behind);
    return worldFromPlan(planPoint(moved.x, moved.y), floorZ + height);
  };
  const place = {
    'left-sill': [one.left, one.sill],
    'right-sill': [one.right, one.sill],
    'right-head': [one.right, one.head],
    'left-head': [one.left, one.head],
  } as const;
  const layers = reveal > 0 ? (['face', 'back'] as const) : (['face'] as const);
  for (const layer of layers) {
    for (const [corner, [along, height]] of Object.entries(place)) {
      builder.vertex(`${opening.id}/${layer}/${corner}`, point(along, height, layer === 'back' ? reveal : 0));
    }
  }
  const { run: right, intoRoom } = run;
  const into = {
    sill: { x: 0, y: 0, z: 1 },
    head: { x: 0, y: 0, z: -1 },
    left: { x: right.x, y: right.y, z: 0 },
    right: { x: -right.x, y: -right.y, z: 0 },
  };
  const leafLayer = reveal > 0 ? 'back' : 'face';
  const leafId = `${opening.id}/leaf`;
  const hasLeaf = opening.kind === 'door';
  if (hasLeaf) {
    const loop = OPENING_SIDES.map(({ from }) => `${opening.id}/${leafLayer}/${from}`);
    builder.face({
      id: leafId,
      loops: [loop],
      normalToward: { x: intoRoom.x, y: intoRoom.y, z: 0 },
      seen: 'room-side',
      belongsTo: wallId,
    });
  }
  for (const { side, from, to } of OPENING_SIDES) {
    const revealId = `${opening.id}/reveal-${side}`;
    const inFace = (layer: string, corner: string): string => `${opening.id}/${layer}/${corner}`;
    if (reveal > 0) {
      const loop = [inFace('face', from), inFace('face', to), inFace('back', to), inFace('back', from)];
      builder.face({ id: revealId, loops: [loop], normalToward: into[side], seen: 'room-side', belongsTo: wallId });
      builder.edge(
        `${opening.id}/back/${side}`,
        inFace('back', from),
        inFace('back', to),
        hasLeaf ? [revealId, leafId] : [revealId],
      );
      const previous = OPENING_SIDES.find((other) => other.to === from)?.side ?? side;
      builder.edge(`${opening.id}/reveal/${from}`, inFace('face', from), inFace('back', from), [
        revealId,
        `${opening.id}/reveal-${previous}`,
      ]);
    }
    builder.edge(`${opening.id}/face/${side}`, inFace('face', from), inFace('face', to), [wallId]);
  }
}
