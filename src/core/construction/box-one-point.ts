import { at } from '@/core/base';
import { mmOf } from '@/core/record';
import { writeFinish } from './finish-step';
import type { ConstructionGiven, MeasuredCorner } from './given';
import { levelsOf } from './heights-two-point';
import type { MarkId } from './operation';
import type { ConstructionPlan } from './plan';
import { PlanWriter, senseOf } from './plan-writer';
import { CENTRE, GROUND_LINE, GROUND_ZERO, writeSetOut } from './set-out-steps';

/** A route for the depths: on which side's line they are cut, and from which distance point. */
interface Route {
  readonly side: 'left' | 'right';
  readonly pointU: number;
  readonly reach: number;
}

/**
 * A box square to the picture plane, by distance point: sides run to the centre of vision; depths are laid off from a side's trace
 * away from the distance point and ruled to it.
 */
export function planBoxOnePoint(given: ConstructionGiven, corners: readonly MeasuredCorner[]): ConstructionPlan {
  const { setUp, piece } = given;
  const N = setUp.scaleDenominator;
  const k = setUp.viewingDistance;
  const byDepth = [...corners].sort((p, q) => p.depth - q.depth);
  const bySide = (pair: readonly MeasuredCorner[]) => [...pair].sort((p, q) => p.lateral - q.lateral);
  const [nearLeft, nearRight] = bySide(byDepth.slice(0, 2)) as [MeasuredCorner, MeasuredCorner];
  const [farLeft, farRight] = bySide(byDepth.slice(2)) as [MeasuredCorner, MeasuredCorner];
  const sides = { left: { near: nearLeft, far: farLeft }, right: { near: nearRight, far: farRight } };

  const routes = (['left', 'right'] as const).flatMap((side) =>
    [-k, k].map((pointU): Route => {
      const away = pointU < 0 ? 1 : -1;
      const { near, far } = sides[side];
      const marks = [near.lateral, near.lateral + away * near.behindPlane, near.lateral + away * far.behindPlane].map(
        (x) => Math.abs(x / N),
      );
      // A side straight under the centre of vision is seen edge-on: it cannot carry heights.
      return { side, pointU, reach: Math.max(...marks) + (Math.abs(near.lateral / N) < 1 ? 1e6 : 0) };
    }),
  );
  const route = routes.reduce((best, one) => (one.reach < best.reach ? one : best));
  const away = route.pointU < 0 ? 1 : -1;
  const measured = sides[route.side];
  const otherSide = route.side === 'left' ? 'right' : 'left';
  const other = sides[otherSide];
  const labels = { [measured.near.name]: 'a', [measured.far.name]: 'b', [other.far.name]: 'c', [other.near.name]: 'd' };
  const label = (corner: MeasuredCorner): string => labels[corner.name] ?? '';
  const standsOnFloor = mmOf(piece.lift) === 0;
  const floor = (corner: MeasuredCorner): MarkId =>
    standsOnFloor ? `${piece.id}/box/${corner.name}-bottom` : `${piece.id}/floor/${corner.name}`;

  const writer = new PlanWriter();
  const pointLabel = `${route.pointU < 0 ? 'DL' : 'DR'}${given.pointSuffix}`;
  writeSetOut(writer, given, [
    {
      mark: 'distance-point',
      label: pointLabel,
      words: `the ${senseOf(route.pointU)} distance point`,
      u: route.pointU,
    },
  ]);

  const [t1, t2] = [measured.near.lateral / N, other.near.lateral / N];
  writer.step(
    'traces',
    'footprint',
    [
      'On the ground line lay off from the centre line the two sides: T at ',
      { real: Math.abs(measured.near.lateral) },
      ': ',
      { paperMm: Math.abs(t1) },
      ` to the ${senseOf(t1)}, and T₂ at `,
      { real: Math.abs(other.near.lateral) },
      ': ',
      { paperMm: Math.abs(t2) },
      ` to the ${senseOf(t2)}. Rule both to CV.`,
    ],
    ['Lines square to the picture plane vanish in the centre of vision. On the ground line widths are to scale.'],
  );
  writer
    .layOff('trace', 'T', { on: GROUND_LINE, from: GROUND_ZERO }, t1, measured.near.lateral)
    .layOff('second-trace', 'T₂', { on: GROUND_LINE, from: GROUND_ZERO }, t2, other.near.lateral);
  writer.rule('side-measured', ['trace', CENTRE]).rule('side-other', ['second-trace', CENTRE]);
  writer
    .stroke('side-measured', 'trace', floor(measured.far), 'centre')
    .stroke('side-other', 'second-trace', floor(other.far), 'centre');

  const depths = [
    { corner: measured.near, mark: 'laid-near', name: '1' },
    { corner: measured.far, mark: 'laid-far', name: '2' },
  ];
  writer.step(
    'depths',
    'footprint',
    [
      'Lay the rule on the ground line with its zero at T. ',
      ...depths.flatMap(({ corner, name }): (string | { real: number } | { paperMm: number })[] => [
        `Mark ${name} at `,
        { real: Math.abs(corner.behindPlane) },
        ': ',
        { paperMm: Math.abs(corner.behindPlane / N) },
        ` to the ${senseOf(away * corner.behindPlane)} (`,
        { paperMm: Math.abs(t1 + (away * corner.behindPlane) / N) },
        ` ${senseOf(t1 + (away * corner.behindPlane) / N)} of the centre line). `,
      ]),
    ],
    ['Depths behind the picture plane are laid off away from the distance point, depths in front toward it.'],
  );
  for (const { corner, mark, name } of depths)
    writer.layOff(mark, name, { on: GROUND_LINE, from: 'trace' }, (away * corner.behindPlane) / N, corner.behindPlane);

  writer.step(
    'cut-depths',
    'footprint',
    [
      `Rule from 1 and from 2 to ${pointLabel}. They cut the line T–CV at ${label(measured.near)} and ${label(measured.far)}.`,
    ],
    ['The distance point is the measuring point of lines square to the picture plane.'],
  );
  depths.forEach(({ corner, mark }) => {
    writer
      .rule(`measure-${mark}`, [mark, 'distance-point'])
      .cross(floor(corner), label(corner), ['side-measured', `measure-${mark}`]);
    writer.stroke(`measure-${mark}`, mark, floor(corner), 'measuring');
  });
  writer.step(
    'across',
    'footprint',
    [
      `Rule level from ${label(measured.near)} and from ${label(measured.far)} to the line T₂–CV: ${label(other.near)} and ${label(other.far)}. The footprint is closed.`,
    ],
    ['What is parallel to the picture plane stays level.'],
  );
  (
    [
      ['near', measured.near, other.near],
      ['far', measured.far, other.far],
    ] as const
  ).forEach(([which, from, to]) => {
    writer.level(`across-${which}`, floor(from)).cross(floor(to), label(to), [`across-${which}`, 'side-other']);
    writer.stroke(`across-${which}`, floor(from), floor(to), 'level');
  });

  writeHeights(writer, given, { measured, other, label, floor });
  writeFinish(writer, given);
  return writer.finish(piece.id, 'distance-point');
}

