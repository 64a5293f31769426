import { footOn, type DraftingMachine } from './machine';
import { HORIZON_LINE } from './set-out-operations';
import { makes, type LineId, type MarkId, type Operation } from './operation';

/** From where to where a line is drawn, in the sense of its run. */
export type LineExtent = readonly [MarkId, MarkId];

/**
 * How long each line is drawn: only as far as marks lie on it, never out to the point it is ruled to. A line on which nothing but its own mark lies is
 * not drawn at all. Source: construction, 4. @param points of the set-out, at which no line needs to be drawn. @param kept lines that stay
 * between two marks.
 */
export function lineExtents(
  operations: readonly Operation[],
  machine: Pick<DraftingMachine, 'markAt' | 'lineOf'>,
  points: ReadonlySet<MarkId>,
  kept: readonly { readonly line: LineId; readonly from: MarkId; readonly to: MarkId }[],
): ReadonlyMap<LineId, LineExtent> {
  const marksOn = new Map<LineId, Set<MarkId>>();
  // A level or an upright through a point begins at it; a line ruled to one ends before it.
  const ruled = new Set(operations.flatMap((one) => (one.op === 'rule' ? [one.line] : [])));
  const put = (line: LineId, mark: MarkId, as: 'ruled-to' | 'lies-on' = 'lies-on'): void => {
    if (as === 'ruled-to' && points.has(mark) && ruled.has(line)) return;
    const list = marksOn.get(line);
    if (list) list.add(mark);
    else marksOn.set(line, new Set([mark]));
  };
  const onHorizon = new Set<MarkId>();
  for (const one of operations) {
    const { marks, line, usesMarks, usesLines } = makes(one);
    // The horizon alone is drawn out to its points: they lie on it.
    if (one.op === 'take' && one.paper !== 'plan') onHorizon.add(one.mark);
    if (line !== null) for (const mark of usesMarks) put(line, mark, 'ruled-to');
    for (const on of one.op === 'parallel' ? [] : usesLines) for (const mark of marks) put(on, mark);
    // A length is laid off from a mark of the line.
    if (one.op === 'lay-off' || one.op === 'transfer') put(one.on, one.from);
  }
  marksOn.set(HORIZON_LINE, new Set([...(marksOn.get(HORIZON_LINE) ?? []), ...onHorizon]));
  for (const { line, from, to } of kept) {
    put(line, from);
    put(line, to);
  }
  const extents = new Map<LineId, LineExtent>();
  for (const [line, marks] of marksOn) {
    const along = [...marks]
      .map((mark) => ({ mark, s: footOn(machine.lineOf(line), machine.markAt(mark)) }))
      .sort((a, b) => a.s - b.s);
    const [first, last] = [along[0], along.at(-1)];
    if (first && last && first.mark !== last.mark) extents.set(line, [first.mark, last.mark]);
  }
  return extents;
}
