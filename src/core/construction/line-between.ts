import { tolerance } from '@/core/numeric';
import type { Desk } from './desk';
import type { DrawnLine } from './machine';
import type { LineId, MarkId } from './operation';

/** The line through two marks: one that is drawn already, or the one drawn now. @param along draws it in a direction of its frame; null where it has none. */
export function lineBetween(
  desk: Desk,
  from: MarkId,
  to: MarkId,
  along: () => LineId | null = () => null,
): LineId | null {
  const [p, q] = [desk.machine.markAt(from), desk.machine.markAt(to)];
  const through = ({ at, run }: DrawnLine): boolean =>
    [p, q].every(({ u, v }) => Math.abs((u - at.u) * run.v - (v - at.v) * run.u) < tolerance.touchMm);
  for (const [id, drawn] of desk.machine.lines) if (!desk.onPlan.has(id) && through(drawn)) return id;
  const own = along();
  if (own !== null && through(desk.machine.lineOf(own))) return own;
  const line = `edge:${from}~${to}`;
  return desk.carryOut([{ op: 'rule', line, through: [from, to] }]) ? line : null;
}
