import { at } from '@/core/base';
import { convexOverlap, type Vector2, along2 } from '@/core/geometry';
import {
  claimOf,
  distanceFromWall,
  levelOf,
  mmOf,
  wallRuns,
  type Piece,
  type Space,
  several,
  type Change,
  type Size,
} from '@/core/record';
import { heightOver } from './height-over';
import { kindOf } from './kinds';
import { atOpenings, fixedInOpening } from './contradictions-at-openings';
import { throughWalls } from './through-walls';
import { volumesOf, type Volume } from './volumes';
import { LEAST_REACH_MM, type Contradiction, type Reading, type Remedy } from './contradiction';

const overlapHigh = (a: Volume, b: Volume): number => Math.min(a.high, b.high) - Math.max(a.low, b.low);

interface Standing {
  readonly piece: Piece;
  readonly volumes: readonly Volume[];
  readonly space: Space | undefined;
  readonly box: readonly [number, number, number, number, number, number];
  readonly throughWalls: readonly Contradiction[];
}

const standingKept = new WeakMap<Piece, { readonly by: readonly unknown[]; readonly standing: Standing }>();

/** What a piece takes up, and what it goes through: told once while neither it nor its room changes. */
export function standingOf(piece: Piece, reading: Reading): Standing {
  const { project } = reading;
  const by = [project.spaces, project.levels, project.openings, project.units, project.fractions, project.rulerStepMm];
  const known = standingKept.get(piece);
  if (known?.by.every((one, i) => one === by[i])) return known.standing;
  const volumes = volumesOf(project, piece, mmOf(levelOf(project, piece.levelId).elevation));
  const space = project.spaces.find((one) => one.walls.some((wall) => wall.id === piece.place.from[0].wallId));
  const points = volumes.flatMap((volume) => volume.outline);
  const extent = (of: (p: Vector2) => number): readonly [number, number] => {
    const values = points.map(of);
    return [Math.min(...values), Math.max(...values)];
  };
  const body = {
    piece,
    volumes,
    space,
    box: [
      ...extent((p) => p.x),
      ...extent((p) => p.y),
      Math.min(...volumes.map((v) => v.low)),
      Math.max(...volumes.map((v) => v.high)),
    ],
  } as const;
  const throughWalls = throughWall(body, reading);
  // What goes through a wall is told so, and not once more that it stands in its door.
  const atOnes = space && throughWalls.length === 0 ? atOpenings(piece, volumes, space, reading) : [];
  const standing = { ...body, throughWalls: [...throughWalls, ...atOnes] };
  standingKept.set(piece, { by, standing });
  return standing;
}

/** Pieces through walls and through each other, and pieces that float. */
export function reaching(reading: Reading): Contradiction[] {
  const standing = reading.project.pieces.map((piece) => standingOf(piece, reading));
  const list = standing.flatMap((one) => one.throughWalls);
  // Swept along x: only what reaches into each other's bounds is held against each other, in the order of the pieces.
  const order = [...standing.keys()].sort((i, j) => at(standing, i).box[0] - at(standing, j).box[0]);
  const pairs: (readonly [number, number])[] = [];
  order.forEach((i, place) => {
    const a = at(standing, i).box;
    for (let k = place + 1; k < order.length; k += 1) {
      const j = at(order, k);
      const b = at(standing, j).box;
      if (b[0] >= a[1]) break;
      if (a[2] >= b[3] || b[2] >= a[3] || a[4] >= b[5] || b[4] >= a[5] || a[0] >= b[1]) continue;
      pairs.push(i < j ? [i, j] : [j, i]);
    }
  });
  pairs.sort((a, b) => a[0] - b[0] || a[1] - b[1]);
  for (const [i, j] of pairs) {
    const found = throughPiece(at(standing, i), at(standing, j), reading);
    if (found) list.push(found);
  }
  return [...list, ...standing.flatMap((one) => floats(one, standing, reading))];
}

/** The top riser's board stands in the face of the floor above: a stair may reach in by its thickness. */
const reachSpared = (piece: Piece): number => (kindOf(piece.kind)?.group === 'stairs' ? 25 : LEAST_REACH_MM);

function throughWall(
  { piece, volumes, space }: Omit<Standing, 'throughWalls'>,
  { project, show }: Reading,
): Contradiction[] {
  if (!space) return [];
  const runs = wallRuns(space);
  const deepest = throughWalls(project, space, volumes);
  const spared = reachSpared(piece);
  const worst = [...deepest].filter(([, depth]) => depth > spared);
  if (worst.length === 0) return [];
  const names = worst
    .map(([id, depth]) => `${runs.find((run) => run.wall.id === id)?.wall.name ?? id} by ${show(depth)}`)
    .join(' and ');
  return [
    {
      kind: 'through-wall',
      about: piece.id,
      of: worst.flat(),
      message: `${piece.name} goes through ${names}. Check its offsets and sizes.`,
      remedies: [
        {
          label: `Move it into the room`,
          change: several(
            worst.flatMap(([id, depth]) => {
              const run = runs.find((one) => one.wall.id === id);
              return run
                ? [
                    {
                      kind: 'settle-piece',
                      pieceId: piece.id,
                      by: along2({ x: 0, y: 0 }, run.intoRoom, depth),
                    } as const,
                  ]
                : [];
            }),
          ),
        },
      ],
    },
  ];
}

