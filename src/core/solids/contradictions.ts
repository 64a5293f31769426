import { at, ok } from '@/core/base';
import { convexOverlap, dot2, insideLoops, type Vector2 } from '@/core/geometry';
import {
  allSizes,
  changeOpening,
  changePiece,
  changeSpace,
  claimOf,
  closeIntoLastWall,
  correctSize,
  disagreeingClaims,
  distanceFromWall,
  findingsOf,
  footprintOf,
  lengthStyleOf,
  levelOf,
  mmOf,
  settledSize,
  movePieceBy,
  outlineOf,
  putInForce,
  setDivision,
  shareClosingError,
  SOURCE_WORDS,
  wallOf,
  wallRunOf,
  wallRuns,
  withdrawClaim,
  type Edit,
  type Finding,
  type Id,
  type Opening,
  type Piece,
  type Project,
  type Size,
  type Space,
} from '@/core/record';
import { formatBareLength, formatLength } from '@/core/units';
import { ceilingFault, ceilingShape, wallTop } from './ceiling';
import { leftOf, riseOf } from './cut';
import { divisionParts, refusalOf, valuesOf } from './kind';
import { heightOver } from './height-over';
import { kindOf } from './kinds';
import { newPiece } from './new-piece';
import { volumesOf, type Volume } from './volumes';

/** One way out of a contradiction: what it does in words, and the edit that does it. */
export interface Remedy {
  readonly label: string;
  readonly edit: (project: Project) => Edit;
}

export interface Contradiction extends Omit<Finding, 'kind'> {
  readonly kind:
    | Finding['kind']
    | 'ceiling'
    | 'kind-refused'
    | 'through-wall'
    | 'through-piece'
    | 'divisions'
    | 'offsets-disagree'
    | 'stair-short'
    | 'floats';
  readonly remedies: readonly Remedy[];
}

interface Reading {
  readonly project: Project;
  readonly show: (mm: number) => string;
  readonly print: (mm: number) => string;
}

/** Reaching into something by less than this is the thickness of paint and of a tape's reading, mm. */
const LEAST_REACH_MM = 1;

/** All that cannot be as it is said, each with its ways out, in a stable order. */
export function contradictionsOf(project: Project): readonly Contradiction[] {
  const style = lengthStyleOf(project);
  const reading: Reading = {
    project,
    show: (mm) => formatLength(mm, style),
    print: (mm) => formatBareLength(mm, style),
  };
  const list: Contradiction[] = [];
  for (const finding of findingsOf(project)) {
    if (finding.kind === 'claims-disagree') continue;
    list.push({ ...finding, remedies: remediesFor(finding, reading) });
  }
  list.push(
    ...claims(reading),
    ...project.spaces.flatMap((space) => [...ceilings(space), ...underSlopes(space, reading)]),
    ...project.pieces.flatMap((piece) => [
      ...refused(piece, reading),
      ...divisions(piece, reading),
      ...checks(piece, reading),
      ...stair(piece, reading),
    ]),
    ...reaching(reading),
  );
  return list;
}

function claims({ project, show }: Reading): Contradiction[] {
  return allSizes(project).flatMap(({ size, owner, ownerId, what }) =>
    disagreeingClaims(size).map((claim): Contradiction => {
      const now = claimOf(size);
      return {
        kind: 'claims-disagree',
        about: ownerId,
        message: `The ${what} of ${owner} is ${show(now.mm)} (${SOURCE_WORDS[now.source]}), but ${show(claim.mm)} was ${claim.source === 'usual' ? 'taken as' : 'said,'} ${SOURCE_WORDS[claim.source]}. Decide which holds.`,
        remedies: [
          { label: `Keep ${show(now.mm)}, strike out the other`, edit: (p) => withdrawClaim(p, size.id, claim.id) },
          {
            label: `Take ${show(claim.mm)}, strike out the first`,
            edit: (p) => {
              const taken = putInForce(p, size.id, claim.id);
              return taken.ok ? withdrawClaim(taken.value, size.id, now.id) : taken;
            },
          },
        ],
      };
    }),
  );
}

function sizeTo(size: Size, mm: number, { print }: Reading): Size {
  return settledSize(size, Math.round(mm * 1000) / 1000, print);
}

