import { HORIZON_LINE } from './set-out-operations';
import { makes, type Operation } from './operation';

/**
 * The operations that something rests on, each with its place in the list: what leads to nothing that stays is not drawn, and a strip carries only what is
 * used of it. @param wanted marks, lines and curves that are wanted for themselves.
 */
export function needed(
  operations: readonly Operation[],
  wanted: ReadonlySet<string>,
): readonly { readonly operation: Operation; readonly place: number }[] {
  const uses = new Set(wanted);
  const kept: { operation: Operation; place: number }[] = [];
  for (const [place, given] of [...operations.entries()].reverse()) {
    const one = given.op === 'strip' ? { ...given, marks: given.marks.filter(([mark]) => uses.has(mark)) } : given;
    const { marks, line, usesMarks, usesLines } = makes(one);
    const made = [...marks, ...(line === null ? [] : [line]), ...(one.op === 'curve' ? [one.curve] : [])];
    if (!made.some((id) => uses.has(id))) continue;
    kept.push({ operation: one, place });
    for (const id of [...usesMarks, ...usesLines]) uses.add(id);
    // A point set along the horizon asks for the horizon.
    if (one.op === 'take' && one.slides === 'u') uses.add(HORIZON_LINE);
  }
  return kept.reverse();
}
