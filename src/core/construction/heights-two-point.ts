import type { ConstructionGiven } from './given';
import { mmOf } from '@/core/record';
import type { LineId, MarkId } from './operation';
import type { PlanWriter } from './plan-writer';
import type { TwoPointFrame } from './box-two-point';

/** The levels of a box above its floor, underside first; a box that stands on the floor has its footprint for underside. */
export function levelsOf(
  given: ConstructionGiven,
): readonly { readonly level: 'bottom' | 'top'; readonly height: number }[] {
  const lift = mmOf(given.piece.lift);
  const top = { level: 'top' as const, height: lift + mmOf(given.piece.height) };
  return lift === 0 ? [top] : [{ level: 'bottom', height: lift }, top];
}

/** Heights on the upright at the trace, where they are true, carried to the corners along the primary direction, then round. */
export function writeHeightsTwoPoint(writer: PlanWriter, given: ConstructionGiven, frame: TwoPointFrame): void {
  const { setUp } = given;
  const { near, alongPrimary, alongSecondary, far, primary } = frame;
  const upright = (corner: string): LineId => `upright-${corner}`;
  const levels = levelsOf(given);
  writer.step(
    'height-line',
    'heights',
    [
      `Raise an upright at ${frame.traceLabel}: it is the height line.`,
      ...levels.flatMap(({ level, height }): (string | { real: number } | { paperMm: number })[] => [
        ` Lay off ${level === 'top' ? 'the top' : 'the underside'}, `,
        { real: height },
        ': ',
        { paperMm: height / setUp.scaleDenominator },
        ' up.',
      ]),
    ],
    [
      'The upright at the trace stands in the picture plane, so heights on it are to scale. A height laid off anywhere else would be wrong.',
    ],
  );
  writer.upright('height-line', frame.trace);
  for (const { level, height } of levels) {
    writer.layOff(
      `height-${level}`,
      level === 'top' ? 'H' : 'h',
      { on: 'height-line', from: frame.trace, upright: true },
      height / setUp.scaleDenominator,
      height,
    );
  }
  writer.stroke('height-line', frame.trace, 'height-top', 'measuring');
  const vertex = (corner: string, level: string): MarkId => `${given.piece.id}/box/${corner}-${level}`;
  const prime = (corner: string, level: string): string =>
    `${frame.labels[corner] ?? ''}${level === 'top' ? '′' : '″'}`;
  writer.step(
    'uprights',
    'heights',
    [`Raise uprights at ${[near, alongPrimary, alongSecondary, far].map((c) => frame.labels[c]).join(', ')}.`],
    ['Uprights stay upright: the picture plane is upright too.'],
  );
  for (const corner of [near, alongPrimary, alongSecondary, far])
    writer.upright(
      upright(corner),
      frame.footprintMark(corner),
      levels.map(({ level }) => vertex(corner, level)),
    );
  for (const { level } of levels) {
    const which = level === 'top' ? 'top' : 'underside';
    writer.step(
      `carry-${level}`,
      'heights',
      [
        `Rule from ${level === 'top' ? 'H' : 'h'} to ${primary.label}: it cuts the uprights at ${prime(near, level)} and ${prime(alongPrimary, level)}, the ${which} of that side.`,
      ],
      [
        'The height walks back along the side it was raised on, to the same vanishing point as the floor line under it.',
      ],
    );
    writer.rule(`carry-${level}`, [`height-${level}`, primary.mark]);
    for (const corner of [near, alongPrimary])
      writer.cross(vertex(corner, level), prime(corner, level), [`carry-${level}`, upright(corner)]);
    writer.stroke(`carry-${level}`, `height-${level}`, vertex(alongPrimary, level), primary.family);
    writeRound(writer, given, frame, level);
  }
}

/** The two corners off the measured side, and the closing line between them. */
function writeRound(writer: PlanWriter, given: ConstructionGiven, frame: TwoPointFrame, level: 'bottom' | 'top'): void {
  const { near, alongPrimary, alongSecondary, far, primary, secondary, edgeOn } = frame;
  const vertex = (corner: string): MarkId => `${given.piece.id}/box/${corner}-${level}`;
  const prime = (corner: string): string => `${frame.labels[corner] ?? ''}${level === 'top' ? '′' : '″'}`;
  const upright = (corner: string): LineId => `upright-${corner}`;
  writer.step(
    `round-${level}`,
    'heights',
    [
      `Rule from ${prime(alongPrimary)} to ${secondary.label} for ${prime(far)}, and from ${prime(near)} to ${secondary.label} for ${prime(alongSecondary)}.`,
      ` Check: ${prime(alongSecondary)}, ${prime(far)} and ${primary.label} must lie on one line.`,
    ],
    ['The short side turns to the other vanishing point: the commonest fault is to leave it level.'],
  );
  const back: LineId = `back-${level}`;
  writer
    .rule(`far-${level}`, [vertex(alongPrimary), secondary.mark])
    .rule(`near-${level}`, [vertex(near), secondary.mark]);
  // A side seen edge-on gives no crossing with its own uprights: the corner then comes round from the other side.
  const crossFar = (line: LineId): void => void writer.cross(vertex(far), prime(far), [line, upright(far)]);
  const crossSecondary = (line: LineId): void =>
    void writer.cross(vertex(alongSecondary), prime(alongSecondary), [line, upright(alongSecondary)]);
  if (edgeOn.farSecondary) {
    crossSecondary(`near-${level}`);
    writer.rule(back, [vertex(alongSecondary), primary.mark]);
    crossFar(back);
  } else {
    crossFar(`far-${level}`);
    writer.rule(back, [vertex(far), primary.mark]);
    crossSecondary(edgeOn.nearSecondary ? back : `near-${level}`);
    if (!edgeOn.nearSecondary && !edgeOn.backPrimary) {
      writer.cross(`check-${level}`, '', [back, upright(alongSecondary)]);
      writer.check(vertex(alongSecondary), `check-${level}`);
    }
  }
  writer.stroke(`far-${level}`, vertex(alongPrimary), vertex(far), secondary.family);
  writer.stroke(`near-${level}`, vertex(near), vertex(alongSecondary), secondary.family);
  writer.stroke(back, vertex(alongSecondary), vertex(far), primary.family);
}
