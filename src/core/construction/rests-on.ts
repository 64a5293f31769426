import { makes, type LineId, type MarkId, type Operation } from './operation';

/** The marks that a mark's place follows from: itself and all before it that it rests on. */
export function restsOn(operations: readonly Operation[], mark: MarkId): ReadonlySet<MarkId> {
  const ofLine = new Map<LineId, ReadonlySet<MarkId>>();
  const ofMark = new Map<MarkId, ReadonlySet<MarkId>>();
  for (const one of operations) {
    const { marks, line, usesMarks, usesLines } = makes(one);
    const under = [...usesMarks.map((id) => ofMark.get(id)), ...usesLines.map((id) => ofLine.get(id))].flatMap(
      (set) => [...(set ?? [])],
    );
    for (const made of marks) ofMark.set(made, new Set([...under, made]));
    if (line !== null) ofLine.set(line, new Set(under));
  }
  return ofMark.get(mark) ?? new Set();
}

/** The marks whose places follow from a mark: itself and all after it that rest on it. */
export const restingOn = (operations: readonly Operation[], mark: MarkId): ReadonlySet<MarkId> =>
  resting(operations, new Set([mark]), new Set());

/** The marks whose places follow from how a line was drawn. */
export const restingOnLine = (operations: readonly Operation[], line: LineId): ReadonlySet<MarkId> =>
  resting(operations, new Set(), new Set([line]));

function resting(operations: readonly Operation[], marks: Set<MarkId>, lines: Set<LineId>): ReadonlySet<MarkId> {
  const found = new Set<MarkId>();
  for (const one of operations) {
    const made = makes(one);
    const rests = made.usesMarks.some((id) => marks.has(id)) || made.usesLines.some((id) => lines.has(id));
    for (const mark of made.marks)
      if (rests || marks.has(mark)) {
        marks.add(mark);
        found.add(mark);
      }
    if (rests && made.line !== null) lines.add(made.line);
  }
  return found;
}
