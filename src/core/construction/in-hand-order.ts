import { footOn, type DraftingMachine } from './machine';
import type { LineId, Operation } from './operation';
import type { Pass } from './pass';

/**
 * The operations of one pass as the hand goes: marks along the rule, lines as the straightedge turns about its point, levels from the top, uprights from
 * the left; then where they cross, line by line. Names given in this order run along the paper. What one position of a tool does never rests on
 * something else it does, so any order will do.
 */
export function inHandOrder(
  pass: Pass,
  operations: readonly Operation[],
  machine: DraftingMachine,
): readonly Operation[] {
  const tool = operations.filter((one) => one.op !== 'cross');
  const places = new Map(tool.map((one) => [one, placeOf(pass, one, machine)]));
  const sorted = [...tool].sort((a, b) => (places.get(a) ?? 0) - (places.get(b) ?? 0));
  const lines = new Map<LineId, number>(sorted.flatMap((one, i) => ('line' in one ? [[one.line, i] as const] : [])));
  const crossings = operations.flatMap((one) => {
    if (one.op !== 'cross') return [];
    const own = one.lines.find((line) => lines.has(line)) ?? one.lines[0];
    return [
      { one, line: lines.get(own) ?? sorted.length, along: footOn(machine.lineOf(own), machine.markAt(one.mark)) },
    ];
  });
  crossings.sort((a, b) => a.line - b.line || a.along - b.along);
  return [...sorted, ...crossings.map(({ one }) => one)];
}

/** Where along the hand's way an operation comes. */
function placeOf(pass: Pass, one: Operation, machine: DraftingMachine): number {
  switch (one.op) {
    case 'take':
      return machine.markAt(one.mark).u;
    case 'lay-off':
    case 'transfer': {
      const line = machine.lineOf(one.on);
      return footOn(line, machine.markAt(one.mark));
    }
    case 'rule': {
      if (pass.pass !== 'to-a-point') return 0;
      const mark = one.through[0] === pass.point ? one.through[1] : one.through[0];
      const [p, q] = [machine.markAt(pass.point), machine.markAt(mark)];
      // Lines to both sides of the point turn through half a circle: their slope tells the order.
      return Math.atan((q.v - p.v) / (q.u - p.u));
    }
    case 'level':
      return -machine.markAt(one.through).v;
    case 'upright':
      return machine.markAt(one.through).u;
    case 'parallel': {
      const { run } = machine.lineOf(one.to);
      const { u, v } = machine.markAt(one.through);
      return u * run.v - v * run.u;
    }
    case 'strip':
    case 'curve':
    case 'cross':
      return 0;
  }
}
