import { along2, dot2 } from '@/core/geometry';
import type { Id, Space, WallRun } from '@/core/record';
import { planPoint, worldFromPlan } from '@/core/space';
import type { BodyBuilder } from '../body-builder';
import type { TopPoint } from '../ceiling';
import type { Vault } from '../ceilings';
import type { Named } from '../role';
import { arcRadius, level, UP } from './directions';
import { ceilingOf } from './room-names';

/** Marks the stretch of a wall's top that is the end of a vault. */
export const VAULT_END = -1;

/** A wall's upper edge under a vault: level, and bent at its two ends. */
export function vaultTop(run: WallRun, vault: Vault): readonly TopPoint[] {
  const end = Math.abs(dot2(run.run, vault.along.run)) < 0.5;
  return [
    { along: 0, height: vault.springing, region: end ? VAULT_END : 0 },
    { along: run.lengthMm, height: vault.springing, region: null },
  ];
}

/** The round upper edge of a wall at a vault's end. */
export function vaultArc(
  builder: BodyBuilder,
  run: WallRun,
  vault: Vault,
  floorZ: number,
  named: Named,
  faces: readonly Id[],
): void {
  const radius = arcRadius(vault.span, vault.rise);
  const middle = along2(run.start, run.run, run.lengthMm / 2);
  const half = 2 * Math.atan((2 * vault.rise) / vault.span);
  builder.arc({
    ...named,
    circle: {
      centre: worldFromPlan(planPoint(middle.x, middle.y), floorZ + vault.springing + vault.rise - radius),
      first: level(run.run),
      second: UP,
      radius,
    },
    from: Math.PI / 2 - half,
    to: Math.PI / 2 + half,
    faces,
  });
}

/** The vault itself: a part of a cylinder that looks inward. */
export function vaultFace(builder: BodyBuilder, vault: Vault, space: Space, floorZ: number): void {
  const { along, span, springing, rise } = vault;
  const radius = arcRadius(span, rise);
  const half = 2 * Math.atan((2 * rise) / span);
  const foot = along2(along.start, along.intoRoom, span / 2);
  const end = (a: number) => ({ along: a, radius });
  builder.round({
    ...ceilingOf(space, 0),
    part: space.id,
    surface: 'cylinder',
    centre: worldFromPlan(planPoint(foot.x, foot.y), floorZ + springing + rise - radius),
    axis: level(along.run),
    first: level(along.intoRoom),
    second: UP,
    from: end(0),
    to: end(along.lengthMm),
    radius,
    sector: [Math.PI / 2 - half, Math.PI / 2 + half],
    looks: 'inward',
    seen: 'room-side',
  });
}