function remediesFor(finding: Finding, reading: Reading, lowest?: number): readonly Remedy[] {
  const { project, print, show } = reading;
  if (finding.kind === 'closing-error')
    return [
      { label: 'Share the error over all walls', edit: (p) => shareClosingError(p, finding.about, print) },
      { label: 'Take it into the last wall', edit: (p) => closeIntoLastWall(p, finding.about, print) },
    ];
  if (finding.kind === 'place') {
    const piece = project.pieces.find((one) => one.id === finding.about);
    const home = project.spaces.find((space) => space.walls.some((wall) => wall.id === piece?.place.from[0].wallId));
    const walls = home ? wallRuns(home) : [];
    const first = walls.find((run) => run.wall.id === piece?.place.from[0].wallId);
    if (!piece || !first) return [];
    const [a, b] = piece.place.from;
    return walls
      .filter((run) => Math.abs(dot2(run.run, first.intoRoom)) > 0.5)
      .map((run) => ({
        run,
        piece: { ...piece, place: { ...piece.place, from: [a, { ...b, wallId: run.wall.id }] as const } },
      }))
      .filter((one) => {
        // Only walls from which it comes to stand in the room.
        const footprint = footprintOf(project, one.piece);
        return (
          footprint.ok &&
          Object.values(footprint.value.corners).every((p) =>
            walls.every((run) => distanceFromWall(run, p) > -LEAST_REACH_MM),
          )
        );
      })
      .slice(0, 2)
      .map(({ run, piece: { place } }) => ({
        label: `Measure from ${run.wall.name}`,
        edit: (p: Project): Edit => changePiece(p, finding.about, { place }),
      }));
  }
  const opening = project.openings.find((one) => one.id === finding.about);
  const owner = opening && wallOf(project, opening.wallId);
  const run = opening && wallRunOf(project, opening.wallId);
  if (!opening || !owner || !run) return [];
  if (finding.kind === 'opening-beyond-wall') {
    const width = mmOf(opening.width);
    const offset = Math.max(0, Math.min(mmOf(opening.offset), run.lengthMm - width));
    const fits = Math.min(width, run.lengthMm - Math.max(0, mmOf(opening.offset)));
    return [
      ...(width <= run.lengthMm
        ? [
            {
              label: `Move it: ${show(offset)} from the corner`,
              edit: (p: Project): Edit =>
                changeOpening(p, opening.id, { offset: sizeTo(opening.offset, offset, reading) }),
            },
          ]
        : []),
      ...(fits > 50
        ? [
            {
              label: `Make it ${show(fits)} wide`,
              edit: (p: Project): Edit =>
                changeOpening(p, opening.id, {
                  width: sizeTo(opening.width, fits, reading),
                  offset: sizeTo(opening.offset, Math.max(0, mmOf(opening.offset)), reading),
                }),
            },
          ]
        : []),
    ];
  }
  if (finding.kind === 'opening-above-ceiling') {
    const room = lowest ?? mmOf(owner.space.ceilingHeight);
    const height = room - mmOf(opening.sill) - riseOf(opening);
    const sill = room - mmOf(opening.height) - riseOf(opening);
    return [
      ...(height > 50
        ? [
            {
              label: `Make it ${show(height)} high`,
              edit: (p: Project): Edit =>
                changeOpening(p, opening.id, { height: sizeTo(opening.height, height, reading) }),
            },
          ]
        : []),
      ...(sill >= 0
        ? [
            {
              label: `Lower its sill to ${show(sill)}`,
              edit: (p: Project): Edit => changeOpening(p, opening.id, { sill: sizeTo(opening.sill, sill, reading) }),
            },
          ]
        : []),
    ];
  }
  if (finding.kind === 'openings-overlap') return besideRemedies(opening, run, reading);
  return [];
}

/** Places along the wall where the opening is clear of all others, nearest first. */
function besideRemedies(
  opening: Opening,
  run: ReturnType<typeof wallRuns>[number],
  reading: Reading,
): readonly Remedy[] {
  const width = mmOf(opening.width);
  const others = reading.project.openings
    .filter((one) => one.wallId === opening.wallId && one.id !== opening.id)
    .map((one) => [leftOf(one, run), leftOf(one, run) + mmOf(one.width)] as const);
  const now = leftOf(opening, run);
  const free = (left: number): boolean =>
    left >= 0 && left + width <= run.lengthMm && others.every(([a, b]) => left + width <= a + 1e-6 || left >= b - 1e-6);
  return others
    .flatMap(([a, b]) => [a - width, b])
    .filter(free)
    .sort((a, b) => Math.abs(a - now) - Math.abs(b - now))
    .slice(0, 2)
    .map((left) => {
      const offset = opening.fromCorner === run.endCorner ? run.lengthMm - left - width : left;
      return {
        label: `Move it: ${reading.show(offset)} from the corner`,
        edit: (p: Project): Edit => changeOpening(p, opening.id, { offset: sizeTo(opening.offset, offset, reading) }),
      };
    });
}

