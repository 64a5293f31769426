'use client';
import type { Elevation } from '@/core/pipeline';
import { mmOf, several, wallRunOf, type Change, type Id, type Opening } from '@/core/record';
import { formatBareLength } from '@/core/units';
import { Handle } from '@/interface/board';
import { useSession } from '@/interface/session';
import { useLook } from '@/interface/theme';
import { pieceTopPlace, sillAndHeadPlaces } from './handle-places';
import { stepOf } from './moves';
import type { MeasurePose } from './pose';

/** Handles on a wall's elevation: the sill and the head of the chosen opening, and the ceiling. */
export function ElevationHandles({
  pose,
  elevation,
  wallId,
  openingId,
}: {
  readonly pose: MeasurePose;
  readonly elevation: Elevation;
  readonly wallId: Id;
  readonly openingId: Id | null;
}) {
  const { project, style, commands, readOnly } = useSession();
  const { look } = useLook();
  const run = wallRunOf(project, wallId);
  const opening = project.openings.find((one) => one.id === openingId && one.wallId === wallId);
  if (readOnly || !run || !opening) return null;
  const step = stepOf(project.units);
  const toStep = (mm: number): number => Math.round(mm / step) * step;
  const places = sillAndHeadPlaces(pose, elevation, opening, run);
  const [sill, height] = [mmOf(opening.sill), mmOf(opening.height)];
  /** Sill or head brought to a height: the head stays where it is when the sill moves, and the sill when the head does. */
  const put = (from: Opening, which: 'sill' | 'head', mm: number): Change => {
    const [low, high] = [mmOf(from.sill), mmOf(from.sill) + mmOf(from.height)];
    if (which === 'head') return { kind: 'move-size', sizeId: from.height.id, mm: Math.max(50, mm - low) };
    const next = Math.min(Math.max(0, mm), high - 50);
    return several([
      { kind: 'move-size', sizeId: from.sill.id, mm: next },
      { kind: 'move-size', sizeId: from.height.id, mm: high - next },
    ]);
  };
  const before = (): Opening => commands.present().openings.find((one) => one.id === opening.id) ?? opening;
  return (
    <>
      {(['sill', 'head'] as const).map((which) => {
        const at0 = which === 'sill' ? sill : sill + height;
        const name = which === 'sill' ? 'opening-sill' : 'opening-head';
        const at = places[name];
        return (
          <Handle
            key={which}
            name={name}
            label={`${which === 'sill' ? 'Sill' : 'Head'} of ${opening.name}`}
            value={at0}
            valueText={formatBareLength(at0, style)}
            at={at}
            cursor="ns-resize"
            begin={() => undefined}
            move={({ dy }) => commands.drag(put(before(), which, toStep(at0 - dy / pose.scale)))}
            end={() => commands.drop(`Move the ${which} of ${opening.name}`)}
            cancel={commands.cancelDrag}
            nudge={(_, up) =>
              commands.change(
                `Move the ${which} of ${opening.name}`,
                put(opening, which, at0 + up * step),
                `nudge/${which}-${opening.id}`,
              )
            }
          >
            <path d="M-12,0 h24 M0,-6 v12" stroke={look.ink} strokeWidth={1.8} fill="none" />
          </Handle>
        );
      })}
    </>
  );
}

/** The top of a chosen piece in its elevation. */
export function PieceHeightHandle({
  pose,
  elevation,
  pieceId,
}: {
  readonly pose: MeasurePose;
  readonly elevation: Elevation;
  readonly pieceId: Id;
}) {
  const { project, style, commands, readOnly } = useSession();
  const { look } = useLook();
  const piece = project.pieces.find((one) => one.id === pieceId);
  if (readOnly || !piece) return null;
  const step = stepOf(project.units);
  const top = mmOf(piece.lift) + mmOf(piece.height);
  const at = pieceTopPlace(pose, elevation, piece);
  const put = (mm: number): Change => ({ kind: 'move-size', sizeId: piece.height.id, mm: Math.max(step, mm) });
  return (
    <Handle
      name="piece-height"
      label={`Top of ${piece.name}`}
      value={top}
      valueText={formatBareLength(top, style)}
      at={at}
      cursor="ns-resize"
      begin={() => undefined}
      move={({ dy }) => commands.drag(put(Math.round((mmOf(piece.height) - dy / pose.scale) / step) * step))}
      end={() => commands.drop(`Make ${piece.name} higher or lower`)}
      cancel={commands.cancelDrag}
      nudge={(_, up) =>
        commands.change(
          `Make ${piece.name} higher or lower`,
          put(mmOf(piece.height) + up * step),
          `nudge/height-${pieceId}`,
        )
      }
    >
      <path d="M-12,0 h24 M0,-6 v12" stroke={look.ink} strokeWidth={1.8} fill="none" />
    </Handle>
  );
}