function throughPiece(one: Standing, other: Standing, { show }: Reading): Contradiction | null {
  // Things stand on a rug, whose thickness nobody measures.
  if (one.piece.kind === 'rug' || other.piece.kind === 'rug') return null;
  const spared = Math.max(reachSpared(one.piece), reachSpared(other.piece));
  let worst: { depth: number; away: Vector2 } | null = null;
  for (const a of one.volumes) {
    for (const b of other.volumes) {
      if (a.grip || b.grip) continue;
      const high = overlapHigh(a, b);
      if (high <= LEAST_REACH_MM) continue;
      const plan = convexOverlap(a.outline, b.outline);
      if (!plan || plan.depth <= LEAST_REACH_MM) continue;
      if (!worst || Math.min(plan.depth, high) > worst.depth) worst = { depth: plan.depth, away: plan.away };
    }
  }
  if (!worst || worst.depth <= spared) return null;
  const { away } = worst;
  // Far enough that no two parts meet: by the whole overlap of the two along that direction.
  const span = (list: readonly Volume[]): readonly [number, number] => {
    const values = list.flatMap((v) => v.outline.map((p) => p.x * away.x + p.y * away.y));
    return [Math.min(...values), Math.max(...values)];
  };
  const clear = span(other.volumes)[1] - span(one.volumes)[0];
  return {
    kind: 'through-piece',
    about: one.piece.id,
    of: [other.piece.id, worst.depth],
    message: `${one.piece.name} and ${other.piece.name} stand in each other by ${show(worst.depth)}. Check their offsets and sizes.`,
    remedies: [
      {
        label: `Move ${one.piece.name} clear`,
        change: { kind: 'settle-piece', pieceId: one.piece.id, by: { x: away.x * clear, y: away.y * clear } },
      },
      {
        label: `Move ${other.piece.name} clear`,
        change: { kind: 'settle-piece', pieceId: other.piece.id, by: { x: -away.x * clear, y: -away.y * clear } },
      },
    ],
  };
}

/** A piece rests on the floor, on another, hangs on a wall or from the ceiling; else it floats. */
function floats(
  { piece, volumes, space }: Standing,
  all: readonly Standing[],
  { project, show }: Reading,
): Contradiction[] {
  const lift = mmOf(piece.lift);
  if (lift <= LEAST_REACH_MM || !space || volumes.length === 0) return [];
  const low = Math.min(...volumes.map((v) => v.low));
  const high = Math.max(...volumes.map((v) => v.high));
  const floor = mmOf(levelOf(project, piece.levelId).elevation);
  const slack = Math.max(2, Math.min(30, claimOf(piece.lift).uncertaintyMm));
  const carrier = all.some(
    (other) =>
      other.piece.id !== piece.id &&
      other.volumes.some(
        (v) =>
          Math.abs(v.high - low) <= slack &&
          volumes.some((own) => own.low - low < 1 && convexOverlap(own.outline, v.outline) !== null),
      ),
  );
  if (carrier) return [];
  const runs = wallRuns(space);
  const touching = runs.some((run) =>
    volumes.some((v) => v.outline.some((p) => Math.abs(distanceFromWall(run, p)) <= 15)),
  );
  const inNiche = project.openings.some((one) => {
    const run = runs.find((r) => r.wall.id === one.wallId);
    return (
      run !== undefined &&
      Math.abs(floor + mmOf(one.sill) - low) <= slack &&
      volumes.some((v) => v.outline.some((p) => distanceFromWall(run, p) < 1))
    );
  });
  const kind = kindOf(piece.kind);
  const over = volumes[0]?.outline[0];
  const ceiling = floor + (over ? heightOver(space, over) : mmOf(space.ceilingHeight));
  const hangs = kind?.group === 'lights' && (kind.lift ?? 0) > 0;
  if (touching || inNiche || high >= ceiling - slack || fixedInOpening(volumes, project)) return [];
  const below = all
    .filter((other) => other.piece.id !== piece.id)
    .flatMap((other) => other.volumes.map((v) => ({ other, v })))
    .filter(({ v }) => v.high <= low + slack && volumes.some((own) => convexOverlap(own.outline, v.outline) !== null))
    .sort((a, b) => b.v.high - a.v.high)[0];
  const remedies: Remedy[] = [];
  const settled = (size: Size, mm: number): Change => ({ kind: 'settle-size', sizeId: size.id, mm });
  if (hangs)
    remedies.push({
      label: 'Hang it from the ceiling',
      change: settled(piece.height, ceiling - low),
    });
  else if (!below)
    remedies.push({
      label: 'Set it on the floor',
      change: settled(piece.lift, 0),
    });
  if (below)
    remedies.push({
      label: `Set it on ${below.other.piece.name}`,
      change: settled(piece.lift, below.v.high - floor),
    });
  if (kind?.group === 'on the wall' || kind?.id === 'wall-unit') {
    const nearest = runs
      .map((run) => ({
        run,
        gap: Math.min(...volumes.flatMap((v) => v.outline.map((p) => distanceFromWall(run, p)))),
      }))
      .sort((a, b) => a.gap - b.gap)[0];
    if (nearest)
      remedies.push({
        label: `Push it to ${nearest.run.wall.name}`,
        change: {
          kind: 'settle-piece',
          pieceId: piece.id,
          by: { x: -nearest.run.intoRoom.x * nearest.gap, y: -nearest.run.intoRoom.y * nearest.gap },
        },
      });
  }
  return [
    {
      kind: 'floats',
      about: piece.id,
      of: [low - floor],
      message: `${piece.name} floats ${show(low - floor)} above the floor: it rests on nothing, and touches neither wall nor ceiling.`,
      remedies,
    },
  ];
}
