import { HORIZON_LINE } from './set-out-operations';
import { makes, type Operation } from './operation';

/**
 * The operations that something rests on: what leads to nothing that stays is not drawn. @param wanted marks, lines and curves that are wanted for
 * themselves.
 */
export function needed(operations: readonly Operation[], wanted: ReadonlySet<string>): readonly Operation[] {
  const uses = new Set(wanted);
  const kept: Operation[] = [];
  for (const one of [...operations].reverse()) {
    const { marks, line, usesMarks, usesLines } = makes(one);
    const made = [...marks, ...(line === null ? [] : [line]), ...(one.op === 'curve' ? [one.curve] : [])];
    if (!made.some((id) => uses.has(id))) continue;
    kept.push(one);
    for (const id of [...usesMarks, ...usesLines]) uses.add(id);
    // A point set along the horizon asks for the horizon.
    if (one.op === 'take' && one.slides === 'u') uses.add(HORIZON_LINE);
  }
  return kept.reverse();
}