function ceilings(space: Space): Contradiction[] {
  const fault = ceilingFault(space);
  if (fault === null) return [];
  return [
    {
      kind: 'ceiling',
      about: space.id,
      message: `${space.name} ${fault}. It is drawn flat until that is settled.`,
      remedies: [
        { label: 'Make the ceiling flat', edit: (p) => changeSpace(p, space.id, { ceiling: { shape: 'flat' } }) },
      ],
    },
  ];
}

/** Openings that reach above a ceiling that is not flat, at the lowest place over them. The record itself finds those under flat ones. */
function underSlopes(space: Space, reading: Reading): Contradiction[] {
  const shape = ceilingShape(space);
  if (space.ceiling.shape === 'flat' || shape.kind !== 'regions') return [];
  return wallRuns(space).flatMap((run) => {
    const top = wallTop(run, shape.regions);
    const heightAt = (along: number): number => {
      const i = Math.max(
        0,
        top.findLastIndex((one) => one.along <= along + 1e-6 && one.region !== null),
      );
      const [a, b] = [top[i], top[i + 1]];
      return a && b && b.along > a.along
        ? a.height + ((b.height - a.height) * (along - a.along)) / (b.along - a.along)
        : (a?.height ?? 0);
    };
    return reading.project.openings
      .filter((opening) => opening.wallId === run.wall.id)
      .flatMap((opening): Contradiction[] => {
        const left = leftOf(opening, run);
        const right = left + mmOf(opening.width);
        const places = [left, right, ...top.map((one) => one.along).filter((along) => along > left && along < right)];
        const lowest = Math.min(...places.map(heightAt));
        const above = mmOf(opening.sill) + mmOf(opening.height) + riseOf(opening) - lowest;
        if (above <= LEAST_REACH_MM) return [];
        const finding = {
          kind: 'opening-above-ceiling' as const,
          about: opening.id,
          message: `${opening.name} reaches ${reading.show(above)} above the ceiling of ${space.name}. Check its sill and height.`,
        };
        return [{ ...finding, remedies: remediesFor(finding, reading, lowest) }];
      });
  });
}

function refused(piece: Piece, { show, print }: Reading): Contradiction[] {
  const kind = kindOf(piece.kind);
  const message = kind ? refusalOf(kind, piece, show) : `the catalogue has no kind called “${piece.kind}”`;
  if (message === null) return [];
  const usual =
    kind &&
    newPiece(
      kind.id,
      {
        id: piece.id,
        name: piece.name,
        levelId: piece.levelId,
        from: [
          { wallId: '', mm: 0 },
          { wallId: '', mm: 0 },
        ],
      },
      print,
    );
  return [
    {
      kind: 'kind-refused',
      about: piece.id,
      message: `${piece.name} cannot be made: ${message}. It is drawn as a bare box until that is settled.`,
      remedies: usual
        ? [
            {
              label: 'Take the usual sizes again',
              edit: (p) =>
                ok({
                  ...p,
                  pieces: p.pieces.map((one) => {
                    if (one.id !== piece.id) return one;
                    const back = (now: Size, then: Size): Size => settledSize(now, mmOf(then), print);
                    return {
                      ...one,
                      width: back(one.width, usual.width),
                      depth: back(one.depth, usual.depth),
                      height: back(one.height, usual.height),
                      sizes: Object.fromEntries(
                        Object.entries(usual.sizes).map(([name, size]) => [
                          name,
                          one.sizes[name] ? back(one.sizes[name], size) : size,
                        ]),
                      ),
                      counts: usual.counts,
                      divisions: usual.divisions,
                      outlines: [],
                    };
                  }),
                }),
            },
          ]
        : [],
    },
  ];
}

