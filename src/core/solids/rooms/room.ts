import { at } from '@/core/base';
import { along2 } from '@/core/geometry';
import { mmOf, wallRuns, type Id, type Space, type WallRun } from '@/core/record';
import { planPoint, worldFromPlan, type WorldPoint } from '@/core/space';
import { BodyBuilder, type LoopCorner } from '../body-builder';
import type { Body } from '../body';
import { ceilingShape, wallTop, type TopPoint } from '../ceiling';
import type { Cut } from '../cut';
import { ceilingRegions } from './ceiling-faces';
import { Corners } from './corners';
import { level, UP } from './directions';
import { mouldingParts } from './mouldings';
import { ceilingOf, cornerUpright, floorOf, roomCorner, wallFace, wallLine } from './room-names';
import { VAULT_END, vaultArc, vaultFace, vaultTop } from './vault';
import { holeLoop, openingParts } from './wall-openings';

/**
 * A room as one-sided surfaces facing inward: floor, ceiling, walls with their openings, reveals, niches' backs, shut door leaves,
 * mouldings. Edges are named `corner/…`, `wall/…` and `opening/…` after the record's permanent ids.
 */
export function roomBody(space: Space, cutsOf: (run: WallRun, top: number) => readonly Cut[], floorZ: number): Body {
  const builder = new BodyBuilder();
  const corners = new Corners(builder);
  const runs = wallRuns(space);
  const floor = floorOf(space);
  // Collinear walls are one part: where one goes on as the next their joint is drawn all the same.
  const wallsPart = `${space.id}/walls`;
  const shape = ceilingShape(space);
  const foot = (cornerId: Id): Id => roomCorner(cornerId, 'floor').id;
  for (const run of runs) corners.at(worldFromPlan(run.start, floorZ), roomCorner(run.startCorner, 'floor'));
  builder.face({
    ...floor,
    part: space.id,
    loops: [runs.map((run) => foot(run.startCorner))],
    normalToward: UP,
    seen: 'room-side',
  });
  const tops = runs.map((run): readonly TopPoint[] =>
    shape.kind === 'regions' ? wallTop(run, shape.regions) : vaultTop(run, shape.vault),
  );
  const pointOn = (run: WallRun, along: number, height: number): WorldPoint => {
    const p = along2(run.start, run.run, along);
    return worldFromPlan(planPoint(p.x, p.y), floorZ + height);
  };
  // The corners' own names come first, so that what else meets there takes them.
  runs.forEach((run, i) => {
    const first = at(tops, i)[0];
    if (first) corners.at(pointOn(run, first.along, first.height), roomCorner(run.startCorner, 'ceiling'));
  });
  if (shape.kind === 'regions') ceilingRegions(builder, corners, space, shape.regions, floorZ);
  const topIds = runs.map((run, i) =>
    at(tops, i).map((point, k) =>
      corners.at(pointOn(run, point.along, point.height), wallLine(run, 'top', `top-${k + 1}`)),
    ),
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
    const arch = wallLine(run, 'top', 'ceiling');
    if (vault) vaultArc(builder, run, vault, floorZ, arch, [wallId, ceilingOf(space, 0).id]);
    const upper: LoopCorner[] = ids.map((corner) => ({ corner })).reverse();
    const first = upper[0];
    if (vault && first) upper[0] = { ...first, arc: arch.id };
    for (const cut of cuts) openingParts(builder, corners, run, cut, floorZ);
    builder.face({
      ...wallFace(run),
      part: wallsPart,
      loops: [[foot(run.startCorner), foot(run.endCorner), ...upper], ...cuts.map((cut) => holeLoop(cut))],
      normalToward: inward,
      seen: 'room-side',
    });
    builder.edge(wallLine(run, 'foot', 'floor'), foot(run.startCorner), foot(run.endCorner), [wallId, floor.id]);
    if (!vault)
      ids.slice(1).forEach((to, k) => {
        const { region } = at(top, k);
        const name = wallLine(run, 'top', ids.length === 2 ? 'ceiling' : `ceiling-${k + 1}`);
        builder.edge(
          name,
          at(ids, k),
          to,
          region === null ? [wallId] : [wallId, ceilingOf(space, Math.max(0, region)).id],
        );
      });
    const lastTop = at(tops, (index + runs.length - 1) % runs.length).at(-1);
    const own = ids[0];
    if (own !== undefined) {
      builder.edge(cornerUpright(run.startCorner, 'whole'), foot(run.startCorner), own, [wallId, before.wall.id]);
      // Where the ceiling steps exactly at the corner the higher part's upright goes on.
      const other = at(topIds, (index + runs.length - 1) % runs.length).at(-1);
      if (other !== undefined && lastTop && other !== own && lastTop.height > at(top, 0).height)
        builder.edge(cornerUpright(run.startCorner, 'upper'), own, other, [before.wall.id]);
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
