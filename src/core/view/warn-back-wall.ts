import { dot2 } from '@/core/geometry';
import { mmOf, wallRuns, type Project, type View } from '@/core/record';
import { planPoint, worldFromPlan } from '@/core/space';
import { formatLength, type LengthStyle } from '@/core/units';
import { roomMeant } from './room-meant';
import { eyeFromWorld, type SetUp } from './set-up';
import { standAt } from './stand-at';
import { roundedOut, type ViewWarning } from './view-warning';

/** A back wall that takes less than this of the frame's width and height makes a corridor of the room. */
export const CORRIDOR_SHARE = 0.2;
/** One that takes more than this of both makes a shallow box of it. */
export const BOX_SHARE = 0.8;
/** What the remedy brings it to. */
const GOOD_SHARE = 0.45;
const MOST_RATIO = 0.9;

/** The wall, or in two-point the corner, that closes the room at the back, and how much of the frame it takes. */
export interface BackOfRoom {
  readonly wallId: string;
  readonly name: string;
  readonly depth: number;
  /** Of the frame's width and height; in two-point the corner has only a height. */
  readonly shares: readonly number[];
}

/** @returns null when no wall of the room one looks into lies ahead. */
export function backOfRoom(project: Project, view: View, setUp: SetUp): BackOfRoom | null {
  const { frame } = view;
  const room = roomMeant(project, view);
  const runs = room ? wallRuns(room).map((run) => ({ run, space: room })) : [];
  const depthOf = (p: { x: number; y: number }): number =>
    eyeFromWorld(setUp, worldFromPlan(planPoint(p.x, p.y), setUp.floor)).depth;
  const scaleAt = (depth: number): number => setUp.viewingDistance / depth;
  const frameHeight = frame.top - frame.bottom;
  const square = runs
    .filter(({ run }) => dot2(run.intoRoom, setUp.forward) < -0.999)
    .map(({ run, space }) => ({ run, space, depth: depthOf(run.start) }))
    .filter(({ depth }) => depth > 1)
    .sort((a, b) => b.depth - a.depth)[0];
  const heightOf = (space: (typeof runs)[number]['space']): number => mmOf(space.ceilingHeight);
  if (square) {
    const { run, space, depth } = square;
    return {
      wallId: run.wall.id,
      name: run.wall.name,
      depth,
      shares: [
        (run.lengthMm * scaleAt(depth)) / (frame.right - frame.left),
        (heightOf(space) * scaleAt(depth)) / frameHeight,
      ],
    };
  }
  const corner = runs
    .map(({ run, space }) => ({ run, space, depth: depthOf(run.start) }))
    .filter(({ depth }) => depth > 1)
    .sort((a, b) => b.depth - a.depth)[0];
  if (!corner) return null;
  return {
    wallId: corner.run.wall.id,
    name: `the corner at the left of ${corner.run.wall.name}`,
    depth: corner.depth,
    shares: [(heightOf(corner.space) * scaleAt(corner.depth)) / frameHeight],
  };
}

/**
 * A back wall so small that the room reads as a corridor, or so large that it reads as a shallow box. With g from the picture plane to the
 * wall its picture is d/(d + g) of its size at scale, so the station distance for a share is g·q/(1 − q), q the wanted ratio.
 */
export function warnBackWall(project: Project, view: View, setUp: SetUp, style: LengthStyle): readonly ViewWarning[] {
  const back = backOfRoom(project, view, setUp);
  if (!back) return [];
  const largest = Math.max(...back.shares);
  const least = Math.min(...back.shares);
  const kind = largest < CORRIDOR_SHARE ? 'corridor' : least > BOX_SHARE ? 'shallow-box' : null;
  if (!kind) return [];
  const share = kind === 'corridor' ? largest : least;
  const gap = back.depth - setUp.pictureDistance;
  const now = setUp.pictureDistance / back.depth;
  // However far back one stands, the wall comes no larger than at scale: nine tenths of that is as good as it gets.
  const ratio = Math.min((now * GOOD_SHARE) / share, MOST_RATIO);
  const then = (share * ratio) / now;
  const helps = kind === 'corridor' ? then > CORRIDOR_SHARE : then < BOX_SHARE;
  const distance = gap > 1 && helps ? roundedOut((gap * ratio) / (1 - ratio), style.units) : null;
  const percent = `${Math.round(share * 100)} %`;
  return [
    {
      kind,
      about: back.wallId,
      message:
        (kind === 'corridor'
          ? `The back of the room, ${back.name}, takes only ${percent} of the frame: the room reads as a corridor.`
          : `The back of the room, ${back.name}, takes ${percent} of the frame: the room reads as a shallow box.`) +
        (distance === null
          ? ' It is measured at scale, so only the frame or the scale can change that.'
          : ` Stand ${formatLength(distance, style)} before the picture plane, ${kind === 'corridor' ? 'farther back' : 'nearer'}, and it takes ${Math.round(then * 100)} %.`),
      remedies:
        distance === null
          ? []
          : [
              {
                label: `Stand ${formatLength(distance, style)} before the picture plane`,
                change: standAt(project, view, { pictureDistance: distance }),
              },
            ],
    },
  ];
}