function divisions(piece: Piece, { show, print }: Reading): Contradiction[] {
  const kind = kindOf(piece.kind);
  if (!kind) return [];
  const values = valuesOf(kind, piece);
  return Object.entries(kind.divisions ?? {}).flatMap(([name, rule]): Contradiction[] => {
    const division = piece.divisions[name];
    if (division?.by !== 'sizes') return [];
    const whole = rule.whole(values);
    const sum = division.sizes.reduce((total, size) => total + mmOf(size), 0);
    const allowed = division.sizes.reduce((total, size) => total + claimOf(size).uncertaintyMm, 0) + 0.5;
    if (Math.abs(sum - whole) <= Math.min(allowed, 2)) return [];
    const last = at(division.sizes, division.sizes.length - 1);
    const rest = mmOf(last) + whole - sum;
    return [
      {
        kind: 'divisions',
        about: piece.id,
        message: `The ${name} of ${piece.name} add up to ${show(sum)}, but there is ${show(whole)} to fill. They are drawn in proportion until that is settled.`,
        remedies: [
          {
            label: 'Share out in proportion',
            edit: (p) => setDivision(p, piece.id, name, { by: 'ratio', parts: divisionParts(division, 1) }),
          },
          {
            label: 'Make all equal',
            edit: (p) => setDivision(p, piece.id, name, { by: 'equal', count: division.sizes.length }),
          },
          ...(rest > 20
            ? [
                {
                  label: `Let the last take ${show(rest)}`,
                  edit: (p: Project): Edit =>
                    setDivision(p, piece.id, name, {
                      by: 'sizes',
                      sizes: [...division.sizes.slice(0, -1), settledSize(last, rest, print)],
                    }),
                },
              ]
            : []),
        ],
      },
    ];
  });
}

/** A third offset measured to the same piece must agree with the place that the first two give. */
function checks(piece: Piece, { project, show, print }: Reading): Contradiction[] {
  const footprint = footprintOf(project, piece);
  if (!footprint.ok) return [];
  return piece.checks.flatMap((check): Contradiction[] => {
    const run = wallRunOf(project, check.wallId);
    if (!run) return [];
    const stands = distanceFromWall(run, footprint.value.corners[check.pieceCorner]);
    const said = claimOf(check.distance);
    const allowed =
      said.uncertaintyMm + Math.max(...piece.place.from.map((offset) => claimOf(offset.distance).uncertaintyMm));
    const off = stands - said.mm;
    if (Math.abs(off) <= allowed) return [];
    return [
      {
        kind: 'offsets-disagree',
        about: piece.id,
        message: `By its two offsets the ${check.pieceCorner.replace('-', ' ')} corner of ${piece.name} stands ${show(stands)} from ${run.wall.name}, but ${show(said.mm)} was measured there.`,
        remedies: [
          {
            label: `Move the piece by ${show(Math.abs(off))}`,
            edit: (p) =>
              movePieceBy(p, piece.id, { x: -run.intoRoom.x * off, y: -run.intoRoom.y * off }, print, settledSize),
          },
          {
            label: 'Strike out the check',
            edit: (p) =>
              ok({
                ...p,
                pieces: p.pieces.map((one) =>
                  one.id === piece.id ? { ...one, checks: one.checks.filter((c) => c.id !== check.id) } : one,
                ),
              }),
          },
        ],
      },
    ];
  });
}

/** A stair ends on a level: the next one above its foot, if the project has one. */
function stair(piece: Piece, { project, show, print }: Reading): Contradiction[] {
  const kind = kindOf(piece.kind);
  if (kind?.group !== 'stairs' || kind.counts?.risers === undefined) return [];
  const floor = mmOf(levelOf(project, piece.levelId).elevation) + mmOf(piece.lift);
  const top = floor + mmOf(piece.height);
  const above = project.levels
    .map((level) => ({ name: level.name, z: mmOf(level.elevation), spread: claimOf(level.elevation).uncertaintyMm }))
    .filter((level) => level.z > floor + 300);
  const [next] = [...above].sort((a, b) => Math.abs(a.z - top) - Math.abs(b.z - top));
  if (!next) return [];
  const gap = next.z - top;
  if (Math.abs(gap) <= LEAST_REACH_MM) return [];
  const height = next.z - floor;
  return [
    {
      kind: 'stair-short',
      about: piece.id,
      message: `${piece.name} ends ${show(Math.abs(gap))} ${gap > 0 ? 'below' : 'above'} ${next.name}: it climbs ${show(mmOf(piece.height))}, but the floors are ${show(height)} apart.`,
      remedies: [
        {
          label: `Make it climb ${show(height)}`,
          edit: (p) =>
            ok({
              ...p,
              pieces: p.pieces.map((one) =>
                one.id === piece.id ? { ...one, height: settledSize(one.height, height, print) } : one,
              ),
            }),
        },
        {
          label: `Correct the elevation of ${next.name}`,
          edit: (p) => {
            const level = p.levels.find((one) => one.name === next.name);
            return level ? correctSize(p, level.elevation.id, { mm: top, asTyped: print(top) }) : ok(p);
          },
        },
      ],
    },
  ];
}