interface OnePointFrame {
  readonly measured: { readonly near: MeasuredCorner; readonly far: MeasuredCorner };
  readonly other: { readonly near: MeasuredCorner; readonly far: MeasuredCorner };
  readonly label: (corner: MeasuredCorner) => string;
  readonly floor: (corner: MeasuredCorner) => MarkId;
}

function writeHeights(writer: PlanWriter, given: ConstructionGiven, frame: OnePointFrame): void {
  const { setUp, piece } = given;
  const { measured, other, label, floor } = frame;
  const N = setUp.scaleDenominator;
  const levels = levelsOf(given);
  writer.step(
    'height-line',
    'heights',
    [
      'Raise an upright at T: it is the height line.',
      ...levels.flatMap(({ level, height }): (string | { real: number } | { paperMm: number })[] => [
        ` Lay off ${level === 'top' ? 'the top' : 'the underside'}, `,
        { real: height },
        ': ',
        { paperMm: height / N },
        ' up.',
      ]),
    ],
    ['The upright at the trace stands in the picture plane, so heights on it are to scale.'],
  );
  writer.upright('height-line', 'trace');
  for (const { level, height } of levels)
    writer.layOff(
      `height-${level}`,
      level === 'top' ? 'H' : 'h',
      { on: 'height-line', from: 'trace', upright: true },
      height / N,
      height,
    );
  writer.stroke('height-line', 'trace', 'height-top', 'measuring');
  const corners = [measured.near, measured.far, other.far, other.near];
  writer.step(
    'uprights',
    'heights',
    [`Raise uprights at ${corners.map(label).join(', ')}.`],
    ['Uprights stay upright: the picture plane is upright too.'],
  );
  const vertex = (corner: MeasuredCorner, level: string): MarkId => `${piece.id}/box/${corner.name}-${level}`;
  for (const corner of corners)
    writer.upright(
      `upright-${corner.name}`,
      floor(corner),
      levels.map(({ level }) => vertex(corner, level)),
    );
  for (const { level } of levels) {
    const prime = (corner: MeasuredCorner): string => `${label(corner)}${level === 'top' ? '′' : '″'}`;
    writer.step(
      `carry-${level}`,
      'heights',
      [
        `Rule from ${level === 'top' ? 'H' : 'h'} to CV: it cuts the uprights at ${prime(measured.near)} and ${prime(measured.far)}.`,
      ],
      ['The height walks back along the side it was raised on.'],
    );
    writer.rule(`carry-${level}`, [`height-${level}`, CENTRE]);
    for (const corner of [measured.near, measured.far])
      writer.cross(vertex(corner, level), prime(corner), [`carry-${level}`, `upright-${corner.name}`]);
    writer.stroke(`carry-${level}`, `height-${level}`, vertex(measured.far, level), 'centre');
    writer.step(
      `round-${level}`,
      'heights',
      [
        `Rule level from ${prime(measured.near)} to ${prime(other.near)} and from ${prime(measured.far)} to ${prime(other.far)}, then join ${prime(other.near)} and ${prime(other.far)}. Check: carried on, that line must run into CV.`,
      ],
      ['Widths stay level; the sides recede.'],
    );
    (
      [
        ['near', measured.near, other.near],
        ['far', measured.far, other.far],
      ] as const
    ).forEach(([which, from, to]) => {
      writer
        .level(`top-${which}-${level}`, vertex(from, level))
        .cross(vertex(to, level), prime(to), [`top-${which}-${level}`, `upright-${to.name}`]);
      writer.stroke(`top-${which}-${level}`, vertex(from, level), vertex(to, level), 'level');
    });
    writeClosing(
      writer,
      level,
      [vertex(other.near, level), vertex(other.far, level)],
      at([other.far.name], 0),
      Math.abs(other.near.lateral / N) >= 1,
    );
  }
}

/** The last side's line, ruled from its near corner to the centre of vision, must pass through its far corner. */
function writeClosing(
  writer: PlanWriter,
  level: string,
  [near, far]: readonly [MarkId, MarkId],
  farName: string,
  showsDepth: boolean,
): void {
  const line = `side-${level}`;
  writer.rule(line, [near, CENTRE]);
  writer.stroke(line, near, far, 'centre');
  // A side straight under or over the centre of vision is one upright line: there is no crossing to check.
  if (!showsDepth) return;
  writer.cross(`check-${level}`, '', [line, `upright-${farName}`]).check(far, `check-${level}`);
}
