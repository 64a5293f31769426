'use client';
import type { Vector2 } from '@/core/geometry';
import {
  footprintOf,
  mmOf,
  outlineOf,
  wallOf,
  wallRunOf,
  type Footprint,
  type Id,
  type Opening,
  type Piece,
  type Project,
  type Space,
  type WallRun,
} from '@/core/record';
import { degreesFromRadians, formatBareLength } from '@/core/units';
import { Handle } from '@/interface/board';
import { useSession } from '@/interface/session';
import { useLook } from '@/interface/theme';
import { cornerHandle, middleOf, openingHandlePlace, pieceHandlePlaces } from './handle-places';
import { snappedRoomCorner, stepOf } from './moves';
import { planMove, planToScreen, screenToPlan, type MeasurePose } from './pose';

interface OnPlan {
  readonly pose: MeasurePose;
  /** How near something catches, mm on the plan. */
  readonly reach: number;
  readonly snapped: (before: Project, id: Id, by: Vector2) => Vector2;
}

/** Handles on the plan: of the chosen piece its place and its turn, of an opening its place, of the chosen room its corners. */
export function PlanHandles({
  chosen,
  ...onPlan
}: OnPlan & {
  readonly chosen: readonly Id[];
}) {
  const { project, readOnly } = useSession();
  const first = chosen[0] ?? null;
  if (readOnly || first === null) return null;
  const piece = project.pieces.find((one) => one.id === first);
  const footprint = piece && footprintOf(project, piece);
  if (piece && footprint?.ok)
    return (
      <>
        <PiecePlaceHandle {...onPlan} piece={piece} footprint={footprint.value} chosen={chosen} />
        <PieceTurnHandle {...onPlan} piece={piece} footprint={footprint.value} />
      </>
    );
  const opening = project.openings.find((one) => one.id === first);
  const run = opening && wallRunOf(project, opening.wallId);
  if (opening && run) return <OpeningHandle {...onPlan} opening={opening} run={run} />;
  const space = project.spaces.find((one) => one.id === first) ?? wallOf(project, first)?.space;
  return space ? <CornerHandles {...onPlan} space={space} /> : null;
}

interface OfPiece extends OnPlan {
  readonly piece: Piece;
  readonly footprint: Footprint;
}

function PiecePlaceHandle({ pose, snapped, piece, footprint, chosen }: OfPiece & { readonly chosen: readonly Id[] }) {
  const { project, style, commands } = useSession();
  const { look } = useLook();
  const step = stepOf(project.units);
  const print = (mm: number): string => formatBareLength(mm, style);
  const { piece: at } = pieceHandlePlaces(pose, piece, footprint);
  const moveBy = (by: Vector2, run?: string): void =>
    commands.change(
      `Move ${piece.name}`,
      { kind: 'move-pieces', pieceIds: chosen.filter((id) => project.pieces.some((one) => one.id === id)), by },
      run,
    );
  return (
    <Handle
      name="piece"
      label={`Place of ${piece.name}`}
      value={0}
      valueText={piece.place.from
        .map((one) => `${print(mmOf(one.distance))} from ${wallOf(project, one.wallId)?.wall.name ?? ''}`)
        .join(', ')}
      at={at}
      cursor="move"
      begin={() => undefined}
      move={({ dx, dy }) =>
        commands.drag({
          kind: 'move-pieces',
          pieceIds: [piece.id],
          by: snapped(commands.present(), piece.id, planMove(pose, dx, dy)),
        })
      }
      end={() => commands.drop(`Move ${piece.name}`)}
      cancel={commands.cancelDrag}
      nudge={(right, up) =>
        moveBy(
          { x: (pose.right.x * right + pose.up.x * up) * step, y: (pose.right.y * right + pose.up.y * up) * step },
          `nudge/place-${piece.id}`,
        )
      }
    >
      <circle r={5} fill={look.paper} stroke={look.ink} strokeWidth={1.6} />
    </Handle>
  );
}

