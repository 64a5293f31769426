import { lists } from './lists';
import { makes, type MarkId, type Operation } from './operation';
import type { Saying } from './say';
import type { Telling } from './telling';

/** Nearer to the sheet's edge than this a mark is on it: ticks are set there, mm. */
const ON_EDGE_MM = 0.1;

/** Marks of the step that the sheet does not reach, and where they go. */
export function besideSheet(operations: readonly Operation[], telling: Telling): readonly Saying[] {
  const { machine, centreOnSheet, sheet, onBoard, onPlan } = telling;
  const off = (value: number, size: number): boolean => value < -ON_EDGE_MM || value > size + ON_EDGE_MM;
  const marks = [...new Set(operations.flatMap((one) => makes(one).marks))].filter((mark) => {
    if (onPlan.has(mark)) return false;
    const { u, v } = machine.markAt(mark);
    return off(centreOnSheet.x + u, sheet.width) || off(centreOnSheet.y + v, sheet.height);
  });
  const told = (some: readonly MarkId[], where: string, on: string): readonly Saying[] =>
    [...lists(some.map((mark) => telling.labels.get(mark) ?? ''))].map((list): Saying => [
      `${where} ${some.length === 1 ? 'lies' : 'lie'} ${list}: mark ${some.length === 1 ? 'it' : 'them'} on ${on}.`,
    ]);
  const [here, beyond] = [true, false].map((is) => marks.filter((mark) => onBoard(machine.markAt(mark)) === is));
  return [
    ...told(here ?? [], 'Beside the sheet', 'the board, on tape'),
    ...told(beyond ?? [], 'Beyond the board', 'the strip taped on there'),
  ];
}
