'use client';
import type { Look } from '@/interface/theme';
import { TEXT_FACE } from '@/interface/theme';
import type { BoardLayout } from './layout';
import type { Pose } from './pose';

/** How large the paper is shown on a screen that has been measured; says when browser zoom, or another screen, has come between. */
export function ShownSize({
  layout,
  pose,
  screen,
  look,
}: {
  readonly layout: BoardLayout;
  readonly pose: Pose;
  readonly screen: { readonly pixelsPerMm: number; readonly holds: boolean } | null;
  readonly look: Look;
}) {
  if (!screen) return null;
  const share = pose.pictureScale / screen.pixelsPerMm;
  const words = screen.holds
    ? Math.abs(share - 1) < 1e-9
      ? 'shown at true size'
      : `shown at ${Math.round(share * 100)} % of true size`
    : 'true size does not hold: the zoom has changed';
  return (
    <text
      data-testid="shown-size"
      x={layout.picture.x + layout.picture.width - 8}
      y={layout.picture.y + layout.picture.height - 8}
      textAnchor="end"
      fontFamily={TEXT_FACE}
      fontSize={13}
      fill={screen.holds ? look.faint : look.warning}
      stroke={look.paper}
      strokeWidth={4}
      pointerEvents="none"
      style={{ paintOrder: 'stroke' }}
    >
      {words}
    </text>
  );
}