function PieceTurnHandle({ pose, piece, footprint }: OfPiece) {
  const { project, commands } = useSession();
  const { look } = useLook();
  const middle = middleOf(footprint.corners);
  const { 'piece-turn': turnAt } = pieceHandlePlaces(pose, piece, footprint);
  return (
    <Handle
      name="piece-turn"
      label={`Turn of ${piece.name}`}
      value={piece.place.turnDeg}
      valueText={`${Math.round(piece.place.turnDeg * 10) / 10}° clockwise from its wall`}
      at={turnAt}
      cursor="grab"
      begin={() => undefined}
      move={({ x, y }) => {
        const home = wallRunOf(project, piece.place.from[0].wallId);
        if (!home) return;
        const p = screenToPlan(pose, x, y);
        const bearing = Math.atan2(p.x - middle.x, p.y - middle.y) - Math.atan2(home.intoRoom.x, home.intoRoom.y);
        const degrees = degreesFromRadians(bearing);
        const caught = Math.round(degrees / 15) * 15;
        const turned = Math.abs(degrees - caught) < 3 ? caught : Math.round(degrees);
        commands.drag({ kind: 'turn-piece-about-middle', pieceId: piece.id, turnDeg: turned });
      }}
      end={() => commands.drop(`Turn ${piece.name}`)}
      cancel={commands.cancelDrag}
      nudge={(right, up) =>
        commands.change(
          `Turn ${piece.name}`,
          { kind: 'turn-piece-about-middle', pieceId: piece.id, turnDeg: piece.place.turnDeg + right + up },
          `nudge/turn-${piece.id}`,
        )
      }
    >
      <path d="M-7,3 A8,8 0 1 1 6,5 M6,5 l-1,-6 M6,5 l-6,0" fill="none" stroke={look.ink} strokeWidth={1.6} />
    </Handle>
  );
}

function OpeningHandle({ pose, opening, run }: OnPlan & { readonly opening: Opening; readonly run: WallRun }) {
  const { project, style, commands } = useSession();
  const { look } = useLook();
  const step = stepOf(project.units);
  const print = (mm: number): string => formatBareLength(mm, style);
  const at = openingHandlePlace(pose, opening, run);
  const sign = opening.fromCorner === run.startCorner ? 1 : -1;
  const along = (dx: number, dy: number): number => {
    const by = planMove(pose, dx, dy);
    return by.x * run.run.x + by.y * run.run.y;
  };
  const rounded = (by: number): number =>
    sign * (Math.round((mmOf(opening.offset) + sign * by) / step) * step - mmOf(opening.offset));
  return (
    <Handle
      name="opening"
      label={`Place of ${opening.name} along ${run.wall.name}`}
      value={mmOf(opening.offset)}
      valueText={`${print(mmOf(opening.offset))} from the corner`}
      at={at}
      cursor="ew-resize"
      begin={() => undefined}
      move={({ dx, dy }) =>
        commands.drag({ kind: 'move-opening', openingId: opening.id, along: rounded(along(dx, dy)), up: 0 })
      }
      end={() => commands.drop(`Move ${opening.name}`)}
      cancel={commands.cancelDrag}
      nudge={(right, up) =>
        commands.change(
          `Move ${opening.name}`,
          { kind: 'move-opening', openingId: opening.id, along: right * step, up: up * step },
          `nudge/place-${opening.id}`,
        )
      }
    >
      <circle r={5} fill={look.paper} stroke={look.ink} strokeWidth={1.6} />
    </Handle>
  );
}

function CornerHandles({ pose, reach, space }: OnPlan & { readonly space: Space }) {
  const { project, style, commands } = useSession();
  const { look } = useLook();
  const step = stepOf(project.units);
  const print = (mm: number): string => formatBareLength(mm, style);
  return (
    <>
      {outlineOf(space).corners.map((corner) => {
        const at = planToScreen(pose, corner.at);
        const name = cornerName(project, space.id, corner.id);
        return (
          <Handle
            key={corner.id}
            name={cornerHandle(corner.id)}
            label={`Corner of ${name}`}
            value={0}
            valueText={`${print(corner.at.x)}, ${print(corner.at.y)}`}
            at={at}
            cursor="move"
            begin={() => undefined}
            move={({ x, y }) =>
              commands.drag({
                kind: 'move-corner',
                spaceId: space.id,
                cornerId: corner.id,
                to: snappedRoomCorner(commands.present(), space.id, corner.id, screenToPlan(pose, x, y), reach),
              })
            }
            end={() => commands.drop('Move a corner')}
            cancel={commands.cancelDrag}
            nudge={(right, up) =>
              commands.change(
                'Move a corner',
                {
                  kind: 'move-corner',
                  spaceId: space.id,
                  cornerId: corner.id,
                  to: {
                    x: corner.at.x + (pose.right.x * right + pose.up.x * up) * step,
                    y: corner.at.y + (pose.right.y * right + pose.up.y * up) * step,
                  },
                },
                `nudge/corner-${corner.id}`,
              )
            }
          >
            <rect x={-4} y={-4} width={8} height={8} fill={look.paper} stroke={look.ink} strokeWidth={1.4} />
          </Handle>
        );
      })}
    </>
  );
}

function cornerName(project: Project, spaceId: Id, cornerId: Id): string {
  const walls = project.spaces.find((one) => one.id === spaceId)?.walls ?? [];
  const index = walls.findIndex((wall) => wall.startCorner === cornerId);
  return `${walls[(index + walls.length - 1) % walls.length]?.name ?? ''} and ${walls[index]?.name ?? ''}`;
}
