import { at } from '@/core/base';
import { along2, dot2 } from '@/core/geometry';
import { mmOf, type Id, type Moulding, type WallRun } from '@/core/record';
import { planPoint, worldFromPlan } from '@/core/space';
import type { BodyBuilder } from '../body-builder';
import type { Cut } from '../cut';
import { trimWidthOf } from '../openings';
import type { MouldingKind, Named } from '../role';
import { DOWN, level, opposite, UP } from './directions';
import { mouldingOf } from './room-names';

/** Stretches of a wall that are free of openings, and of the trim round them, between two heights. */
function freeStretches(
  run: WallRun,
  cuts: readonly Cut[],
  low: number,
  high: number,
): readonly (readonly [number, number])[] {
  const taken = cuts
    .map((cut) => ({ cut, trim: cut.far ? 0 : trimWidthOf(cut.opening) }))
    .filter(({ cut, trim }) => cut.sill - trim < high && cut.spring + cut.rise + trim > low)
    .map(({ cut, trim }) => [cut.left - trim, cut.right + trim] as const)
    .sort((a, b) => a[0] - b[0]);
  const free: [number, number][] = [];
  let from = 0;
  for (const [left, right] of taken) {
    if (left - from > 1) free.push([from, left]);
    from = Math.max(from, right);
  }
  if (run.lengthMm - from > 1) free.push([from, run.lengthMm]);
  return free;
}

/** A moulding along one wall: face, upper or lower side, mitred where walls meet, square where an opening breaks it. */
export function mouldingParts(
  builder: BodyBuilder,
  runs: readonly WallRun[],
  index: number,
  cuts: readonly Cut[],
  moulding: Moulding,
  what: MouldingKind,
  z: number,
  above: number,
): void {
  const run = at(runs, index);
  const [height, thick] = [mmOf(moulding.height), mmOf(moulding.thickness)];
  const before = at(runs, (index + runs.length - 1) % runs.length);
  const after = at(runs, (index + 1) % runs.length);
  // Shift of the mitre along the wall: t·(n₁ + n₂)/(1 + n₁·n₂), taken along this wall's run.
  const mitre = (other: WallRun): number =>
    (thick * dot2({ x: run.intoRoom.x + other.intoRoom.x, y: run.intoRoom.y + other.intoRoom.y }, run.run)) /
    Math.max(0.05, 1 + dot2(run.intoRoom, other.intoRoom));
  const [low, high] = [z, z + height];
  const wallId = run.wall.id;
  freeStretches(run, cuts, above, above + height).forEach(([from, to], i) => {
    const named = (own: string): Named => mouldingOf(run, what, i + 1, own);
    const name = (own: string): Id => named(own).id;
    const part = `${wallId}/${what}-${i + 1}`;
    const ends = [
      { key: 'left', along: from, front: from === 0 ? mitre(before) : from, open: from > 0 },
      {
        key: 'right',
        along: to,
        front: to === run.lengthMm ? run.lengthMm + mitre(after) : to,
        open: to < run.lengthMm,
      },
    ] as const;
    const put = (own: string, along: number, behind: number, height: number): Id => {
      const p = along2(along2(run.start, run.run, along), run.intoRoom, behind);
      builder.vertex(named(own), worldFromPlan(planPoint(p.x, p.y), height));
      return name(own);
    };
    const corner = ends.map((end) => ({
      end,
      wallLow: put(`${end.key}-wall-low`, end.along, 0, low),
      wallHigh: put(`${end.key}-wall-high`, end.along, 0, high),
      low: put(`${end.key}-low`, end.front, thick, low),
      high: put(`${end.key}-high`, end.front, thick, high),
    }));
    const [a, b] = [at(corner, 0), at(corner, 1)];
    const common = { part, seen: 'room-side', belongsTo: [wallId] } as const;
    const [face, level2] = [name('face'), name('level')];
    builder.face({
      ...named('face'),
      loops: [[a.low, b.low, b.high, a.high]],
      normalToward: level(run.intoRoom),
      ...common,
    });
    const skirting = what === 'skirting';
    builder.face({
      ...named('level'),
      loops: [skirting ? [a.high, b.high, b.wallHigh, a.wallHigh] : [a.low, b.low, b.wallLow, a.wallLow]],
      normalToward: skirting ? UP : DOWN,
      ...common,
    });
    builder.edge(named('low'), a.low, b.low, skirting ? [face] : [face, level2]);
    builder.edge(named('high'), a.high, b.high, skirting ? [face, level2] : [face]);
    builder.edge(named('at-wall'), skirting ? a.wallHigh : a.wallLow, skirting ? b.wallHigh : b.wallLow, [
      level2,
      wallId,
    ]);
    for (const c of corner) {
      builder.edge(named(`${c.end.key}-upright`), c.low, c.high, [face]);
      builder.edge(named(`${c.end.key}-mitre`), skirting ? c.wallHigh : c.wallLow, skirting ? c.high : c.low, [level2]);
      if (!c.end.open) continue;
      const end = named(`${c.end.key}-end`);
      builder.face({
        ...end,
        loops: [[c.wallLow, c.low, c.high, c.wallHigh]],
        normalToward: c.end.key === 'left' ? opposite(level(run.run)) : level(run.run),
        ...common,
      });
      builder.edge(named(`${c.end.key}-end-wall`), c.wallLow, c.wallHigh, [end.id]);
    }
  });
}
