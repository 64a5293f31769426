import { tolerance } from '@/core/numeric';
import { dot2 } from '@/core/geometry';
import {
  distanceFromWall,
  footprintOf,
  mmOf,
  PLAIN_SPACE,
  settledSize,
  wallOf,
  wallRunOf,
  leftAlongWall,
  wallRuns,
  type Finding,
  type Opening,
  type Size,
  type Space,
} from '@/core/record';
import { ceilingFault, ceilingShape, wallTop } from './ceiling';
import { riseOf } from './cut';
import { LEAST_REACH_MM, type Contradiction, type Reading, type Remedy } from './contradiction';

function sizeTo(size: Size, mm: number, { print }: Reading): Size {
  return settledSize(size, Math.round(mm * 1000) / 1000, print);
}

export function remediesFor(finding: Finding, reading: Reading, lowest?: number): readonly Remedy[] {
  const { project, show } = reading;
  if (finding.kind === 'closing-error')
    return [
      { label: 'Share the error over all walls', change: { kind: 'share-closing-error', spaceId: finding.about } },
      { label: 'Take it into the last wall', change: { kind: 'close-into-last-wall', spaceId: finding.about } },
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
        change: { kind: 'change-piece', pieceId: finding.about, fields: { place } } as const,
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
              change: {
                kind: 'change-opening',
                openingId: opening.id,
                fields: { offset: sizeTo(opening.offset, offset, reading) },
              } as const,
            },
          ]
        : []),
      ...(fits > 50
        ? [
            {
              label: `Make it ${show(fits)} wide`,
              change: {
                kind: 'change-opening',
                openingId: opening.id,
                fields: {
                  width: sizeTo(opening.width, fits, reading),
                  offset: sizeTo(opening.offset, Math.max(0, mmOf(opening.offset)), reading),
                },
              } as const,
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
              change: {
                kind: 'change-opening',
                openingId: opening.id,
                fields: { height: sizeTo(opening.height, height, reading) },
              } as const,
            },
          ]
        : []),
      ...(sill >= 0
        ? [
            {
              label: `Lower its sill to ${show(sill)}`,
              change: {
                kind: 'change-opening',
                openingId: opening.id,
                fields: { sill: sizeTo(opening.sill, sill, reading) },
              } as const,
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
    .map((one) => [leftAlongWall(one, run), leftAlongWall(one, run) + mmOf(one.width)] as const);
  const now = leftAlongWall(opening, run);
  const free = (left: number): boolean =>
    left >= 0 &&
    left + width <= run.lengthMm &&
    others.every(([a, b]) => left + width <= a + tolerance.touchMm || left >= b - tolerance.touchMm);
  return others
    .flatMap(([a, b]) => [a - width, b])
    .filter(free)
    .sort((a, b) => Math.abs(a - now) - Math.abs(b - now))
    .slice(0, 2)
    .map((left) => {
      const offset = opening.fromCorner === run.endCorner ? run.lengthMm - left - width : left;
      return {
        label: `Move it: ${reading.show(offset)} from the corner`,
        change: {
          kind: 'change-opening',
          openingId: opening.id,
          fields: { offset: sizeTo(opening.offset, offset, reading) },
        } as const,
      };
    });
}

export function ceilings(space: Space, { show }: Reading): Contradiction[] {
  const fault = ceilingFault(space, show);
  if (fault === null) return [];
  return [
    {
      kind: 'ceiling',
      about: space.id,
      of: [],
      message: `${space.name} ${fault}. It is drawn flat until that is settled.`,
      remedies: [
        {
          label: 'Make the ceiling flat',
          change: { kind: 'change-space', spaceId: space.id, fields: { ceiling: PLAIN_SPACE.ceiling } },
        },
      ],
    },
  ];
}

/** Openings that reach above a ceiling that is not flat, at the lowest place over them. The record itself finds those under flat ones. */
export function underSlopes(space: Space, reading: Reading): Contradiction[] {
  const shape = ceilingShape(space);
  const level = space.ceiling.wallId === null && space.ceiling.zones.length === 0;
  if (level || shape.kind !== 'regions') return [];
  return wallRuns(space).flatMap((run) => {
    const top = wallTop(run, shape.regions);
    const heightAt = (along: number): number => {
      const i = Math.max(
        0,
        top.findLastIndex((one) => one.along <= along + tolerance.touchMm && one.region !== null),
      );
      const [a, b] = [top[i], top[i + 1]];
      return a && b && b.along > a.along
        ? a.height + ((b.height - a.height) * (along - a.along)) / (b.along - a.along)
        : (a?.height ?? 0);
    };
    return reading.project.openings
      .filter((opening) => opening.wallId === run.wall.id)
      .flatMap((opening): Contradiction[] => {
        const left = leftAlongWall(opening, run);
        const right = left + mmOf(opening.width);
        const places = [left, right, ...top.map((one) => one.along).filter((along) => along > left && along < right)];
        const lowest = Math.min(...places.map(heightAt));
        const above = mmOf(opening.sill) + mmOf(opening.height) + riseOf(opening) - lowest;
        if (above <= LEAST_REACH_MM) return [];
        const finding = {
          kind: 'opening-above-ceiling' as const,
          about: opening.id,
          of: [above],
          message: `${opening.name} reaches ${reading.show(above)} above the ceiling of ${space.name}. Check its sill and height.`,
        };
        return [{ ...finding, remedies: remediesFor(finding, reading, lowest) }];
      });
  });
}
