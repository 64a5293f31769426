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
export function restingOn(operations: readonly Operation[], mark: MarkId): ReadonlySet<MarkId> {
  const lines = new Set<LineId>();
  const found = new Set<MarkId>();
  for (const one of operations) {
    const { marks, line, usesMarks, usesLines } = makes(one);
    const rests = usesMarks.some((id) => found.has(id)) || usesLines.some((id) => lines.has(id));
    for (const made of marks) if (rests || made === mark) found.add(made);
    if (rests && line !== null) lines.add(line);
  }
  return found;
}