const overlapHigh = (a: Volume, b: Volume): number => Math.min(a.high, b.high) - Math.max(a.low, b.low);

interface Standing {
  readonly piece: Piece;
  readonly volumes: readonly Volume[];
  readonly space: Space | undefined;
  readonly box: readonly [number, number, number, number, number, number];
}

/** Pieces through walls and through each other, and pieces that float. */
function reaching(reading: Reading): Contradiction[] {
  const { project } = reading;
  const standing = project.pieces.map((piece): Standing => {
    const volumes = volumesOf(project, piece, mmOf(levelOf(project, piece.levelId).elevation));
    const space = project.spaces.find((one) => one.walls.some((wall) => wall.id === piece.place.from[0].wallId));
    const points = volumes.flatMap((volume) => volume.outline);
    const extent = (of: (p: Vector2) => number): readonly [number, number] => {
      const values = points.map(of);
      return [Math.min(...values), Math.max(...values)];
    };
    return {
      piece,
      volumes,
      space,
      box: [
        ...extent((p) => p.x),
        ...extent((p) => p.y),
        Math.min(...volumes.map((v) => v.low)),
        Math.max(...volumes.map((v) => v.high)),
      ],
    };
  });
  const list = standing.flatMap((one) => throughWall(one, reading));
  standing.forEach((one, i) => {
    for (const other of standing.slice(i + 1)) {
      const [a, b] = [one.box, other.box];
      if (a[0] >= b[1] || b[0] >= a[1] || a[2] >= b[3] || b[2] >= a[3] || a[4] >= b[5] || b[4] >= a[5]) continue;
      const found = throughPiece(one, other, reading);
      if (found) list.push(found);
    }
  });
  return [...list, ...standing.flatMap((one) => floats(one, standing, reading))];
}

/** The top riser's board stands in the face of the floor above: a stair may reach in by its thickness. */
const reachSpared = (piece: Piece): number => (kindOf(piece.kind)?.group === 'stairs' ? 25 : LEAST_REACH_MM);

function throughWall({ piece, volumes, space }: Standing, { project, show, print }: Reading): Contradiction[] {
  if (!space) return [];
  const outline = outlineOf(space).corners.map((corner) => corner.at);
  const floor = mmOf(levelOf(project, space.levelId).elevation);
  const deepest = new Map<Id, number>();
  const runs = wallRuns(space);
  for (const volume of volumes) {
    for (const p of volume.outline) {
      if (insideLoops([outline], p.x, p.y)) continue;
      // The wall it came through: the one it lies behind by least, of those it lies beside.
      const beside = runs
        .map((run) => ({
          run,
          behind: -distanceFromWall(run, p as never),
          along: (p.x - run.start.x) * run.run.x + (p.y - run.start.y) * run.run.y,
        }))
        .filter(({ behind, along, run }) => behind > 0 && along > -behind && along < run.lengthMm + behind)
        .sort((a, b) => a.behind - b.behind);
      const through = beside[0];
      if (!through || through.behind <= LEAST_REACH_MM) continue;
      // What stands in an opening goes through no wall.
      const open = project.openings.some((one) => {
        if (one.wallId !== through.run.wall.id && one.throughWallId !== through.run.wall.id) return false;
        const left = leftOf(one, through.run);
        return (
          through.along >= left - 1 &&
          through.along <= left + mmOf(one.width) + 1 &&
          volume.low >= floor + mmOf(one.sill) - 1 &&
          volume.high <= floor + mmOf(one.sill) + mmOf(one.height) + riseOf(one) + 1 &&
          (one.kind !== 'niche' || through.behind <= mmOf(one.reveal) + 1)
        );
      });
      if (!open) deepest.set(through.run.wall.id, Math.max(deepest.get(through.run.wall.id) ?? 0, through.behind));
    }
  }
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
      message: `${piece.name} goes through ${names}. Check its offsets and sizes.`,
      remedies: [
        {
          label: `Move it into the room`,
          edit: (p) => {
            let edit: Edit = ok(p);
            for (const [id, depth] of worst) {
              const run = runs.find((one) => one.wall.id === id);
              if (run && edit.ok)
                edit = movePieceBy(
                  edit.value,
                  piece.id,
                  { x: run.intoRoom.x * depth, y: run.intoRoom.y * depth },
                  print,
                  settledSize,
                );
            }
            return edit;
          },
        },
      ],
    },
  ];
}

