import { tolerance } from '@/core/numeric';
import { alongLine, footOn } from './machine';
import type { Operation, Sense } from './operation';
import { ELEVATION_ZERO } from './plan-sheet';
import type { Telling, ToldMeasure } from './telling';

/** What is laid off, as it lies on the paper, and heights found on an elevation. */
export function measuresOf(operations: readonly Operation[], telling: Telling): readonly ToldMeasure[] {
  const { machine, scaleDenominator } = telling;
  return operations.flatMap((one): ToldMeasure[] => {
    if (one.op === 'take' && telling.heights.has(one.mark) && one.mark !== ELEVATION_ZERO) {
      const up = one.point.v;
      const toward: Sense = up < 0 ? 'down' : 'up';
      return [
        {
          ...{ mark: one.mark, label: telling.labels.get(one.mark) ?? '' },
          ...{ real: Math.abs(up) * scaleDenominator, paperMm: Math.abs(up), toward },
        },
      ];
    }
    if (one.op !== 'lay-off') return [];
    const drawn = machine.lineOf(one.on);
    const mark = machine.markAt(one.mark);
    const foot = alongLine(drawn, footOn(drawn, machine.markAt(one.from)));
    const [du, dv] = [mark.u - foot.u, mark.v - foot.v];
    const toward: Sense =
      Math.abs(du) > tolerance.touchMm && Math.abs(du) >= Math.abs(dv)
        ? du > 0
          ? 'right'
          : 'left'
        : dv > 0
          ? 'up'
          : 'down';
    const paperMm = Math.hypot(du, dv);
    return [
      { mark: one.mark, label: telling.labels.get(one.mark) ?? '', real: paperMm * scaleDenominator, paperMm, toward },
    ];
  });
}