function throughPiece(one: Standing, other: Standing, { show, print }: Reading): Contradiction | null {
  // Things stand on a rug, whose thickness nobody measures.
  if (one.piece.kind === 'rug' || other.piece.kind === 'rug') return null;
  const spared = Math.max(reachSpared(one.piece), reachSpared(other.piece));
  let worst: { depth: number; away: Vector2 } | null = null;
  for (const a of one.volumes) {
    for (const b of other.volumes) {
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
    message: `${one.piece.name} and ${other.piece.name} stand in each other by ${show(worst.depth)}. Check their offsets and sizes.`,
    remedies: [
      {
        label: `Move ${one.piece.name} clear`,
        edit: (p) => movePieceBy(p, one.piece.id, { x: away.x * clear, y: away.y * clear }, print, settledSize),
      },
      {
        label: `Move ${other.piece.name} clear`,
        edit: (p) => movePieceBy(p, other.piece.id, { x: -away.x * clear, y: -away.y * clear }, print, settledSize),
      },
    ],
  };
}

/** A piece rests on the floor, on another, hangs on a wall or from the ceiling; else it floats. */
function floats(
  { piece, volumes, space }: Standing,
  all: readonly Standing[],
  { project, show, print }: Reading,
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
    volumes.some((v) => v.outline.some((p) => Math.abs(distanceFromWall(run, p as never)) <= 15)),
  );
  const inNiche = project.openings.some((one) => {
    const run = runs.find((r) => r.wall.id === one.wallId);
    return (
      run !== undefined &&
      Math.abs(floor + mmOf(one.sill) - low) <= slack &&
      volumes.some((v) => v.outline.some((p) => distanceFromWall(run, p as never) < 1))
    );
  });
  const kind = kindOf(piece.kind);
  const over = volumes[0]?.outline[0];
  const ceiling = floor + (over ? heightOver(space, over) : mmOf(space.ceilingHeight));
  const hangs = kind?.group === 'lights' && (kind.lift ?? 0) > 0;
  if (touching || inNiche || high >= ceiling - slack) return [];
  const below = all
    .filter((other) => other.piece.id !== piece.id)
    .flatMap((other) => other.volumes.map((v) => ({ other, v })))
    .filter(({ v }) => v.high <= low + slack && volumes.some((own) => convexOverlap(own.outline, v.outline) !== null))
    .sort((a, b) => b.v.high - a.v.high)[0];
  const remedies: Remedy[] = [];
  const resized =
    (change: (one: Piece) => Piece) =>
    (p: Project): Edit =>
      ok({ ...p, pieces: p.pieces.map((one) => (one.id === piece.id ? change(one) : one)) });
  if (hangs)
    remedies.push({
      label: 'Hang it from the ceiling',
      edit: resized((one) => ({ ...one, height: settledSize(one.height, ceiling - low, print) })),
    });
  else if (!below)
    remedies.push({
      label: 'Set it on the floor',
      edit: resized((one) => ({ ...one, lift: settledSize(one.lift, 0, print) })),
    });
  if (below)
    remedies.push({
      label: `Set it on ${below.other.piece.name}`,
      edit: resized((one) => ({ ...one, lift: settledSize(one.lift, below.v.high - floor, print) })),
    });
  if (kind?.group === 'on the wall' || kind?.id === 'wall-unit') {
    const nearest = runs
      .map((run) => ({
        run,
        gap: Math.min(...volumes.flatMap((v) => v.outline.map((p) => distanceFromWall(run, p as never)))),
      }))
      .sort((a, b) => a.gap - b.gap)[0];
    if (nearest)
      remedies.push({
        label: `Push it to ${nearest.run.wall.name}`,
        edit: (p) =>
          movePieceBy(
            p,
            piece.id,
            { x: -nearest.run.intoRoom.x * nearest.gap, y: -nearest.run.intoRoom.y * nearest.gap },
            print,
            settledSize,
          ),
      });
  }
  return [
    {
      kind: 'floats',
      about: piece.id,
      message: `${piece.name} floats ${show(low - floor)} above the floor: it rests on nothing, and touches neither wall nor ceiling.`,
      remedies,
    },
  ];
}
